/** When: hours by what is done, evenings until a day, and what a day of it costs. */
import { useMemo } from 'react';
import type { PlanResult } from '../../../core/findings/index.ts';
import { type EveningsPlan, eveningsOf, type FinishBy, type HoursLine, hoursBy } from '../../../core/plan/index.ts';
import { spanOf } from '../../../core/time/index.ts';
import { duration, isOffHead, upperFirst, WEEKDAYS, type Weekday } from '../../../core/trade/index.ts';
import {
  type EveningsAsWritten,
  eveningsFrom,
  eveningsWish,
  setEvenings,
  setWornDays,
  wornDaysOf,
} from '../../../model/evenings.ts';
import type { PlanSession } from '../../session/plan-session.ts';
import { exportEvenings } from '../../session/tables.ts';
import { today } from '../../session/today.ts';
import { useWearerOf } from '../../session/use-wearer-of.ts';
import { NumberField } from '../../ui/field.tsx';
import { type FieldEntry, Fields, type TakeChange } from '../../ui/fields.tsx';
import { hourOf, money, range, weekday } from '../../ui/format.ts';
import { Ledger } from '../../ui/ledger.tsx';
import { useMissing } from './things.tsx';

interface Props {
  readonly session: PlanSession;
  readonly result: PlanResult;
}

export function EveningsTab({ session, result }: Props) {
  const { plan } = session;
  const { evenings } = plan;
  const wish = useMemo(() => eveningsWish({ evenings }), [evenings]);
  const laid = useMemo(() => wish && eveningsOf(result, wish), [result, wish]);
  return (
    <>
      <Hours plan={plan} result={result} />
      <h3 className="mt-5 text-title">Over evenings</h3>
      {laid && wish && <Laid session={session} laid={laid} startsAt={wish.startsAt} />}
      {evenings ? (
        <Habit session={session} evenings={evenings} />
      ) : (
        <>
          <p className="mt-2">Say which evenings you have: what falls on which, and when it is done, is worked out.</p>
          <button
            type="button"
            className="button mt-3"
            data-testid="plan-evenings"
            onClick={() => session.apply(setEvenings(plan, eveningsFrom(today()), 'Evenings planned'))}
          >
            Plan my evenings
          </button>
        </>
      )}
      <Cost session={session} result={result} />
    </>
  );
}

/** Hours step by step; then what the knots take, by kind and by where they are. */
function Hours({ plan, result }: { readonly plan: PlanSession['plan']; readonly result: PlanResult }) {
  const { time } = result;
  const by = useMemo(() => hoursBy(result, plan.testRow?.pieces), [result, plan.testRow?.pieces]);
  const lines = (of: readonly HoursLine[]) =>
    of.map(({ key, name, minutes, range: around }) => ({
      key,
      name,
      cells: [duration(minutes), range(around, duration)],
    }));
  return (
    <section data-testid="hours">
      <h2>About {duration(time.totalMinutes)}</h2>
      <Ledger
        caption={`Likely ${range(time.range, duration)}, without breaks.`}
        heads={HEADS}
        lines={lines(by.steps)}
      />
      {time.waitingMinutes > 0 && (
        <p className="note mt-1">Beside it {duration(time.waitingMinutes)} of drying and setting, hands free.</p>
      )}
      <details className="mt-2">
        <summary className="word">What the knots take</summary>
        <Ledger caption="By kind." heads={HEADS} lines={lines(by.kinds)} />
        <Ledger caption="By where they are." heads={HEADS} lines={lines(by.zones)} />
      </details>
    </section>
  );
}

const HEADS = ['what', 'about', 'likely'];

/** Evenings with what may be left open. */
type Habits = Omit<EveningsAsWritten, 'finishBy'> & { readonly finishBy: string | undefined };

