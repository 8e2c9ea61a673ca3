/** Plans of every older version, plain and full ones: odd counts, every mark, splits, tokens of every kind, changes by hand. */
import { describe, expect, it } from 'vitest';
import plain1 from './fixtures/plan-1.json' with { type: 'json' };
import full1 from './fixtures/plan-1-full.json' with { type: 'json' };
import plain2 from './fixtures/plan-2.json' with { type: 'json' };
import full2 from './fixtures/plan-2-full.json' with { type: 'json' };
import plain3 from './fixtures/plan-3.json' with { type: 'json' };
import full3 from './fixtures/plan-3-full.json' with { type: 'json' };
import full4 from './fixtures/plan-4-full.json' with { type: 'json' };
import full5 from './fixtures/plan-5-full.json' with { type: 'json' };
import full6 from './fixtures/plan-6-full.json' with { type: 'json' };
import full7 from './fixtures/plan-7-full.json' with { type: 'json' };
import full8 from './fixtures/plan-8-full.json' with { type: 'json' };
import full9 from './fixtures/plan-9-full.json' with { type: 'json' };
import type { PlanDocument } from './plan.ts';
import { readPlan } from './read-plan.ts';
import { planInputs } from './to-inputs.ts';

function opened(value: unknown): PlanDocument {
  const before = JSON.stringify(value);
  const read = readPlan(value);
  if (!read.ok) throw new Error(read.why);
  // A migration runs on a copy.
  expect(JSON.stringify(value)).toBe(before);
  return read.value;
}

describe('every older version opens', () => {
  it.each([
    ['1', plain1],
    ['1, full', full1],
    ['2', plain2],
    ['2, full', full2],
    ['3', plain3],
    ['3, full', full3],
    ['4, full', full4],
    ['5, full', full5],
    ['6, full', full6],
    ['7, full', full7],
    ['8, full', full8],
    ['9, full', full9],
  ] as const)('version %s', (_, value) => {
    const plan = opened(value);
    expect(plan).toMatchObject({ version: 10, id: value.id, name: value.name, settled: value.settled });
    expect(planInputs(plan, 12).fingerMm).toBeGreaterThan(10);
  });
});

describe('nothing that she entered is lost', () => {
  it('version 1: an odd number of sections keeps its sum, the larger half behind', () => {
    const { base } = opened(full1);
    expect([base.behind, base.front]).toEqual([4, 3]);
  });

  it('version 1: tender stays tender, thin stays thin, each region once', () => {
    const { marks } = opened(full1);
    const of = (kind: string) => marks.flatMap((m) => (m.kind === kind && 'region' in m.place ? [m.place.region] : []));
    expect(of('tender')).toEqual(['nape', 'temples']);
    expect(of('thin')).toEqual(['crown', 'frontEdge', 'overEars']);
    expect(marks).toHaveLength(5);
  });

  it('version 1: a split is a cut of every zone, and the product has the rest', () => {
    const plan = opened(full1);
    expect(plan.cuts).toHaveLength(1);
    expect(plan.cuts[0]).toMatchObject({ split: 4, name: 'Split in 4', product: plan.products[0].id });
    expect(Object.values(plan.pieces).every((p) => p.cut === plan.cuts[0].id)).toBe(true);
    expect(plan.products[0]).toMatchObject({ name: 'Odd coil', piecesPerPack: 13, composed: 2, loop: 'ring' });
    expect(plan.cap.dome).toBe('none');
  });

  it('version 1: readings as she wrote them, in whatever unit; what she left empty has none', () => {
    const plan = opened(full1);
    expect(plan.tape).toEqual({
      girth: ['22½″'],
      frontToNape: ['14 1/4 in'],
      earToEarTop: ['341 mm'],
      earToEarFront: ['29,5 cm'],
      templeToTemple: ['15.2'],
      napeWidth: [],
    });
    const { tape, fingerMm, ownHair } = planInputs(plan, 12);
    expect(tape.girth).toBeCloseTo(571.5, 9);
    expect(tape.templeToTemple).toBeCloseTo(386.08, 9);
    expect(tape.napeWidth).toBeUndefined();
    expect(fingerMm).toBeCloseTo((11 / 16) * 25.4, 9);
    expect(ownHair.lengthMm).toBeCloseTo(7 * (11 / 16) * 25.4, 9);
  });

  it('version 2: marks of every kind, a hairline of its own on each side, edits in their order', () => {
    const plan = opened(full2);
    expect(plan.marks).toEqual(full2.marks);
    expect(plan.hairline).toEqual(full2.hairline);
    expect(plan.base.edits.map(({ id: _, ...edit }) => edit)).toEqual(full2.base.edits);
    expect(plan.base.parking).toEqual(full2.base.parking);
    expect(plan.cuts[0].split).toBe(8);
    expect(plan.trusted).toEqual(['girth', 'napeWidth']);
  });

  it.each([
    ['3', full3],
    ['4', full4],
  ] as const)('version %s: changes by hand, brush and choices of knots, each with an id of its own', (_, value) => {
    const plan = opened(value);
    expect(plan.rows.hand.map(({ id: _id, ...change }) => change)).toEqual(value.rows.hand);
    expect(plan.rows.hand.map((h) => h.id)).toEqual(['h1', 'h2', 'h3', 'h4', 'h5']);
    expect(plan.knotWishes.map(({ id: _id, ...wish }) => wish)).toEqual(value.knotWishes);
    expect(plan.knotWishes.map((w) => w.id)).toEqual(['w1', 'w2', 'w3']);
    expect(plan.rows.brush).toEqual(value.rows.brush);
    expect(plan.base.edits.map((e) => e.id)).toEqual(['e1', 'e2']);
  });

  it('version 4: finish, guesses and what is enough stay', () => {
    const { finish, guesses, enough, rows } = opened(full4);
    expect({ finish, guesses, enough, offset: rows.offset }).toEqual({
      finish: { ...full4.finish, setMinutes: 0 },
      guesses: full4.guesses,
      enough: 0.8,
      offset: -0.1,
    });
  });

  it('version 6: no row along the border and no place of its own; its piece would be that of the face edge', () => {
    const { rows, pieces, places, spacing, cuts, base, finish, strands } = opened(full6);
    expect(rows).toMatchObject({ follow: 'cap', borderRow: { where: 'none' }, intoBase: [] });
    expect(rows.hand).toEqual(full6.rows.hand);
    expect(pieces.border).toEqual(full6.pieces.faceEdge);
    expect(places).toEqual([]);
    expect(spacing).toEqual(full6.spacing);
    expect(cuts).toEqual(full6.cuts.map((c) => ({ ...c, dressedAgain: 'asItIs', endsOffMm: 0 })));
    expect(base.leftOut).toEqual({ ...full6.base.leftOut, atEnd: 'stay' });
    expect([finish.setMinutes, strands]).toEqual([0, []]);
  });

  it('version 7: all of one colour, and everything else as it was', () => {
    const { version: _, ...plan } = opened(full7);
    const { version: __, ...before } = full7;
    expect(plan).toEqual({ ...before, colours: { more: [], noMore: [], shares: {}, hooked: {}, left: {} } });
  });

  it('version 8: nothing said of evenings and buying, colours, test row and everything else as it was', () => {
    const { version: _, ...plan } = opened(full8);
    const { version: __, ...before } = full8;
    expect(plan).toEqual(before);
    expect([plan.colours.more.length, plan.testRow?.pieces]).toEqual([2, 5]);
  });
});
