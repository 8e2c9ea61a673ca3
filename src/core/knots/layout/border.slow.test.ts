/** A row along the border: it takes the places of what lies beside it and changes nothing else. Trade: common practice, no source. */
import { describe, expect, it } from 'vitest';
import { hairOf, NO_CAP, named, plainInputs } from '../../../../tests/helpers/heads.ts';
import { Planner } from '../../../../tests/helpers/planner.ts';
import { DEFAULT_BASE } from '../../base/choice.ts';
import type { PlanInputs } from '../../plan/inputs.ts';
import { DEFAULT_ROWS } from '../../rows/choice.ts';
import { DEFAULT_CAP } from '../../trade/caps.ts';
import { BORDER_WHENS, type BorderRow, NO_BORDER_ROW, type Scheme } from '../../trade/rows.ts';
import { DEFAULT_SCHOOLS } from '../../trade/schools.ts';

const planner = new Planner();
const along = (change: Partial<BorderRow>, rows: Partial<PlanInputs['rows']> = {}): Pick<PlanInputs, 'rows'> => ({
  rows: { ...DEFAULT_ROWS, ...rows, borderRow: { ...NO_BORDER_ROW, where: 'front', ...change } },
});
const of = (change: Partial<PlanInputs> = {}) => planner.plan(plainInputs(change));
type Result = ReturnType<typeof of>;
const isAlong = (r: Result) => (k: Result['knots'][number]) => r.rows[k.row].kind === 'border';

/** All that is decided of a knot but when it comes, as the how manieth of its row, and from which pack. */
const told = (k: Result['knots'][number]) => {
  const { row: _row, place: _place, piece: _piece, aboveRowBeforeMm: _above, along: _along, ...rest } = k;
  return rest;
};

const swept = { part: { kind: 'swept' } } as const satisfies Partial<PlanInputs>;
const crown = { part: { kind: 'crown' } } as const satisfies Partial<PlanInputs>;
const right = { part: { kind: 'line', frontMm: -40, endMm: -20, lengthMm: 110, bendMm: 5 } } as const;
const SETTINGS: ReadonlyArray<readonly [string, Partial<PlanInputs>, Partial<PlanInputs['rows']>]> = [
  ['a side part', {}, {}],
  ['a part on the right', right, {}],
  ['swept back', swept, {}],
  ['no cap', { cap: NO_CAP }, {}],
  ['rings', crown, { scheme: 'rings' as Scheme }],
  ['straight back', swept, { scheme: 'straightBack' as Scheme }],
  ['windows', {}, { secondPass: 'windows' }],
  ['an opening', { cap: { ...DEFAULT_CAP, opening: 'cut', openingMm: 100, openingWidthMm: 24 } }, {}],
  ['a mixed zone', mixedTop(), {}],
];

function mixedTop(): Partial<PlanInputs> {
  const { cuts, pieces } = plainInputs();
  const fine = { ...cuts[0], id: 'fine', name: 'Quarters', split: 4 as const };
  const mixed = { cut: cuts[0].id, mixed: { cut: 'fine', every: 3 } };
  return { cuts: [...cuts, fine], pieces: { ...pieces, top: mixed, faceEdge: mixed, border: { cut: 'fine' } } };
}

