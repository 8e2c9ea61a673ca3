/** One install as it goes: events are added to the store at every knot, and what was added is never lost. */
import { useLiveQuery } from 'dexie-react-hooks';
import { useCallback, useEffect, useMemo, useRef, useState } from 'react';
import type { PlanResult } from '../../../core/findings/index.ts';
import {
  foldInstall,
  type InstallEventKind,
  type InstallState,
  inOrder,
  nextNumber,
} from '../../../core/install/index.ts';
import { planOf, type StoredInstallEvent } from '../../../model/install-log.ts';
import type { PlanDocument } from '../../../model/plan.ts';
import { sessionEvents } from '../../../store/install-events.ts';
import { addEvents } from '../../../store/installs.ts';
import { storageSentence } from '../../../store/plans.ts';
import { db, newId } from '../../session/database.ts';

const NONE: readonly StoredInstallEvent[] = [];

export type EventExtra = Omit<StoredInstallEvent, 'kind' | 'atMs' | 'key' | 'n' | 'under' | 'sessionId' | 'seq'>;

export function useInstall(sessionId: string) {
  const session = useLiveQuery(async () => (await db.sessions.get(sessionId)) ?? null, [sessionId]);
  const stored = useLiveQuery(() => sessionEvents(db, sessionId), [sessionId]);
  // Kept, or refused by the store and tried again: until then nothing is shown that a dying tab would lose.
  const [settled, setSettled] = useState(NONE);
  const [trouble, setTrouble] = useState<string>();
  const queue = useRef<StoredInstallEvent[]>([]);
  const busy = useRef(false);
  // What is on its way to the store counts already, though it is not shown: two quick presses come before the screen
  // has followed the first.
  const all = useRef(NONE);
  /** Pressed here, and not read back yet. */
  const pressed = useRef(NONE);
  const events = useMemo(() => {
    all.current = merged(stored ?? NONE, pressed.current);
    return merged(stored ?? NONE, settled);
  }, [stored, settled]);
  const state = useMemo(() => foldInstall(events), [events]);
  const kept = useRef<PlanDocument>(undefined);
  const plan = useMemo(() => {
    const found = session ? planOf(session, events) : undefined;
    // The same plan read anew is the same record still: what hangs on it is not worked out once more.
    if (kept.current?.id === found?.id && sameText(kept.current, found)) return kept.current;
    kept.current = found;
    return found;
  }, [session, events]);

  const flush = useCallback(async () => {
    if (busy.current) return;
    busy.current = true;
    // Quick presses go in together: what waits one by one may be lost to a closing tab.
    let together: readonly StoredInstallEvent[] = NONE;
    const settle = (events: readonly StoredInstallEvent[]) => setSettled((before) => merged(before, events));
    try {
      while (queue.current.length > 0) {
        together = [...queue.current];
        await addEvents(db, together);
        settle(together);
        queue.current = queue.current.slice(together.length);
      }
      setTrouble(undefined);
    } catch (error) {
      settle(together);
      setTrouble(`${storageSentence(error)} Go on; it is tried again at the next knot.`);
    }
    busy.current = false;
  }, []);

  // Stored events leave the list once the live query has them.
  useEffect(() => {
    if (!stored) return;
    const isNew = (e: StoredInstallEvent) => !stored.some((s) => s.key === e.key);
    pressed.current = pressed.current.filter(isNew);
    setSettled((all) => all.filter(isNew));
  }, [stored]);

  const add = useCallback(
    (kind: InstallEventKind, extra: EventExtra = {}) => {
      const under = inOrder(all.current).findLast((e) => e.kind === 'plan' && e.renamed)?.key;
      const event: StoredInstallEvent = {
        sessionId,
        key: newId(),
        n: nextNumber(all.current),
        kind,
        atMs: Date.now(),
        ...(under === undefined ? {} : { under }),
        ...extra,
      };
      all.current = [...all.current, event];
      pressed.current = [...pressed.current, event];
      queue.current.push(event);
      void flush();
    },
    [sessionId, flush],
  );
  /** The state after everything that was pressed, rendered or not. */
  const now = useCallback((): InstallState => foldInstall(all.current), []);

  return { session, plan, loaded: stored !== undefined, events, state, now, add, trouble };
}

const texts = new WeakMap<PlanDocument, string>();
function sameText(a: PlanDocument | undefined, b: PlanDocument | undefined): boolean {
  if (!a || !b || a === b) return a === b;
  const text = (plan: PlanDocument) => {
    const known = texts.get(plan) ?? JSON.stringify(plan);
    texts.set(plan, known);
    return known;
  };
  return text(a) === text(b);
}

function merged(
  stored: readonly StoredInstallEvent[],
  waiting: readonly StoredInstallEvent[],
): readonly StoredInstallEvent[] {
  if (waiting.length === 0) return stored;
  const keys = new Set(stored.map((s) => s.key));
  return [...stored, ...waiting.filter((w) => !keys.has(w.key))];
}

export type Install = Pick<ReturnType<typeof useInstall>, 'state' | 'now' | 'add' | 'trouble' | 'events'>;

export interface AtTheMirrorProps {
  readonly plan: PlanDocument;
  readonly result: PlanResult;
  readonly install: Install;
}
