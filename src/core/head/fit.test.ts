import { levenbergMarquardt } from 'ml-levenberg-marquardt';
import { describe, expect, it } from 'vitest';
import { seededRandom } from '../numerics/random.ts';
import { TAPE_INFO, TAPE_MEASURES, type TapeMeasure } from '../trade/tape.ts';
import { CONTRADICTION_LIMIT, fitHead, REFUSE_CHI_SQUARE, type TapeValuesMm } from './fit.ts';
import { headShape } from './shape.ts';
import { tapeReadings } from './tape.ts';

const typical = {
  girth: 566,
  frontToNape: 360,
  earToEarTop: 338,
  earToEarFront: 290,
  templeToTemple: 390,
  napeWidth: 130,
};
const fitted = (values: TapeValuesMm) => new Map(fitHead(values).measures.map((m) => [m.measure, m]));

describe('head from the tape', () => {
  it('follows a tape of the upper half within 4 mm and stays within two deviations of the prior', () => {
    const fit = fitHead(typical);
    expect(fit.converged).toBe(true);
    for (const m of fit.measures) expect(Math.abs(m.fittedMm - (m.givenMm as number))).toBeLessThan(4);
    for (const q of fit.scores) expect(Math.abs(q)).toBeLessThan(2);
    expect(fit.contradictory).toBeUndefined();
  });

  it('finds the same minimum as ml-levenberg-marquardt on the same sum of squares', () => {
    const values = { ...typical, girth: 588, napeWidth: 118 };
    const rows = TAPE_MEASURES.length;
    // Fourteen residuals: six readings over their spread, eight scores against the prior.
    const x = Array.from({ length: rows + 8 }, (_, i) => i);
    const y = x.map((i) => (i < rows ? values[TAPE_MEASURES[i]] / TAPE_INFO[TAPE_MEASURES[i]].readingSdMm : 0));
    const model = (q: number[]) => (i: number) =>
      i < rows ? tapeReadings(headShape(q))[i] / TAPE_INFO[TAPE_MEASURES[i]].readingSdMm : q[i - rows];
    const other = levenbergMarquardt({ x, y }, model, {
      initialValues: new Array(8).fill(0.01),
      damping: 0.01,
      maxIterations: 60,
      gradientDifference: 1e-4,
      errorTolerance: 1e-9,
    });
    const ours = fitHead(values);
    expect(ours.chiSquare).toBeLessThanOrEqual(other.parameterError * 1.001 + 1e-6);
    other.parameterValues.forEach((q: number, i: number) => {
      expect(Math.abs(q - ours.scores[i])).toBeLessThan(0.02);
    });
  });

  it('estimates any two missing measures of a typical head within 10 mm, and says how sure it is', () => {
    for (const a of TAPE_MEASURES) {
      for (const b of TAPE_MEASURES) {
        if (a >= b) continue;
        const { [a]: _a, [b]: _b, ...rest } = typical;
        const fit = fitted(rest);
        for (const m of [a, b]) {
          const f = fit.get(m)!;
          expect(f.givenMm).toBeUndefined();
          expect(Math.abs(f.fittedMm - typical[m])).toBeLessThan(10);
          expect(f.sdMm).toBeGreaterThan(TAPE_INFO[m].readingSdMm / 3);
        }
      }
    }
  });

  it('takes no measure at all: the prior head', () => {
    const fit = fitHead({});
    expect(fit.chiSquare).toBeCloseTo(0, 9);
    expect(fit.measures.find((m) => m.measure === 'girth')?.fittedMm).toBeCloseTo(551.6, 1);
  });

  it.each([
    ['girth', 40, 4.1],
    ['frontToNape', 40, 2.9],
    ['earToEarTop', 40, 4.76],
    ['earToEarFront', 40, 4.3],
    ['templeToTemple', 40, 2.5],
    ['napeWidth', 50, 3.0],
  ] as const)('names %s when it is %i mm too long (contradiction about %f)', (measure, error, z) => {
    const fit = fitHead({ ...typical, [measure]: typical[measure] + error });
    expect(fit.contradictory).toBe(measure);
    const m = fit.measures.find((f) => f.measure === measure)!;
    expect(Math.abs(m.contradiction! - z)).toBeLessThan(0.3);
    // What the others suggest is where it was before the slip of the tape.
    expect(Math.abs(m.othersSuggestMm! - typical[measure])).toBeLessThan(9);
  });

  it('can’t see errors below the sizes that docs/how-it-works.md gives', () => {
    const documented = [25, 31, 25, 20, 39, 38];
    fitHead(typical).measures.forEach((m, i) => {
      const smallest =
        CONTRADICTION_LIMIT * Math.sqrt(TAPE_INFO[m.measure].readingSdMm ** 2 + (m.othersSdMm as number) ** 2);
      expect(Math.abs(smallest - documented[i]), m.measure).toBeLessThan(1);
    });
  });

  it('also names one that is too short', () => {
    for (const m of ['girth', 'earToEarTop', 'earToEarFront'] as const) {
      expect(fitHead({ ...typical, [m]: typical[m] - 42 }).contradictory).toBe(m);
    }
  });

  it('makes a finite head of absurd readings and gives the misfit away', () => {
    const fit = fitHead({
      girth: 700,
      frontToNape: 300,
      earToEarTop: 400,
      earToEarFront: 200,
      templeToTemple: 500,
      napeWidth: 60,
    });
    expect(fit.chiSquare).toBeGreaterThan(100);
    expect(fit.chiSquare).toBeGreaterThan(REFUSE_CHI_SQUARE);
    for (const m of fit.measures) expect(Number.isFinite(m.fittedMm)).toBe(true);
  });

  it('recovers random heads measured with 3 mm of noise to within a few mm', () => {
    const random = seededRandom(5);
    const normal = () => Math.sqrt(-2 * Math.log(1 - random())) * Math.cos(2 * Math.PI * random());
    let squares = 0;
    let missing = 0;
    const runs = 25;
    for (let run = 0; run < runs; run++) {
      const truth = tapeReadings(headShape(Array.from({ length: 8 }, normal)));
      const values = Object.fromEntries(TAPE_MEASURES.map((m, i) => [m, truth[i] + 3 * normal()])) as Record<
        TapeMeasure,
        number
      >;
      for (const m of fitHead(values).measures) squares += (m.fittedMm - truth[TAPE_MEASURES.indexOf(m.measure)]) ** 2;
      const { girth: _, ...others } = values;
      missing += (fitted(others).get('girth')!.fittedMm - truth[0]) ** 2;
    }
    expect(Math.sqrt(squares / runs / 6)).toBeLessThan(5);
    expect(Math.sqrt(missing / runs)).toBeLessThan(14);
  });

  it('gives the same answer to the same tape', () => {
    expect([...fitHead(typical).scores]).toEqual([...fitHead({ ...typical }).scores]);
  });
});

it('what the others suggest, told by the linear estimate, is what a fit without the measure gives', () => {
  const tape = { ...typical, girth: typical.girth + 6, earToEarTop: typical.earToEarTop - 5 };
  for (const m of fitHead(tape).measures) {
    const { [m.measure]: _, ...others } = tape;
    const without = fitHead(others).measures.find((f) => f.measure === m.measure)!;
    expect(Math.abs(m.othersSuggestMm! - without.fittedMm), m.measure).toBeLessThan(1);
  }
});
