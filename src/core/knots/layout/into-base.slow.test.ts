/** Pieces that go into the base: where they lie, what they leave alone, what bears them. Trade: common practice, no source. */
import { describe, expect, it } from 'vitest';
import { NO_CAP, plainInputs } from '../../../../tests/helpers/heads.ts';
import { Planner } from '../../../../tests/helpers/planner.ts';
import { DEFAULT_BASE } from '../../base/choice.ts';
import { directionDeg } from '../../head/marks.ts';
import type { PlanInputs } from '../../plan/inputs.ts';
import { DEFAULT_ROWS } from '../../rows/choice.ts';
import { FAMILY_INFO, type Family } from '../../trade/bases.ts';
import { DEFAULT_CAP } from '../../trade/caps.ts';
import { INTO_START, type IntoBase, type IntoWay } from '../../trade/into-base.ts';

const planner = new Planner();
const entry = (way: IntoWay, change: Partial<IntoBase> = {}): IntoBase => ({
  id: 'b1',
  way,
  sections: [],
  ...INTO_START,
  ...change,
});
const baseOf = (family: Family, change: Partial<PlanInputs['base']> = {}): PlanInputs['base'] => ({
  ...DEFAULT_BASE,
  family,
  ...FAMILY_INFO[family].start,
  ...change,
});
const of = (change: Partial<PlanInputs>, ...intoBase: readonly IntoBase[]) => {
  const plain = plainInputs(change);
  return planner.plan({ ...plain, rows: { ...plain.rows, intoBase } });
};
type Result = ReturnType<typeof of>;
type Knot = Result['knots'][number];
const into = (r: Result) => r.knots.filter((k) => k.into !== undefined);
const codes = (r: Result) =>
  r.findings.map((f) => f.code).filter((c) => c.startsWith('into.') || c === 'base.overCarried');
const far = (a: Pick<Knot, 'xMm' | 'yMm' | 'zMm'>, [x, y, z]: readonly [number, number, number]) =>
  Math.hypot(a.xMm - x, a.yMm - y, a.zMm - z);
const at = (k: Knot) => [k.xMm, k.yMm, k.zMm] as const;

/** All that is decided of a knot but when it comes, as the how manieth of its row, and from which pack. */
const told = (k: Knot) => {
  const { row: _row, place: _place, piece: _piece, aboveRowBeforeMm: _above, along: _along, ...rest } = k;
  return rest;
};

const right = { part: { kind: 'line', frontMm: -40, endMm: -20, lengthMm: 110, bendMm: 5 } } as const;
const left = { part: { kind: 'line', frontMm: 40, endMm: 20, lengthMm: 110, bendMm: -5 } } as const;
function mixedTop(): Partial<PlanInputs> {
  const { cuts, pieces } = plainInputs();
  const fine = { ...cuts[0], id: 'fine', name: 'Quarters', split: 4 as const };
  const mixed = { cut: cuts[0].id, mixed: { cut: 'fine', every: 3 } };
  return { cuts: [...cuts, fine], pieces: { ...pieces, top: mixed, back: mixed }, cap: NO_CAP };
}

const SETTINGS: ReadonlyArray<readonly [string, Partial<PlanInputs>, IntoWay]> = [
  ['tied roots', {}, 'root'],
  ['tied roots without a cap', { cap: NO_CAP }, 'root'],
  ['tied roots, a part on the right', { ...right, cap: NO_CAP }, 'root'],
  ['plaits, beside', { base: baseOf('tied', { tail: 'plait' }), cap: NO_CAP }, 'beside'],
  ['flat twists, through', { base: baseOf('flatTwists'), cap: NO_CAP }, 'through'],
  ['a coil, round', { base: baseOf('intoCoil') }, 'round'],
  ['a puff, over', { base: baseOf('puff'), cap: NO_CAP }, 'over'],
  ['tied roots, a mixed zone', mixedTop(), 'root'],
  ['windows elsewhere', { rows: { ...DEFAULT_ROWS, secondPass: 'windows' } }, 'root'],
];

describe.each(SETTINGS)('into %s', (_, change, way) => {
  const plain = of(change);
  const r = of(change, entry(way));

  it('no other knot changes but those that would lie beside them', () => {
    const before = new Map(plain.knots.map((k) => [k.id, told(k)]));
    const others = r.knots.filter((k) => k.into === undefined);
    for (const k of others) expect(told(k)).toEqual(before.get(k.id));
    // What is gone lay beside one that goes in.
    const kept = new Set(others.map((k) => k.id));
    for (const k of plain.knots.filter((x) => !kept.has(x.id)))
      expect(Math.min(...into(r).map((n) => far(n, at(k))))).toBeLessThan(0.65 * 1.7 * r.spacing.mm.gapMm);
    expect(new Set(r.knots.map((k) => k.id)).size).toBe(r.knots.length);
    expect(new Set(r.rows.map((row) => row.id)).size).toBe(r.rows.length);
  });

  it('they are counted, weighed and timed with all others, before the rows or after', () => {
    expect(into(r).length).toBe(r.intoBase[0].knots);
    expect(into(r).length).toBeGreaterThan(0);
    const listed = r.worklist.flatMap((s) => (s.knots ? [s.knots[1] - s.knots[0]] : []));
    expect(listed.reduce((a, b) => a + b, 0)).toBe(r.knots.length);
    expect(r.load.massG).toBeCloseTo(
      r.knots.reduce((s, k) => s + k.massG, 0),
      6,
    );
    const indices = (x: Result) => into(x).map((k) => x.knots.indexOf(k));
    expect(Math.max(...indices(r))).toBe(into(r).length - 1);
    const last = of(change, entry(way, { when: 'last' }));
    expect(Math.min(...indices(last))).toBe(last.knots.length - into(last).length);
    expect(into(last).map((k) => k.id)).toEqual(into(r).map((k) => k.id));
  });
});

