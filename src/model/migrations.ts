/**
 * Steps from each older version to the next. They are only ever added, run on a copy, and each has a frozen
 * fixture of its version in its test.
 */
import { PLAN_VERSION } from './plan.ts';

type Step = (plan: Record<string, unknown>) => Record<string, unknown>;

/** STEPS[n] turns version n into n + 1. */
const STEPS: Readonly<Record<number, Step>> = {
  1: repeatedReadings,
  2: capHairAndRows,
  3: finishAndGuesses,
  4: idsOfChanges,
  5: leftToTheHair,
  6: everyInstall,
  7: oneColour,
  8: unsaid,
  9: withoutScan,
};

/**
 * 1 → 2: up to three readings a measure, four fingers on the ruler, a hairline of her own, hair by region, marks
 * in place of two lists of regions, and every family of bases.
 */
function repeatedReadings(plan: Record<string, unknown>): Record<string, unknown> {
  const { fingerWidth, tape, ownHair, base, ...rest } = plan as {
    fingerWidth: string;
    tape: Record<string, string>;
    ownHair: { tender: string[]; thin: string[] } & Record<string, unknown>;
    base: { sections: number };
  };
  const { tender, thin, ...own } = ownHair;
  const marked = (kind: string, regions: readonly string[]) =>
    regions.map((region) => ({ kind, erase: false, place: { region } }));
  const even = { corner: 0, temple: 0, sideburn: 0, behindEar: 0, napeCorner: 0 };
  const behind = Math.ceil(base.sections / 2);
  return {
    ...rest,
    fingers: { count: 1, width: fingerWidth },
    tape: Object.fromEntries(Object.entries(tape).map(([m, text]) => [m, text.trim() === '' ? [] : [text.trim()]])),
    trusted: [],
    hairline: { mirrored: true, front: 0, nape: 0, left: { ...even }, right: { ...even } },
    ownHair: { ...own, curl: 'curly', ponytail: '', freshEnds: false, byRegion: {} },
    marks: [...marked('tender', tender), ...marked('thin', thin)],
    wishes: { musts: [] },
    base: {
      family: 'tied',
      behind,
      front: base.sections - behind,
      count: 30,
      boxes: 'brick',
      boxFingers: 1.5,
      topFingers: 1,
      tieAt: 'crown',
      ringFingers: 1.5,
      wrapPitchMm: 5,
      rodPieces: 'root',
      tail: 'plait',
      tipsWaxed: false,
      leftOut: { where: 'none', fingers: 0.5 },
      found: { what: 'rows', ageDays: 14, lines: [] },
      edits: [],
      locked: [],
      parking: { bySection: {} },
    },
  };
}

/** What version 3 added, as it was meant where nothing had been said. */
const CAP_3 = {
  opening: 'none',
  openingMm: 100,
  openingWidthMm: 12,
  band: true,
  combs: [],
  strap: false,
  ownRows: 'none',
  girth: '50 cm',
  depth: '32 cm',
  stretch: 1.4,
  hole: 'honeycomb',
  holePitchMm: 4,
  surplus: false,
  timesWorn: 0,
  filledOn: 'head',
  block: { girth: '54 cm', depth: '34 cm' },
  wig: false,
  wigHolds: ['combs'],
  topKept: true,
  blending: 'none',
};

const HAIR_3 = {
  id: 'hair-1',
  bundlesPerPack: 1,
  drawnOut: '',
  fibre: 'plain',
  heatC: 0,
  colours: ['black'],
  test: { tug: 'untried', apart: 'untried', hooked: 'untried' },
  condition: 'new',
  timesWorn: 0,
  packsAtHand: 0,
};

const ROWS_3 = {
  scheme: 'joined',
  secondPass: 'none',
  fringe: { how: 'none', widthFingers: 4, rows: 2 },
  brush: [],
  hand: [],
};

const SCHOOLS_3 = {
  exposed: 'oneLeg',
  threadLoop: 'hooked',
  holes: 'three',
  border: 'atOnce',
  perimeterKnot: 'ordinary',
  wideTwist: 'beside',
  bun: 'roundIt',
  prepare: 'packByPack',
  smoothing: 'middle',
  trim: 'later',
};

/**
 * 2 → 3: a cap as features, several products with cuts of them by zone, row schemes with brush and hand, and more
 * schools. What was one closed cap, one product and one cut stays so.
 */
