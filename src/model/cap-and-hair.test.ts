/** What she does to cap, hair, rows and knots: each deed leaves a valid plan, and undo words that say what it was. */

import { describe, expect, it } from 'vitest';
import { Planner } from '../../tests/helpers/planner.ts';
import { TAPE_AS_WRITTEN } from '../../tests/helpers/written.ts';
import type { Finding } from '../core/findings/finding.ts';
import { applyFix } from './apply-fix.ts';
import {
  addCut,
  addProduct,
  keepLowerHalves,
  removeCut,
  removeProduct,
  setCap,
  setCut,
  setProduct,
  setZonePiece,
  splitZones,
} from './cap-and-hair.ts';
import { newPlan, START_CAP, START_CUT } from './defaults.ts';
import versionTwo from './fixtures/plan-2.json' with { type: 'json' };
import type { PlanDocument } from './plan.ts';
import type { PlanChange } from './plan-change.ts';
import { readPlan } from './read-plan.ts';
import {
  addKnot,
  brushRows,
  clearBrush,
  clearHand,
  lockRow,
  moveKnot,
  overrideKnot,
  pullRow,
  removeKnot,
  setRows,
  unlockRow,
} from './rows-by-hand.ts';
import { setSchool } from './school-choice.ts';
import { planInputs } from './to-inputs.ts';

const plain = newPlan('p', 'Plain');
const valid = ({ plan, words }: PlanChange): PlanDocument => {
  const read = readPlan(JSON.parse(JSON.stringify(plan)));
  expect(read.ok ? '' : read.why).toBe('');
  expect(words.length).toBeGreaterThan(3);
  return plan;
};

describe('hair', () => {
  it('a product is added with a cut of its own, and goes with its cuts; zones fall back', () => {
    const two = valid(addProduct(plain));
    expect([two.products.length, two.cuts.length]).toEqual([2, 2]);
    const [, second] = two.products;
    const zoned = valid(setZonePiece(two, 'part', { cut: two.cuts[1].id }));
    const one = valid(removeProduct(zoned, second.id));
    expect([one.products.length, one.cuts.length, one.pieces.part.cut]).toEqual([1, 1, 'cut-1']);
  });

  it('a finer cut for two zones is made once and used again', () => {
    const fine = valid(splitZones(plain, ['part', 'faceEdge'], 4, 'Split there'));
    expect(fine.cuts).toHaveLength(2);
    expect([fine.pieces.part.cut, fine.pieces.faceEdge.cut, fine.pieces.top.cut]).toEqual(['cut-2', 'cut-2', 'cut-1']);
    expect(valid(splitZones(fine, ['nape'], 4, 'Split there too')).cuts).toHaveLength(2);
  });

  it('a cut that goes takes its mixes and wishes with it', () => {
    const two = valid(addCut(plain, 'hair-1'));
    const mixed = valid(setZonePiece(two, 'top', { cut: 'cut-1', mixed: { cut: 'cut-2', every: 3 } }));
    const wished = valid(overrideKnot(mixed, { zone: 'nape' }, { cut: 'cut-2', wraps: 2 }, 'Nape'));
    const one = valid(removeCut(wished, 'cut-2'));
    expect(one.pieces.top).toEqual({ cut: 'cut-1' });
    expect(one.knotWishes).toEqual([{ id: 'w1', of: { zone: 'nape' }, wish: { wraps: 2 } }]);
  });

  it('lower halves are hair of their own: no loop, half of the half, at no price', () => {
    const halved = valid(setCut(plain, 'cut-1', { half: true }));
    const kept = valid(keepLowerHalves(halved, 'hair-1'));
    const lower = kept.products[1];
    expect([lower.loop, lower.lowerHalfOf, lower.packPrice]).toEqual(['none', 'hair-1', 0]);
    // Written in whole millimetres.
    expect(Math.abs(planInputs(kept).products[1].lengthMm - 350 / 4)).toBeLessThanOrEqual(0.5);
  });

  it('what is out of its limits is refused, and nothing else is touched', () => {
    for (const deed of [
      setProduct(plain, 'hair-1', { piecesPerPack: 0 }, 'None'),
      setCap(plain, { stretch: 9 }),
      setCap(plain, { girth: 'wide' }),
      setCut(plain, 'cut-1', { opened: { when: 'after', strands: 1.2, reach: 0.5 } }),
      setRows(plain, { fringe: { how: 'short', widthFingers: 40, rows: 2 } }),
      { words: 'x', plan: { ...plain, pieces: { ...plain.pieces, top: { cut: 'gone' } } } },
      { words: 'x', plan: { ...plain, cuts: [{ ...START_CUT, product: 'gone' }] } },
    ])
      expect(readPlan(JSON.parse(JSON.stringify(deed.plan))).ok).toBe(false);
  });
});

