/** A walk through plans: random changes over every field of the inputs, every change by hand, forgetting, undo and redo. */
import { DEFAULT_BASE } from '../../src/core/base/choice.ts';
import type { BaseEdit } from '../../src/core/base/sections/edit.ts';
import { OWN } from '../../src/core/colours/choice.ts';
import { POSE_NAMES, POSES } from '../../src/core/fall/poses.ts';
import type { DirectionDeg, Mark } from '../../src/core/head/marks.ts';
import type { Part } from '../../src/core/head/part.ts';
import type { Override } from '../../src/core/knots/place/overrides.ts';
import type { PlaceSchools } from '../../src/core/knots/place/schools-here.ts';
import type { PlanInputs } from '../../src/core/plan/inputs.ts';
import type { LookAsked } from '../../src/core/plan/look-result.ts';
import type { RowEdit } from '../../src/core/rows/choice.ts';
import { AGES } from '../../src/core/trade/ages.ts';
import {
  BOX_SHAPES,
  FAMILIES,
  FOUND_KINDS,
  PARKINGS,
  ROD_PLACES,
  STRIPS,
  STRIPS_AT_END,
  TIE_PLACES,
} from '../../src/core/trade/bases.ts';
import {
  BLENDINGS,
  COMB_PLACES,
  DOMES,
  FILLED_ONS,
  HOLE_SHAPES,
  OPENINGS,
  OWN_ROWS,
  WIG_HOLDS,
} from '../../src/core/trade/caps.ts';
import { FULLNESS_AIMS, OUTLINES } from '../../src/core/trade/finish.ts';
import { FALL_GUESS_NAMES, FALL_GUESSES } from '../../src/core/trade/guesses.ts';
import { APARTS, FIBRES, HOOKEDS, TUGS } from '../../src/core/trade/hair.ts';
import { INTO_WAYS, INTO_WHENS } from '../../src/core/trade/into-base.ts';
import { KNOT_KINDS, THROUGHS } from '../../src/core/trade/knots.ts';
import { LOOPS } from '../../src/core/trade/loops.ts';
import { HEAD_SIZES, SIZED_BYS, WHOMS } from '../../src/core/trade/made-for.ts';
import { MARK_KINDS, REGIONS } from '../../src/core/trade/marks.ts';
import { CURLS, FULLNESS, HAIR_REGIONS, STRANDS } from '../../src/core/trade/own-hair.ts';
import { PACES } from '../../src/core/trade/pace.ts';
import { DRESSINGS, OPENED_WHEN, SPLITS } from '../../src/core/trade/preparation.ts';
import { REQUIREMENTS } from '../../src/core/trade/requirements.ts';
import {
  BORDER_KNOTS,
  BORDER_WHENS,
  BORDER_WHERES,
  FILL_WHERES,
  FRINGES,
  ROWS_FOLLOWED,
  SCHEMES,
  SECOND_PASSES,
} from '../../src/core/trade/rows.ts';
import { SCHOOL_OPTIONS, type SchoolOption } from '../../src/core/trade/school-words.ts';
import { SCHOOLS_BY_PLACE, type SchoolName, type Schools } from '../../src/core/trade/schools.ts';
import { STRAND_JOBS } from '../../src/core/trade/strands.ts';
import { TAPE_MEASURES } from '../../src/core/trade/tape.ts';
import { TEXTURES } from '../../src/core/trade/textures.ts';
import { PIECE_ZONES, SCHOOL_PLACES, ZONES } from '../../src/core/trade/zones.ts';
import { plainInputs } from './heads.ts';

type Random = () => number;
type Step = (asked: LookAsked, r: Random, id: string) => LookAsked;

const between = (r: Random, low: number, high: number) => low + (high - low) * r();
const whole = (r: Random, low: number, high: number) => Math.floor(between(r, low, high + 1));
const one = <T>(r: Random, list: readonly T[]): T => list[Math.min(list.length - 1, Math.floor(r() * list.length))];
const some = <T>(r: Random, list: readonly T[]): T[] => list.filter(() => r() < 0.4);
/** Half of all places lie behind, where most rows are. */
const place = (r: Random): DirectionDeg => [between(r, -180, 180), between(r, -10, 80)];
const stroke = (r: Random) => {
  const at = place(r);
  return {
    points: [at, [at[0] + between(r, -20, 20), at[1] + between(r, -15, 15)] as const],
    radiusMm: between(r, 8, 40),
  };
};

