/** Evenings of the computed plan: what falls on which, and what a date would ask. */
import { type EveningsPlan, eveningsOf } from '../core/plan/index.ts';
import { spanOf } from '../core/time/index.ts';
import { eveningsWish, wornDaysOf } from '../model/evenings.ts';
import { type Computed, nullable, round } from './computed.ts';

/** Null until she has said when. */
export function eveningFigures({ plan, result }: Computed) {
  const wish = eveningsWish(plan);
  if (!wish) return null;
  const laid = eveningsOf(result, wish);
  return {
    evenings: laid.evenings.map((e) => ({
      day: e.day,
      startsAt: wish.startsAt,
      minutes: round(spanOf(e), 0),
      workMinutes: round(e.workMinutes, 0),
      breakMinutes: round(e.breakMinutes, 0),
      waitMinutes: round(e.waitMinutes, 0),
      does: e.does.map(({ what, minutes }) => ({ what, minutes: round(minutes, 1) })),
    })),
    countRange: laid.countRange,
    doneOn: laid.doneOn,
    doneRange: laid.doneRange,
    finishBy: laid.finishBy ? finishByFigures(laid.finishBy) : null,
  };
}

function finishByFigures({ day, evenings, likely, slow }: NonNullable<EveningsPlan['finishBy']>) {
  const reach = (r: typeof likely) => ({ inTime: r.inTime, minutes: nullable(r.minutes), beginBy: r.beginBy });
  return { day, evenings, likely: reach(likely), slow: reach(slow) };
}

/** What the style costs: hair that goes into it, and what has to be bought of it; over the days that she means to wear it. */
export function priceFigures({ plan, result }: Computed) {
  const { supply } = result;
  const days = wornDaysOf(plan);
  return {
    total: round(supply.price, 2),
    range: supply.priceRange.map((v) => round(v, 2)),
    currency: plan.currency,
    hairUsed: round(supply.hairPrice, 2),
    wornDays: days,
    aDay: round(supply.hairPrice / days, 2),
  };
}