describe.each(SETTINGS)('with %s', (_, inputs, rows) => {
  const plain = of({ ...inputs, rows: { ...DEFAULT_ROWS, ...rows } });
  const before = new Map(plain.knots.map((k) => [k.id, told(k)]));

  it.each(['front', 'round'] as const)('along %s: no other knot changes but those that it replaces', (where) => {
    for (const when of BORDER_WHENS) {
      const r = of({ ...inputs, ...along({ where, when }, rows) });
      const others = r.knots.filter((k) => !isAlong(r)(k));
      for (const k of others) expect(told(k)).toEqual(before.get(k.id));
      expect(others.length).toBeLessThan(plain.knots.length);
      // Holds of the cap stay where they were.
      const holds = (all: Result['knots']) =>
        all
          .filter((k) => k.kind === 'anchor')
          .map((k) => k.id)
          .sort();
      expect(holds(r.knots)).toEqual(holds(plain.knots));
    }
  });

  it('its knots are its gap apart, near the hairline, and nothing crowds them', () => {
    const r = of({ ...inputs, ...along({ where: 'round', fingers: 0.75 }, rows) });
    const own = r.knots.filter(isAlong(r));
    const { scalp, mesh } = planner.head(plainInputs(inputs));
    for (const k of own) {
      let nearest = 0;
      const away = (v: number) =>
        (mesh.positionsMm[3 * v] - k.xMm) ** 2 +
        (mesh.positionsMm[3 * v + 1] - k.yMm) ** 2 +
        (mesh.positionsMm[3 * v + 2] - k.zMm) ** 2;
      for (let v = 1; v < mesh.vertexCount; v++) if (away(v) < away(nearest)) nearest = v;
      expect(scalp.fromHairline[nearest]).toBeLessThan(12);
    }
    const far = (a: Result['knots'][number], b: Result['knots'][number]) =>
      Math.hypot(a.xMm - b.xMm, a.yMm - b.yMm, a.zMm - b.zMm);
    const kept = r.knots.filter((k) => !isAlong(r)(k));
    for (const k of own) for (const o of kept) expect(far(k, o)).toBeGreaterThan(0.55 * 13.5);
    expect(new Set(own.map((k) => k.id)).size).toBe(own.length);
    expect(r.borderRow?.centresMm).toBeCloseTo(13.5, 9);
  });
});

it('in front it is a tenth to a sixth of all, in finer pieces than the rest (common practice)', () => {
  for (const inputs of [{}, right, swept]) {
    const r = of({ ...inputs, ...along({ fingers: 0.75 }) });
    expect(r.borderRow?.share).toBeGreaterThan(0.09);
    expect(r.borderRow?.share).toBeLessThan(0.18);
  }
});

describe('the order of work', () => {
  const late = { schools: { ...DEFAULT_SCHOOLS, border: 'late' as const } };
  const at = (r: Result) => r.worklist.findIndex((s) => s.what.startsWith('The row along'));
  const rowsOf = (r: Result) => r.worklist.map((s, i) => (s.kind === 'rows' ? i : -1)).filter((i) => i >= 0);

  it('first of all: before every other row', () => {
    const r = of(along({ when: 'first' }));
    expect(at(r)).toBe(rowsOf(r)[0]);
  });

  it('last of all: after every other row, and what lies in an opening after that', () => {
    const r = of(along({ when: 'last' }));
    expect(at(r)).toBe(rowsOf(r).at(-1));
    const cap = { ...DEFAULT_CAP, opening: 'cut' as const, openingMm: 100, openingWidthMm: 30 };
    const open = of({ cap, ...along({ when: 'last' }) });
    const cut = open.worklist.findIndex((s) => s.kind === 'cut');
    expect(at(open)).toBeGreaterThan(cut);
  });

  it('as the border goes back: right after it, once most is in; at once where it goes back at once', () => {
    const r = of({ ...late, ...along({ when: 'border' }) });
    expect(r.worklist[at(r) - 1].what).toBe('Push the border back behind the hairline');
    const before = r.worklist[at(r)].knots?.[0] ?? 0;
    expect(before / r.knots.length).toBeGreaterThan(0.5);
    expect(before / r.knots.length).toBeLessThan(0.7);
    const soon = of(along({ when: 'border' }));
    expect(at(soon)).toBe(rowsOf(soon)[0]);
    // Without a cap nothing goes back.
    const bare = of({ cap: NO_CAP, ...late, ...along({ when: 'border' }) });
    expect(at(bare)).toBe(rowsOf(bare).at(-1));
  });

  it('has minutes of its own, which are part of the whole', () => {
    const r = of(along({ when: 'last' }));
    expect(r.borderRow?.minutes).toBe(r.worklist[at(r)].minutes);
    expect(r.worklist[at(r)].what).toBe('The row along the border, from ear to ear');
  });
});

