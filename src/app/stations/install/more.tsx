/** How she is told, who looks over her shoulder, and all that is not asked for at every knot. */
import { useState } from 'react';
import { Link } from 'react-router';
import type { PlanResult } from '../../../core/findings/index.ts';
import type { Telling } from '../../../core/install/index.ts';
import { rowWords, upperFirst } from '../../../core/trade/index.ts';
import { readInstallJson, writeInstallJson } from '../../../formats/install-json.ts';
import type { InstallSession } from '../../../model/install-log.ts';
import type { PlanDocument } from '../../../model/plan.ts';
import { mergeInstall } from '../../../store/merge-install.ts';
import { storageSentence } from '../../../store/plans.ts';
import { wearEvents } from '../../../store/wear.ts';
import { db } from '../../session/database.ts';
import { offerText } from '../../session/files.ts';
import { OpenFile } from '../../ui/open-file.tsx';
import { OneOf } from '../../ui/tabs.tsx';
import { MirrorDialog } from './mirror-dialog.tsx';
import type { MirrorSettings, Mirrors } from './mirror-settings.ts';
import { RunTook } from './run-card.tsx';
import type { Install } from './use-install.ts';
import { type NewPlan, planBefore } from './use-new-plan.ts';
import { useCanListen } from './voice.ts';

interface Props {
  readonly session: InstallSession;
  readonly plan: PlanDocument;
  readonly result: PlanResult;
  readonly install: Install;
  readonly newPlan: NewPlan;
  readonly settings: MirrorSettings;
  readonly set: (change: Partial<MirrorSettings>) => void;
  readonly forHelper: boolean;
  /** The last knot that is in, for how it should look by now. */
  readonly upTo: string | undefined;
  readonly onWays: () => void;
  readonly onPhoto: () => void;
  readonly onClose: () => void;
}

const TELLING_WORDS: ReadonlyArray<readonly [Telling, string]> = [
  ['knot', 'each knot'],
  ['stretch', 'what is alike'],
  ['row', 'the whole row'],
];
const MIRROR_WORDS: ReadonlyArray<readonly [Mirrors, string]> = [
  ['none', 'no mirror'],
  ['one', 'one mirror'],
  ['two', 'two mirrors'],
];

export function More(props: Props) {
  const { plan, upTo, onClose } = props;
  const [said, setSaid] = useState<string>();
  return (
    <MirrorDialog title="At the mirror" onClose={onClose} testId="more-dialog">
      <HowTold {...props} />
      <p className="note mt-2">
        Space, Enter, the right arrow or a pedal that types Page down go on; the left arrow, Backspace or Page up go
        back; P rests, H says that it hurts.
      </p>
      <div className="mt-4 flex flex-wrap gap-x-6">
        <button type="button" className="word text-title" onClick={props.onWays} data-testid="ways">
          A new plan from here
        </button>
        <button type="button" className="word text-title" onClick={props.onPhoto} data-testid="photo">
          A photo, and what shows in it
        </button>
        {upTo && (
          <Link className="word text-title" to={`/plan/${plan.id}/check`} state={{ upTo }} data-testid="so-far">
            How it should look by now
          </Link>
        )}
        <TakeBack {...props} onSaid={setSaid} />
      </div>
      <LastRow {...props} onSaid={setSaid} />
      <OtherHands {...props} onSaid={setSaid} />
      {said && (
        <p role="status" className="mt-2" data-testid="more-said">
          {said}
        </p>
      )}
    </MirrorDialog>
  );
}

function HowTold({ settings, set }: Props) {
  const canListen = useCanListen();
  return (
    <>
      <Row
        name="Tell me"
        value={settings.telling}
        options={TELLING_WORDS}
        testId="telling"
        onChange={(telling) => set({ telling })}
      />
      <Row
        name="I look into"
        value={settings.mirrors}
        options={MIRROR_WORDS}
        testId="mirrors"
        onChange={(mirrors) => set({ mirrors })}
      />
      <Row
        name="The moves of a knot"
        value={settings.showsMoves ? 'yes' : 'no'}
        options={[
          ['yes', 'drawn'],
          ['no', 'I know them'],
        ]}
        testId="moves"
        onChange={(v) => set({ showsMoves: v === 'yes' })}
      />
      {'speechSynthesis' in window && (
        <Row
          name="Read to me"
          value={settings.isSpoken ? 'yes' : 'no'}
          options={YES_NO}
          testId="spoken"
          onChange={(v) => set({ isSpoken: v === 'yes' })}
        />
      )}
      {canListen && (
        <Row
          name="Listen to me: next, back, pause, it hurts"
          value={settings.listens ? 'yes' : 'no'}
          options={YES_NO}
          testId="listens"
          onChange={(v) => set({ listens: v === 'yes' })}
        />
      )}
    </>
  );
}

const YES_NO: ReadonlyArray<readonly ['yes' | 'no', string]> = [
  ['yes', 'yes'],
  ['no', 'no'],
];

