/** A knot in words, read at arm’s length or heard. */
import type { PlanResult } from '../../../core/findings/index.ts';
import type { PlannedKnot } from '../../../core/knots/index.ts';
import { fingersInWords, knotName, lowerFirst, rowWords, upperFirst } from '../../../core/trade/index.ts';
import type { PlanDocument } from '../../../model/plan.ts';
import { fingerMm } from '../../../model/to-inputs.ts';

export function fromRowBefore(knot: PlannedKnot, plan: PlanDocument): string {
  const above = knot.aboveRowBeforeMm;
  if (above === undefined) return '';
  const fingers = Math.max(0.5, Math.round((2 * above) / fingerMm(plan)) / 2);
  const words = fingersInWords(fingers);
  return `${upperFirst(words)} from the row before. `;
}

export function mirrorWords(knot: PlannedKnot): string {
  if (Math.abs(knot.xMm) < 6) return 'It lies in the middle.';
  const side = knot.xMm > 0 ? 'left' : 'right';
  const behind = knot.normal[2] < -0.3;
  return behind ? `In two mirrors it stays on your ${side}.` : `In the mirror it stays on your ${side}.`;
}

export function nextWords(result: PlanResult, index: number): string {
  const knot = result.knots[index];
  const after = result.knots[index + 1];
  if (!knot) return 'Every knot is in.';
  if (!after) return 'Touch anywhere here. It is the last one.';
  const same = knotName(after) === knotName(knot);
  const turn = after.row !== knot.row ? `Then ${rowWords(result.rows[after.row].label)} begins: ` : 'Then ';
  return `Touch anywhere here. ${turn}${same ? `${lowerFirst(knotName(after))} again` : lowerFirst(knotName(after))}.`;
}

export function speechFor(knot: PlannedKnot, result: PlanResult): string {
  return `${knotName(knot)}. Number ${knot.place}, ${rowWords(result.rows[knot.row].label)}. ${knot.where.words}.`;
}