/** A change of the inputs alone. */
const input =
  (change: (inputs: PlanInputs, r: Random, id: string) => Partial<PlanInputs>): Step =>
  (asked, r, id) => ({ ...asked, inputs: { ...asked.inputs, ...change(asked.inputs, r, id) } });
const ofBase = (change: (i: PlanInputs, r: Random, id: string) => Partial<PlanInputs['base']>): Step =>
  input((i, r, id) => ({ base: { ...i.base, ...change(i, r, id) } }));
const ofRows = (change: (i: PlanInputs, r: Random, id: string) => Partial<PlanInputs['rows']>): Step =>
  input((i, r, id) => ({ rows: { ...i.rows, ...change(i, r, id) } }));
const ofCap = (change: (i: PlanInputs, r: Random) => Partial<PlanInputs['cap']>): Step =>
  input((i, r) => ({ cap: { ...i.cap, ...change(i, r) } }));
const ofHair = (change: (i: PlanInputs, r: Random) => Partial<PlanInputs['products'][number]>): Step =>
  input((i, r) => ({ products: i.products.map((p, k) => (k === 0 ? { ...p, ...change(i, r) } : p)) }));
const byHand = (deed: (r: Random) => RowEdit): Step =>
  ofRows((i, r, id) => ({ hand: [...i.rows.hand, { id, ...deed(r) }] }));
const without = <T>(r: Random, list: readonly T[]): readonly T[] => {
  const at = whole(r, 0, list.length - 1);
  return list.filter((_, i) => i !== at);
};

const MEASURES: Readonly<Record<string, number>> = {
  girth: 561,
  frontToNape: 352,
  earToEarTop: 341,
  earToEarFront: 296,
  templeToTemple: 386,
  napeWidth: 127,
};
const SECTIONS = ['b1', 'b2', 'b3', 'f1', 'f2', 'left', 'right', 'row1', 'x1.1', 'all'];

function part(r: Random): Part {
  if (r() < 0.25) return { kind: one(r, ['crown', 'swept'] as const) };
  const frontMm = between(r, -50, 50);
  return { kind: 'line', frontMm, endMm: frontMm * 0.7, lengthMm: between(r, 60, 150), bendMm: between(r, -15, 15) };
}

function edit(r: Random): BaseEdit {
  const [a, b] = [one(r, SECTIONS), one(r, SECTIONS)];
  switch (whole(r, 0, 4)) {
    case 0:
      return { op: 'move', a, b, startMm: between(r, -15, 15), endMm: between(r, -15, 15) };
    case 1:
      return { op: 'cut', section: a, line: [place(r), place(r)] };
    case 2:
      return { op: 'merge', a, b };
    case 3:
      return { op: 'tie', section: a, at: place(r) };
    default:
      return { op: 'even', locked: [] };
  }
}

function override(r: Random, id: string): Override {
  const of = one(r, [{ knot: place(r) }, { row: place(r) }, { zone: one(r, ZONES) }] as const);
  const wish = one(r, [
    { kind: one(r, KNOT_KINDS) },
    { wraps: whole(r, 1, 4) },
    { lock: r() < 0.5 },
    { through: one(r, THROUGHS) },
    { cut: 'half' },
  ] as const);
  return { id, of, wish };
}

const parked = (r: Random): PlanInputs['base']['parking']['bySection'] =>
  r() < 0.3 ? { b1: { how: 'sewn', to: place(r) } } : {};

function mark(r: Random): Mark {
  const where = r() < 0.5 ? { region: one(r, REGIONS) } : { stroke: stroke(r) };
  return { kind: one(r, MARK_KINDS), erase: r() < 0.2, place: where };
}