function capHairAndRows(plan: Record<string, unknown>): Record<string, unknown> {
  const { cap, product, schools, ...rest } = plan as {
    cap: string;
    product: { split: number } & Record<string, unknown>;
    schools: Record<string, unknown>;
  };
  const { split, ...made } = product;
  const everywhere = { cut: 'cut-1' };
  return {
    ...rest,
    cap: { dome: cap, ...CAP_3 },
    products: [{ ...made, ...HAIR_3 }],
    cuts: [
      {
        id: 'cut-1',
        name: split > 1 ? `Split in ${split}` : 'Whole pieces',
        product: 'hair-1',
        split,
        half: false,
        opened: { when: 'never', strands: 1, reach: 0.5 },
        dressed: 'asItIs',
      },
    ],
    pieces: {
      part: everywhere,
      top: everywhere,
      back: everywhere,
      nape: everywhere,
      faceEdge: everywhere,
      fringe: everywhere,
    },
    rows: ROWS_3,
    knotWishes: [],
    schools: { ...schools, ...SCHOOLS_3 },
  };
}

/** 3 → 4: how full it is meant to be, what it is trimmed to, what enough is, and guesses of her own. Nothing was trimmed. */
function finishAndGuesses(plan: Record<string, unknown>): Record<string, unknown> {
  const rows = { ...(plan.rows as Record<string, unknown>), offset: 0 };
  return { ...plan, rows, finish: { fullness: 'enough', outline: 'none', reach: '15 cm' }, enough: 0.5, guesses: {} };
}

/** 4 → 5: changes by hand, choices of knots and edits of the base have ids, in place of their place in a list. */
function idsOfChanges(plan: Record<string, unknown>): Record<string, unknown> {
  const { rows, base, knotWishes, ...rest } = plan as {
    rows: { hand: object[] };
    base: { edits: object[] };
    knotWishes: object[];
  };
  const named = (letter: string, list: readonly object[]) => list.map((c, i) => ({ id: `${letter}${i + 1}`, ...c }));
  return {
    ...rest,
    base: { ...base, edits: named('e', base.edits) },
    rows: { ...rows, hand: named('h', rows.hand) },
    knotWishes: named('w', knotWishes),
  };
}

/** 5 → 6: gaps may be left to the hair and the row scheme to the base, and a cap's ready rows may win. What she had said is hers as before. */
function leftToTheHair(plan: Record<string, unknown>): Record<string, unknown> {
  const rows = plan.rows as Record<string, unknown>;
  return { ...plan, rows: { ...rows, follow: 'base' } };
}

/**
 * 6 → 7: a wig for nobody's base (all were her own); pieces that go into the base; a row along the border, hooked with what the face edge takes; schools by place; rows switched off; a second dressing,
 * ends cut off, hair tied down, a leave-out widened or cut, strands with a
 * job, left-over pieces filled in, so many blending pieces. None was there; all of a line blended.
 */
function everyInstall(plan: Record<string, unknown>): Record<string, unknown> {
  const rows = plan.rows as Record<string, unknown>;
  const pieces = plan.pieces as Record<string, unknown>;
  const finish = plan.finish as Record<string, unknown>;
  const base = plan.base as Record<string, unknown>;
  const cuts = plan.cuts as Array<{ readonly id: string }>;
  const cap = plan.cap as Record<string, unknown>;
  return {
    ...plan,
    base: { ...base, leftOut: { ...(base.leftOut as object), atEnd: 'stay' } },
    finish: { ...finish, setMinutes: 0 },
    cuts: cuts.map((c) => ({ ...c, dressedAgain: 'asItIs', endsOffMm: 0 })),
    cap: { ...cap, blendingPieces: 0, combsAt: [] },
    parting: { onlyWorn: false },
    schools: { ...(plan.schools as object), stiff: 'ordinary' },
    madeFor: { whom: 'me', sizedBy: 'tape', size: 'medium', known: '', wornOver: false },
    strands: [],
    fill: { where: 'none', pieces: 0, cut: cuts[0]?.id },
    rows: {
      ...rows,
      off: [],
      keepLines: false,
      intoBase: [],
      borderRow: { where: 'none', fingers: 0.75, knot: 'byHair', when: 'last' },
    },
    pieces: { ...pieces, border: pieces.faceEdge },
    places: [],
  };
}

/** 7 → 8: colours may be mixed. None were. */
function oneColour(plan: Record<string, unknown>): Record<string, unknown> {
  return { ...plan, colours: { more: [], noMore: [], shares: {}, hooked: {}, left: {} } };
}

/** 8 → 9: evenings, days worn and wishes for buying may be said. Nothing was. */
function unsaid(plan: Record<string, unknown>): Record<string, unknown> {
  return plan;
}

/** 9 → 10: a head may have the shape of a scan. None had. */
function withoutScan(plan: Record<string, unknown>): Record<string, unknown> {
  return plan;
}

export function migratePlan(plan: Readonly<Record<string, unknown>>): Record<string, unknown> {
  let current = JSON.parse(JSON.stringify(plan)) as Record<string, unknown>;
  for (let version = Number(plan.version); version < PLAN_VERSION; version++) {
    const step = STEPS[version];
    if (!step) throw new Error(`no migration from plan version ${version}`);
    current = { ...step(current), version: version + 1 };
  }
  return current;
}
