/** Trade rules as tests: common practice, no source. */
import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { TEXTURE_INFO, TEXTURES } from '../hair/textures.ts';
import { decideKnot, HOLD_RULES, KIND_RULES, type KnotSituation, knotName, THROUGH_RULES } from './rules.ts';
import { DEFAULT_SCHOOLS, SCHOOL_OPTIONS, type SchoolName, type Schools } from './schools.ts';

const situation = (change: Partial<KnotSituation> = {}): KnotSituation => ({
  texture: 'looseCurl',
  canOneLeg: true,
  canLock: false,
  cap: 'closed',
  exposed: false,
  secondRow: false,
  perimeter: false,
  anchorPlace: false,
  tenderOrThin: false,
  schools: DEFAULT_SCHOOLS,
  ...change,
});
const schools = (change: Partial<Schools>): Schools => ({ ...DEFAULT_SCHOOLS, ...change });

const anySituation: fc.Arbitrary<KnotSituation> = fc.record({
  texture: fc.constantFrom(...TEXTURES),
  canOneLeg: fc.boolean(),
  canLock: fc.boolean(),
  cap: fc.constantFrom('closed' as const, 'none' as const),
  exposed: fc.constantFrom('part' as const, 'crown' as const, 'front' as const, false as const),
  secondRow: fc.boolean(),
  perimeter: fc.boolean(),
  anchorPlace: fc.boolean(),
  tenderOrThin: fc.boolean(),
  schools: fc.record(
    Object.fromEntries(
      (Object.keys(SCHOOL_OPTIONS) as SchoolName[]).map((s) => [
        s,
        fc.constantFrom(...SCHOOL_OPTIONS[s].map((o) => o.value)),
      ]),
    ),
  ) as unknown as fc.Arbitrary<Schools>,
});

describe('whatever the situation', () => {
  it('a rule applies for kind, hold and way through, each with its reason', () => {
    fc.assert(
      fc.property(anySituation, (s) => {
        const d = decideKnot(s);
        expect(d.reasons).toHaveLength(3);
        for (const r of d.reasons) expect(r).toMatch(/^[A-Z].*\.$/);
        expect(d.rules).toHaveLength(3);
      }),
      { seed: 81, numRuns: 500 },
    );
  });

  it('no rule asks for a knot that the loop cannot make, nor for one that holds nothing', () => {
    fc.assert(
      fc.property(anySituation, (s) => {
        const d = decideKnot(s);
        if (d.kind === 'oneLeg') expect(s.canOneLeg).toBe(true);
        if (d.lock) expect(s.canLock).toBe(true);
        expect(d.wraps).toBeGreaterThanOrEqual(1);
        if (d.kind === 'oneLeg') expect(d.lock).toBe(false);
        if (s.cap === 'none') {
          expect(d.through).toBe('hair');
          expect(d.kind).not.toBe('anchor');
        }
      }),
      { seed: 82, numRuns: 500 },
    );
  });

  it('tender places hang on the net alone when she chose so', () => {
    fc.assert(
      fc.property(anySituation, (s) => {
        const d = decideKnot({ ...s, cap: 'closed', tenderOrThin: true, schools: { ...s.schools, tender: 'netOnly' } });
        expect(d.through).toBe('net');
        expect(d.kind).not.toBe('anchor');
      }),
      { seed: 83, numRuns: 300 },
    );
  });
});

describe('which kind', () => {
  it.each(['part', 'crown', 'front'] as const)('exposed at the %s: one-leg, where nothing lies above', (exposed) => {
    expect(decideKnot(situation({ exposed })).kind).toBe('oneLeg');
  });

  it('springy hair hides its own knot', () => {
    for (const texture of TEXTURES.filter((t) => TEXTURE_INFO[t].springy)) {
      const d = decideKnot(situation({ exposed: 'part', texture }));
      expect(d.kind).toBe('wrap');
      expect(d.reasons[0]).toMatch(/hides its own knot/);
    }
  });

  it('a loop that stays on makes an ordinary knot and says why', () => {
    const d = decideKnot(situation({ exposed: 'part', canOneLeg: false }));
    expect(d.kind).toBe('wrap');
    expect(d.reasons[0]).toMatch(/cannot come off/);
  });

  it('the school "everywhere" makes every knot one-leg, "never" none', () => {
    expect(decideKnot(situation({ schools: schools({ oneLeg: 'everywhere' }) })).kind).toBe('oneLeg');
    expect(decideKnot(situation({ exposed: 'part', schools: schools({ oneLeg: 'never' }) })).kind).toBe('wrap');
  });

  it('anchors hold the cap through hair and net', () => {
    const d = decideKnot(situation({ anchorPlace: true, perimeter: true, schools: schools({ through: 'netOnly' }) }));
    expect([d.kind, d.through]).toEqual(['anchor', 'hairAndNet']);
  });
});