const BEFORE_DAYS: ReadonlyArray<FieldEntry<Habits>> = [
  {
    key: 'first',
    kind: 'text',
    input: 'date',
    label: 'From',
    testId: 'evenings-first',
    words: (first) => `Evenings from ${first}`,
  },
];
const AFTER_DAYS: ReadonlyArray<FieldEntry<Habits>> = [
  { key: 'at', kind: 'text', input: 'time', label: 'At', testId: 'evenings-at', words: (at) => `Evenings from ${at}` },
  {
    key: 'minutes',
    kind: 'number',
    label: 'Minutes an evening',
    testId: 'evenings-minutes',
    words: (minutes) => `Evenings of ${duration(minutes)}`,
  },
  {
    key: 'breakEvery',
    kind: 'number',
    label: 'A break after, min',
    testId: 'break-every',
    words: (minutes) => `A break after ${minutes} min`,
  },
  {
    key: 'breakFor',
    kind: 'number',
    label: 'Minutes of a break',
    testId: 'break-for',
    beside: ({ breakFor }) => (breakFor < 5 ? 'Hands and neck want to be put down now and then.' : undefined),
    words: (minutes) => `Breaks of ${minutes} min`,
  },
  {
    key: 'finishBy',
    kind: 'text',
    input: 'date',
    label: 'Done by',
    testId: 'evenings-by',
    orNone: 'any day',
    words: (by) => (by === undefined ? 'No day it has to be done by' : `Done by ${by}`),
  },
];

function Habit({ session, evenings }: { readonly session: PlanSession; readonly evenings: EveningsAsWritten }) {
  const { plan } = session;
  const { finishBy, ...rest } = evenings;
  const record: Habits = { ...rest, finishBy };
  const set: TakeChange<Habits> = (change, words) => session.apply(setEvenings(plan, change, words ?? 'Evenings'));
  return (
    <div className="mt-2">
      <Fields record={record} of={BEFORE_DAYS} set={set} />
      <Days
        days={evenings.days}
        onChange={(days) => set({ days }, days.length === 1 ? 'One evening a week' : `${days.length} evenings a week`)}
      />
      <Fields record={record} of={AFTER_DAYS} set={set} />
    </div>
  );
}

/** Seven buttons, pressed where she works. */
function Days(props: {
  readonly days: readonly Weekday[];
  /** In the order of the week; says why not. */
  readonly onChange: (days: Weekday[]) => string | undefined;
}) {
  const { days, onChange } = props;
  return (
    <fieldset className="one-of flex flex-wrap gap-x-1 py-1" aria-label="Days on which you work">
      {WEEKDAYS.map((day) => (
        <button
          key={day}
          type="button"
          className="edge min-h-11 min-w-9 text-ink2"
          aria-pressed={days.includes(day)}
          data-testid={`on-${day}`}
          // The last day can’t be taken away: then there would be none to work on.
          aria-disabled={days.length === 1 && days[0] === day}
          onClick={() =>
            (days.length > 1 || days[0] !== day) &&
            onChange(WEEKDAYS.filter((d) => (d === day ? !days.includes(d) : days.includes(d))))
          }
        >
          <span>
            {upperFirst(day.slice(0, 2))}
            <span className="sr-only">{day.slice(2)}</span>
          </span>
        </button>
      ))}
    </fieldset>
  );
}

function Laid(props: { readonly session: PlanSession; readonly laid: EveningsPlan; readonly startsAt: number }) {
  const { session, laid, startsAt } = props;
  const { plan } = session;
  const { evenings } = laid;
  const isHalfWorn = evenings.length > 1 && !isOffHead(plan.cap);
  return (
    <section className="mt-3" data-testid="evenings">
      <p role="status">
        <strong className="font-strong">{doneWords(laid)}</strong> {aroundWords(laid)}
      </p>
      {laid.finishBy && <Until by={laid.finishBy} />}
      <ol className="mt-2">
        {evenings.map((e) => (
          <li key={e.day} className="line py-1.25">
            <details>
              <summary>
                <span className="font-strong">{weekday(e.day)}</span>, {hourOf(startsAt)} to{' '}
                {hourOf(startsAt + spanOf(e))}
                <span className="note block">{inShort(e.does.map((d) => d.what))}</span>
              </summary>
              <ul className="note ml-3">
                {e.does.map((d, i) => (
                  <li key={`${i} ${d.what}`}>
                    {d.what}, {duration(Math.max(1, d.minutes))}
                  </li>
                ))}
                {e.breakMinutes > 0 && <li>breaks, {duration(e.breakMinutes)}</li>}
                {e.waitMinutes > 0 && <li>waiting, hands free, {duration(e.waitMinutes)}</li>}
              </ul>
            </details>
          </li>
        ))}
      </ol>
      {isHalfWorn && (
        <p className="note mt-1">
          Between evenings half of it is in: a scarf or a hat goes over it. A base that pulls overnight is loosened, not
          slept on.
        </p>
      )}
      <button
        type="button"
        className="word mt-2"
        data-testid="export-calendar"
        onClick={() =>
          exportEvenings(laid, { planId: plan.id, planName: plan.name, startsAt, wornDays: wornDaysOf(plan) })
        }
      >
        Evenings, for your calendar (iCalendar)
      </button>
    </section>
  );
}

