/** What an opened backup would bring, and where both changed the same thing: hers to choose. */
import { useState } from 'react';
import { choiceKey, type Difference, type Choice as Taken } from '../../store/backup/difference.ts';
import { Choice } from '../ui/choice.tsx';
import { day } from '../ui/format.ts';
import type { LookedAt } from './kept.worker.ts';

const NAMES: ReadonlyArray<readonly [table: string, one: string, many: string]> = [
  ['plans', 'plan', 'plans'],
  ['wearers', 'wearer', 'wearers'],
  ['sessions', 'install', 'installs'],
  ['log', 'style', 'styles'],
  ['wear', 'note of a day', 'notes of days'],
  ['stash', 'lot of the stash', 'lots of the stash'],
  ['orders', 'order', 'orders'],
  ['photos', 'photo', 'photos'],
];

const CHOICE_WORDS: Readonly<Record<Difference['table'], Readonly<Record<Taken, string>>>> = {
  plans: { both: 'both, beside each other', ours: 'as it is here', theirs: 'as in the backup' },
  wearers: { both: 'both, beside each other', ours: 'as she is here', theirs: 'as in the backup' },
  log: { both: 'both lines', ours: 'as it is here', theirs: 'as in the backup' },
  stash: { both: 'both', ours: 'as it is here', theirs: 'as in the backup' },
};

export function BackupFound(props: {
  readonly looked: LookedAt;
  readonly onTake: (chosen: Readonly<Record<string, Taken>>) => void;
  readonly onLeave: () => void;
}) {
  const { compared, writtenAtMs } = props.looked;
  const [chosen, setChosen] = useState<Readonly<Record<string, Taken>>>({});
  const fresh = NAMES.flatMap(([table, one, many]) => {
    const n = compared.fresh[table] ?? 0;
    return n > 0 ? [`${n} ${n === 1 ? one : many}`] : [];
  });
  return (
    <section className="kept-found" aria-label="The backup" data-testid="backup-found">
      <h2 className="text-heading">A backup of {day(writtenAtMs)}</h2>
      <p className="mt-1">
        {fresh.length > 0 && `New to this browser: ${fresh.join(', ')}.`}
        {fresh.length + compared.ahead.length + compared.differences.length === 0 && 'All of it is here already.'}
        {compared.ahead.length > 0 &&
          ` ${compared.ahead.length} ${compared.ahead.length === 1 ? 'goes' : 'go'} further there than here.`}
      </p>
      {compared.differences.length > 0 && (
        <>
          <h3 className="mt-4 text-title">Changed here and there</h3>
          <ul>
            {compared.differences.map((d) => (
              <OneDifference
                key={choiceKey(d)}
                difference={d}
                choice={chosen[choiceKey(d)] ?? d.start}
                onChoose={(choice) => setChosen({ ...chosen, [choiceKey(d)]: choice })}
              />
            ))}
          </ul>
        </>
      )}
      <div className="mt-5 flex flex-wrap items-center gap-6">
        <button
          type="button"
          className="button primary max-w-80"
          onClick={() => props.onTake(chosen)}
          data-testid="bring-in"
        >
          Bring it in
        </button>
        <button type="button" className="word" onClick={props.onLeave}>
          Leave it
        </button>
      </div>
    </section>
  );
}

function OneDifference(props: {
  readonly difference: Difference;
  readonly choice: Taken;
  readonly onChoose: (choice: Taken) => void;
}) {
  const { difference: d, choice, onChoose } = props;
  return (
    <li className="line py-3" data-difference={choiceKey(d)}>
      <h4 className="font-strong">{d.name}</h4>
      <p className="note">
        Here: {d.ours}. In the backup: {d.theirs}.
      </p>
      <Choice
        label={d.name}
        value={choice}
        options={d.choices.map((value) => ({ value, name: CHOICE_WORDS[d.table][value] }))}
        onChange={onChoose}
      />
    </li>
  );
}
