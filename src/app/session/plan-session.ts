/**
 * One opened plan: its history, saved at every deed. While something is dragged a draft stands in for the plan;
 * nothing is kept until the finger lifts. Another tab's changes are taken over; where both wrote at once, this
 * tab's plan is kept beside the other as a copy.
 */
import { liveQuery } from 'dexie';
import { startTransition, useCallback, useEffect, useMemo, useRef, useState } from 'react';
import { type History, record, redo, undo } from '../../model/history.ts';
import type { PlanDocument } from '../../model/plan.ts';
import type { PlanChange } from '../../model/plan-change.ts';
import { refusalOf } from '../../model/read-plan.ts';
import type { PlanRecord } from '../../store/database.ts';
import { addPlan, openRecord, savePlan, storageSentence } from '../../store/plans.ts';
import { db, newId } from './database.ts';

export interface PlanSession {
  readonly plan: PlanDocument;
  readonly history: History;
  readonly isDraft: boolean;
  /** A sentence about the store, when something went wrong there. */
  readonly trouble: string | undefined;
  /** Does it, or says why not and changes nothing. */
  apply(deed: PlanChange): string | undefined;
  preview(plan: PlanDocument | undefined): void;
  undo(): void;
  redo(): void;
  retry(): void;
  dismiss(): void;
}

export type Opened =
  | { readonly state: 'opening' }
  | { readonly state: 'missing' }
  | { readonly state: 'unreadable'; readonly why: string }
  | { readonly state: 'open'; readonly session: PlanSession };

export function usePlanSession(id: string): Opened {
  const kept = useKept(id);
  const [draft, setDraft] = useState<PlanDocument>();
  const { history, problem, trouble, move, save, dismiss } = kept;
  const isHeld = useRef(false);
  const deeds = useMemo(
    () => ({
      apply(deed: PlanChange) {
        const refusal = refusalOf(deed.plan);
        const settle = () => {
          setDraft(undefined);
          if (!refusal) move((now) => record(now, deed));
        };
        // What is let go of stands as it was drawn until the page has taken the plan over, a little at a time.
        if (isHeld.current && !refusal) startTransition(settle);
        else settle();
        isHeld.current = false;
        return refusal;
      },
      preview(plan: PlanDocument | undefined) {
        isHeld.current = plan !== undefined;
        setDraft(plan);
      },
      undo: () => move((now) => stepped(now, undo)),
      redo: () => move((now) => stepped(now, redo)),
      retry: save,
      dismiss,
    }),
    [move, save, dismiss],
  );
  return useMemo(() => {
    if (problem) return problem;
    if (!history) return { state: 'opening' };
    const plan = draft ?? history.present.plan;
    return { state: 'open', session: { plan, history, isDraft: draft !== undefined, trouble, ...deeds } };
  }, [problem, history, draft, trouble, deeds]);
}

/** What this tab has of the plan and what of it is saved. */
interface Latest {
  history: History | undefined;
  revision: number;
  saving: number;
}

/** The history as the store has it, followed while other tabs write, and each move of this tab saved in turn. */
function useKept(id: string) {
  const [history, setHistory] = useState<History>();
  const [problem, setProblem] = useState<Opened>();
  const [trouble, setTrouble] = useState<string>();
  const latest = useRef<Latest>({ history: undefined, revision: 0, saving: 0 });
  const chain = useRef<Promise<void>>(Promise.resolve());
  const adopt = useCallback((next: History) => {
    latest.current.history = next;
    setHistory(next);
  }, []);
  useEffect(() => {
    latest.current = { history: undefined, revision: 0, saving: 0 };
    setHistory(undefined);
    setProblem(undefined);
    const taken = (found: PlanRecord | undefined) => {
      if (!found || found.deletedAtMs > 0) return setProblem({ state: 'missing' });
      if (latest.current.saving > 0 || found.revision <= latest.current.revision) return;
      const opened = openRecord(found);
      if (!opened.ok) return setProblem({ state: 'unreadable', why: opened.why });
      latest.current.revision = found.revision;
      setProblem(undefined);
      adopt(opened.history);
    };
    const subscription = liveQuery(() => db.plans.get(id)).subscribe({
      next: taken,
      error: () => setProblem({ state: 'unreadable', why: 'The browser’s store can’t be opened just now.' }),
    });
    return () => subscription.unsubscribe();
  }, [id, adopt]);
  const save = useCallback(() => {
    const mine = latest.current;
    // Another plan may be open by the time this one is saved.
    const isOpen = () => latest.current === mine;
    mine.saving++;
    chain.current = chain.current.then(async () => {
      const sentence = await written(id, mine, (theirs) => isOpen() && adopt(theirs));
      if (isOpen()) setTrouble(sentence);
      mine.saving--;
    });
  }, [id, adopt]);
  const move = useCallback(
    (step: (now: History) => History | string) => {
      const { history: now } = latest.current;
      const next = now && step(now);
      if (!next || next === now) return;
      if (typeof next === 'string') return setTrouble(next);
      adopt(next);
      save();
    },
    [adopt, save],
  );
  const dismiss = useCallback(() => setTrouble(undefined), []);
  return { history, problem, trouble, save, move, dismiss };
}

/** The history one step on, or why that step can't be taken: what was kept of it has been damaged. */
function stepped(now: History, step: (now: History) => History): History | string {
  try {
    const next = step(now);
    const refusal = next === now ? undefined : refusalOf(next.present.plan);
    return refusal ? `This step can’t be taken: ${refusal} Nothing was changed.` : next;
  } catch (error) {
    return `${error instanceof Error ? error.message : 'This step can’t be taken.'} Nothing was changed.`;
  }
}

/** Saves what this tab has; where another tab was first, ours is kept beside it. A sentence where it went wrong. */
async function written(id: string, latest: Latest, adopt: (theirs: History) => void): Promise<string | undefined> {
  const { history: mine, revision } = latest;
  if (!mine) return undefined;
  const outcome = await savePlan(db, id, revision, mine, Date.now());
  if (outcome.state === 'failed') return outcome.message;
  if (outcome.state === 'saved') {
    latest.revision = outcome.revision;
    return undefined;
  }
  const opened = openRecord(outcome.theirs);
  const copy = { ...mine.present.plan, id: newId(), name: `${mine.present.plan.name}, from this tab` };
  try {
    await addPlan(db, copy, 'Kept beside the other tab’s', Date.now(), outcome.theirs.wearer);
  } catch (error) {
    // No room beside it: ours stays on the screen, and is tried again.
    return storageSentence(error);
  }
  latest.revision = outcome.theirs.revision;
  if (opened.ok) adopt(opened.history);
  return `Another tab changed this plan at the same moment. Yours is kept as “${copy.name}”.`;
}
