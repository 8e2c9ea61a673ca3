/** What she can do to her head and her base, as deeds: words that undo shows, and a plan that is still valid. */
import { describe, expect, it } from 'vitest';
import { DEFAULT_BASE } from '../core/base/choice.ts';
import type { Mark } from '../core/head/marks.ts';
import { FAMILIES } from '../core/trade/bases.ts';
import { chooseFamily, editBase, lockLine, parkAll, setBase } from './base-commands.ts';
import { park } from './commands.ts';
import { newPlan } from './defaults.ts';
import {
  addMark,
  clearMarks,
  mirrorHairline,
  resetHairline,
  setHairlinePoint,
  setReadings,
  setRegions,
  setUnit,
  trustMeasure,
} from './measure-commands.ts';
import type { PlanDocument } from './plan.ts';
import { readPlan } from './read-plan.ts';
import { fingerMm, hairlineOffsets, planInputs } from './to-inputs.ts';

const plain = () => newPlan('p', 'Plain');
const valid = (plan: PlanDocument) => {
  const read = readPlan(JSON.parse(JSON.stringify(plan)));
  expect(read.ok, read.ok ? '' : read.why).toBe(true);
};
/** Why a plan with these entries can't be read. */
const why = (entries: object) => {
  const read = readPlan(JSON.parse(JSON.stringify({ ...plain(), ...entries })));
  return read.ok ? 'read' : read.why;
};

describe('readings', () => {
  it('are means to the fit, and surer when repeated; a kept one is followed', () => {
    const one = setReadings(plain(), 'girth', ['57 cm']).plan;
    const three = setReadings(plain(), 'girth', ['57 cm', '57,4', '565 mm']).plan;
    expect(planInputs(one).tape.girth).toBeCloseTo(570, 9);
    expect(planInputs(one).tapeSpreadsMm.girth).toBeUndefined();
    expect(planInputs(three).tape.girth).toBeCloseTo((570 + 574 + 565) / 3, 9);
    expect(planInputs(three).tapeSpreadsMm.girth).toBeLessThan(5);
    const kept = trustMeasure(one, 'girth');
    expect(kept.words).toBe('Round the head kept');
    expect(planInputs(kept.plan).tapeSpreadsMm.girth).toBeCloseTo(5 / 3, 9);
    expect(setReadings(kept.plan, 'girth', ['58 cm']).plan.trusted).toEqual([]);
    expect(setReadings(one, 'girth', ['', ' ']).words).toBe('Round the head cleared');
    valid(three);
  });

  it('a fourth one is refused', () => {
    expect(why({ tape: { ...plain().tape, girth: ['57', '57', '57', '57'] } })).toMatch(/at most 3 readings/);
  });
});

describe('fingers', () => {
  it('four together make one of a quarter', () => {
    expect(fingerMm({ unit: 'cm', fingers: { count: 4, width: '7' } })).toBeCloseTo(17.5, 9);
    expect(fingerMm({ unit: 'in', fingers: { count: 1, width: '3/4' } })).toBeCloseTo(19.05, 9);
    // Nonsense falls back on an average finger; it never gets that far in a plan.
    expect(fingerMm({ unit: 'cm', fingers: { count: 4, width: 'wide' } })).toBe(18);
  });

  it('too wide or too narrow for a finger is refused with what it makes', () => {
    expect(why({ fingers: { count: 4, width: '3 cm' } })).toMatch(/makes 8 mm for one finger/);
    expect(why({ fingers: { count: 3, width: '6 cm' } })).toMatch(/alone, or four together|for one finger/);
  });
});

describe('the hairline', () => {
  it('moves both sides alike while it is mirrored, one side when it is not', () => {
    const both = setHairlinePoint(plain(), 'temple', 'left', 8).plan;
    expect([both.hairline.left.temple, both.hairline.right.temple]).toEqual([8, 8]);
    const apart = mirrorHairline(both, false).plan;
    const right = setHairlinePoint(apart, 'temple', 'right', -3);
    expect(right.words).toBe('Temple, right 3 mm lower');
    expect([right.plan.hairline.left.temple, right.plan.hairline.right.temple]).toEqual([8, -3]);
    // Alike again: her left counts.
    expect(mirrorHairline(right.plan, true).plan.hairline.right.temple).toBe(8);
    valid(right.plan);
  });

  it('keeps to its limits, and goes back to the tape', () => {
    const far = setHairlinePoint(plain(), 'front', 'middle', 90).plan;
    expect(far.hairline.front).toBe(25);
    valid(far);
    expect(hairlineOffsets(resetHairline(far).plan.hairline).front).toBe(0);
    expect(why({ hairline: { ...plain().hairline, front: 40 } })).toMatch(/can be at most 25/);
  });
});

