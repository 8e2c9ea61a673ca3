/** Next time: what she would have otherwise, and where deed and plan differ, as changes of a new plan; each with its effect, one tap takes it. */
import { useLiveQuery } from 'dexie-react-hooks';
import { useMemo } from 'react';
import { Link } from 'react-router';
import type { PlanResult } from '../../../core/findings/index.ts';
import { handsUsed } from '../../../core/hands/index.ts';
import { type Pace, wishesIn } from '../../../core/trade/index.ts';
import { foldWear, type WearNote } from '../../../core/wear/index.ts';
import { planOf } from '../../../model/install-log.ts';
import type { KeptStyle, StyleLine } from '../../../model/logged.ts';
import { type Proposal, proposalsFor } from '../../../model/next-time.ts';
import type { PlanDocument } from '../../../model/plan.ts';
import { sessionEvents } from '../../../store/install-events.ts';
import { nextPlanOf, takeIntoNext } from '../../../store/next-plan.ts';
import { openRecord } from '../../../store/plans.ts';
import { wearEvents } from '../../../store/wear.ts';
import { inputsOf } from '../../ask/fineness.ts';
import { type AskedInTurn, useInTurn } from '../../ask/in-turn.ts';
import { useResult } from '../../ask/plan.ts';
import { db, newId } from '../../session/database.ts';
import { hours, money } from '../../ui/format.ts';
import { Trouble, useTrouble } from '../../ui/trouble.tsx';
import { useHands } from './use-hands.ts';

interface Props {
  readonly kept: KeptStyle;
  readonly line: StyleLine;
  readonly planId: string;
  /** How practised she says she is. */
  readonly said: Pace;
}

export function NextTime({ kept, line, planId, said }: Props) {
  const base = useBase(kept);
  const { answer } = useResult(base?.plan);
  const hands = useHands(planId, said);
  const proposals = useMemo(() => {
    if (!base || !answer?.isCurrent || !hands) return undefined;
    const { entry } = kept;
    return proposalsFor(base.plan, {
      wishes: entry.wishes ?? wishesIn(entry.line),
      notes: base.notes,
      wornDays: line.isWornStill ? undefined : line.days,
      hands: hands.found && handsUsed(hands.found, hands.choices),
      fingers: answer.value.spacing.fingers,
    }).filter((p) => !base.taken.includes(p.key));
  }, [base, answer, hands, kept, line]);
  if (base === null) return <p>The install of this style is no longer kept: nothing can be proposed from it.</p>;
  if (!base || !proposals || !answer) return <p aria-busy="true">Looking at what differed …</p>;
  return (
    <section data-testid="next-time">
      {base.next ? (
        <p>
          {base.taken.length} {base.taken.length === 1 ? 'change is' : 'changes are'} in{' '}
          <Link className="word" to={`/plan/${base.next.id}/rows`} data-testid="next-plan">
            {base.next.name}
          </Link>
          ; undo stands there.
        </p>
      ) : (
        <p className="note">The first that you take begins a new plan; this style stays as it is.</p>
      )}
      {proposals.length === 0 ? (
        <p className="mt-3">
          {base.next ? 'Nothing more to take over.' : 'It went as planned: nothing asks for a change.'}
        </p>
      ) : (
        <Effects base={base} result={answer.value} proposals={proposals} kept={kept} planId={planId} />
      )}
    </section>
  );
}

interface Base {
  /** What the next change is made to: the plan as it was followed last, or the next one as it is by now. */
  readonly plan: PlanDocument;
  readonly next: PlanDocument | undefined;
  readonly taken: readonly string[];
  /** Of the days on which the style was worn. */
  readonly notes: readonly WearNote[];
}