/** Every field of the inputs, every change by hand, and what is asked of a look. */
export const STEPS: Readonly<Record<string, Step>> = {
  tape: input((i, r) => {
    const m = one(r, TAPE_MEASURES);
    return { tape: { ...i.tape, [m]: MEASURES[m] * between(r, 0.96, 1.04) } };
  }),
  tapeSpreadsMm: input((_, r) => ({ tapeSpreadsMm: { [one(r, TAPE_MEASURES)]: between(r, 2, 9) } })),
  trusted: input((_, r) => ({ trusted: some(r, TAPE_MEASURES) })),
  hairline: input((i, r) => {
    const side = { ...i.hairline.left, temple: between(r, -6, 6), corner: between(r, -6, 6) };
    return {
      hairline:
        r() < 0.4
          ? { ...i.hairline, left: side }
          : { ...i.hairline, front: between(r, -8, 8), left: side, right: side },
    };
  }),
  fingerMm: input((_, r) => ({ fingerMm: between(r, 15, 21) })),
  'ownHair.length': input((i, r) => ({ ownHair: { ...i.ownHair, lengthMm: between(r, 30, 500) } })),
  'ownHair.kind': input((i, r) => ({
    ownHair: {
      ...i.ownHair,
      strand: one(r, STRANDS),
      fullness: one(r, FULLNESS),
      curl: one(r, CURLS),
      freshEnds: r() < 0.3,
    },
  })),
  'ownHair.byRegion': input((i, r) => ({
    ownHair: { ...i.ownHair, byRegion: { [one(r, HAIR_REGIONS)]: { lengthMm: between(r, 20, 300) } } },
  })),
  marks: input((i, r) => ({ marks: [...i.marks, mark(r)] })),
  'marks.forget': input((i, r) => ({ marks: without(r, i.marks) })),
  'base.family': ofBase((i, r) => ({ ...DEFAULT_BASE, edits: i.base.edits, family: one(r, FAMILIES) })),
  'base.counts': ofBase((_, r) => ({ behind: whole(r, 1, 5), front: whole(r, 0, 5), count: whole(r, 3, 20) })),
  'base.boxes': ofBase((_, r) => ({ boxes: one(r, BOX_SHAPES), boxFingers: between(r, 1.5, 3) })),
  'base.tie': ofBase((_, r) => ({
    tieAt: one(r, TIE_PLACES),
    ringFingers: between(r, 0, 2),
    topFingers: between(r, 0, 3),
  })),
  'base.rods': ofBase((_, r) => ({ rodPieces: one(r, ROD_PLACES), wrapPitchMm: between(r, 3, 12) })),
  'base.tail': ofBase((_, r) => ({ tail: one(r, ['plait', 'twist', 'smooth'] as const), tipsWaxed: r() < 0.5 })),
  'base.leftOut': ofBase((_, r) => ({
    leftOut: { where: one(r, STRIPS), fingers: between(r, 0.25, 1.5), atEnd: one(r, STRIPS_AT_END) },
  })),
  'base.found': ofBase((i, r) => ({ found: { ...i.base.found, what: one(r, FOUND_KINDS), ageDays: whole(r, 0, 60) } })),
  'base.edits': ofBase((i, r, id) => ({ edits: [...i.base.edits, { id, ...edit(r) }] })),
  'base.edits.forget': ofBase((i, r) => ({ edits: without(r, i.base.edits) })),
  'base.locked': ofBase((_, r) => ({ locked: r() < 0.5 ? ['b1|b2'] : [] })),
  'base.parking': ofBase((_, r) => ({
    parking: { all: one(r, PARKINGS), bySection: parked(r) },
  })),
  wishes: input((_, r) => ({ wishes: { musts: some(r, REQUIREMENTS), baseMinutes: whole(r, 10, 200) } })),
  'cap.dome': ofCap((_, r) => ({ dome: one(r, DOMES) })),
  'cap.opening': ofCap((_, r) => ({
    opening: one(r, OPENINGS),
    openingMm: between(r, 30, 140),
    openingWidthMm: between(r, 6, 40),
  })),
  'cap.holds': ofCap((_, r) => ({
    combs: some(r, COMB_PLACES),
    strap: r() < 0.5,
    band: r() < 0.5,
    wigHolds: some(r, WIG_HOLDS),
  })),
  'cap.net': ofCap((_, r) => ({
    hole: one(r, HOLE_SHAPES),
    holePitchMm: between(r, 2, 8),
    stretch: between(r, 1.1, 1.9),
    girthMm: between(r, 450, 560),
    depthMm: between(r, 280, 380),
  })),
  'cap.wig': ofCap((_, r) => ({
    wig: r() < 0.5,
    filledOn: one(r, FILLED_ONS),
    topKept: r() < 0.5,
    blending: one(r, BLENDINGS),
    blendingPieces: r() < 0.5 ? 0 : whole(r, 1, 12),
    surplus: r() < 0.5,
  })),
  'cap.ownRows': ofCap((_, r) => ({ ownRows: one(r, OWN_ROWS), timesWorn: whole(r, 0, 9) })),
  part: input((_, r) => ({ part: part(r) })),
  'products.kind': ofHair((_, r) => ({
    texture: one(r, TEXTURES),
    fibre: one(r, FIBRES),
    loop: one(r, LOOPS),
    loopComesOff: r() < 0.5,
    colours: [one(r, ['black', 'blond', 'red'])],
  })),
  'products.pack': ofHair((_, r) => ({
    piecesPerPack: whole(r, 8, 150),
    packMassG: between(r, 20, 150),
    strandsPerPiece: whole(r, 1, 8),
    packPrice: whole(r, 1, 30),
    packsAtHand: whole(r, 0, 4),
    composed: whole(r, 1, 2),
  })),
  'products.length': ofHair((_, r) => ({
    lengthMm: between(r, 80, 500),
    drawnOutMm: between(r, 500, 600),
    timesWorn: whole(r, 0, 3),
    heatC: whole(r, 0, 200),
  })),
  'products.test': ofHair((_, r) => ({
    test: {
      tug: one(r, TUGS),
      apart: one(r, APARTS),
      hooked: one(r, HOOKEDS),
      ...(r() < 0.3 ? { counted: whole(r, 6, 90) } : {}),
    },
  })),
  cuts: input((i, r) => ({
    cuts: i.cuts.map((c, k) =>
      k === 0 && r() < 0.5
        ? c
        : {
            ...c,
            split: one(r, SPLITS),
            half: r() < 0.3,
            dressed: one(r, DRESSINGS),
            dressedAgain: one(r, DRESSINGS),
            endsOffMm: r() < 0.5 ? 0 : between(r, 0, 90),
            opened: { when: one(r, OPENED_WHEN), strands: r(), reach: r() },
          },
    ),
  })),
  pieces: input((i, r) => {
    const zone = one(r, PIECE_ZONES);
    const mixed = r() < 0.3 ? { mixed: { cut: 'whole', every: whole(r, 2, 5) } } : {};
    return { pieces: { ...i.pieces, [zone]: { cut: one(r, ['whole', 'half']), ...mixed } } };
  }),
  'spacing.said': input((i, r) => ({ spacing: { ...i.spacing, said: one(r, ['centres', 'clear'] as const) } })),
  'spacing.fingers': input((i, r) => ({
    spacing: { ...i.spacing, fingers: { ...i.spacing.fingers, [one(r, ZONES)]: between(r, 1, 2.6) } },
  })),
  'rows.scheme': ofRows((_, r) => ({ scheme: one(r, SCHEMES) })),
  'rows.follow': ofRows((_, r) => ({
    follow: one(r, ROWS_FOLLOWED),
    off: some(r, ['cap3', 'cap5', 'row1', 'row4']),
  })),
  'spacing.left': input((i, r) => ({
    spacing: {
      ...i.spacing,
      fingers: Object.fromEntries(ZONES.flatMap((z) => (r() < 0.6 ? [] : [[z, i.spacing.fingers[z] ?? 1.25]]))),
    },
  })),
  'rows.secondPass': ofRows((_, r) => ({ secondPass: one(r, SECOND_PASSES) })),
  'rows.offset': ofRows((_, r) => ({ offset: between(r, -0.25, 0.25) })),
  'rows.fringe': ofRows((_, r) => ({
    fringe: { how: one(r, FRINGES), widthFingers: between(r, 2, 6), rows: whole(r, 1, 3) },
  })),
  'rows.borderRow': ofRows((_, r) => ({
    borderRow: {
      where: one(r, BORDER_WHERES),
      fingers: between(r, 0.5, 2),
      knot: one(r, BORDER_KNOTS),
      when: one(r, BORDER_WHENS),
    },
  })),
  parting: input((_, r) => ({
    parting: {
      onlyWorn: r() < 0.2,
      ...(r() < 0.5
        ? {}
        : {
            second: {
              kind: 'line' as const,
              frontMm: between(r, -50, 50),
              endMm: between(r, -45, 45),
              lengthMm: between(r, 60, 150),
              bendMm: between(r, -12, 12),
            },
          }),
    },
  })),
  'rows.keepLines': ofRows((_, r) => ({ keepLines: r() < 0.5 })),
  madeFor: input((_, r) => ({
    madeFor: {
      whom: one(r, WHOMS),
      sizedBy: one(r, SIZED_BYS),
      size: one(r, HEAD_SIZES),
      known: '',
      wornOver: r() < 0.6,
    },
  })),
  'cap.combsAt': ofCap((i, r) => ({ combsAt: [...i.cap.combsAt.slice(-2), place(r)] })),
  'rows.intoBase': ofRows((i, r, id) => ({
    intoBase: [
      ...i.rows.intoBase.slice(-2),
      {
        id,
        way: one(r, INTO_WAYS),
        sections: r() < 0.6 ? [] : ['b1', 'f1', 'coil', 'row2', 'top'],
        pieces: whole(r, 1, 6),
        fingers: between(r, 0.5, 2),
        reachFingers: r() < 0.5 ? 0 : between(r, 1, 6),
        when: one(r, INTO_WHENS),
        ...(r() < 0.5 ? {} : { cut: one(r, ['whole', 'half']) }),
      },
    ],
  })),
  'rows.intoBase.forget': ofRows((i, r) => ({ intoBase: without(r, i.rows.intoBase) })),
  places: input((i, r, id) => ({ places: [...i.places, placeSchools(r, id)] })),
  strands: input((i, r, id) => ({
    strands: [
      ...i.strands.slice(-3),
      { id, job: one(r, STRAND_JOBS), cut: one(r, ['whole', 'half']), count: whole(r, 1, 8) },
    ],
  })),
  colours: input((_, r) => ({
    colours: {
      more: MIXED.slice(0, whole(r, 0, 3)).map((c) => ({ id: c, name: c, packsAtHand: whole(r, 0, 3) })),
      noMore: some(r, [OWN, ...MIXED]),
      shares: shares(r),
      hooked: {},
      left: {},
    },
  })),
  testRow: input((_, r) => ({
    testRow:
      r() < 0.5 ? undefined : { pieces: whole(r, 2, 12), spanMm: between(r, 20, 200), minutes: between(r, 0.5, 12) },
  })),
  fill: input((_, r) => ({
    fill: { where: one(r, FILL_WHERES), pieces: r() < 0.5 ? 0 : whole(r, 1, 20), cut: one(r, ['whole', 'half']) },
  })),
  'places.forget': input((i, r) => ({ places: without(r, i.places) })),
  'rows.brush': ofRows((i, r) => ({ brush: [...i.rows.brush, { stroke: stroke(r), factor: one(r, [0.7, 1, 1.4]) }] })),
  'rows.brush.forget': ofRows((i, r) => ({ brush: without(r, i.rows.brush) })),
  'hand.pull': byHand((r) => ({ op: 'pull', at: place(r), mm: between(r, -9, 9) })),
  'hand.pull far': byHand((r) => ({ op: 'pull', at: place(r), mm: 25 })),
  'hand.move': byHand((r) => {
    const at = place(r);
    return { op: 'move', at, to: [at[0] + between(r, -4, 4), at[1] + between(r, -4, 4)] };
  }),
  'hand.add': byHand((r) => ({ op: 'add', at: place(r) })),
  'hand.remove': byHand((r) => ({ op: 'remove', at: place(r) })),
  'hand.lock': byHand((r) => {
    const [azimuth, elevation] = place(r);
    const line = [0, 12, 24, 36].map((d): DirectionDeg => [azimuth / 2 + d, elevation]);
    return { op: 'lock', line, knots: [line[1], line[2]] };
  }),
  'hand.forget': ofRows((i, r) => ({ hand: without(r, i.rows.hand) })),
  'hand.forget first': ofRows((i) => ({ hand: i.rows.hand.slice(1) })),
  knotWishes: input((i, r, id) => ({ knotWishes: [...i.knotWishes, override(r, id)] })),
  'knotWishes.forget': input((i, r) => ({ knotWishes: without(r, i.knotWishes) })),
  schools: input((i, r) => {
    const name = one(r, Object.keys(SCHOOL_OPTIONS) as SchoolName[]);
    return {
      schools: { ...i.schools, [name]: one(r, SCHOOL_OPTIONS[name] as readonly SchoolOption[]).value } as Schools,
    };
  }),
  finish: input((_, r) => ({
    finish: {
      fullness: one(r, FULLNESS_AIMS),
      outline: one(r, OUTLINES),
      reachMm: between(r, 20, 400),
      setMinutes: whole(r, 0, 40),
    },
  })),
  guesses: input((i, r) => {
    const g = one(r, FALL_GUESS_NAMES);
    return { guesses: { ...i.guesses, [g]: between(r, FALL_GUESSES[g].range[0], FALL_GUESSES[g].range[1]) } };
  }),
  reserveShare: input((_, r) => ({ reserveShare: between(r, 0, 0.3) })),
  pace: input((_, r) => ({ pace: one(r, PACES) })),
  meshFrequency: input((i) => ({ meshFrequency: i.meshFrequency === 10 ? 9 : 10 })),
  'look.state': (asked, r) => ({ ...asked, state: POSES[one(r, POSE_NAMES)].state }),
  'look.age': (asked, r) => ({ ...asked, age: one(r, AGES) }),
  'look.knotsIn': (asked, r) => ({ ...asked, knotsIn: r() < 0.5 ? undefined : whole(r, 0, 60) }),
  'look.guesses': (asked, r) => ({
    ...asked,
    guesses: r() < 0.5 ? undefined : { ...asked.inputs.guesses, opacity: between(r, 0.3, 0.6) },
  }),
};

