/** Her plans: open, new, copy, rename, delete with undo, bring in from a file; and how the screen looks. */
import { useLiveQuery } from 'dexie-react-hooks';
import { Dialog } from 'radix-ui';
import { useRef, useState } from 'react';
import { useNavigate } from 'react-router';
import { readPlanJson } from '../../formats/plan-json.ts';
import { setField } from '../../model/commands.ts';
import { newPlan } from '../../model/defaults.ts';
import { record as recordDeed } from '../../model/history.ts';
import type { PlanRecord } from '../../store/database.ts';
import {
  addPlan,
  copyPlan,
  deletePlan,
  importPlan,
  keptPlans,
  lastDeleted,
  restorePlan,
  savePlan,
  storageSentence,
} from '../../store/plans.ts';
import { db, newId } from '../session/database.ts';
import { exportPlan } from '../session/files.ts';
import { type ThemeChoice, useTheme } from '../session/theme.ts';
import { TextField } from '../ui/field.tsx';
import { day } from '../ui/format.ts';

export function PlansDialog(props: {
  readonly open: boolean;
  readonly currentId: string | undefined;
  readonly onOpenChange: (open: boolean) => void;
}) {
  return (
    <Dialog.Root open={props.open} onOpenChange={props.onOpenChange}>
      <Dialog.Portal>
        <Dialog.Overlay className="fixed inset-0 z-40 bg-black/35" />
        <Dialog.Content
          className="panel fixed left-0 top-0 z-50 h-dvh w-[min(440px,100vw)] overflow-y-auto p-8"
          aria-describedby={undefined}
        >
          <Dialog.Title className="text-heading">Your plans</Dialog.Title>
          <PlanList currentId={props.currentId} close={() => props.onOpenChange(false)} />
          <LookChoice />
          <Dialog.Close className="word mt-4">Close</Dialog.Close>
        </Dialog.Content>
      </Dialog.Portal>
    </Dialog.Root>
  );
}

export function PlanList({ currentId, close }: { readonly currentId: string | undefined; readonly close: () => void }) {
  const navigate = useNavigate();
  const plans = useLiveQuery(() => keptPlans(db));
  const deleted = useLiveQuery(() => lastDeleted(db));
  const [renaming, setRenaming] = useState<string>();
  const [justDeleted, setJustDeleted] = useState(false);
  const [sentence, setSentence] = useState<string>();
  const file = useRef<HTMLInputElement>(null);

  const open = (id: string) => {
    navigate(`/plan/${id}/${id === currentId ? 'aim' : 'rows'}`);
    close();
  };
  const attempt = async (work: () => Promise<void>) => {
    setSentence(undefined);
    try {
      await work();
    } catch (error) {
      setSentence(storageSentence(error));
    }
  };
  const begin = () =>
    attempt(async () => {
      const plan = newPlan(newId(), `Plan ${(plans?.length ?? 0) + 1}`);
      await addPlan(db, plan, 'New plan', Date.now());
      navigate(`/plan/${plan.id}/measure`);
      close();
    });
  const copy = (id: string) =>
    attempt(async () => {
      await copyPlan(db, id, newId(), Date.now());
    });
  const remove = (id: string) =>
    attempt(async () => {
      await deletePlan(db, id, Date.now());
      setJustDeleted(true);
      if (id === currentId) navigate('/');
    });
  const bringIn = (chosen: File) =>
    attempt(async () => {
      const read = readPlanJson(await chosen.text());
      if (!read.ok) return setSentence(`${chosen.name}: ${read.why} Nothing was changed.`);
      const plan = await importPlan(db, read.value, newId(), Date.now());
      navigate(`/plan/${plan.id}/rows`);
      close();
    });

  return (
    <>
      <ul className="mt-4">
        {plans?.map((p) => (
          <li key={p.id} className="line py-2" data-plan={p.id}>
            {renaming === p.id ? (
              <Rename record={p} onDone={() => setRenaming(undefined)} onTrouble={setSentence} />
            ) : (
              <>
                <button
                  type="button"
                  className="word font-strong"
                  aria-current={p.id === currentId || undefined}
                  onClick={() => open(p.id)}
                >
                  {p.history.present.plan.name}
                </button>
                <p className="note -mt-2">
                  {p.history.present.plan.wearer && `${p.history.present.plan.wearer}, `}
                  {day(p.updatedAtMs)}
                  {p.id === currentId && ', open now'}
                </p>
                <div className="flex gap-6 text-note">
                  <button type="button" className="word" onClick={() => copy(p.id)}>
                    Copy
                    <Of record={p} />
                  </button>
                  <button type="button" className="word" onClick={() => setRenaming(p.id)}>
                    Rename
                    <Of record={p} />
                  </button>
                  <button type="button" className="word" onClick={() => exportPlan(p.history.present.plan)}>
                    Save as a file
                    <Of record={p} />
                  </button>
                  <button type="button" className="word" onClick={() => remove(p.id)}>
                    Delete
                    <Of record={p} />
                  </button>
                </div>
              </>
            )}
          </li>
        ))}
      </ul>
      {justDeleted && deleted && (
        <p className="line py-2" role="status">
          “{deleted.history.present.plan.name}” is deleted.{' '}
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
        <button type="button" className="word font-strong" data-testid="new-plan" onClick={begin}>
          New plan
        </button>
        <button type="button" className="word font-strong" onClick={() => file.current?.click()}>
          Open a file
        </button>
        <input
          ref={file}
          type="file"
          accept=".json,application/json"
          className="sr-only"
          tabIndex={-1}
          aria-label="Plan file"
          data-testid="import-file"
          onChange={(e) => {
            const [chosen] = e.target.files ?? [];
            e.target.value = '';
            if (chosen) void bringIn(chosen);
          }}
        />
      </div>
    </>
  );
}

function Of({ record }: { readonly record: PlanRecord }) {
  return <span className="sr-only"> {record.history.present.plan.name}</span>;
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

const LOOKS: ReadonlyArray<readonly [ThemeChoice, string]> = [
  ['auto', 'as this machine'],
  ['light', 'light'],
  ['dark', 'dark'],
];

function LookChoice() {
  const { choice, choose } = useTheme();
  return (
    <div className="line mt-4 pt-2">
      <h3 className="text-title">Look</h3>
      <div className="flex gap-8">
        {LOOKS.map(([value, name]) => (
          <button
            key={value}
            type="button"
            className={`word ${choice === value ? 'font-strong underline underline-offset-4' : ''}`}
            aria-pressed={choice === value}
            onClick={() => void choose(value)}
          >
            {name}
          </button>
        ))}
      </div>
    </div>
  );
}
