/** Rows that were there: copied, mirrored, taken out, each with where its end lies. */
import { describe, expect, it } from 'vitest';
import { type DirectionDeg, directionOf } from '../core/head/marks.ts';
import { newPlan, startBase } from './defaults.ts';
import { addLine, canAdd, copyLine, dropLine, mirrorLine, mirrorLines, setEnd } from './found-lines.ts';
import type { PlanDocument } from './plan.ts';
import type { PlanChange } from './plan-change.ts';
import { readPlan } from './read-plan.ts';

const BACK: readonly DirectionDeg[] = [
  [10, 60],
  [20, 82],
  [165, 70],
  [172, 40],
  [174, 5],
];
const empty: PlanDocument = { ...newPlan('f', 'Found'), base: startBase('found') };
const valid = ({ plan }: PlanChange): PlanDocument => {
  const read = readPlan(structuredClone(plan));
  expect(read.ok ? '' : read.why).toBe('');
  return plan;
};
const one = valid(addLine(empty, BACK));
const lines = (plan: PlanDocument) => plan.base.found.lines as ReadonlyArray<readonly DirectionDeg[]>;
/** Along the scalp of a ball of 95 mm. */
const apartMm = (a: DirectionDeg, b: DirectionDeg) => {
  const [p, q] = [directionOf(a), directionOf(b)];
  return 95 * Math.acos(Math.min(1, p[0] * q[0] + p[1] * q[1] + p[2] * q[2]));
};

describe('copied beside', () => {
  it.each([30, -30])('%i mm: every place so far aside, towards her left or right', (mm) => {
    const [from, copy] = lines(valid(copyLine(one, 0, mm)));
    expect(copy).toHaveLength(from.length);
    from.forEach((p, i) => {
      expect(Math.abs(apartMm(p, copy[i]) - 30)).toBeLessThan(4);
      expect(Math.sign(directionOf(copy[i])[0] - directionOf(p)[0])).toBe(Math.sign(mm));
    });
  });

  it('its end lies as that of its model; what joins another tail does not follow', () => {
    const ended = valid(setEnd(one, 0, 'wrapped'));
    expect(valid(copyLine(ended, 0, 30)).base.parking.bySection.row2).toEqual({ how: 'wrapped' });
    const joined = {
      ...one,
      base: { ...one.base, parking: { bySection: { row1: { how: 'fed' as const, into: 'row1' } } } },
    };
    expect(copyLine(joined, 0, 30).plan.base.parking.bySection.row2).toBeUndefined();
  });
});

describe('mirrored', () => {
  it('every row has its other side once, and a second time changes nothing', () => {
    const three = valid(copyLine(copyLine(one, 0, 30).plan, 0, 60));
    const { words, plan } = mirrorLines(three);
    expect(words).toBe('3 rows mirrored');
    expect(lines(plan)).toHaveLength(6);
    expect(lines(plan)[3]).toEqual(BACK.map(([a, e]) => [0 - a, e]));
    expect(lines(mirrorLines(valid({ words, plan })).plan)).toHaveLength(6);
  });

  it('a row over the middle of the head is its own mirror image', () => {
    const middle = valid(
      addLine(empty, [
        [0, 60],
        [0, 85],
        [180, 60],
        [180, 10],
      ]),
    );
    expect(lines(mirrorLines(middle).plan)).toHaveLength(1);
    // Asked for by itself it is made all the same.
    expect(lines(mirrorLine(middle, 0).plan)).toHaveLength(2);
  });
});

it('one taken out: what is said of the others stays with them', () => {
  let plan = one;
  for (const mm of [30, 60, -30]) plan = copyLine(plan, 0, mm).plan;
  plan = setEnd(setEnd(plan, 1, 'tucked').plan, 3, 'wrapped').plan;
  plan = {
    ...plan,
    rows: { ...plan.rows, off: ['row2', 'row4', 'cap3'] },
    base: {
      ...plan.base,
      locked: ['row1|row3', 'row2|row3'],
      edits: [
        { id: 'e1', op: 'move', a: 'row3', b: 'row4', startMm: 3, endMm: 3 },
        { id: 'e2', op: 'move', a: 'row1', b: 'row2', startMm: 3, endMm: 3 },
      ],
    },
  };
  const less = valid(dropLine(plan, 1));
  expect(lines(less)).toEqual([lines(plan)[0], lines(plan)[2], lines(plan)[3]]);
  expect(less.base.parking.bySection).toEqual({ row3: { how: 'wrapped' } });
  expect(less.rows.off).toEqual(['row3', 'cap3']);
  expect(less.base.locked).toEqual(['row1|row2']);
  expect(less.base.edits).toEqual([{ id: 'e1', op: 'move', a: 'row2', b: 'row3', startMm: 3, endMm: 3 }]);
});

it('there is an end to how many can be entered', () => {
  let plan = one;
  while (canAdd(plan)) plan = copyLine(plan, 0, 10).plan;
  expect(lines(plan)).toHaveLength(40);
  expect(readPlan(structuredClone(copyLine(plan, 0, 10).plan)).ok).toBe(false);
});