/** @returns null where nothing is kept to begin from */
function useBase({ entry, session }: KeptStyle): Base | null | undefined {
  return useLiveQuery(async () => {
    const notes = foldWear(entry.sessionId ? await wearEvents(db, entry.sessionId) : []);
    const begun = await nextPlanOf(db, entry.id);
    const record = begun && (await db.plans.get(begun.planId));
    if (begun && record && record.deletedAtMs === 0) {
      const read = openRecord(record);
      if (read.ok)
        return { plan: read.history.present.plan, next: read.history.present.plan, taken: begun.taken, notes };
    }
    const followed = session && entry.sessionId ? await db.sessions.get(entry.sessionId) : undefined;
    if (!followed) return null;
    return { plan: planOf(followed, await sessionEvents(db, followed.id)), next: undefined, taken: [], notes };
  }, [entry.id, session]);
}

function Effects(props: {
  readonly base: Base;
  readonly result: PlanResult;
  readonly proposals: readonly Proposal[];
  readonly kept: KeptStyle;
  readonly planId: string;
}) {
  const { base, result, proposals, kept, planId } = props;
  const [trouble, tried] = useTrouble();
  const asked = useMemo(
    (): AskedInTurn<PlanResult, Proposal, PlanResult> => ({
      ways: proposals,
      now: (client) => client.call('plan', inputsOf(base.plan)),
      find: (client, { change }) => client.call('plan', inputsOf(change.plan)),
    }),
    [base, proposals],
  );
  const { answers } = useInTurn(asked);
  const take = ({ key, change }: Proposal) =>
    tried(takeIntoNext(db, { entryId: kept.entry.id, planId, key, change, freshId: newId() }, Date.now()));
  const foundOf = new Map(answers.map((a) => [a.way.key, a.found] as const));
  return (
    <>
      <ul className="proposals">
        {proposals.map((p) => (
          <li key={p.key} className="line py-2" data-testid={`proposal-${p.key}`}>
            <b>{p.name}</b>
            <span className="note block">{p.why}</span>
            <div className="flex items-center justify-between gap-3">
              <span className="text-small" aria-live="polite">
                {foundOf.has(p.key) ? effectWords(result, foundOf.get(p.key), base.plan.currency) : 'Working it out …'}
              </span>
              <button
                type="button"
                className="button w-auto shrink-0"
                data-testid={`take-${p.key}`}
                aria-label={`Take it: ${p.name}`}
                onClick={() => void take(p)}
              >
                Take it
              </button>
            </div>
          </li>
        ))}
      </ul>
      <Trouble why={trouble} />
    </>
  );
}

/** "12 pieces fewer, 0:25 less, 8 knots held otherwise". */
function effectWords(was: PlanResult, now: PlanResult | undefined, currency: string): string {
  if (!now) return 'This could not be worked out.';
  const differs = (by: number, show: (v: number) => string, more: string, less: string) =>
    by === 0 ? [] : [`${show(Math.abs(by))} ${by > 0 ? more : less}`];
  const pieces = now.supply.pieces - was.supply.pieces;
  const packs = now.supply.packs - was.supply.packs;
  const minutes = Math.round(now.time.totalMinutes) - Math.round(was.time.totalMinutes);
  const price = Math.round(100 * (now.supply.price - was.supply.price)) / 100;
  // Where knots come or go they are counted anew, and another one has the same name.
  const held = pieces === 0 ? heldOtherwise(was, now) : 0;
  const words = [
    ...differs(pieces, (n) => `${n} ${n === 1 ? 'piece' : 'pieces'}`, 'more', 'fewer'),
    ...differs(packs, (n) => `${n} ${n === 1 ? 'pack' : 'packs'}`, 'more', 'fewer'),
    ...differs(minutes, hours, 'longer', 'shorter'),
    ...differs(price, (v) => money(v, currency), 'more', 'less'),
    ...(held === 0 ? [] : [`${held} ${held === 1 ? 'knot' : 'knots'} held otherwise`]),
  ];
  return words.length === 0 ? 'No figure changes.' : `${words.join(', ')}.`;
}

/** Knots that stay where they are and are hooked another way. */
function heldOtherwise(was: PlanResult, now: PlanResult): number {
  const before = new Map(was.knots.map((k) => [k.id, k]));
  return now.knots.filter((k) => {
    const b = before.get(k.id);
    return b && (b.kind !== k.kind || b.wraps !== k.wraps || b.lock !== k.lock || b.through !== k.through);
  }).length;
}