describe('which knot', () => {
  const kinds = (knot: BorderRow['knot'], change: Partial<PlanInputs>) => {
    const r = of({ ...change, ...along({ knot }) });
    return new Set(r.knots.filter(isAlong(r)).map((k) => `${k.kind}${k.lock ? ' locked' : ''}`));
  };
  const sleek = hairOf({ texture: 'straight', loop: 'slidingBand', loopComesOff: true });

  it('is hers where the piece allows it, in its chain', () => {
    expect(kinds('oneLeg', sleek)).toEqual(new Set(['oneLeg']));
    expect(kinds('lock', sleek)).toEqual(new Set(['wrap locked']));
    expect([...kinds('ordinary', sleek)].every((k) => k.startsWith('wrap'))).toBe(true);
    const r = of({ ...sleek, ...along({ knot: 'oneLeg' }) });
    expect(r.knots.find(isAlong(r))?.chain[0].because).toMatch(/row along the border/);
  });

  it('a knot that the piece can’t make is said, with a way out', () => {
    const noBand = hairOf({ texture: 'straight', loop: 'thread', loopComesOff: true });
    const found = of({ ...noBand, ...along({ knot: 'lock' }) }).findings.find((f) => f.code === 'border.cannot');
    expect(found?.fix?.change).toMatchObject({ kind: 'setRows', change: { borderRow: { knot: 'byHair' } } });
    expect(of({ ...sleek, ...along({ knot: 'lock' }) }).findings.map((f) => f.code)).not.toContain('border.cannot');
  });
});

describe('what can hurt', () => {
  const codes = (change: Partial<PlanInputs>) => of(change).findings.map((f) => f.code);
  const tender = { marks: [{ kind: 'tender' as const, erase: false, place: { region: 'frontEdge' as const } }] };

  it('a tender edge is named with how many pieces lie there; an edge that is none is not', () => {
    expect(codes({ ...tender, ...along({}) })).toContain('border.tender');
    expect(codes(along({}))).not.toContain('border.tender');
    expect(codes(tender)).not.toContain('border.tender');
  });

  it('without a cap the finest hair carries it alone', () => {
    expect(codes({ cap: NO_CAP, ...along({ where: 'round' }) })).toContain('border.ownHair');
    expect(codes(along({ where: 'round' }))).not.toContain('border.ownHair');
  });

  it('where all of the edge is closed it says so and lays nothing', () => {
    const marks = [
      { kind: 'noGo' as const, erase: false, place: { region: 'frontEdge' as const } },
      { kind: 'noGo' as const, erase: false, place: { region: 'temples' as const } },
      { kind: 'noGo' as const, erase: false, place: { region: 'overEars' as const } },
    ];
    const r = of({ marks, ...along({}) });
    expect(r.borderRow?.knots ?? 0).toBeLessThan(6);
    for (const k of r.knots.filter(isAlong(r))) expect(k.tenderOrThin).toBe(false);
  });
});

it('a knot of it can be taken out and moved by hand, and one that it replaced is told as gone', () => {
  const plain = of(along({}));
  const own = plain.knots.filter(isAlong(plain));
  const deg = (k: Result['knots'][number]) => {
    const r = Math.hypot(k.xMm, k.yMm, k.zMm);
    return [(Math.atan2(k.xMm, k.zMm) * 180) / Math.PI, (Math.asin(k.yMm / r) * 180) / Math.PI] as const;
  };
  const out = of(along({}, { hand: named('h', [{ op: 'remove' as const, at: deg(own[3]) }]) }));
  expect(out.knots.map((k) => k.id).sort()).toEqual(
    plain.knots
      .map((k) => k.id)
      .filter((id) => id !== own[3].id)
      .sort(),
  );
  const bare = of();
  const ids = new Set(plain.knots.map((k) => k.id));
  const replaced = bare.knots.find((k) => !ids.has(k.id)) as Result['knots'][number];
  const lost = of(along({}, { hand: named('h', [{ op: 'move' as const, at: deg(replaced), to: [0, 60] as const }]) }));
  expect(lost.rowScheme.lostChanges.map((l) => l.why)).toEqual(['the row along the border lies there now']);
});

it('beside bands it takes up the hair of the edge', () => {
  const r = of({
    base: { ...DEFAULT_BASE, family: 'grid' },
    cap: NO_CAP,
    ...along({ where: 'round' }, { scheme: 'grid' as Scheme }),
  });
  const own = r.knots.filter(isAlong(r));
  expect(own.length).toBeGreaterThan(10);
  for (const k of own)
    expect([k.kind === 'onBand', k.entry === 'underBand', k.through]).toEqual([false, false, 'hair']);
  expect(r.knots.filter((k) => !isAlong(r)(k)).every((k) => k.kind === 'onBand')).toBe(true);
});