function TakeBack({ session, install, newPlan, onSaid }: Props & Saying) {
  const before = planBefore(session.plan, install.events);
  if (!before) return null;
  const takeBack = async () => {
    const why = await newPlan.take({ words: `Taken back: ${before.words}`, plan: before.plan });
    onSaid(why ?? 'The plan before is followed again.');
  };
  return (
    <button
      type="button"
      className="word text-title"
      disabled={newPlan.isWorking}
      data-testid="plan-before"
      onClick={() => void takeBack()}
    >
      Take back “{before.words}”
    </button>
  );
}

interface Saying {
  readonly onSaid: (words: string) => void;
}

/** "This row took 23": the last row that is in, counted afterwards. */
function LastRow({ result, install, onSaid }: Props & Saying) {
  const { done } = install.state;
  const isIn = new Set(done.map((d) => d.knotId));
  const inRow = (row: PlanResult['rows'][number]) =>
    result.knots.slice(row.firstKnot, row.firstKnot + row.knotCount).map((k) => k.id);
  const whole = result.rows.filter((row) => row.knotCount > 0 && inRow(row).every((id) => isIn.has(id)));
  const place = new Map(done.map((d, i) => [d.knotId, i]));
  const lastOf = (row: PlanResult['rows'][number]) => Math.max(...inRow(row).map((id) => place.get(id) ?? 0));
  const row = whole.sort((a, b) => lastOf(a) - lastOf(b)).at(-1);
  const [took, setTook] = useState<number>();
  if (!row) return null;
  return (
    <div className="mt-4 flex flex-wrap items-center gap-x-6" data-testid="last-row">
      <span>{upperFirst(rowWords(row.label))}, the last that is in:</span>
      <RunTook planned={row.knotCount} took={took ?? row.knotCount} onTook={setTook} />
      <button
        type="button"
        className="word"
        data-testid="keep-count"
        onClick={() => {
          install.add('count', { knotIds: inRow(row), pieces: took ?? row.knotCount });
          onSaid(`${took ?? row.knotCount} pieces are counted for ${rowWords(row.label)}.`);
        }}
      >
        Keep the count
      </button>
    </div>
  );
}

/** A helper in a second tab, and another device by a file. */
function OtherHands({ session, install, forHelper, onClose, onSaid }: Props & Saying) {
  const here = `/install/${session.id}`;
  return (
    <>
      <h3 className="mt-5 text-title">Another pair of hands, another device</h3>
      <p className="text-body">
        A second tab on this machine follows the same install, and both may press.{' '}
        {forHelper
          ? 'This one speaks to your helper.'
          : 'For somebody behind you it tells left and right as they see it.'}
      </p>
      <div className="flex flex-wrap gap-x-6">
        {forHelper ? (
          <Link className="word" to={here} onClick={onClose} data-testid="for-her">
            Speak to the wearer again
          </Link>
        ) : (
          <a className="word" href={`${here}?for=helper`} target="_blank" rel="noreferrer" data-testid="for-helper">
            Open it for a helper
          </a>
        )}
        <button
          type="button"
          className="word"
          data-testid="export-install"
          onClick={() => void saved(session, install)}
        >
          Save this install as a file
        </button>
        <button
          type="button"
          className="word"
          data-testid="link-install"
          onClick={async () => onSaid(await linked(session, install))}
        >
          Copy it as a link
        </button>
        <OpenFile
          words="Add what another device has of it"
          className="word"
          label="A file of this install"
          accept=".json,application/json"
          testId="import-install"
          onChosen={async (file) => onSaid(await takenFrom(file, session))}
        />
      </div>
    </>
  );
}

/** With the days on which it was worn. */
async function saved(session: InstallSession, { events }: Pick<Install, 'events'>) {
  const wear = await wearEvents(db, session.id);
  offerText('install.json', 'application/json', writeInstallJson({ session, events, wear }));
}

/** For a message to oneself: the address holds all of it. */
async function linked(session: InstallSession, { events }: Pick<Install, 'events'>): Promise<string> {
  const { LONGEST_INSTALL_LINK, packInstall } = await import('../../../formats/link/install-link.ts');
  const link = packInstall({ session, events, wear: await wearEvents(db, session.id) });
  if (link.length > LONGEST_INSTALL_LINK) return 'It is too much for a link: save it as a file.';
  const address = `${location.origin}/bring#${link}`;
  try {
    await navigator.clipboard.writeText(address);
  } catch {
    return 'The link can’t be copied here: save it as a file.';
  }
  return 'The link is copied. Opened on the other device, it adds what is new there.';
}

async function takenFrom(file: File, session: InstallSession): Promise<string> {
  const read = readInstallJson(await file.text());
  if (!read.ok) return `${read.why} Nothing was changed.`;
  if (read.value.session.id !== session.id) return 'This file is of another install. Nothing was changed.';
  try {
    const fresh = await mergeInstall(db, session, read.value.events, read.value.wear);
    return fresh === 0 ? 'All of it was here already.' : `${fresh} touches from the other device are in.`;
  } catch (error) {
    return storageSentence(error);
  }
}

function Row<T extends string>(props: {
  readonly name: string;
  readonly value: T;
  readonly options: ReadonlyArray<readonly [T, string]>;
  readonly onChange: (value: T) => void;
  readonly testId: string;
}) {
  const { name, ...choice } = props;
  return (
    <div className="flex flex-wrap items-center justify-between gap-x-6">
      <span>{name}</span>
      <OneOf label={name} {...choice} />
    </div>
  );
}