describe('rows by hand', () => {
  it('pulled once more a row keeps one change, and pulled back none', () => {
    const once = valid(pullRow(plain, { pulledBy: undefined, label: '7' }, [170, 10], 3));
    const twice = valid(pullRow(once, { pulledBy: 'h1', label: '7' }, [170, 11], 2));
    expect(twice.rows.hand).toEqual([{ id: 'h1', op: 'pull', at: [170, 10], mm: 5 }]);
    expect(valid(pullRow(twice, { pulledBy: 'h1', label: '7' }, [170, 12], -5)).rows.hand).toEqual([]);
  });

  it('every change is valid, and can be forgotten', () => {
    let plan = valid(moveKnot(plain, [150, 10], [152, 11]));
    plan = valid(addKnot(plan, [120, 30]));
    plan = valid(removeKnot(plan, [140, 20]));
    plan = valid(
      lockRow(
        plan,
        '5',
        [
          [170, 10],
          [160, 12],
        ],
        [[165, 11]],
      ),
    );
    plan = valid(brushRows(plan, { points: [[150, 40]], radiusMm: 27 }, 0.85));
    expect(plan.rows.hand).toHaveLength(4);
    expect(valid(unlockRow(plan, '5', [164, 11])).rows.hand.some((h) => h.op === 'lock')).toBe(false);
    expect(valid(clearHand(plan)).rows.hand).toEqual([]);
    expect(valid(clearBrush(plan)).rows.brush).toEqual([]);
  });

  it('a wish is one for its place; wishing nothing lets the rules decide', () => {
    const one = valid(overrideKnot(plain, { knot: [150, 10] }, { wraps: 3 }, 'Three wraps'));
    const two = valid(overrideKnot(one, { knot: [150, 10] }, { wraps: 2 }, 'Two wraps'));
    expect(two.knotWishes).toHaveLength(1);
    expect(valid(overrideKnot(two, { knot: [150, 10] }, { wraps: undefined }, 'Rules')).knotWishes).toEqual([]);
  });
});

describe('a plan of version 2', () => {
  it('opens with one cap, one product and one cut as they were, and lays the same number of rows', () => {
    const read = readPlan(structuredClone(versionTwo));
    expect(read.ok ? '' : read.why).toBe('');
    if (!read.ok) return;
    const { value: plan } = read;
    expect(plan.cap.dome).toBe('closed');
    expect(plan.products[0]).toMatchObject({
      name: versionTwo.product.name,
      piecesPerPack: versionTwo.product.piecesPerPack,
    });
    expect(plan.cuts[0].split).toBe(versionTwo.product.split);
    expect(plan.schools.oneLeg).toBe(versionTwo.schools.oneLeg);
    expect(plan.rows.scheme).toBe('joined');
    expect(new Planner().plan(planInputs(plan, 24)).knots.length).toBeGreaterThan(100);
  });
});

const pipeline = new Planner();
const tape = TAPE_AS_WRITTEN;
const found = (plan: PlanDocument, code: string): Finding | undefined =>
  pipeline.plan(planInputs(plan, 24)).findings.find((f) => f.code === code);
const cap = (change: Partial<PlanDocument['cap']>) => ({ cap: { ...START_CAP, ...change } });
const product = (change: Partial<PlanDocument['products'][number]>) => ({
  products: [{ ...plain.products[0], ...change }],
});
const cut = (change: Partial<PlanDocument['cuts'][number]>) => ({ cuts: [{ ...START_CUT, ...change }] });
const tested = (change: Partial<PlanDocument['products'][number]['test']>) =>
  product({ test: { ...plain.products[0].test, ...change } });
