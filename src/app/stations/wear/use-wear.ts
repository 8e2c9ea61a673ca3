/** The style that is worn, what was noted of its days, and how it is noted. */
import { formatISO } from 'date-fns';
import { useLiveQuery } from 'dexie-react-hooks';
import { useCallback, useMemo } from 'react';
import { foldWear, stepsOut, type WearEvent, type WearNote } from '../../../core/wear/index.ts';
import type { PhotoRecord } from '../../../store/database.ts';
import { addWear, wearEvents, wearingOf } from '../../../store/wear.ts';
import { db, newId } from '../../session/database.ts';
import { useTrouble } from '../../ui/trouble.tsx';

export type Noted = Pick<WearEvent, 'day' | 'what'> & Partial<WearEvent>;

export function useWear(planId: string) {
  const wearing = useLiveQuery(async () => (await wearingOf(db, planId)) ?? null, [planId]);
  const sessionId = wearing?.session.id;
  const events = useLiveQuery(async () => (sessionId ? wearEvents(db, sessionId) : []), [sessionId]);
  const notes = useMemo(() => (events ? foldWear(events) : undefined), [events]);
  const out = useMemo(() => stepsOut(events ?? []), [events]);
  const [trouble, tried] = useTrouble();
  const add = useCallback(
    async (noted: Noted, image?: string) => {
      if (!sessionId) return;
      const atMs = Date.now();
      const photo: PhotoRecord | undefined =
        image === undefined
          ? undefined
          : { id: newId(), sessionId, takenAtMs: atMs, side: 'behind', image, knotsIn: 0 };
      const event = { ...noted, key: newId(), atMs, sessionId, ...(photo ? { photoId: photo.id } : {}) };
      await tried(addWear(db, event, photo));
    },
    [sessionId, tried],
  );
  const undo = useCallback(
    ({ day, key }: Pick<WearNote, 'day' | 'key'>) => add({ day, what: 'undo', undoes: key }),
    [add],
  );
  return { wearing, notes, out, add, undo, trouble };
}

export type Wear = ReturnType<typeof useWear>;

/** The day of a moment where she is, as "2026-12-05". */
export const dayOf = (atMs: number) => formatISO(atMs, { representation: 'date' });
