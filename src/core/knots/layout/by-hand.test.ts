/** Changes by hand: each is kept or reported, and nothing else is renamed or moved. */

import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { named, plainInputs } from '../../../../tests/helpers/heads.ts';
import { Planner } from '../../../../tests/helpers/planner.ts';
import type { PlanResult } from '../../findings/plan-result.ts';
import { type DirectionDeg, directionDeg } from '../../head/marks.ts';
import type { PlanInputs } from '../../plan/inputs.ts';
import { DEFAULT_ROWS, type RowEdit } from '../../rows/choice.ts';
import type { Override } from '../place/overrides.ts';
import type { PlannedKnot } from '../place/planned.ts';

const pipeline = new Planner();
const planWith = (hand: readonly RowEdit[], change: Partial<PlanInputs> = {}) =>
  pipeline.plan(plainInputs({ ...change, rows: { ...DEFAULT_ROWS, ...change.rows, hand: named('h', hand) } }));
const at = (k: PlannedKnot): DirectionDeg => directionDeg([k.xMm, k.yMm, k.zMm]);
const plain = planWith([]);
const inside = plain.knots.filter((k) => k.zone === 'back' && !k.exposed);
const places = (r: PlanResult) =>
  new Map(r.knots.map((k) => [k.id, `${k.xMm.toFixed(2)} ${k.yMm.toFixed(2)} ${k.zMm.toFixed(2)}`]));

describe('a knot', () => {
  it('taken out leaves its neighbours their names and places', () => {
    const gone = inside[7];
    const after = planWith([{ op: 'remove', at: at(gone) }]);
    expect(after.knots.length).toBe(plain.knots.length - 1);
    const before = places(plain);
    before.delete(gone.id);
    expect(places(after)).toEqual(before);
    expect(after.rows[gone.row].knotCount).toBe(plain.rows[gone.row].knotCount - 1);
  });

  it('moved keeps its name; put in has one of its own', () => {
    const knot = inside[7];
    const [azimuth, elevation] = at(knot);
    const to: DirectionDeg = [azimuth + 2, elevation + 1];
    const moved = planWith([{ op: 'move', at: [azimuth, elevation], to }]);
    const now = moved.knots.find((k) => k.id === knot.id)!;
    expect(now.hand).toBe('moved');
    expect(at(now)[0]).toBeCloseTo(to[0], 0);
    expect(moved.rowScheme.lostChanges).toEqual([]);
    const rest = (r: PlanResult) => {
      const all = places(r);
      all.delete(knot.id);
      return all;
    };
    expect(rest(moved)).toEqual(rest(plain));

    // Where two were taken out there is room for one.
    const a = inside.find((k) => inside.some((n) => n.row === k.row && n.place === k.place + 1 && k.place > 3))!;
    const b = inside.find((n) => n.row === a.row && n.place === a.place + 1)!;
    const between = directionDeg([(a.xMm + b.xMm) / 2, (a.yMm + b.yMm) / 2, (a.zMm + b.zMm) / 2]);
    const added = planWith([
      { op: 'remove', at: at(a) },
      { op: 'remove', at: at(b) },
      { op: 'add', at: between },
    ]);
    expect(added.rowScheme.lostChanges).toEqual([]);
    expect(added.knots.filter((k) => k.hand === 'added').map((k) => k.id)).toEqual([expect.stringMatching(/-h01$/)]);
  });

  it('that would sit on another, or outside, is refused with its reason', () => {
    const [a, b] = [inside[7], inside[8]];
    const on = planWith([{ op: 'move', at: at(a), to: at(b) }]);
    expect(on.rowScheme.lostChanges).toEqual([
      { id: 'h1', why: expect.stringMatching(/nearer than \d+ mm/), atMm: expect.any(Array) },
    ]);
    expect(on.findings.find((f) => f.code === 'rows.lostChange')?.fix?.change).toEqual({
      kind: 'dropHand',
      ids: ['h1'],
    });
    const face = planWith([{ op: 'add', at: [0, -20] }]);
    expect(face.rowScheme.lostChanges[0].why).toMatch(/outside the hairline/);
    const nothing = planWith([{ op: 'remove', at: [0, -60] }]);
    expect(nothing.rowScheme.lostChanges[0].why).toMatch(/no knot at that place/);
  });

  it('never lies on a no-go spot', () => {
    const knot = inside[9];
    const spot: PlanInputs['marks'][number] = {
      kind: 'noGo',
      erase: false,
      place: { stroke: { points: [at(knot)], radiusMm: 25 } },
    };
    const marked = planWith([{ op: 'add', at: at(knot) }], { marks: [spot] });
    expect(marked.rowScheme.lostChanges[0].why).toMatch(/no piece goes there/);
  });
});

