/** What is proposed for the next plan: each proposal is a plan that can be kept, follows from something, and does what it says. */
import { describe, expect, it } from 'vitest';
import { Planner } from '../../tests/helpers/planner.ts';
import { handsFrom } from '../core/hands/hers.ts';
import { inColumns } from '../core/hands/pace.ts';
import { NEXT_WISHES, type NextWish, wishesIn } from '../core/trade/index.ts';
import { WEAR_PLACES } from '../core/trade/wear.ts';
import { installPlans } from '../demo/installs.ts';
import { crownTwists, deepPartStraight, shoulderCurls, sweptCoils } from '../demo/plans.ts';
import { proposalsFor, type StyleBefore } from './next-time.ts';
import type { PlanDocument } from './plan.ts';
import { refusalOf } from './read-plan.ts';
import { planInputs } from './to-inputs.ts';

const planner = new Planner();
const worked = (plan: PlanDocument) => planner.plan(planInputs(plan, 24));
const styleBefore = (plan: PlanDocument, told: Partial<StyleBefore> = {}): StyleBefore => ({
  wishes: [],
  notes: [],
  wornDays: undefined,
  hands: undefined,
  fingers: worked(plan).spacing.fingers,
  ...told,
});
const note = (what: 'slip' | 'sore', place: (typeof WEAR_PLACES)[number]) => ({
  key: `${what}-${place}`,
  atMs: 1,
  day: '2026-11-01',
  what,
  place,
});
const timed = (n: number, factor: number) =>
  Array.from({ length: n }, () => ({
    kind: 'wrap' as const,
    zone: 'back' as const,
    knots: 1,
    seconds: 20 * factor,
    plainSeconds: 20,
    hoursOn: 0.5,
  }));
const hands = handsFrom(
  Array.from({ length: 4 }, (_, i) => ({
    atMs: i,
    timed: inColumns(timed(90, 1.8)),
    counted: Array.from({ length: 12 }, () => ({ gaps: 15, hookedOverPlanned: 0.88, side: 'both' as const })),
    used: 1.12,
    enough: 0.82,
    strands: { opacity: 1.12 },
  })),
  'some',
);
const plans = [shoulderCurls, sweptCoils, deepPartStraight, crownTwists, installPlans[3], installPlans[14]];

describe.each(plans.map((p) => [p.name, p] as const))('%s', (_, plan) => {
  const all = proposalsFor(
    plan,
    styleBefore(plan, {
      wishes: NEXT_WISHES,
      notes: WEAR_PLACES.flatMap((p) => [note('slip', p), note('sore', p)]),
      wornDays: 19,
      hands,
    }),
  );

  it('every proposal is a plan that can be kept and worked out, another one than it is, once, with its reason', () => {
    expect(all.length).toBeGreaterThan(6);
    expect(new Set(all.map((p) => p.key)).size).toBe(all.length);
    expect(new Set(all.map((p) => p.change.words)).size).toBe(all.length);
    for (const p of all) {
      expect(refusalOf(p.change.plan), p.key).toBeUndefined();
      expect(p.change.plan).not.toEqual(plan);
      expect(p.name).not.toBe('');
      expect(p.why.length).toBeGreaterThan(8);
      expect(worked(p.change.plan).knots.length).toBeGreaterThan(0);
    }
  });

  it('taken one after the other they stay plans that can be kept', () => {
    let now = plan;
    for (const { key } of all) {
      const again = proposalsFor(now, styleBefore(now, { wishes: NEXT_WISHES, wornDays: 19, hands }));
      now = again.find((p) => p.key === key)?.change.plan ?? now;
      expect(refusalOf(now)).toBeUndefined();
    }
  });
});

describe('what is proposed', () => {
  const of = (plan: PlanDocument, told: Partial<StyleBefore>) => proposalsFor(plan, styleBefore(plan, told));
  const pieces = (plan: PlanDocument) => worked(plan).supply.pieces;

  it('less at the back takes fewer pieces, more takes more', () => {
    const [less] = of(shoulderCurls, { wishes: ['lessBehind'] });
    const [more] = of(shoulderCurls, { wishes: ['moreBehind'] });
    expect(pieces(less.change.plan)).toBeLessThan(pieces(shoulderCurls));
    expect(pieces(more.change.plan)).toBeGreaterThan(pieces(shoulderCurls));
  });

  it('nothing where all went as planned; nothing twice', () => {
    expect(of(shoulderCurls, { wornDays: 28 })).toEqual([]);
    const [first] = of(deepPartStraight, { notes: [note('slip', 'front')] });
    expect(of(first.change.plan, { notes: [note('slip', 'front')] })).toEqual([]);
  });

  it('her own pace makes the hours hers, and says what common practice would have told', () => {
    const pace = of(shoulderCurls, { hands }).find((p) => p.key === 'pace');
    if (!pace) throw new Error('no pace was proposed');
    const [was, now] = [worked(shoulderCurls), worked(pace.change.plan)];
    expect(now.time.totalMinutes).toBeGreaterThan(was.time.totalMinutes);
    expect(Math.abs((now.time.plainMinutes ?? 0) - was.time.totalMinutes)).toBeLessThanOrEqual(
      0.02 * was.time.totalMinutes + 2,
    );
    const width = ([low, high]: readonly [number, number]) => high / low;
    expect(width(now.time.range)).toBeLessThan(width(was.time.range));
    // Counted in already it is not proposed again.
    expect(of(pace.change.plan, { hands }).some((p) => p.key === 'pace')).toBe(false);
  });

  it('closer hands and less hair that would do: gaps go where her hands and her eyes had them', () => {
    const all = of(shoulderCurls, { hands });
    const gap = (key: string) => all.find((p) => p.key === key)?.change.plan.spacing.fingers.back ?? 0;
    const now = worked(shoulderCurls).spacing.fingers.back;
    expect(gap('spacing')).toBeLessThan(now);
    expect(gap('enough')).toBeGreaterThan(now);
  });
});

it('a line of hers is read for what she wishes', () => {
  const read = (line: string): NextWish[] => wishesIn(line);
  expect(read('Six fillers behind the temples after shaking out. Wider at the nape next time.')).toEqual(['lessNape']);
  expect(read('The part slipped after two weeks; colours could be better mixed.')).toEqual([
    'mixedBetter',
    'partSlipped',
  ]);
  expect(read('It took so long that my neck hurt. Less at the back next time.')).toEqual(['lessBehind', 'tooLong']);
  expect(read('Lovely.')).toEqual([]);
});
