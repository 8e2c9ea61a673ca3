/** A knot, a row or a step in words, read at arm’s length or heard. */
import type { PlanResult } from '../../../core/findings/index.ts';
import type { OrderStep } from '../../../core/install/index.ts';
import type { PlannedKnot } from '../../../core/knots/index.ts';
import { fingersInWords, knotName, lowerFirst, rowWords, upperFirst } from '../../../core/trade/index.ts';
import type { PlanDocument } from '../../../model/plan.ts';
import { fingerMm } from '../../../model/to-inputs.ts';
import type { Mirrors } from './mirror-settings.ts';

export function fromRowBefore(knot: PlannedKnot, plan: PlanDocument): string {
  const above = knot.aboveRowBeforeMm;
  if (above === undefined) return '';
  const words = fingersInWords(halfFingers(above, plan));
  return `${upperFirst(words)} from the row before. `;
}

const halfFingers = (mm: number, plan: PlanDocument) => Math.max(0.5, Math.round((2 * mm) / fingerMm(plan)) / 2);
const quarterFingers = (mm: number, plan: PlanDocument) => Math.max(0.25, Math.round((4 * mm) / fingerMm(plan)) / 4);

const MIDDLE_MM = 6;
const isBehind = (knot: PlannedKnot) => knot.normal[2] < -0.3;

/** Where the knot is for whoever hooks it. */
export function mirrorWords(knot: PlannedKnot, mirrors: Mirrors, forHelper: boolean): string {
  if (Math.abs(knot.xMm) < MIDDLE_MM) return 'It lies in the middle.';
  const side = knot.xMm > 0 ? 'left' : 'right';
  const other = side === 'left' ? 'right' : 'left';
  if (forHelper)
    return isBehind(knot) ? `From behind it is on your ${side} too.` : `Face to face it is on your ${other}.`;
  if (isBehind(knot))
    return mirrors === 'two'
      ? `In two mirrors it stays on your ${side}.`
      : `It is on your ${side}, where no mirror shows it: go by touch.`;
  return mirrors === 'none' ? `It is on your ${side}.` : `In the mirror it stays on your ${side}.`;
}

/** The hook’s way, as she feels it or as somebody who stands there sees it. */
export function hookWay(knot: PlannedKnot, forHelper: boolean): string {
  if (!forHelper || isBehind(knot)) return `Hook ${knot.hookWords}.`;
  const turned = knot.hookWords.replace(/left|right/g, (side) => (side === 'left' ? 'right' : 'left'));
  return `Hook ${turned.replace(/\b(her|your) /g, 'your ')}.`;
}

export function nextWords(knots: readonly PlannedKnot[], result: PlanResult, then: OrderStep | undefined): string {
  const [knot, after] = knots;
  if (!after)
    return then ? `Touch anywhere here. Then: ${lowerFirst(then.what)}.` : 'Touch anywhere here. It is the last one.';
  const same = knotName(after) === knotName(knot);
  const turn = after.row !== knot.row ? `Then ${rowWords(result.rows[after.row].label)} begins: ` : 'Then ';
  return `Touch anywhere here. ${turn}${same ? `${lowerFirst(knotName(after))} again` : lowerFirst(knotName(after))}.`;
}

export function speechFor(knot: PlannedKnot, result: PlanResult): string {
  return `${knotName(knot)}. Number ${knot.place}, ${rowWords(result.rows[knot.row].label)}. ${knot.where.words}.`;
}

/** "20 pieces, a finger and a quarter apart": what a row or a stretch of it is. */
export function runWords(run: readonly PlannedKnot[], plan: PlanDocument): string {
  const pieces = `${run.length} ${run.length === 1 ? 'piece' : 'pieces'}`;
  const apart = apartMm(run);
  if (apart === undefined) return pieces;
  const fingers = quarterFingers(apart, plan);
  return `${pieces}, ${fingersInWords(fingers)} apart`;
}

/** Straight from one to the next, on average, mm. */
function apartMm(run: readonly PlannedKnot[]): number | undefined {
  if (run.length < 2) return undefined;
  let sum = 0;
  for (let i = 1; i < run.length; i++) {
    const [a, b] = [run[i - 1], run[i]];
    sum += Math.sqrt((a.xMm - b.xMm) ** 2 + (a.yMm - b.yMm) ** 2 + (a.zMm - b.zMm) ** 2);
  }
  return sum / (run.length - 1);
}

/** Which way along the row she works; a row that was begun goes on from where it is. */
export function startWords(run: readonly PlannedKnot[], result: PlanResult, forHelper: boolean): string {
  const [first, last] = [run[0], run.at(-1) as PlannedKnot];
  if (run.length === 1) return `${first.where.words}.`;
  const from = first.fromMiddleMm <= last.fromMiddleMm ? 'left' : 'right';
  const to = from === 'left' ? 'right' : 'left';
  const isTurned = forHelper && !isBehind(first);
  const row = result.rows[first.row];
  const isBegun = result.knots[row.firstKnot] !== first;
  const side = (isBegun ? to : from) === 'left' ? (isTurned ? 'right' : 'left') : isTurned ? 'left' : 'right';
  const whose = forHelper ? 'the' : 'your';
  return `${isBegun ? `On towards ${whose} ${side}, from` : `Start at ${whose} ${side} end:`} ${lowerFirst(first.where.words)}.`;
}

export function runSpeech(run: readonly PlannedKnot[], plan: PlanDocument, result: PlanResult): string {
  return `${upperFirst(rowWords(result.rows[run[0].row].label))}: ${runWords(run, plan)}. ${startWords(run, result, false)}`;
}

export const stepSpeech = (step: OrderStep): string =>
  [step.what, step.how, step.caution ?? ''].filter(Boolean).join('. ').replace(/\.\./g, '.');

/** Two knots that hands make alike. */
export const isSameKnot = (a: PlannedKnot, b: PlannedKnot): boolean =>
  knotName(a) === knotName(b) && a.through === b.through && a.cut === b.cut && a.colour === b.colour;