const arbitraryPlace: fc.Arbitrary<DirectionDeg> = fc.tuple(
  fc.double({ min: -180, max: 180, noNaN: true }),
  fc.double({ min: -40, max: 89, noNaN: true }),
);
const arbitraryChange: fc.Arbitrary<RowEdit> = fc.oneof(
  fc.record({ op: fc.constant('remove' as const), at: arbitraryPlace }),
  fc.record({ op: fc.constant('add' as const), at: arbitraryPlace }),
  fc.record({ op: fc.constant('move' as const), at: arbitraryPlace, to: arbitraryPlace }),
  fc.record({
    op: fc.constant('pull' as const),
    at: arbitraryPlace,
    mm: fc.double({ min: -12, max: 12, noNaN: true }),
  }),
);

describe('any changes', () => {
  it('are each kept or reported, and no two knots end up nearer than 0.55 of the spacing', () => {
    fc.assert(
      fc.property(fc.array(arbitraryChange, { minLength: 1, maxLength: 6 }), (hand) => {
        const r = planWith(hand);
        const lost = new Set(r.rowScheme.lostChanges.map((l) => l.id));
        const kept = named('h', hand).filter((h) => !lost.has(h.id));
        const count = (op: RowEdit['op']) => kept.filter((h) => h.op === op).length;
        if (!hand.some((h) => h.op === 'pull')) {
          expect(r.knots.length).toBe(plain.knots.length + count('add') - count('remove'));
        }
        expect(
          r.rows.filter((row) => row.pulledBy !== undefined && !lost.has(row.pulledBy)).length,
        ).toBeGreaterThanOrEqual(Math.min(1, count('pull')));
        expect(new Set(r.knots.map((k) => k.id)).size).toBe(r.knots.length);
        for (const l of r.rowScheme.lostChanges) expect(l.why.length).toBeGreaterThan(10);
      }),
      { seed: 421, numRuns: 60 },
    );
  });

  it('far away rename and move nothing here: ids are stable under an unrelated change', () => {
    fc.assert(
      fc.property(fc.double({ min: -160, max: -110, noNaN: true }), fc.constantFrom(0.8, 1.2), (azimuth, factor) => {
        const brush = [{ stroke: { points: [[azimuth, 30] as const], radiusMm: 22 }, factor }];
        const r = planWith([], { rows: { ...DEFAULT_ROWS, brush } });
        const far = (result: PlanResult) =>
          new Map(result.knots.filter((k) => k.xMm > 45).map((k) => [k.id, `${k.xMm.toFixed(1)} ${k.yMm.toFixed(1)}`]));
        const [before, after] = [far(plain), far(r)];
        const same = [...before].filter(([id, place]) => after.get(id) === place).length;
        // Bricks are laid from the nape up: what lies above the stroke may answer it within a row.
        expect(same / before.size).toBeGreaterThan(0.7);
        expect([...before.keys()].filter((id) => !after.has(id)).length).toBeLessThanOrEqual(3);
      }),
      { seed: 422, numRuns: 10 },
    );
  });

  it('outlive a change elsewhere: a knot taken out stays out when the nape is set wider', () => {
    const top = plain.knots.filter((k) => k.zone === 'top')[5];
    const hand: RowEdit[] = [{ op: 'remove', at: at(top) }];
    const fingers = { ...plainInputs().spacing.fingers, nape: 1.75 };
    const spacing = { said: 'centres' as const, fingers };
    const without = planWith([], { spacing });
    const wider = planWith(hand, { spacing });
    const lost = wider.rowScheme.lostChanges.length;
    expect(wider.knots.length + (lost > 0 ? 0 : 1)).toBe(without.knots.length);
  });
});