const doneWords = ({ evenings, doneOn }: EveningsPlan) =>
  evenings.length === 1
    ? `Done in one evening, ${weekday(doneOn)}.`
    : `${evenings.length} evenings, done on ${weekday(doneOn)}.`;

function aroundWords({ countRange: [low, high], doneRange: [early, late] }: EveningsPlan): string {
  if (low === high) return 'That holds for slow hands and quick ones.';
  return `${low} to ${high} are likely: ${weekday(early)} to ${weekday(late)}.`;
}

/** Whether a day can be kept, and what would make it so. */
function Until({ by: { day, evenings, likely, slow } }: { readonly by: FinishBy }) {
  const evening = evenings === 1 ? 'one evening' : `${evenings} evenings`;
  const words = slow.inTime
    ? `${weekday(day)} can be kept, even if it goes slowly.`
    : likely.inTime
      ? `${weekday(day)} can be kept, unless it goes slowly. To be sure, ${orElse(slow)}.`
      : `Until ${weekday(day)} there ${evenings === 1 ? 'is' : 'are'} ${evening}: not enough. ${upperFirst(orElse(likely))}; if it goes slowly, ${orElse(slow)}.`;
  return (
    <p className={`mt-1 ${likely.inTime ? '' : 'text-madder'}`} data-testid="finish-by">
      {words}
    </p>
  );
}

const orElse = ({ minutes, beginBy }: FinishBy['likely']) =>
  minutes === undefined
    ? `begin by ${weekday(beginBy)}`
    : `begin by ${weekday(beginBy)} or take ${duration(minutes)} an evening`;

/** "From Comb out to Row 7, back". */
function inShort(what: readonly string[]): string {
  const first = what[0] ?? '';
  const last = what.at(-1) ?? '';
  return first === last ? first : `${first} … ${last}`;
}

function Cost({ session, result }: Props) {
  const { plan } = session;
  const { supply } = result;
  const days = wornDaysOf(plan);
  const missing = useMissing(plan, result, useWearerOf(plan.id));
  const things = missing.reduce((sum, m) => sum + m.price, 0);
  const usedUp = missing.reduce((sum, m) => sum + (m.usedUp ? m.price : 0), 0);
  const style = supply.hairPrice + usedUp;
  const show = (v: number) => money(Math.round(100 * v) / 100, plan.currency);
  return (
    <section className="mt-5" data-testid="cost">
      <h3 className="text-title">What it costs</h3>
      <NumberField
        label="Worn for days"
        testId="worn-days"
        value={days}
        onCommit={(d) => session.apply(setWornDays(plan, d))}
      />
      <Ledger
        caption="Packs that are begun and what is used up; worn again, it is cheaper still. Things cost what you wrote in the stash."
        lines={[
          {
            key: 'pay',
            name: things > 0 ? `to pay now, ${show(things)} of it for things` : 'to pay now',
            cells: [show(supply.price + things)],
          },
          {
            key: 'all',
            name: `${supply.packs} ${supply.packs === 1 ? 'pack' : 'packs'} begun`,
            cells: [show(supply.hairPrice)],
          },
          ...(usedUp > 0 ? [{ key: 'used', name: 'used up besides', cells: [show(usedUp)] }] : []),
          { key: 'day', name: 'for each day worn', cells: [show(style / days)] },
        ]}
      />
    </section>
  );
}
