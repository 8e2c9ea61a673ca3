/** Trade rules as tests: common practice, no source. */
import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { INTO_WAYS } from '../../trade/into-base.ts';
import { KNOT_KINDS, knotName, THROUGHS } from '../../trade/knots.ts';
import { BORDER_KNOTS } from '../../trade/rows.ts';
import { SCHOOL_OPTIONS } from '../../trade/school-words.ts';
import { DEFAULT_SCHOOLS, SCHOOL_VALUES, type SchoolName, type Schools } from '../../trade/schools.ts';
import { TEXTURE_INFO, TEXTURES } from '../../trade/textures.ts';
import { biteSideMm } from './bite.ts';
import { decideKnot, RULE_TABLES } from './decide.ts';
import { cannot } from './may.ts';
import type { KnotOverride, KnotSituation } from './situation.ts';

const situation = (change: Partial<KnotSituation> = {}): KnotSituation => ({
  texture: 'looseCurl',
  canOneLeg: true,
  stiff: false,
  canLock: false,
  threadLoop: false,
  loose: false,
  slips: false,
  clings: false,
  capped: true,
  onBlock: false,
  on: 'scalp',
  into: undefined,
  netHere: 'net',
  blending: false,
  exposed: false,
  secondRow: false,
  perimeter: false,
  anchorPlace: false,
  tenderOrThin: false,
  border: undefined,
  saidFor: {},
  schools: DEFAULT_SCHOOLS,
  ...change,
});
const schools = (change: Partial<Schools>): Schools => ({ ...DEFAULT_SCHOOLS, ...change });

const anySituation: fc.Arbitrary<KnotSituation> = fc.record({
  texture: fc.constantFrom(...TEXTURES),
  canOneLeg: fc.boolean(),
  canLock: fc.boolean(),
  stiff: fc.boolean(),
  threadLoop: fc.boolean(),
  loose: fc.boolean(),
  slips: fc.boolean(),
  clings: fc.boolean(),
  capped: fc.boolean(),
  onBlock: fc.boolean(),
  on: fc.constantFrom('scalp' as const, 'twist' as const, 'coil' as const, 'band' as const, 'rod' as const),
  into: fc.constantFrom(undefined, ...INTO_WAYS),
  netHere: fc.constantFrom('net' as const, 'margin' as const, 'cutOut' as const),
  blending: fc.boolean(),
  exposed: fc.constantFrom('part' as const, 'crown' as const, 'front' as const, false as const),
  secondRow: fc.boolean(),
  perimeter: fc.boolean(),
  anchorPlace: fc.boolean(),
  tenderOrThin: fc.boolean(),
  border: fc.constantFrom(undefined, ...BORDER_KNOTS),
  saidFor: fc.constant({}),
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
        expect(d.chain.length).toBe(d.through === 'hair' ? 4 : 5);
        for (const r of d.chain) expect(r.because).toMatch(/^[A-Z].*\.$/);
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
        if (!s.capped) {
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
        const d = decideKnot({
          ...s,
          ...{ capped: true, on: 'scalp', into: undefined, netHere: 'net', blending: false, tenderOrThin: true },
          schools: { ...s.schools, tender: 'netOnly' },
        });
        expect(d.through).toBe('net');
        expect(d.kind).not.toBe('anchor');
      }),
      { seed: 83, numRuns: 300 },
    );
  });
});

