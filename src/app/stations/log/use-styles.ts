/** Styles of a wearer, each one record; what an install really was is folded in the worker where it is not yet. */
import { useLiveQuery } from 'dexie-react-hooks';
import { useEffect, useMemo, useState } from 'react';
import { FALL_GUESS_NAMES, isOffHead, PLAIN_GUESSES } from '../../../core/trade/index.ts';
import { type InstallSession, planOf } from '../../../model/install-log.ts';
import type { KeptStyle } from '../../../model/logged.ts';
import { type StyleLine, styleLine } from '../../../model/logged.ts';
import type { PlanDocument } from '../../../model/plan.ts';
import type { DeedsRecord } from '../../../store/database.ts';
import { sessionEvents, wornSince } from '../../../store/install-events.ts';
import { keepStyle, stylesOf, unfolded } from '../../../store/styles.ts';
import type { CoreClient } from '../../../workers/client.ts';
import { startClient } from '../../ask/clients.ts';
import { inputsOf } from '../../ask/fineness.ts';
import { db } from '../../session/database.ts';
import { useToday } from '../../session/today.ts';
import { dayOf } from '../wear/use-wear.ts';

export interface Styles {
  readonly all: readonly KeptStyle[];
  readonly lines: readonly StyleLine[];
}

export function useStyles(planId: string): Styles | undefined {
  const all = useLiveQuery(() => stylesOf(db, planId), [planId]);
  const today = useToday();
  return useMemo(() => all && { all, lines: all.map((s) => styleLine(s, today, dayOf)) }, [all, today]);
}

/** One after the other in a worker of their own. @returns how many are still to be read; undefined until that is known */
export function useFolding(planId: string): number | undefined {
  const open = useLiveQuery(() => unfolded(db, planId), [planId]);
  const [failed, setFailed] = useState<ReadonlySet<string>>(new Set());
  const next = open?.find((s) => !failed.has(s.id));
  const nextId = next?.id;
  // biome-ignore lint/correctness/useExhaustiveDependencies: the same install is folded once, however often it is read
  useEffect(() => {
    if (!next) return;
    const client = startClient();
    let isWanted = true;
    void fold(client, next).then((isFolded) => {
      if (isWanted && !isFolded) setFailed((before) => new Set([...before, next.id]));
    });
    return () => {
      isWanted = false;
      client.stop();
    };
  }, [nextId]);
  return open?.filter((s) => !failed.has(s.id)).length;
}

/** @returns false where it can't be worked out: its line stands without rows then */
async function fold(client: CoreClient, session: InstallSession): Promise<boolean> {
  const events = await sessionEvents(db, session.id);
  const plan = planOf(session, events);
  const told = await client.call('styleOf', { inputs: inputsOf(plan), events });
  if (told.state !== 'done') return false;
  const deeds = { ...told.value, sessionId: session.id, strands: strandsOf(plan) };
  const style = {
    finishedAtMs: wornSince(events) ?? session.startedAtMs,
    isOffAtNight: isOffHead(plan.cap) && plan.cap.wig,
  };
  await keepStyle(db, deeds, style, events.length);
  return true;
}

/** What photos and first rows made of the guesses of the plan that it followed last. */
const strandsOf = ({ guesses }: PlanDocument): DeedsRecord['strands'] =>
  Object.fromEntries(
    FALL_GUESS_NAMES.flatMap((g) => (guesses[g] === undefined ? [] : [[g, guesses[g] / PLAIN_GUESSES[g]]])),
  );
