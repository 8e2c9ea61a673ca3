/** What is learned of hands: calibrated for every quantity, little after one style, much after five. */
import { describe, expect, it } from 'vitest';
import { Calibration, drawWearer, UNEVEN, WEARERS } from '../../../tests/helpers/calibration.ts';
import { seededRandom } from '../numerics/index.ts';
import { FALL_GUESSES, KNOT_SPREAD, PACE_FACTOR } from '../trade/index.ts';
import { amountPrior, ENOUGH_DIFFERS, enoughLearned, spacingLearned, spacingPrior, strandsLearned } from './amounts.ts';
import { secondsOfHers } from './at-her-pace.ts';
import { handsFrom, handsUsed } from './hers.ts';
import type { Learned, Observation } from './mixed.ts';
import { inColumns, paceEffects, paceInPlan, paceLearned, pacePrior, type TimedKnots } from './pace.ts';

const asLog = ({ middle, low, high, sd }: Learned): Learned => ({
  middle: Math.log(middle),
  low: Math.log(low),
  high: Math.log(high),
  sd,
});

const knots = (n: number, seconds: number, over: Partial<TimedKnots> = {}): TimedKnots[] =>
  Array.from({ length: n }, (_, i) => ({
    kind: 'wrap',
    zone: 'back',
    knots: 1,
    plainSeconds: 20,
    // Half above and half below, so that the middle of the logarithms is the seconds that are told.
    seconds: seconds * Math.exp((i % 2 ? 1 : -1) * KNOT_SPREAD - KNOT_SPREAD ** 2 / 2),
    hoursOn: i / 200,
    ...over,
  }));

describe(`over ${WEARERS} simulated wearers`, () => {
  const calibrated = (c: Calibration) => {
    const { chiSquared, held } = c.figures();
    expect(chiSquared).toBeLessThan(UNEVEN);
    expect(held).toBeGreaterThan(0.75);
    expect(held).toBeLessThan(0.85);
  };

  it('pace, that of a kind, and how she tires', () => {
    const random = seededRandom(41);
    const [all, ofKind, tires] = [1, 2, 3].map(() => new Calibration(random));
    const prior = pacePrior('firstTime');
    const design = Array.from({ length: 60 }, (_, i) => ({
      kind: i % 4 === 0 ? ('oneLeg' as const) : ('wrap' as const),
      zone: i % 3 === 0 ? ('part' as const) : ('back' as const),
      knots: i % 5 === 0 ? 4 : 1,
      plainSeconds: 20,
      hoursOn: i / 25,
    }));
    const effects = design.map((d) => ({ effects: paceEffects(d.kind, d.zone, d.hoursOn), of: d.knots }));
    for (let w = 0; w < WEARERS; w++) {
      const { truth, styles } = drawWearer(random, prior, Array(1 + (w % 3)).fill(effects));
      const timed = styles.map((s) =>
        s.map((o, i) => ({
          ...design[i],
          seconds: design[i].plainSeconds * Math.exp(o.y - KNOT_SPREAD ** 2 / 2 / o.of),
        })),
      );
      const found = paceLearned(timed, 'firstTime');
      if (!found?.byKind.oneLeg) throw new Error('nothing was learned');
      const freedom = prior.spreadKnown + 60 * timed.length;
      all.add(truth([[0, 1]]), asLog(found.all), freedom);
      // The second kind is named second but one in the table: its effect is told with the one of all.
      const kind = paceEffects('oneLeg', 'back', 0).slice(0, 2);
      ofKind.add(truth(kind), asLog(found.byKind.oneLeg), freedom);
      tires.add(truth([[prior.mean.length - 1, 1]]), found.tires, freedom);
    }
    for (const c of [all, ofKind, tires]) calibrated(c);
  });

  it('spacing, and that of her right', () => {
    const random = seededRandom(42);
    const [all, right] = [1, 2].map(() => new Calibration(random));
    const prior = spacingPrior();
    const sides = ['left', 'right', 'both'] as const;
    const design = Array.from({ length: 9 }, (_, i) => ({
      effects: [
        [0, 1],
        [1, [-1, 1, 0][i % 3]],
      ] as Observation['effects'],
      of: 8 + i,
    }));
    for (let w = 0; w < WEARERS; w++) {
      const { truth, styles } = drawWearer(random, prior, Array(1 + (w % 4)).fill(design));
      const found = spacingLearned(
        styles.map((s) => s.map((o, i) => ({ gaps: o.of, hookedOverPlanned: Math.exp(o.y), side: sides[i % 3] }))),
      );
      if (!found) throw new Error('nothing was learned');
      const freedom = prior.spreadKnown + 9 * styles.length;
      all.add(truth([[0, 1]]), asLog(found.all), freedom);
      right.add(truth([[0, 1], [1, 1]]), asLog(found.right), freedom); // biome-ignore format: short
    }
    for (const c of [all, right]) calibrated(c);
  });

  it('what is enough for her, and what her strands are like', () => {
    const random = seededRandom(43);
    const [enough, width] = [1, 2].map(() => new Calibration(random));
    const [low, high] = FALL_GUESSES.ribbonWidthMm.range;
    const priors = [amountPrior(ENOUGH_DIFFERS, 0.08), amountPrior(Math.log(high / low) / 2 / 1.28155, 0.08)];
    const one: Array<Pick<Observation, 'effects' | 'of'>> = [{ effects: [[0, 1]], of: 1 }];
    for (let w = 0; w < WEARERS; w++) {
      const n = 1 + (w % 5);
      const [a, b] = priors.map((p) => drawWearer(random, p, Array(n).fill(one)));
      const factors = (of: typeof a) => of.styles.map(([o]) => Math.exp(o.y));
      const told = enoughLearned(factors(a));
      const strand = strandsLearned(factors(b).map((ribbonWidthMm) => ({ ribbonWidthMm }))).ribbonWidthMm;
      if (!told || !strand) throw new Error('nothing was learned');
      enough.add(a.truth([[0, 1]]), asLog(told), 20 + n);
      width.add(b.truth([[0, 1]]), asLog(strand), 20 + n);
    }
    for (const c of [enough, width]) calibrated(c);
  });
});

