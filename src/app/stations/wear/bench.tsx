/** Wear: days on a thread, each noted in two taps; what is due, when it comes off, how it should look by then. */
import { useEffect } from 'react';
import { Link } from 'react-router';
import { WHEN_TO_TAKE_OUT } from '../../../core/install/index.ts';
import { daysFrom } from '../../../core/time/index.ts';
import { isWorn } from '../../../core/trade/index.ts';
import { agedBy, type ComesOff, comesOff, hurtsSince, type Wet, type Worn } from '../../../core/wear/index.ts';
import { wornOf } from '../../../model/worn.ts';
import type { Wearing } from '../../../store/wear.ts';
import { exportWearing } from '../../session/tables.ts';
import { useToday } from '../../session/today.ts';
import type { BenchProps, LaidProps } from '../../ui/bench-props.ts';
import { weekday } from '../../ui/format.ts';
import { useView } from '../../view/view-store.ts';
import { DayStrip } from './day-strip.tsx';
import { DueList } from './due-list.tsx';
import { Noting } from './noting.tsx';
import { Renew, Renewing } from './renew.tsx';
import { type Followed, useFollowed } from './use-followed.ts';
import { dayOf, useWear, type Wear } from './use-wear.ts';
import { because, careWords } from './wear-words.ts';

export function WearBench({ session, result }: BenchProps) {
  const wear = useWear(session.plan.id);
  const { wearing, notes } = wear;
  if (!result || wearing === undefined || notes === undefined) return <h2>While you wear it</h2>;
  if (!wearing || !isWorn(session.plan.madeFor)) return <NotYet session={session} result={result} />;
  return <Days planId={session.plan.id} wear={wear} wearing={wearing} />;
}

/** Nothing is worn yet: what it will ask for, from the same figures. */
function NotYet({ session, result }: LaidProps) {
  const worn = wornOf(session.plan, result);
  const today = useToday();
  const off = comesOff(worn, [], today, today);
  return (
    <>
      <h2>While you wear it</h2>
      <p className="mt-3">Days begin when an install of this plan is finished.</p>
      <p className="mt-2">
        It would come off after about {daysFrom(today, off.day)} days. {because(off, worn)}
      </p>
      <Link className="word mt-2" to={`/plan/${session.plan.id}/install`}>
        To the install
      </Link>
    </>
  );
}

interface OfWorn {
  readonly planId: string;
  readonly wear: Wear;
  readonly wearing: Wearing;
}

function Days(props: OfWorn) {
  const followed = useFollowed(props.wearing);
  return followed ? <DaysOf {...props} followed={followed} /> : <h2>While you wear it</h2>;
}

function DaysOf({ planId, wear, wearing, followed }: OfWorn & { readonly followed: Followed }) {
  const { plan, result, isIn } = followed;
  const { takenOutAtMs, id } = wearing.session;
  const notes = wear.notes ?? [];
  const worn = wornOf(plan, result);
  const first = dayOf(wearing.sinceMs);
  const now = useToday();
  // What is off already has no more days.
  const today = takenOutAtMs === undefined ? now : dayOf(takenOutAtMs);
  const off = comesOff(worn, notes, first, today);
  const [day, choose] = useDayLookedAt(first, today, (at) => agedBy(notes, first, at), id);
  const isOver = takenOutAtMs !== undefined;
  return (
    <>
      {!isOver && <TakeItOut since={hurtsSince(notes, today)} planId={planId} />}
      <h2>
        Day {Math.max(0, daysFrom(first, today))}
        {isOver ? ', and off' : ''}
      </h2>
      {!isOver && <OffBy off={off} worn={worn} today={today} />}
      <DayStrip {...{ first, today, notes, onChoose: choose }} off={isOver ? today : off.day} chosen={day} />
      <h3 className="mt-3 text-title" aria-live="polite">
        {day === today && !isOver ? 'Today' : weekday(day)}
      </h3>
      {day <= today ? (
        <Noting key={day} day={day} wear={wear} />
      ) : (
        <p className="mt-1">The stage shows how it should look by then: a guess, bent by what you noted.</p>
      )}
      {!isOver && <DueList {...{ worn, wear, first, today }} />}
      {wearing.isRenewing && <Renewing sessionId={id} />}
      {!isOver && !wearing.isRenewing && <Renew sessionId={id} {...{ plan, result, isIn }} />}
      {!isOver && (
        <button
          type="button"
          className="word mt-4"
          data-testid="wear-calendar"
          onClick={() => void exportWearing(plan, worn, notes, { first, today, off: off.day }, careWords(worn))}
        >
          What is due, for your calendar (iCalendar)
        </button>
      )}
    </>
  );
}

/** Said first, said plainly. */
function TakeItOut({ since, planId }: { readonly since: string | undefined; readonly planId: string }) {
  if (since === undefined) return null;
  return (
    <section role="alert" className="panel mb-4 p-3" data-testid="take-out">
      <p className="text-title font-strong text-madder">Take it out today.</p>
      <p className="mt-1">{WHEN_TO_TAKE_OUT}</p>
      <Link className="word" to={`/plan/${planId}/takedown`}>
        How it comes out
      </Link>
    </section>
  );
}

function OffBy({ off, worn, today }: { readonly off: ComesOff; readonly worn: Worn & Wet; readonly today: string }) {
  const left = daysFrom(today, off.day);
  const moved = daysFrom(off.plainDay, off.day);
  return (
    <div className="mt-1" data-testid="off-by">
      <p>
        {left < 0 ? 'It should have come off on ' : 'Off by '}
        <span className="font-strong">{weekday(off.day)}</span>
        {left > 0 ? `, in ${left === 1 ? '1 day' : `${left} days`}` : left === 0 ? ', today' : ''}.
      </p>
      <p className="note">
        {because(off, worn)}
        {off.between ? ` From ${weekday(off.between[0])} to ${weekday(off.between[1])}.` : ''}
        {moved === 0 ? '' : ` What you noted moved it by ${Math.abs(moved)} ${Math.abs(moved) === 1 ? 'day' : 'days'}.`}
      </p>
    </div>
  );
}

/** The day that is looked at: the strip and the slider on the stage have the same one, and the hair is as it is by then. */
function useDayLookedAt(first: string, today: string, aged: (day: string) => ReturnType<typeof agedBy>, key: string) {
  const looked = useView((v) => v.wornDay);
  const { lookAtDay, setWornAge } = useView.getState();
  const day = looked?.day ?? today;
  const { mattedWeeks, creptWeeks, fuzzWeeks } = aged(day);
  // biome-ignore lint/correctness/useExhaustiveDependencies: another install has other days
  useEffect(() => {
    lookAtDay({ first, day: today });
    return () => lookAtDay(undefined);
  }, [key, first, today]);
  useEffect(() => {
    setWornAge({ mattedWeeks, creptWeeks, fuzzWeeks });
  }, [mattedWeeks, creptWeeks, fuzzWeeks, setWornAge]);
  return [day, (next: string) => lookAtDay({ first, day: next })] as const;
}
