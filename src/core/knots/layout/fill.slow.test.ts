/** What is left over, filled in: as many as there are, where it is thin or behind, and nothing else moves. */
import { describe, expect, it } from 'vitest';
import { hairOf, NO_CAP, plainInputs } from '../../../../tests/helpers/heads.ts';
import { Planner } from '../../../../tests/helpers/planner.ts';
import { DEFAULT_BASE } from '../../base/choice.ts';
import type { PlanInputs } from '../../plan/inputs.ts';
import { DEFAULT_ROWS } from '../../rows/choice.ts';
import { DEFAULT_CAP } from '../../trade/caps.ts';
import type { Fill } from '../../trade/rows.ts';

const planner = new Planner();
const of = (fill: Partial<Fill>, change: Partial<PlanInputs> = {}) => {
  const plain = plainInputs(change);
  return planner.plan({ ...plain, fill: { where: 'thin', pieces: 0, cut: plain.cuts[0].id, ...fill } });
};
type Result = ReturnType<typeof of>;
const filled = (r: Result) => r.knots.filter((k) => r.rows[k.row].pass === 'fill');
const hair = (packs: Partial<Parameters<typeof hairOf>[0]>) => hairOf({ texture: 'curl', ...packs });

describe.each(['thin', 'behind'] as const)('%s', (where) => {
  const plain = of({ where: 'none' });
  const r = of({ where });

  it('takes what is left over, opens no pack for it, and moves no other knot', () => {
    expect(filled(r).length).toBeGreaterThan(0);
    expect(r.supply.packs).toBe(plain.supply.packs);
    expect(r.supply.leftOver).toBeLessThanOrEqual(Math.max(1, plain.supply.leftOver - filled(r).length));
    const told = ({ row: _row, piece: _piece, place: _place, ...k }: Result['knots'][number]) => k;
    expect(r.knots.filter((k) => r.rows[k.row].pass !== 'fill').map(told)).toEqual(plain.knots.map(told));
  });

  it('comes last of all, in a pass of its own that is looked at first', () => {
    const at = r.worklist.findIndex((s) => s.what === 'Lay out what is left over');
    expect(at).toBeGreaterThan(0);
    const after = r.worklist.slice(at).filter((s) => s.kind === 'rows');
    expect(after.reduce((sum, s) => sum + (s.knots ? s.knots[1] - s.knots[0] : 0), 0)).toBe(filled(r).length);
    for (const s of after) expect(s.what).toMatch(/, filled/);
    expect(new Set(r.knots.map((k) => k.id)).size).toBe(r.knots.length);
    expect(new Set(r.rows.map((row) => row.id)).size).toBe(r.rows.length);
  });

  it('one at a time where the gaps are widest: none sits on another', () => {
    const far = (a: Result['knots'][number], b: Result['knots'][number]) =>
      Math.hypot(a.xMm - b.xMm, a.yMm - b.yMm, a.zMm - b.zMm);
    for (const k of filled(r))
      for (const other of r.knots)
        if (other !== k) expect(far(k, other)).toBeGreaterThan(0.4 * r.spacing.centresMm.part);
  });
});

it('behind: none of them on top or at the face', () => {
  expect(new Set(filled(of({ where: 'behind', pieces: 15 })).map((k) => k.zone))).toEqual(
    new Set(
      filled(of({ where: 'behind', pieces: 15 }))
        .map((k) => k.zone)
        .filter((z) => z === 'back' || z === 'nape'),
    ),
  );
});

it('so many as she says, whatever packs it takes', () => {
  const r = of({ pieces: 9 });
  expect(filled(r)).toHaveLength(9);
  expect(of({ pieces: 200 }).supply.packs).toBeGreaterThan(of({ where: 'none' }).supply.packs);
});

it('worn and odd pieces of hair that is hooked nowhere else: as many as are at hand', () => {
  const { products, cuts } = hair({});
  const worn = { ...products[0], id: 'worn', condition: 'worn' as const, piecesPerPack: 7, packsAtHand: 2 };
  const inputs = {
    products: [...products, worn],
    cuts: [...cuts, { ...cuts[0], id: 'odd', product: 'worn' }],
    reserveShare: 0,
  };
  const r = of({ cut: 'odd' }, inputs);
  expect(filled(r)).toHaveLength(14);
  for (const k of filled(r)) expect([k.cut, k.piece.product]).toEqual(['odd', 'worn']);
  expect(r.supply.lines.find((l) => l.product === 'worn')).toMatchObject({ packs: 2, toBuy: 0 });
  // None at hand: none goes in.
  const none = of({ cut: 'odd' }, { ...inputs, products: [...products, { ...worn, packsAtHand: 0 }] });
  expect(filled(none)).toEqual([]);
});

it('comes after a row along the border that is laid last', () => {
  const rows = {
    ...DEFAULT_ROWS,
    borderRow: { where: 'front' as const, fingers: 0.75, knot: 'byHair' as const, when: 'last' as const },
  };
  const r = of({ pieces: 6 }, { rows });
  const kinds = r.rows.map((row) => (row.kind === 'border' ? 'border' : row.pass));
  expect(kinds.lastIndexOf('border')).toBeLessThan(kinds.indexOf('fill'));
});

it('comes after what waits for the net to be opened', () => {
  const cap = { ...DEFAULT_CAP, opening: 'cut' as const, openingMm: 100, openingWidthMm: 30 };
  const r = of({ pieces: 6 }, { cap });
  const passes = r.rows.map((row) => (row.pass === 'fill' ? 'fill' : row.opened ? 'opened' : 'row'));
  expect(passes).toContain('opened');
  expect(passes.indexOf('fill')).toBeGreaterThan(passes.lastIndexOf('opened'));
  expect(passes.slice(passes.indexOf('fill')).every((p) => p === 'fill')).toBe(true);
});

describe('blending pieces', () => {
  const wig = (blendingPieces: number) =>
    of({ where: 'none' }, { cap: { ...DEFAULT_CAP, wig: true, blending: 'nape', blendingPieces } });
  const blend = (r: Result) => r.knots.filter((k) => k.blending);

  it('as many of the line as she says, on both sides; 0 is all of it', () => {
    const all = blend(wig(0)).length;
    expect(all).toBeGreaterThan(4);
    const four = blend(wig(4));
    expect(four).toHaveLength(4);
    expect(four.filter((k) => k.xMm > 0)).toHaveLength(2);
    expect(blend(wig(60))).toHaveLength(all);
    for (const k of four) expect(k.through).toBe('hair');
  });
});

it('where no row could be laid nothing is filled in', () => {
  const r = of({ pieces: 5 }, { rows: { ...DEFAULT_ROWS, scheme: 'grid' } });
  expect(r.knots).toEqual([]);
});

it('on bands nothing else can hold a piece: it is said that nothing goes in', () => {
  const r = of(
    { pieces: 5 },
    { base: { ...DEFAULT_BASE, family: 'grid' }, cap: NO_CAP, rows: { ...DEFAULT_ROWS, scheme: 'grid' } },
  );
  expect(r.knots.length).toBeGreaterThan(20);
  expect(filled(r)).toEqual([]);
  expect(r.findings.map((f) => f.code)).toContain('fill.none');
  expect(of({ pieces: 5 }).findings.map((f) => f.code)).not.toContain('fill.none');
});