describe('marks', () => {
  const dab: Mark = { kind: 'noGo', erase: false, place: { stroke: { points: [[20, 40]], radiusMm: 12 } } };
  it('are added in order, replaced by region, cleared by kind', () => {
    const marked = addMark(setRegions(plain(), 'noGo', ['nape', 'crown']).plan, dab);
    expect(marked.words).toBe('No-go marked');
    expect(marked.plan.marks).toHaveLength(3);
    const fewer = setRegions(marked.plan, 'noGo', ['nape']);
    expect(fewer.words).toBe('No-go: nape');
    expect(fewer.plan.marks).toHaveLength(2);
    expect(fewer.plan.marks).toContainEqual(dab);
    const thin = addMark(fewer.plan, { ...dab, kind: 'thin' }).plan;
    expect(clearMarks(thin, 'noGo').plan.marks).toEqual([{ ...dab, kind: 'thin' }]);
    valid(thin);
  });

  it.each([
    ['a stroke of nothing', { kind: 'thin', erase: false, place: { stroke: { points: [], radiusMm: 9 } } }],
    ['a brush as wide as a head', { ...dab, place: { stroke: { points: [[0, 0]], radiusMm: 200 } } }],
    ['a place off the sphere', { ...dab, place: { stroke: { points: [[0, 120]], radiusMm: 9 } } }],
    ['no place', { kind: 'thin', erase: false }],
    ['another kind', { ...dab, kind: 'itchy' }],
  ])('%s is refused', (_, mark) => {
    expect(why({ marks: [mark] })).not.toBe('read');
  });
});

describe('the base', () => {
  it.each(FAMILIES)('%s starts afresh and is valid, with the strip and what was found kept', (family) => {
    const strip = setBase(plain(), { leftOut: { where: 'front', fingers: 1, atEnd: 'stay' } }, 'Strip').plan;
    const edited = editBase(strip, [{ op: 'merge', a: 'b1', b: 'b2' }], 'Merged').plan;
    const { plan, words } = chooseFamily(edited, family);
    expect(words.length).toBeGreaterThan(3);
    expect(plan.base.edits).toEqual([]);
    expect(plan.base.leftOut.where).toBe('front');
    valid(plan);
  });

  it('edits, locks and parking are kept as they are told', () => {
    let plan: PlanDocument = editBase(
      plain(),
      [
        {
          op: 'cut',
          section: 'b2',
          line: [
            [170, 20],
            [120, 25],
          ],
        },
      ],
      'Cut',
    ).plan;
    plan = editBase(plan, [{ op: 'even', locked: ['b1|b2'] }], 'Even').plan;
    plan = lockLine(plan, 'b1|b2').plan;
    plan = park(plan, { b1: { how: 'sewn', to: [-150, 10] }, b2: { how: 'fed', into: 'b3' } }, 'Parked').plan;
    valid(plan);
    expect(plan.base.edits).toHaveLength(2);
    expect(lockLine(plan, 'b1|b2')).toMatchObject({ words: 'Line unlocked' });
    expect(lockLine(plan, 'b1|b2').plan.base.locked).toEqual([]);
    const all = parkAll(plan, 'crossed').plan;
    expect(all.base.parking).toEqual({ all: 'crossed', bySection: {} });
    expect(parkAll(all, undefined).plan.base.parking).toEqual({ bySection: {} });
    valid(all);
  });

  it.each<[string, object, RegExp]>([
    ['a family of its own', { family: 'spiral' }, /base has to be one of/],
    ['thirty behind', { behind: 30 }, /Sections behind can be at most 12/],
    ['half a section', { front: 2.5 }, /whole number/],
    ['boxes of nothing', { boxFingers: 0 }, /size of a box has to be at least/],
    ['an unknown edit', { edits: [{ id: 'e1', op: 'spin' }] }, /of no known kind/],
    ['a cut without a stroke', { edits: [{ id: 'e1', op: 'cut', section: 'b1', line: [[0, 0]] }] }, /line/],
    [
      'a line moved off the head',
      { edits: [{ id: 'e1', op: 'move', a: 'b1', b: 'b2', startMm: 500, endMm: 0 }] },
      /can be at most/,
    ],
    ['a tail in the air', { parking: { bySection: { b1: { how: 'floating' } } } }, /one of/],
    ['more than is known', { colour: 'red' }, /colour/],
  ])('%s is refused with a sentence', (_, change, sentence) => {
    expect(why({ base: { ...DEFAULT_BASE, ...change } })).toMatch(sentence);
  });
});

describe('own hair', () => {
  it('goes to the core by region, with a ponytail where she measured one; a new unit changes no length', () => {
    const plan: PlanDocument = {
      ...plain(),
      ownHair: {
        ...plain().ownHair,
        length: '21',
        ponytail: '8,5',
        byRegion: { nape: { length: '9', fullness: 'thin' } },
      },
    };
    const inputs = planInputs(plan);
    expect(inputs.ownHair.lengthMm).toBe(210);
    expect(inputs.ownHair.ponytailGirthMm).toBeCloseTo(85, 9);
    expect(inputs.ownHair.byRegion).toEqual({ nape: { lengthMm: 90, fullness: 'thin' } });
    expect(planInputs(setUnit(plan, 'in').plan).ownHair).toEqual(inputs.ownHair);
    valid(plan);
  });
});