describe('a tied root', () => {
  it('takes so many evenly round its band, in the section that it ties', () => {
    for (const pieces of [1, 2, 3, 6]) {
      const r = of({ cap: NO_CAP }, entry('root', { pieces }));
      for (const s of r.base.sections.filter((x) => x.role === 'base')) {
        const own = into(r).filter((k) => r.base.sections[k.section] === s);
        expect(own).toHaveLength(pieces);
        for (const k of own) expect(far(k, s.tieMm)).toBeLessThan(Math.max(4, s.tailThicknessMm / 2) + 1.5);
        expect(own.every((k) => k.kind === 'intoTie' && k.through === 'hair')).toBe(true);
      }
    }
  });

  it('is borne by all hair of its section together: no bite carries more than its share', () => {
    const r = of({ cap: NO_CAP }, entry('root', { pieces: 4 }));
    for (const k of into(r)) expect(4 * k.biteMm ** 2).toBeCloseTo(r.base.sections[k.section].areaMm2, 6);
    // The net spares it nothing.
    const capped = of({}, entry('root', { pieces: 4 }));
    expect(into(capped).every((k) => k.through === 'hairAndNet')).toBe(true);
    const [section] = capped.intoBase[0].sections;
    const load = capped.load.sections.find((s) => s.sectionId === section.section);
    expect(load?.onHairG[0]).toBeGreaterThanOrEqual(section.massG);
  });

  it('never holds more than fits round it, or weighs more than it may bear, without a word', () => {
    for (const pieces of [2, 5, 8, 12])
      for (const packMassG of [20, 60, 200, 400]) {
        const { products, cuts } = plainInputs();
        const r = of({ cap: NO_CAP, products: [{ ...products[0], packMassG }], cuts }, entry('root', { pieces }));
        const [figures] = r.intoBase;
        const full = figures.sections.some((s) => s.pieces > (s.room ?? Infinity));
        expect(codes(r).includes('into.noRoom')).toBe(full);
        if (figures.sections.some((s) => s.massG > s.bearsG[1])) expect(codes(r)).toContain('base.overCarried');
      }
    const r = of({ cap: NO_CAP }, entry('root', { pieces: 12 }));
    const fix = r.findings.find((f) => f.code === 'into.noRoom')?.fix?.change;
    expect(fix?.kind).toBe('setRows');
    const mended = fix?.kind === 'setRows' ? of({ cap: NO_CAP }, ...(fix.change.intoBase ?? [])) : r;
    expect(codes(mended)).not.toContain('into.noRoom');
  });

  it('on top its band is seen unless pieces hide it or one is wound round it', () => {
    expect(codes(of({ cap: NO_CAP }, entry('root', { pieces: 1 })))).toContain('into.tieSeen');
    expect(codes(of({}, entry('root', { pieces: 1 })))).not.toContain('into.tieSeen');
    const wrapped = [{ id: 'j1', job: 'wrapTie', cut: 'whole', count: 1 }] as const;
    expect(codes(of({ cap: NO_CAP, strands: wrapped }, entry('root', { pieces: 1 })))).not.toContain('into.tieSeen');
    const many = of({ cap: NO_CAP }, entry('root', { pieces: 8 }));
    expect(many.intoBase[0].sections.every((s) => s.hidesTie)).toBe(true);
    expect(codes(many)).not.toContain('into.tieSeen');
  });
});