describe('a row', () => {
  it('pulled comes closer to the part by so much; too far is refused', () => {
    const knot = inside[7];
    const away = (r: PlanResult, row: number) => {
      const k = r.knots.filter((x) => x.row === row);
      return k.reduce((s, x) => s + x.yMm, 0) / k.length;
    };
    const up = planWith([{ op: 'pull', at: at(knot), mm: 5 }]);
    expect(up.rowScheme.lostChanges).toEqual([]);
    expect(up.rows[knot.row].pulledBy).toBe('h1');
    expect(away(up, knot.row)).toBeGreaterThan(away(plain, knot.row) + 2);
    const far = planWith([{ op: 'pull', at: at(knot), mm: 25 }]);
    expect(far.rowScheme.lostChanges[0].why).toMatch(/at most/);
    expect(places(far)).toEqual(places(plain));
  });

  it('locked stays where it lies when the spacing changes, and no other row crowds it', () => {
    const { row } = inside[7];
    const p = plain.rows[row].pointsMm;
    const line: DirectionDeg[] = [];
    for (let i = 0; i < p.length; i += 9) line.push(directionDeg([p[i], p[i + 1], p[i + 2]]));
    const own = plain.knots.filter((k) => k.row === row);
    const hand: RowEdit[] = [{ op: 'lock', line, knots: own.map(at) }];
    const fingers = Object.fromEntries(Object.keys(plainInputs().spacing.fingers).map((z) => [z, 1.05]));
    const r = planWith(hand, { spacing: { said: 'centres', fingers: fingers as PlanInputs['spacing']['fingers'] } });
    const locked = r.rows.findIndex((x) => x.locked);
    expect(locked).toBeGreaterThanOrEqual(0);
    const there = r.knots.filter((k) => k.row === locked);
    expect(there).toHaveLength(own.length);
    for (const k of own) {
      const d = Math.min(...there.map((t) => Math.hypot(t.xMm - k.xMm, t.yMm - k.yMm, t.zMm - k.zMm)));
      expect(d).toBeLessThan(1.2);
    }
    for (const t of there)
      for (const k of r.knots) {
        if (k.row === locked) continue;
        expect(Math.hypot(t.xMm - k.xMm, t.yMm - k.yMm, t.zMm - k.zMm)).toBeGreaterThan(0.55 * 1.05 * 18);
      }
  });
});

describe('her choice of a knot', () => {
  const wish = (of: Override['of'], w: Override['wish']) =>
    pipeline.plan(plainInputs({ knotWishes: [{ id: 'w1', of, wish: w }] }));

  it('is for one knot, a whole row, or a zone', () => {
    const knot = inside[7];
    const one = wish({ knot: at(knot) }, { wraps: 3 });
    expect(one.knots.filter((k) => k.wraps === 3).map((k) => k.id)).toEqual([knot.id]);
    const row = wish({ row: at(knot) }, { wraps: 3 });
    expect(row.knots.filter((k) => k.wraps === 3).every((k) => k.row === knot.row)).toBe(true);
    expect(row.knots.filter((k) => k.wraps === 3).length).toBe(plain.rows[knot.row].knotCount);
    const zone = wish({ zone: 'nape' }, { kind: 'oneLeg' });
    expect(zone.knots.filter((k) => k.zone === 'nape').every((k) => k.kind === 'oneLeg')).toBe(true);
  });

  it('that the piece can’t follow is said, and the rules decide meanwhile', () => {
    const knot = inside[7];
    const r = wish({ knot: at(knot) }, { lock: true });
    expect(r.rowScheme.lostWishes).toEqual([{ id: 'w1', why: expect.stringMatching(/band nor ring/) }]);
    expect(r.knots.find((k) => k.id === knot.id)?.lock).toBe(false);
    expect(r.findings.some((f) => f.code === 'rows.lostWish')).toBe(true);
    expect(wish({ knot: [0, -60] }, { wraps: 2 }).rowScheme.lostWishes[0].why).toMatch(/no knot at that place/);
  });
});
