/** A worked example of our own: 175 hairs a cm² of 70 µm and 1.32 g/cm³ (from memory); standard gravity of the CGPM, 1901. */
import { describe, expect, it } from 'vitest';
import { hairMassG } from '../hair/own-hair.ts';
import { biteGroups, biteLoad, GRAVITY, groupBites, milliNewton } from './bites.ts';

/** 175 hairs a cm² of 70 µm and 30 cm: 1.52 mg each. */
const hair = { hairsPerMm2: 1.75, massGPerMm2: 1.75 * hairMassG('medium', 300) };

describe('a bite', () => {
  it('of 16 mm² holds 28 hairs; 2 g on it are 71.4 mg a hair, 0.70 mN, 47 times its own weight', () => {
    const bite = biteLoad(0, 2, 4, hair, [0, 0]);
    expect(bite?.hairs).toBe(28);
    // As likely; people take 18 to 45 hairs where 28 are likely.
    const likely = ((bite?.mgAHair[0] ?? 0) * 45) / 28;
    expect(likely).toBeCloseTo(71.43, 2);
    expect(((bite?.mgAHair[1] ?? 0) * 18) / 28).toBeCloseTo(71.43, 2);
    expect(milliNewton(likely)).toBeCloseTo(0.7005, 3);
    expect(((bite?.timesOwn[0] ?? 0) * 45) / 28).toBeCloseTo(47, 0);
    expect(GRAVITY).toBe(9.80665);
  });
  it('with a net that takes seven tenths is left with 21 mg a hair, 14 times', () => {
    const bite = biteLoad(0, 2, 4, hair, [0.5, 0.7]);
    expect(((bite?.mgAHair[0] ?? 0) * 45) / 28).toBeCloseTo(21.4, 1);
    expect(((bite?.timesOwn[0] ?? 0) * 45) / 28).toBeCloseTo(14, 0);
    expect(((bite?.mgAHair[1] ?? 0) * 18) / 28).toBeCloseTo(35.7, 1);
  });
  it('that holds no hair is none', () => {
    expect(biteLoad(0, 2, 0.3, hair, [0, 0])).toBeUndefined();
  });
  it('groups tell their middle and their worst', () => {
    const bites = [1, 2, 0.5].map((g, i) => biteLoad(i, g, 4, hair, [0, 0])!);
    expect(groupBites('edge', bites)).toMatchObject({ bites: 3, worst: { knot: 1 } });
    expect(groupBites('edge', bites).median).toBeCloseTo(bites[0].timesOwn[1], 9);
    expect(groupBites('tender', [])).toEqual({ name: 'tender', bites: 0, median: 0, worst: undefined, loads: [] });
  });
});

it('the net bears its share of a bite, and nothing of one in a cut-out', () => {
  const hair = { hairsPerMm2: 2, massGPerMm2: 0.001 };
  const region = { regionOf: new Int32Array(1), regions: [hair] } as unknown as Parameters<typeof biteGroups>[2];
  const knot = { through: 'hairAndNet', biteMm: 5, massG: 1, onNet: 'net', tenderOrThin: true } as const;
  const worst = (k: Parameters<typeof biteGroups>[0][number]) =>
    biteGroups([k], [0], region, Float64Array.of(5), [0.5, 0.9])[0].worst?.mgAHair;
  expect(worst(knot)).toEqual([expect.closeTo((2 * 28) / 45, 9), expect.closeTo((10 * 28) / 18, 9)]);
  expect(worst({ ...knot, onNet: 'cutOut' })).toEqual([
    expect.closeTo((20 * 28) / 45, 9),
    expect.closeTo((20 * 28) / 18, 9),
  ]);
  expect(worst({ ...knot, through: 'net' })).toBeUndefined();
  const groups = biteGroups([knot], [0], region, Float64Array.of(30), [0.5, 0.9]);
  expect(groups.map((g) => g.bites)).toEqual([1, 0, 1]);
});
