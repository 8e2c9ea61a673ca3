/** Her plans in a list: what can be done with each, and how another begins. */
import { useLiveQuery } from 'dexie-react-hooks';
import { lazy, Suspense, useMemo, useState } from 'react';
import { Link, useNavigate } from 'react-router';
import { readPlanJson } from '../../formats/plan-json.ts';
import { setField } from '../../model/commands.ts';
import { record as recordDeed } from '../../model/history.ts';
import type { PlanDocument } from '../../model/plan.ts';
import type { PlanRecord } from '../../store/database.ts';
import { type PlanState, planStates } from '../../store/plan-state.ts';
import {
  copyPlan,
  deletePlan,
  importPlan,
  keptPlans,
  lastDeleted,
  nameOf,
  openRecord,
  restorePlan,
  savePlan,
  storageSentence,
} from '../../store/plans.ts';
import { holdsPlan } from '../../store/records.ts';
import { db, newId } from '../session/database.ts';
import { saveAsItIs } from '../session/files.ts';
import { TextField } from '../ui/field.tsx';
import { day } from '../ui/format.ts';
import { OpenFile } from '../ui/open-file.tsx';
import { BackupWord } from './backup-word.tsx';
import { DemoChoice } from './demo-choice.tsx';
import { PlanPicture } from './plan-picture.tsx';
import { type SmallPictures, useSmallPictures } from './small-pictures.ts';
import { WearerList } from './wearer-list.tsx';

const HandOver = lazy(() => import('./hand-over.tsx').then((m) => ({ default: m.HandOver })));

export function PlanList({ currentId, close }: { readonly currentId: string | undefined; readonly close: () => void }) {
  const plans = useLiveQuery(() => keptPlans(db));
  const deleted = useLiveQuery(() => lastDeleted(db));
  const states = useLiveQuery(() => planStates(db));
  const of = useLiveQuery(
    async () => (currentId ? (await db.plans.get(currentId))?.wearer?.id : undefined),
    [currentId],
  );
  const pictures = useSmallPictures();
  const [typed, setTyped] = useState('');
  const found = plans?.filter((p) => isFound(p, typed));
  const [justDeleted, setJustDeleted] = useState(false);
  const [sentence, setSentence] = useState<string>();
  const deeds = usePlanDeeds({ currentId, close, say: setSentence, onDeleted: () => setJustDeleted(true) });
  return (
    <>
      {plans && plans.length > MANY && (
        <label className="field mt-2">
          Find
          <input
            className="entry"
            type="search"
            value={typed}
            data-testid="find-plan"
            onChange={(e) => setTyped(e.target.value)}
          />
        </label>
      )}
      <ul className="mt-4">
        {found?.map((p) => (
          <PlanEntry
            key={p.id}
            record={p}
            state={states?.get(p.id)}
            isOpen={p.id === currentId}
            deeds={deeds}
            say={setSentence}
            pictures={pictures}
          />
        ))}
      </ul>
      {found?.length === 0 && typed !== '' && <p className="note">No plan and no wearer is called so.</p>}
      {justDeleted && deleted && (
        <p className="line py-2" role="status">
          “{nameOf(deleted)}” is deleted.{' '}
          <button
            type="button"
            className="word ml-1 font-strong"
            data-testid="undo-delete"
            onClick={() => restorePlan(db, deleted.id)}
          >
            Bring it back
          </button>
        </p>
      )}
      {sentence && (
        <p role="alert" className="line py-2 text-madder" data-testid="plans-trouble">
          {sentence}
        </p>
      )}
      <div className="line flex flex-wrap gap-x-8 pt-2">
        <Link className="word font-strong" data-testid="new-plan" to={of ? `/new?for=${of}` : '/new'} onClick={close}>
          New plan
        </Link>
        <OpenFile
          words="Open a file"
          className="word font-strong"
          label="Plan file"
          accept=".json,application/json"
          testId="import-file"
          onChosen={deeds.bringIn}
        />
        <DemoChoice close={close} />
      </div>
      <WearerList say={setSentence} />
      <BackupWord close={close} />
    </>
  );
}

function openedPlan(record: PlanRecord): PlanDocument | undefined {
  const opened = openRecord(record);
  return opened.ok ? opened.history.present.plan : undefined;
}

/** So many are seen at a glance. */
const MANY = 6;

function isFound(record: PlanRecord, typed: string): boolean {
  const words = typed.trim().toLowerCase();
  const wearer = holdsPlan(record) ? record.history.present.plan.wearer : '';
  return words === '' || `${nameOf(record)} ${wearer}`.toLowerCase().includes(words);
}

function stateWords(state: PlanState | undefined): string {
  switch (state?.kind) {
    case 'half':
      return `half hooked, ${state.hooked}${state.of === undefined ? ' so far' : ` of ${state.of}`}`;
    case 'takenOut':
      return `taken out ${day(state.atMs)}`;
    case 'worn':
      return `worn since ${day(state.sinceMs)}`;
    default:
      return 'planned';
  }
}