describe('how it holds: wraps and lock are two things', () => {
  const hold = (change: Partial<KnotSituation>) => {
    const d = decideKnot(situation(change));
    return [d.wraps, d.lock];
  };
  it.each([
    ['kinky hair stays with one wrap', { texture: 'kinky' as const }, [1, false]],
    ['and two at the edge', { texture: 'kinky' as const, perimeter: true }, [2, false]],
    ['a loose curl with two', {}, [2, false]],
    ['smooth hair with two over a net', { texture: 'straight' as const }, [2, false]],
    ['and three at the edge', { texture: 'straight' as const, perimeter: true }, [3, false]],
    ['smooth hair in own hair with four', { texture: 'straight' as const, cap: 'none' as const }, [4, false]],
    [
      'a lock after one wrap, not instead of it',
      { texture: 'straight' as const, canLock: true, schools: schools({ smoothHold: 'lock' }) },
      [1, true],
    ],
    [
      'no lock where the loop has none',
      { texture: 'straight' as const, schools: schools({ smoothHold: 'lock' }) },
      [2, false],
    ],
    ['one-leg once', { exposed: 'part' as const }, [1, false]],
    ['or twice by school', { exposed: 'part' as const, schools: schools({ oneLegWraps: 'twice' }) }, [2, false]],
    [
      'near the top single, so that it lies flat',
      { texture: 'twist' as const, secondRow: true, perimeter: true },
      [1, false],
    ],
  ])('%s', (_, change, expected) => {
    expect(hold(change)).toEqual(expected);
  });
});

describe('through what', () => {
  it.each([
    ['perimeter', { perimeter: true }, 'hairAndNet'],
    ['perimeter', { perimeter: false }, 'net'],
    ['everywhere', { perimeter: false }, 'hairAndNet'],
    ['netOnly', { perimeter: true }, 'net'],
  ] as const)('school %s with %o: %s', (school, change, through) => {
    expect(decideKnot(situation({ ...change, schools: schools({ through: school }) })).through).toBe(through);
  });
});

describe('the tables', () => {
  it('have ids of their own and end on a rule that always applies', () => {
    const ids = [...KIND_RULES, ...HOLD_RULES, ...THROUGH_RULES].map((r) => r.id);
    expect(new Set(ids).size).toBe(ids.length);
    for (const table of [KIND_RULES, HOLD_RULES, THROUGH_RULES]) expect(table.at(-1)!.when(situation())).toBe(true);
  });

  it('name schools that exist, and every school has a reason', () => {
    for (const r of [...KIND_RULES, ...HOLD_RULES, ...THROUGH_RULES])
      if (r.school) expect(SCHOOL_OPTIONS).toHaveProperty(r.school);
    for (const options of Object.values(SCHOOL_OPTIONS))
      for (const o of options) expect(o.reason.length).toBeGreaterThan(15);
  });
});

it('names knots as the wearer says them', () => {
  expect(knotName({ kind: 'wrap', wraps: 2, lock: false })).toBe('Double wrap');
  expect(knotName({ kind: 'wrap', wraps: 1, lock: true })).toBe('Single wrap, locked');
  expect(knotName({ kind: 'wrap', wraps: 4, lock: false })).toBe('4 wraps');
  expect(knotName({ kind: 'oneLeg', wraps: 2, lock: false })).toBe('One-leg knot, twice');
  expect(knotName({ kind: 'anchor', wraps: 2, lock: false })).toBe('Anchor');
});