/** Ids of colours that are mixed in. */
const MIXED = ['c1', 'c2', 'c3'];
const shares = (r: Random) => Object.fromEntries(some(r, MIXED).map((c) => [c, r() / MIXED.length]));

function placeSchools(r: Random, id: string): PlaceSchools {
  const where = one<PlaceSchools['where']>(r, [
    { zone: one(r, SCHOOL_PLACES) },
    { region: one(r, REGIONS) },
    { painted: [stroke(r)] },
  ]);
  const schools = Object.fromEntries(
    some(r, SCHOOLS_BY_PLACE).map((s) => [s, one(r, SCHOOL_OPTIONS[s] as readonly SchoolOption[]).value]),
  );
  return {
    id,
    where,
    schools,
    ...(r() < 0.4 ? { secondPass: one(r, SECOND_PASSES) } : {}),
    ...(r() < 0.3 ? { cut: one(r, ['whole', 'half']) } : {}),
    ...(r() < 0.4 ? { colours: shares(r) } : {}),
  };
}

export interface Walked {
  readonly asked: LookAsked;
  /** What was done last. */
  readonly step: string;
}

/** Plans one after the other; every fifth step goes back or forth again. Lists are cleared before they grow long. */
export function* walk(random: Random, steps: number): Generator<Walked> {
  const cuts = ['whole', 'half'].map((id) => ({ ...plainInputs().cuts[0], id, name: id, half: id === 'half' }));
  let past: LookAsked[] = [];
  let future: LookAsked[] = [];
  // Few pieces, so that many steps are walked in the time.
  const spacing = { said: 'centres' as const, fingers: { part: 1.5, top: 1.75, back: 2, nape: 2, faceEdge: 1.5 } };
  let asked: LookAsked = { inputs: plainInputs({ meshFrequency: 10, cuts, spacing }) };
  const names = Object.keys(STEPS);
  for (let n = 0; n < steps; n++) {
    const back = past.at(-1);
    const forth = future.at(0);
    const goes = random();
    let step: string;
    if (back && goes < 0.12) {
      [past, future, asked, step] = [past.slice(0, -1), [asked, ...future], back, 'undo'];
    } else if (forth && goes < 0.2) {
      [past, future, asked, step] = [[...past, asked], future.slice(1), forth, 'redo'];
    } else {
      step = one(random, names);
      [past, future] = [[...past, asked], []];
      asked = cleared(STEPS[step](asked, random, `i${n}`));
    }
    yield { asked: structuredClone(asked), step };
  }
}

