/**
 * The one way in which the core says that something is wrong, risky or worth knowing: where, the figure, why
 * it matters, and what would mend it. Thresholds are common practice or guesses, said beside each.
 */

import type { PlanInputs } from '../plan/index.ts';
import { isWorn } from '../trade/index.ts';
import { BASE_CHECKS } from './base.ts';
import { BORDER_CHECKS } from './border.ts';
import { CAP_CHECKS, ON_WEARER } from './cap.ts';
import type { Check, Result } from './check.ts';
import { dealtThinner, noHairLeft } from './colours.ts';
import type { Finding, Severity } from './finding.ts';
import { HAIR_CHECKS, latex, loopStays, smoothUnheld, splitTooFine } from './hair.ts';
import { INTO_CHECKS } from './into-base.ts';
import {
  contradictoryMeasure,
  estimatedMeasures,
  hairlineAgainstTape,
  impossibleHead,
  unusualMeasure,
} from './measure.ts';
import { knotsCrowd, noKnots, ROW_CHECKS, tenderThroughHair } from './rows.ts';
import { STRAND_CHECKS } from './strands.ts';
import { noReserve } from './supply.ts';

export function findings(inputs: PlanInputs, result: Result): Finding[] {
  const order: Record<Severity, number> = { stop: 0, caution: 1, note: 2 };
  return [
    ...CHECKS,
    ...BASE_CHECKS,
    ...CAP_CHECKS,
    ...HAIR_CHECKS,
    ...ROW_CHECKS,
    ...BORDER_CHECKS,
    ...INTO_CHECKS,
    ...STRAND_CHECKS,
  ]
    .filter((check) => isWorn(inputs.madeFor) || !ASKS_WEARER.has(check))
    .map((check) => check(inputs, result))
    .filter((f): f is Finding => f !== undefined)
    .sort((a, b) => order[a.severity] - order[b.severity]);
}

/** What is not asked while a wig is made for nobody's base. */
const ASKS_WEARER: ReadonlySet<Check> = new Set([
  ...BASE_CHECKS,
  ...ON_WEARER,
  tenderThroughHair,
  unusualMeasure,
  estimatedMeasures,
]);

const CHECKS: readonly Check[] = [
  noKnots,
  impossibleHead,
  contradictoryMeasure,
  unusualMeasure,
  hairlineAgainstTape,
  splitTooFine,
  tenderThroughHair,
  knotsCrowd,
  smoothUnheld,
  loopStays,
  noReserve,
  estimatedMeasures,
  latex,
  noHairLeft,
  dealtThinner,
];