describe('into the base', () => {
  it.each([
    ['root', 'intoTie', 'intoRoot'],
    ['beside', 'wrap', 'beside'],
    ['through', 'onTail', 'throughTwist'],
    ['onTop', 'onTail', 'onTop'],
    ['over', 'wrap', 'intoCoil'],
  ] as const)('%s: its knot, its way in, through own hair', (into, kind, entry) => {
    const bare = decideKnot(situation({ into, capped: false }));
    expect([bare.kind, bare.entry, bare.through]).toEqual([kind, entry, 'hair']);
    expect(decideKnot(situation({ into })).through).toBe('hairAndNet');
  });

  it('round a coil it goes into the hair that is drawn to the tie', () => {
    const d = decideKnot(situation({ into: 'round', on: 'coil', capped: false }));
    expect([d.kind, d.entry]).toEqual(['roundCoil', 'roundCoil']);
  });

  it('such knots are refused where nothing is tied', () => {
    for (const kind of ['intoTie', 'onTail'] as const) {
      expect(cannot(situation(), { kind })).toMatch(/here$/);
      expect(decideKnot(situation()).may.kinds).not.toContain(kind);
    }
    expect(decideKnot(situation({ into: 'root' })).may.kinds).toContain('intoTie');
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
      expect(d.chain[0].because).toMatch(/hides its own knot/);
    }
  });

  it('a loop that stays on makes an ordinary knot and says why', () => {
    const d = decideKnot(situation({ exposed: 'part', canOneLeg: false }));
    expect(d.kind).toBe('wrap');
    expect(d.chain[0].because).toMatch(/cannot come off/);
  });

  it('the school "everywhere" makes every knot one-leg, "never" none', () => {
    expect(decideKnot(situation({ schools: schools({ oneLeg: 'everywhere' }) })).kind).toBe('oneLeg');
    expect(decideKnot(situation({ exposed: 'part', schools: schools({ oneLeg: 'never' }) })).kind).toBe('wrap');
  });

  it('anchors hold the cap through hair and net', () => {
    const d = decideKnot(situation({ anchorPlace: true, perimeter: true, schools: schools({ through: 'netOnly' }) }));
    expect([d.kind, d.through]).toEqual(['anchor', 'border']);
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
    ['smooth hair in own hair with four', { texture: 'straight' as const, capped: false }, [4, false]],
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

describe('other places', () => {
  const kind = (change: Partial<KnotSituation>) => decideKnot(situation(change)).kind;

  it('bands, rods and coils have knots of their own; loose hair is folded', () => {
    expect(kind({ on: 'band', capped: false })).toBe('onBand');
    expect(kind({ on: 'rod', capped: false })).toBe('onRod');
    expect(kind({ on: 'coil', capped: false })).toBe('roundCoil');
    expect(kind({ loose: true })).toBe('fold');
    expect(kind({ threadLoop: true, schools: schools({ threadLoop: 'drawnThrough' }) })).toBe('threadLoop');
  });

  it('inside a cut-out only own hair carries; its margin is fixed through hair and net', () => {
    expect(decideKnot(situation({ netHere: 'cutOut', schools: schools({ through: 'netOnly' }) })).through).toBe('hair');
    expect(decideKnot(situation({ netHere: 'margin', schools: schools({ through: 'netOnly' }) })).through).toBe(
      'hairAndNet',
    );
  });

  it('open places are one-leg, laid back to front, swept over, or left to hair that springs, by her choice', () => {
    const entries = (['oneLeg', 'backToFront', 'sweptOver', 'springy'] as const).map((exposed) => {
      const d = decideKnot(situation({ exposed: 'part', schools: schools({ exposed }) }));
      return [d.kind, d.entry];
    });
    expect(entries).toEqual([
      ['oneLeg', 'fromCoveredSide'],
      ['wrap', 'fromTheFront'],
      ['wrap', 'across'],
      ['wrap', 'withFall'],
    ]);
  });

  it('strands that cling are never one-leg, and it is said what to do instead', () => {
    const d = decideKnot(situation({ exposed: 'part', clings: true, canOneLeg: false }));
    expect(d.kind).toBe('wrap');
    expect(d.chain[0].because).toMatch(/back to front, or no part/);
  });

  it('holes follow the school: one, three, several gathered; none without a net', () => {
    const holes = (['one', 'three', 'gathered'] as const).map(
      (h) => decideKnot(situation({ schools: schools({ holes: h }) })).holes,
    );
    expect(holes).toEqual([1, 3, 5]);
    expect(decideKnot(situation({ capped: false })).holes).toBe(0);
  });

  it('a wide twist is hooked beside, through, on top or into its tied root, by school', () => {
    const entries = (['beside', 'through', 'onTop', 'tiedRoot'] as const).map(
      (wideTwist) => decideKnot(situation({ on: 'twist', capped: false, schools: schools({ wideTwist }) })).entry,
    );
    expect(entries).toEqual(['beside', 'throughTwist', 'onTop', 'intoRoot']);
  });

  it('one that slid when it was tried gets more', () => {
    const wraps = (change: Partial<KnotSituation>) => decideKnot(situation(change)).wraps;
    expect(wraps({ slips: true })).toBeGreaterThan(wraps({}));
    expect(wraps({ slips: true, texture: 'kinky' })).toBeGreaterThan(wraps({ texture: 'kinky' }));
  });
});

const anyWish: fc.Arbitrary<KnotOverride> = fc.record(
  {
    kind: fc.constantFrom(...KNOT_KINDS),
    wraps: fc.integer({ min: 1, max: 6 }),
    lock: fc.boolean(),
    through: fc.constantFrom(...THROUGHS),
  },
  { requiredKeys: [] },
);

describe('her own choice', () => {
  it('is followed where the piece can be held so, and refused with its reason where it can’t', () => {
    fc.assert(
      fc.property(anySituation, anyWish, (s, wish) => {
        const d = decideKnot(s, wish);
        const why = cannot(s, wish);
        expect(d.refused).toBe(why);
        if (why === undefined) {
          if (wish.kind) expect(d.kind).toBe(wish.kind);
          if (wish.wraps) expect(d.wraps).toBe(wish.wraps);
          if (wish.through && d.kind !== 'anchor') expect(d.through).toBe(wish.through);
        } else {
          expect(d).toEqual({ ...decideKnot(s), refused: why });
        }
        if (d.kind === 'oneLeg') expect(s.canOneLeg).toBe(true);
        if (d.lock) expect(s.canLock).toBe(true);
        if (d.kind === 'fold') expect(s.loose).toBe(true);
        if (d.kind === 'threadLoop') expect(s.threadLoop).toBe(true);
      }),
      { seed: 84, numRuns: 800 },
    );
  });
});

describe('the tables', () => {
  const tables = Object.values(RULE_TABLES) as ReadonlyArray<ReadonlyArray<{ id: string; school?: SchoolName }>>;
  it('have ids of their own and end on a rule that always applies', () => {
    const ids = tables.flatMap((t) => t.map((r) => r.id));
    expect(new Set(ids).size).toBe(ids.length);
    for (const table of Object.values(RULE_TABLES)) expect(table.at(-1)!.when(situation())).toBe(true);
  });

  it('name schools that exist, and every school has a reason', () => {
    for (const r of tables.flat()) if (r.school) expect(SCHOOL_OPTIONS).toHaveProperty(r.school);
    for (const [school, values] of Object.entries(SCHOOL_VALUES))
      expect(SCHOOL_OPTIONS[school as SchoolName].map((o) => o.value)).toEqual(values);
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

describe('what holds and what bears', () => {
  it('a blending piece stays behind in own hair, so the net neither holds nor bears it', () => {
    const blending = decideKnot(situation({ texture: 'straight', blending: true, perimeter: true }));
    expect([blending.wraps, blending.through, blending.holes]).toEqual([4, 'hair', 0]);
    expect(decideKnot(situation({ texture: 'straight' })).wraps).toBe(2);
    expect(blending.may.through).toEqual(['hair']);
    expect(blending.may.kinds).not.toContain('anchor');
  });

  it('at an anchor’s place another knot goes through hair all the same', () => {
    const place = situation({ anchorPlace: true });
    expect(decideKnot(place).kind).toBe('anchor');
    expect(decideKnot(place, { kind: 'wrap' }).through).toBe('hairAndNet');
    expect(decideKnot(situation(), { kind: 'wrap' }).through).toBe('net');
  });

  it('a bite is as many hairs as people take: 28 of medium hair, a generous one without a net (guess; common practice)', () => {
    // 175 hairs a cm².
    const hairs = (through: Parameters<typeof biteSideMm>[0]) => 1.75 * biteSideMm(through, 'medium', 1 / 1.75) ** 2;
    expect([hairs('hair'), hairs('hairAndNet'), hairs('border'), hairs('net')]).toEqual([
      expect.closeTo(49, 9),
      expect.closeTo(28, 9),
      expect.closeTo(28, 9),
      0,
    ]);
    expect(biteSideMm('border', 'fine', 0.5)).toBeGreaterThan(biteSideMm('border', 'coarse', 0.5));
  });

  it('what it may be is what is not refused', () => {
    for (const s of [
      situation(),
      situation({ on: 'rod', canOneLeg: false, canLock: true }),
      situation({ loose: true }),
    ]) {
      const { may } = decideKnot(s);
      for (const kind of KNOT_KINDS) expect(may.kinds.includes(kind)).toBe(cannot(s, { kind }) === undefined);
      for (const through of THROUGHS) expect(may.through.includes(through)).toBe(cannot(s, { through }) === undefined);
      expect(may.lock).toBe(cannot(s, { lock: true }) === undefined);
    }
  });
});