const MOST = 5;
function cleared(asked: LookAsked): LookAsked {
  const { inputs } = asked;
  const { rows, base } = inputs;
  return {
    ...asked,
    inputs: {
      ...inputs,
      marks: inputs.marks.slice(-MOST),
      knotWishes: inputs.knotWishes.slice(-MOST),
      places: inputs.places.slice(-MOST),
      rows: { ...rows, brush: rows.brush.slice(-MOST), hand: rows.hand.slice(-MOST) },
      base: { ...base, edits: base.edits.slice(-MOST) },
    },
  };
}

/** Options that are tossed for one plan. */
const TOSSED = 25;

/** So many valid plans, each with many options tossed anew. */
export function* randomPlans(random: Random, count: number): Generator<PlanInputs> {
  const names = Object.keys(STEPS).filter((name) => !name.startsWith('look.'));
  for (let n = 0; n < count; n++) {
    const cuts = ['whole', 'half'].map((id) => ({ ...plainInputs().cuts[0], id, name: id, half: id === 'half' }));
    let asked: LookAsked = { inputs: plainInputs({ meshFrequency: 12, cuts }) };
    for (let i = 0; i < TOSSED; i++) asked = cleared(STEPS[one(random, names)](asked, random, `r${n}-${i}`));
    yield { ...asked.inputs, meshFrequency: 12 };
  }
}