describe('her pace', () => {
  it('moves little after one style and much after five', () => {
    const slow = knots(150, 40);
    const share = (n: number) => {
      const found = paceLearned(Array(n).fill(slow), 'some');
      return Math.log(found?.byKind.wrap?.middle ?? 1) / Math.log(2);
    };
    expect(share(1)).toBeLessThan(0.6);
    expect(share(5)).toBeGreaterThan(0.7);
    expect(share(5)).toBeLessThan(1);
  });

  it('starts from what she says of herself, and is told in seconds with the knots that it comes from', () => {
    expect(paceLearned([], 'some')).toBeUndefined();
    expect(paceLearned([[]], 'some')).toBeUndefined();
    const one = (said: 'firstTime' | 'practised') => paceLearned([knots(4, 20)], said)?.all.middle ?? 0;
    expect(one('firstTime')).toBeGreaterThan(1);
    expect(one('practised')).toBeLessThan(1);
    const found = paceLearned([knots(40, 30), knots(20, 30)], 'some');
    expect(found).toMatchObject({ knots: 60, styles: 2, byKind: { wrap: { knots: 60, plainSeconds: 20 } } });
    const { middle = 0, low = 0, high = 0 } = found?.byKind.wrap ?? {};
    expect(low).toBeLessThan(middle);
    expect(high).toBeGreaterThan(middle);
    expect(20 * middle).toBeGreaterThan(20);
    expect(20 * middle).toBeLessThan(30);
  });

  it('is not moved by a phone call', () => {
    const call = { ...knots(1, 20)[0], seconds: 290 };
    expect(paceLearned([[...knots(40, 20), call]], 'some')?.all.middle).toBe(
      paceLearned([knots(40, 20)], 'some')?.all.middle,
    );
  });

  it('in a plan tells each knot by its kind and place, later ones slower', () => {
    const pace = paceLearned([[...knots(60, 20), ...knots(60, 40, { kind: 'oneLeg', zone: 'part' })]], 'some');
    if (!pace) throw new Error('nothing was learned');
    const hers = paceInPlan(pace);
    expect(hers.byKind.oneLeg).toBeGreaterThan(hers.byKind.wrap ?? 9);
    const plain = { kind: 'wrap', zone: 'back', plainSeconds: 20 } as const;
    const seconds = secondsOfHers(Array(900).fill(plain), { ...hers, tiresAnHour: 0.05 });
    expect(seconds[0]).toBeCloseTo(20 * hers.factor * (hers.byKind.wrap ?? 1) * (hers.byZone.back ?? 1), 9);
    expect(seconds[899] / seconds[0]).toBeCloseTo(Math.exp(0.05 * 3), 2);
    expect(PACE_FACTOR.some).toBe(1);
  });
});

describe('all of her hands', () => {
  it('are nothing where no style tells anything', () => {
    expect(handsFrom([], 'some')).toEqual({
      pace: undefined,
      spacing: undefined,
      reserve: undefined,
      enough: undefined,
      strands: {},
    });
  });

  it('closer on her right is told of her right', () => {
    const row = (side: 'left' | 'right', hookedOverPlanned: number) => ({ gaps: 18, hookedOverPlanned, side });
    const { spacing } = handsFrom(
      [
        {
          atMs: 1,
          timed: inColumns([]),
          counted: [row('left', 1), row('left', 1.02), row('right', 0.9), row('right', 0.88)],
        },
      ],
      'some',
    );
    expect(spacing?.right.middle).toBeLessThan(spacing?.left.middle ?? 0);
    expect(spacing).toMatchObject({ rows: 4, styles: 1 });
  });

  it('her reserve and what is enough for her come from styles that say so', () => {
    const { reserve, enough } = handsFrom(
      [
        { atMs: 1, timed: inColumns([]), counted: [], used: 1.1, enough: 0.8 },
        { atMs: 1, timed: inColumns([]), counted: [], used: 1.06 },
      ],
      'some',
    );
    expect(reserve?.factor).toBeGreaterThan(1.03);
    expect(reserve?.factor).toBeLessThan(1.08);
    expect(enough?.styles).toBe(1);
    expect(enough?.middle).toBeGreaterThan(0.8);
    expect(enough?.middle).toBeLessThan(1);
  });

  it('what is left out is not used; what she says herself stands in place of what is learned', () => {
    const told = [{ atMs: 1, timed: inColumns(knots(20, 30)), counted: [], used: 1.1, enough: 0.8 }];
    const found = handsFrom(told, 'some');
    expect(handsUsed(found, {})).toEqual(found);
    const used = handsUsed(found, {
      pace: { own: 1.3 },
      enough: { isOff: true },
      spacing: { own: 0.9 },
    });
    expect([used.pace, used.enough]).toEqual([undefined, undefined]);
    expect(used.spacing?.all).toEqual({ middle: 0.9, low: 0.9, high: 0.9, sd: 0 });
    expect(used.reserve).toEqual(found.reserve);
  });

  it('what came before she had it forgotten does not count for it, and for nothing else', () => {
    const told = [1, 5].map((atMs) => ({ atMs, timed: inColumns(knots(20, 30)), counted: [], used: 1.1 }));
    const found = handsFrom(told, 'some', { pace: { sinceMs: 3 } });
    expect([found.pace?.styles, found.reserve?.styles]).toEqual([1, 2]);
  });
});
