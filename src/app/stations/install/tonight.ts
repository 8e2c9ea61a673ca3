/** How far an evening goes: while there is still a choice, not when it is over. */
import type { PlanResult } from '../../../core/findings/index.ts';
import { type InstallState, knotsBy, knotsToCome } from '../../../core/install/index.ts';
import type { PlanDocument } from '../../../model/plan.ts';
import { hourOf } from '../../ui/format.ts';

const DAY_MINUTES = 24 * 60;
const MINUTE_MS = 60_000;

/** Minutes until her evening ends, and when; undefined where she has not said, or it is not evening. */
export function eveningLeft({ evenings }: Pick<PlanDocument, 'evenings'>, now: Date) {
  if (!evenings) return undefined;
  const [hours, minutes] = evenings.at.split(':').map(Number);
  const begins = 60 * hours + minutes;
  const clock = now.getHours() * 60 + now.getMinutes() + now.getSeconds() / 60;
  // An evening may pass midnight.
  const since = (clock - begins + DAY_MINUTES) % DAY_MINUTES;
  return since < evenings.minutes ? { minutes: evenings.minutes - since, ends: begins + evenings.minutes } : undefined;
}

export function tonightWords(
  plan: PlanDocument,
  result: PlanResult,
  state: InstallState,
  now = new Date(),
): string | undefined {
  const left = eveningLeft(plan, now);
  const toCome = knotsToCome(state, result.knots).length;
  if (!left || toCome === 0) return undefined;
  const by = hourOf(left.ends);
  const { likely, range } = knotsBy(state, result.knots, (left.minutes * MINUTE_MS) / 1000, result.time.paceSd);
  const all = result.knots.length;
  if (range[0] >= all) return `All knots are in by ${by}, even if it goes slowly.`;
  if (likely >= all) return `All knots are likely in by ${by}.`;
  const rows = range.map((knots) => rowAt(result, knots));
  const rowsWords = rows[0] === rows[1] ? `row ${rows[0]}` : `row ${rows[0]} to row ${rows[1]}`;
  return `By ${by} you are at ${rowsWords}: ${likely - (all - toCome)} knots more, about.`;
}

/** Label of the row in which so many knots end. */
function rowAt({ rows }: PlanResult, knots: number): string {
  const row = rows.find((r) => r.knotCount > 0 && r.firstKnot + r.knotCount >= Math.max(1, knots));
  return row?.label ?? rows.at(-1)?.label ?? '';
}