describe('along a plait or twist', () => {
  const twists = { base: baseOf('flatTwists'), cap: NO_CAP };

  it('only so far from the tie as she says, its gap apart', () => {
    for (const reachFingers of [2, 4, 6]) {
      const r = of(twists, entry('through', { reachFingers, fingers: 0.75 }));
      for (const k of into(r)) {
        const { rowMm } = r.base.sections[k.section];
        const [x, y, z] = rowMm.slice(-3);
        expect(far(k, [x, y, z])).toBeLessThan(18 * reachFingers);
      }
    }
    const count = (reachFingers: number) => into(of(twists, entry('through', { reachFingers }))).length;
    expect(count(2)).toBeLessThan(count(4));
    expect(count(4)).toBeLessThan(count(0));
  });

  it('named sections alone, and beside them outside their edge', () => {
    const all = of(twists, entry('beside'));
    const [one, two] = all.base.sections.map((s) => s.id);
    const r = of(twists, entry('beside', { sections: [one, two] }));
    expect(new Set(into(r).map((k) => r.base.sections[k.section].id))).toEqual(new Set([one, two]));
    for (const k of into(r)) {
      const { rowMm, tailThicknessMm } = r.base.sections[k.section];
      const away = Array.from({ length: rowMm.length / 3 }, (_, i) =>
        far(k, [rowMm[3 * i], rowMm[3 * i + 1], rowMm[3 * i + 2]]),
      );
      expect(Math.min(...away)).toBeGreaterThan(tailThicknessMm / 2);
      expect(k.kind).not.toBe('onTail');
    }
  });

  it('through a wide twist it may open; beside it, or through plaits, nothing is said', () => {
    expect(codes(of(twists, entry('through')))).toContain('into.opens');
    expect(codes(of(twists, entry('beside')))).not.toContain('into.opens');
    const plaits = { base: baseOf('tied', { tail: 'plait' }), cap: NO_CAP } as const;
    expect(codes(of(plaits, entry('through')))).not.toContain('into.opens');
  });

  it('a plait on top carries its own pieces, and they weigh on it alone', () => {
    const half = { base: baseOf('halfUp', { parking: { bySection: { top: { how: 'sewn' } } } }), cap: NO_CAP };
    const r = of(half, entry('onTop', { sections: ['top'], when: 'last' }));
    const top = r.base.sections.findIndex((s) => s.id === 'top');
    expect(into(r).every((k) => k.section === top && k.kind === 'onTail')).toBe(true);
    expect(r.load.sections[top].pieces).toBe(into(r).length);
    expect(r.worklist.findLast((s) => s.knots)?.what).toMatch(/^On a plait or twist, along its top: top/);
  });
});

describe('a coil', () => {
  it('rings go outwards from its rim, one more for each gap; over it they stay inside', () => {
    const puff = { base: baseOf('puff'), cap: NO_CAP };
    const one = of(puff, entry('round'));
    const three = of(puff, entry('round', { reachFingers: 2.5 }));
    const rings = (r: Result) => r.rows.filter((row) => row.into).length;
    expect(rings(one)).toBe(1);
    expect(rings(three)).toBeGreaterThanOrEqual(3);
    const [section] = one.base.sections.filter((s) => s.role === 'base');
    const nearest = Math.min(...into(one).map((k) => far(k, section.tieMm)));
    const over = of(puff, entry('over'));
    expect(Math.max(...into(over).map((k) => far(k, section.tieMm)))).toBeLessThan(nearest);
    expect(into(one).every((k) => k.kind === 'roundCoil')).toBe(true);
  });
});

describe('what is not there', () => {
  it.each([
    ['a coil where nothing is coiled', {}, entry('round')],
    ['a section that is gone', {}, entry('root', { sections: ['nobody'] })],
    ['ties on a block', { cap: { ...DEFAULT_CAP, filledOn: 'block', wig: true } }, entry('root')],
    ['ties where hair is laid flat', { base: baseOf('laidFlat') }, entry('root')],
    ['a plait that is coiled', { base: baseOf('puff'), cap: NO_CAP }, entry('onTop')],
  ] as ReadonlyArray<readonly [string, Partial<PlanInputs>, IntoBase]>)(
    '%s is said, and the rest is planned',
    (_, change, e) => {
      const r = of(change, e);
      expect(into(r)).toHaveLength(0);
      expect(r.knots.length).toBe(of(change).knots.length);
      const idle = r.findings.find((f) => f.code === 'into.idle');
      expect(idle?.why.length).toBeGreaterThan(20);
      expect(idle?.fix?.change).toMatchObject({ kind: 'setRows', change: { intoBase: [] } });
    },
  );

  it('no piece goes where she marked that none shall', () => {
    const all = of({ cap: NO_CAP }, entry('root'));
    const stroke = { points: [directionDeg(all.base.sections[2].tieMm)], radiusMm: 12 };
    const marked = of({ cap: NO_CAP, marks: [{ kind: 'noGo', place: { stroke }, erase: false }] }, entry('root'));
    expect(into(marked).length).toBeLessThan(into(all).length);
    const { noGo } = marked.head.marks;
    const { mesh } = planner.head(plainInputs());
    for (const k of into(marked)) {
      const p = mesh.positionsMm;
      let near = 0;
      const d = (v: number) => far(k, [p[3 * v], p[3 * v + 1], p[3 * v + 2]]);
      for (let v = 1; v < mesh.vertexCount; v++) if (d(v) < d(near)) near = v;
      expect(noGo[near]).toBe(0);
    }
  });
});

it('ties stay where they are, on whichever side the part lies', () => {
  const places = (change: Partial<PlanInputs>) =>
    into(of({ ...change, cap: NO_CAP }, entry('root', { pieces: 3 }))).map((k) => ({
      xMm: k.xMm,
      yMm: k.yMm,
      zMm: k.zMm,
    }));
  const [a, b] = [places(left), places(right)];
  expect(a.length).toBe(b.length);
  for (const p of a) expect(Math.min(...b.map((q) => far(p, [q.xMm, q.yMm, q.zMm])))).toBeLessThan(1);
});