type PlanDeeds = ReturnType<typeof usePlanDeeds>;

/** What can be done with plans; what the store refuses is said in a sentence. */
function usePlanDeeds(props: {
  readonly currentId: string | undefined;
  readonly close: () => void;
  readonly say: (sentence: string | undefined) => void;
  readonly onDeleted: () => void;
}) {
  const { currentId, close, say } = props;
  const navigate = useNavigate();
  const go = (path: string) => {
    navigate(path);
    close();
  };
  const attempt = async (work: () => Promise<void>) => {
    say(undefined);
    try {
      await work();
    } catch (error) {
      say(storageSentence(error));
    }
  };
  return {
    open: (id: string) => go(`/plan/${id}/${id === currentId ? 'aim' : 'rows'}`),
    copy: (id: string) =>
      attempt(async () => {
        await copyPlan(db, id, newId(), Date.now());
      }),
    remove: (id: string) =>
      attempt(async () => {
        await deletePlan(db, id, Date.now());
        props.onDeleted();
        if (id === currentId) navigate('/');
      }),
    bringIn: (chosen: File) =>
      attempt(async () => {
        const read = readPlanJson(await chosen.text());
        if (!read.ok) return say(`${chosen.name}: ${read.why} Nothing was changed.`);
        const plan = await importPlan(db, read.value, newId(), Date.now());
        go(`/plan/${plan.id}/rows`);
      }),
  };
}

function PlanEntry(props: {
  readonly record: PlanRecord;
  readonly state: PlanState | undefined;
  readonly isOpen: boolean;
  readonly deeds: PlanDeeds;
  readonly say: (sentence: string) => void;
  readonly pictures: SmallPictures;
}) {
  const { record, isOpen, deeds } = props;
  const picture = useLiveQuery(async () => (await db.pictures.get(record.id)) ?? null, [record.id]);
  const opened = useMemo(() => openedPlan(record), [record]);
  const name = nameOf(record);
  const plan = holdsPlan(record) ? record.history.present.plan : undefined;
  const [renaming, setRenaming] = useState(false);
  const [isHanding, setHanding] = useState(false);
  const words: ReadonlyArray<readonly [string, () => void]> = plan
    ? [
        ['Copy', () => deeds.copy(record.id)],
        ['Rename', () => setRenaming(true)],
        ['Hand over', () => setHanding(true)],
        ['Delete', () => deeds.remove(record.id)],
      ]
    : [
        ['Save as a file', () => saveAsItIs(record)],
        ['Delete', () => deeds.remove(record.id)],
      ];
  return (
    <li className="plan-entry line py-2" data-plan={record.id}>
      <i className="plan-picture" aria-hidden="true">
        {picture && <img src={picture.image} alt="" width="72" height="72" />}
        {/* Until its hair has been seen: its rows. */}
        {picture === null && opened && <PlanPicture plan={opened} pictures={props.pictures} />}
      </i>
      {renaming ? (
        <Rename record={record} onDone={() => setRenaming(false)} onTrouble={props.say} />
      ) : (
        <>
          <button
            type="button"
            className="word py-2 text-left font-strong"
            aria-current={isOpen || undefined}
            onClick={() => deeds.open(record.id)}
          >
            {name}
          </button>
          <p className="note -mt-2">
            {plan?.wearer && `${plan.wearer}, `}
            {!plan && 'damaged, kept as it is, '}
            {plan && `${stateWords(props.state)}, `}
            changed {day(record.updatedAtMs)}
            {isOpen && ', open now'}
          </p>
          <div className="flex flex-wrap gap-x-5 text-note">
            {words.map(([word, act]) => (
              <button key={word} type="button" className="word" onClick={act}>
                {word}
                <span className="sr-only"> {name}</span>
              </button>
            ))}
          </div>
        </>
      )}
      {isHanding && opened && (
        <Suspense>
          <HandOver plan={opened} onClose={() => setHanding(false)} />
        </Suspense>
      )}
    </li>
  );
}

function Rename({
  record,
  onDone,
  onTrouble,
}: {
  readonly record: PlanRecord;
  readonly onDone: () => void;
  readonly onTrouble: (why: string) => void;
}) {
  const commit = (name: string) => {
    const trimmed = name.trim();
    if (trimmed === '') return 'A plan needs a name.';
    if (trimmed.length > 120) return 'That name is too long.';
    const deed = setField(record.history.present.plan, 'name', trimmed, `Named ${trimmed}`);
    void savePlan(db, record.id, record.revision, recordDeed(record.history, deed), Date.now()).then((outcome) => {
      if (outcome.state === 'failed') onTrouble(outcome.message);
      onDone();
    });
    return undefined;
  };
  return (
    <>
      <TextField label="Name" value={record.history.present.plan.name} onCommit={commit} testId="rename" />
      <button type="button" className="word text-note" onClick={onDone}>
        Done
      </button>
    </>
  );
}