const rows = (change: Partial<PlanDocument['rows']>) => ({ rows: { ...plain.rows, ...change } });
const noGo = { kind: 'noGo' as const, erase: false, place: { stroke: { points: [[150, 10] as const], radiusMm: 30 } } };

/** What goes wrong with cap, hair and rows, and whether one tap mends it. */
const CASES: ReadonlyArray<readonly [code: string, change: Partial<PlanDocument>, mends: boolean]> = [
  ['cap.tight', cap({ girth: '42 cm', stretch: 1.2 }), true],
  ['cap.slack', cap({ girth: '63 cm' }), true],
  ['cap.emptyBack', cap({ depth: '42 cm' }), false],
  ['cap.openingShort', cap({ opening: 'cut', openingMm: 60 }), true],
  [
    'cap.cutOutOnTender',
    {
      ...cap({ opening: 'cut', openingWidthMm: 40 }),
      marks: [{ kind: 'tender', erase: false, place: { region: 'frontEdge' } }],
    },
    true,
  ],
  ['cap.wigUnheld', cap({ wig: true, wigHolds: [] }), true],
  [
    'cap.holesSmall',
    { ...cap({ holePitchMm: 1 }), ...product({ piecesPerPack: 10, packMassG: 200, strandsPerPiece: 32 }) },
    true,
  ],
  ['hair.clings', tested({ apart: 'clings' }), true],
  ['hair.sheds', tested({ tug: 'sheds' }), false],
  ['hair.counted', tested({ counted: 20 }), false],
  ['hair.noHeat', cut({ dressed: 'smoothed' }), true],
  ['hair.coated', product({ fibre: 'coated' }), false],
  [
    'hair.openedTooSoon',
    { ...product({ texture: 'coil' }), ...cut({ opened: { when: 'before', strands: 1, reach: 1 } }) },
    true,
  ],
  ['hair.standsProud', product({ packMassG: 120, strandsPerPiece: 16 }), true],
  ['hair.tiredInSight', product({ condition: 'tired' }), false],
  ['rows.cannotLay', rows({ scheme: 'grid' }), true],
  [
    'rows.notOnBase',
    { ...cap({ dome: 'none' }), base: { ...plain.base, family: 'grid' }, ...rows({ scheme: 'joined' }) },
    true,
  ],
  ['rows.lostChange', { ...rows({ hand: [{ id: 'h1', op: 'add', at: [150, 10] }] }), marks: [noGo] }, true],
  ['rows.lostWish', { knotWishes: [{ id: 'w1', of: { zone: 'top' }, wish: { lock: true } }] }, true],
  [
    'rows.smoothLeftOpen',
    { ...product({ texture: 'straight' }), ...{ schools: setSchool(plain, 'exposed', 'springy').plan.schools } },
    true,
  ],
];

describe('one tap', () => {
  it.each(CASES)('%s is found and mended', (code, change, mends) => {
    const plan: PlanDocument = { ...plain, tape, ...change };
    expect(readPlan(JSON.parse(JSON.stringify(plan))).ok).toBe(true);
    // Whole pieces of 2.5 g stand proud beside any part: that one is there from the start.
    if (code !== 'hair.standsProud') expect(found({ ...plain, tape }, code)).toBeUndefined();
    const finding = found(plan, code);
    expect(finding?.what).toMatch(/\w/);
    expect(finding?.why.length).toBeGreaterThan(20);
    const offered = [finding?.fix, finding?.otherwise].filter((m) => m !== undefined);
    expect(offered.length > 0).toBe(mends);
    for (const { deed, change: fix } of offered) {
      if (fix.kind === 'flattenBase') continue;
      const mended = valid(applyFix(plan, deed, fix));
      // Thick holes may want more than one halving.
      if (code !== 'cap.holesSmall') expect(found(mended, code)).toBeUndefined();
    }
  });
});
