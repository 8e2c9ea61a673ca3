/**
 * Every mend that a finding of head or base offers is taken as one tap takes it: the plan is still valid, and what
 * was wrong is gone, or less.
 */

import { describe, expect, it } from 'vitest';
import { Planner } from '../../tests/helpers/planner.ts';
import { TAPE_AS_WRITTEN } from '../../tests/helpers/written.ts';
import type { BaseChoice } from '../core/base/choice.ts';
import type { Finding } from '../core/findings/finding.ts';
import type { Mark } from '../core/head/marks.ts';
import { flatterParking } from '../core/plan/ask/advice.ts';
import { applyFix } from './apply-fix.ts';
import { park } from './commands.ts';
import { newPlan, startBase } from './defaults.ts';
import type { PlanDocument } from './plan.ts';
import { readPlan } from './read-plan.ts';
import { planInputs } from './to-inputs.ts';

const pipeline = new Planner();
const plain = newPlan('p', 'Plain');
const tape = TAPE_AS_WRITTEN;
const planOf = (change: Partial<PlanDocument>): PlanDocument => ({ ...plain, tape, ...change });
const hair = (length: string, change: Partial<PlanDocument['ownHair']> = {}) => ({
  ...plain.ownHair,
  length,
  ...change,
});
const base = (change: Partial<BaseChoice>): BaseChoice => ({ ...startBase('tied'), ...change });
const tender = (azimuth: number, elevation: number): Mark => ({
  kind: 'tender',
  erase: false,
  place: { stroke: { points: [[azimuth, elevation]], radiusMm: 16 } },
});
const found = (plan: PlanDocument, code: string): Finding | undefined =>
  pipeline.plan(planInputs(plan, 28)).findings.find((f) => f.code === code);
/** The first number of a sentence: how many, or how high. */
const figure = (words: string) => Number(/\d+/.exec(words)?.[0] ?? (/^(One|A) /.test(words) ? 1 : 0));

const CASES: ReadonlyArray<readonly [code: string, change: Partial<PlanDocument>]> = [
  ['measure.contradictory', { tape: { ...tape, earToEarTop: ['385 mm'] } }],
  ['measure.hairlineAgainstTape', { hairline: { ...plain.hairline, front: -20 } }],
  ['base.tooShort', { ownHair: hair('9 cm') }],
  ['base.cantReach', { ownHair: hair('13 cm'), base: base({ parking: { all: 'wrapped', bySection: {} } }) }],
  ['base.freshEnds', { ownHair: hair('24 cm', { freshEnds: true }) }],
  [
    'base.boxTooSmall',
    { ownHair: hair('8 cm', { fullness: 'thin' }), base: { ...startBase('grid'), boxFingers: 0.75 } },
  ],
  ['base.acrossTender', { marks: [tender(156, 26)] }],
  ['base.parcelByPart', { part: { kind: 'line', frontMm: 20, endMm: 24, lengthMm: 120, bendMm: 0 } }],
  ['base.shifts', { base: startBase('laidFlat') }],
  ['base.lostEdit', { base: base({ edits: [{ id: 'e1', op: 'merge', a: 'b1', b: 'gone' }] }) }],
];

describe('one tap', () => {
  it.each(CASES)('mends %s', (code, change) => {
    const plan = planOf(change);
    const before = found(plan, code);
    expect(before, 'it is found').toBeDefined();
    const offered = [before?.fix, before?.otherwise].filter((m) => m !== undefined);
    expect(offered.length).toBeGreaterThan(0);
    for (const { deed, change: fix } of offered) {
      if (fix.kind === 'flattenBase') throw new Error('worked out first, below');
      const mended = applyFix(plan, deed, fix).plan;
      const read = readPlan(JSON.parse(JSON.stringify(mended)));
      expect(read.ok, read.ok ? '' : read.why).toBe(true);
      const after = found(mended, code);
      // A spot stays tender and a part stays a part: what can be mended of them is the tie.
      if (code === 'base.acrossTender' || code === 'base.parcelByPart') expect(after?.fix).toBeUndefined();
      else if (after) expect(figure(after.what)).toBeLessThan(figure(before!.what));
    }
  });

  it('mends a lump by laying the tails otherwise', () => {
    const plan = planOf({ ownHair: hair('26 cm'), base: base({ parking: { all: 'parcel', bySection: {} } }) });
    expect(found(plan, 'base.lump')?.fix?.change.kind).toBe('flattenBase');
    const { parking, beforeMm, afterMm } = flatterParking(pipeline.graph, planInputs(plan, 28));
    const mended = park(plan, parking, 'Flattened').plan;
    expect(pipeline.plan(planInputs(mended, 28)).base.bumps.highestMm).toBeCloseTo(afterMm, 6);
    expect(afterMm).toBeLessThan(0.7 * beforeMm);
  });

  it('mends one small section by merging it with its neighbour', () => {
    const cutAt = (elevation: number) => {
      const line: Array<readonly [number, number]> = [
        [179, elevation],
        [140, elevation],
      ];
      return planOf({ ownHair: hair('20 cm'), base: base({ edits: [{ id: 'e1', op: 'cut', section: 'b2', line }] }) });
    };
    // From the nape up, until just enough is cut off to be a section and too little to be tied.
    const small = Array.from({ length: 80 }, (_, i) => cutAt(-46 + 0.25 * i)).find((p) => found(p, 'base.boxTooSmall'));
    expect(small).toBeDefined();
    const { fix } = found(small!, 'base.boxTooSmall')!;
    expect(fix?.change.kind).toBe('editBase');
    if (fix?.change.kind !== 'editBase') return;
    const mended = applyFix(small!, fix.deed, fix.change).plan;
    expect(found(mended, 'base.boxTooSmall')).toBeUndefined();
    expect(found(mended, 'base.lostEdit')).toBeUndefined();
  });
});
