/** One install as it goes: events are added to the store at every knot, and what was added is never lost. */
import { useLiveQuery } from 'dexie-react-hooks';
import { useCallback, useEffect, useMemo, useRef, useState } from 'react';
import { foldInstall, type InstallEventKind } from '../../core/install/session.ts';
import type { StoredInstallEvent } from '../../model/install-log.ts';
import { addEvent, sessionEvents } from '../../store/installs.ts';
import { storageSentence } from '../../store/plans.ts';
import { db } from '../state/database.ts';

export function useInstall(sessionId: string) {
  const session = useLiveQuery(async () => (await db.sessions.get(sessionId)) ?? null, [sessionId]);
  const stored = useLiveQuery(() => sessionEvents(db, sessionId), [sessionId]);
  const [waiting, setWaiting] = useState<readonly StoredInstallEvent[]>([]);
  const [trouble, setTrouble] = useState<string>();
  const queue = useRef<StoredInstallEvent[]>([]);
  const busy = useRef(false);

  // What is on its way to the store counts already: two quick presses are two knots.
  const state = useMemo(
    () => foldInstall([...(stored ?? []), ...waiting.filter((w) => !isStored(w, stored ?? []))]),
    [stored, waiting],
  );

  const flush = useCallback(async () => {
    if (busy.current) return;
    busy.current = true;
    try {
      while (queue.current.length > 0) {
        await addEvent(db, queue.current[0]);
        queue.current.shift();
      }
      setTrouble(undefined);
    } catch (error) {
      setTrouble(`${storageSentence(error)} Go on; it is tried again at the next knot.`);
    }
    busy.current = false;
  }, []);

  // Stored events leave the waiting list once the live query has them.
  useEffect(() => {
    if (stored) setWaiting((w) => w.filter((e) => !isStored(e, stored)));
  }, [stored]);

  const add = useCallback(
    (kind: InstallEventKind, extra: { knotId?: string; text?: string } = {}) => {
      const event: StoredInstallEvent = { sessionId, kind, atMs: Date.now(), ...extra };
      queue.current.push(event);
      setWaiting((w) => [...w, event]);
      void flush();
    },
    [sessionId, flush],
  );

  return { session, loaded: stored !== undefined, state, add, trouble };
}

function isStored(event: StoredInstallEvent, stored: readonly StoredInstallEvent[]): boolean {
  for (let i = stored.length - 1; i >= 0; i--) {
    const s = stored[i];
    if (s.atMs < event.atMs) return false;
    if (s.atMs === event.atMs && s.kind === event.kind && s.knotId === event.knotId && s.text === event.text)
      return true;
  }
  return false;
}
