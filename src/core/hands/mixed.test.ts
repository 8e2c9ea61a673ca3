/** Closed form against a general-purpose matrix library and a statistics library on the same data, and calibration. */
import jstat from 'jstat';
import { inverse, Matrix } from 'ml-matrix';
import { describe, expect, it } from 'vitest';
import { Calibration, drawGamma, drawNormal, drawWearer, UNEVEN, WEARERS } from '../../../tests/helpers/calibration.ts';
import { seededRandom, studentQuantile } from '../numerics/index.ts';
import { learn, type Observation, type Prior, toldOf } from './mixed.ts';

const prior: Prior = {
  mean: Float64Array.of(0.2, 0, 0.03),
  sd: Float64Array.of(0.24, 0.15, 0.04),
  styleSd: 0.2,
  spread: 0.35,
  spreadKnown: 20,
};

/** So many observations, of which every third is of a second kind, and later ones are later. */
const design = (n: number) =>
  Array.from({ length: n }, (_, k) => ({
    effects: (k % 3 === 0
      ? [
          [0, 1],
          [1, 1],
          [2, k / 40],
        ]
      : [
          [0, 1],
          [2, k / 40],
        ]) as Observation['effects'],
    of: 1 + (k % 4),
  }));

describe('the posterior', () => {
  it('is that of generalised least squares with all of it written out', () => {
    const { styles } = drawWearer(seededRandom(3), prior, [5, 0, 12, 8].map(design));
    const found = learn(prior, styles);
    const rows = styles.flat();
    const n = rows.length;
    const v = prior.spread ** 2;
    const x = Matrix.zeros(n, 3);
    const spread = Matrix.zeros(n, n);
    const style = styles.flatMap((s, i) => s.map(() => i));
    rows.forEach((o, r) => {
      for (const [i, w] of o.effects) x.set(r, i, w);
      for (let c = 0; c < n; c++)
        spread.set(r, c, (style[r] === style[c] ? prior.styleSd ** 2 / v : 0) + (r === c ? 1 / o.of : 0));
    });
    const y = Matrix.columnVector(rows.map((o) => o.y));
    const precision = inverse(spread);
    const before = Matrix.diag(Array.from(prior.sd, (s) => v / s ** 2));
    const m0 = Matrix.columnVector([...prior.mean]);
    const after = Matrix.add(before, x.transpose().mmul(precision).mmul(x));
    const mean = inverse(after).mmul(Matrix.add(before.mmul(m0), x.transpose().mmul(precision).mmul(y)));
    const square = (a: Matrix, m: Matrix) => a.transpose().mmul(m).mmul(a).get(0, 0);
    for (let i = 0; i < 3; i++) {
      expect(found.mean[i]).toBeCloseTo(mean.get(i, 0), 10);
      for (let j = 0; j < 3; j++) expect(found.scale[3 * i + j]).toBeCloseTo(inverse(after).get(i, j), 10);
    }
    expect(found.shape).toBe((prior.spreadKnown + n) / 2);
    const rate = ((prior.spreadKnown * v) / 2) + (square(y, precision) + square(m0, before) - square(mean, after)) / 2; // biome-ignore format: as it is written
    expect(found.rate).toBeCloseTo(rate, 9);
  });

  it('goes over into the least squares of a statistics library where nothing was known before', () => {
    const random = seededRandom(11);
    const open: Prior = {
      mean: new Float64Array(2),
      sd: Float64Array.of(1e4, 1e4),
      styleSd: 1e-6,
      spread: 1,
      spreadKnown: 1,
    };
    const points = Array.from({ length: 40 }, (_, k) => [1, k / 10, 3 + 0.4 * (k / 10) + 0.5 * drawNormal(random)]);
    const found = learn(open, [points.map(([a, b, y]) => ({ y, effects: [[0, a], [1, b]], of: 1 }))]); // biome-ignore format: short
    const ols = jstat.models.ols(points.map((p) => p[2]), points.map((p) => [p[0], p[1]])); // biome-ignore format: short
    expect(found.mean[0]).toBeCloseTo(ols.coef[0], 4);
    expect(found.mean[1]).toBeCloseTo(ols.coef[1], 4);
  });

  it('is the prior where nothing was seen, and comes closer to her with every style', () => {
    const nothing = toldOf(learn(prior, [[]]), [[0, 1]]);
    expect(nothing.middle).toBeCloseTo(0.2, 12);
    expect(nothing.sd).toBeCloseTo(0.24, 12);
    const same = Array.from({ length: 60 }, (): Observation => ({ y: 0.8, effects: [[0, 1]], of: 1 }));
    const after = [1, 2, 5, 20].map((n) => toldOf(learn(prior, Array(n).fill(same)), [[0, 1]]));
    for (let i = 1; i < after.length; i++) {
      expect(after[i].middle).toBeGreaterThan(after[i - 1].middle);
      expect(after[i].high - after[i].low).toBeLessThan(after[i - 1].high - after[i - 1].low);
    }
    expect(after[3].middle).toBeLessThan(0.8);
  });
});

describe(`over ${WEARERS} simulated wearers`, () => {
  const random = seededRandom(20181127);
  const CONTRASTS = [
    [[0, 1]],
    [
      [0, 1],
      [1, 1],
    ],
    [[2, 1]],
  ] as ReadonlyArray<Observation['effects']>;
  const ranks = CONTRASTS.map(() => new Calibration(random));
  const spread = new Calibration(random);
  let heldAnew = 0;
  for (let w = 0; w < WEARERS; w++) {
    const { truth, variance, styles, ofNext } = drawWearer(
      random,
      prior,
      [20, 35, 12].slice(0, 1 + (w % 3)).map(design),
    );
    const post = learn(prior, styles);
    CONTRASTS.forEach((contrast, c) => {
      ranks[c].add(truth(contrast), toldOf(post, contrast), 2 * post.shape);
    });
    spread.rank(
      Array.from({ length: 99 }, () => post.rate / drawGamma(random, post.shape)).filter((v) => v < variance).length,
    );
    const anew = toldOf(post, [[0, 1]], true);
    const next = ofNext();
    if (next >= anew.low && next <= anew.high) heldAnew++;
  }

  it('ranks of the truth are even', () => {
    for (const c of [...ranks, spread]) expect(c.figures().chiSquared).toBeLessThan(UNEVEN);
  });

  it('ranges that say 80 % hold 75 to 85 %, of her and of a style to come', () => {
    for (const held of [...ranks.map((c) => c.figures().held), heldAnew / WEARERS]) {
      expect(held).toBeGreaterThan(0.75);
      expect(held).toBeLessThan(0.85);
    }
  });
});

it('the quantile of Student’s t is that of a statistics library', () => {
  for (const freedom of [3, 4, 5, 8.5, 21, 60, 5000])
    for (const p of [0.05, 0.3, 0.6, 0.9, 0.99]) {
      const theirs = jstat.studentt.inv(p, freedom);
      expect(Math.abs(studentQuantile(p, freedom) - theirs)).toBeLessThan(2e-5 * Math.abs(theirs));
    }
  expect(() => studentQuantile(1, 8)).toThrow(RangeError);
  expect(() => studentQuantile(0.9, 2)).toThrow(RangeError);
});
