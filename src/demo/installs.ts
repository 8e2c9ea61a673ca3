/** Installs that take more than a base, rows and a piece: one example plan for each thing that can be said of one. */
import type { Preparation } from '../core/hair/index.ts';
import type { DirectionDeg } from '../core/head/index.ts';
import { piecesAll, START_CUT, startBase } from '../model/defaults.ts';
import { copyLine, mirrorLines, setEnd } from '../model/found-lines.ts';
import type { PlanDocument } from '../model/plan.ts';
import { crownTwists, deepPartStraight, shoulderCurls, sweptCoils } from './plans.ts';

const quarters: Preparation = { ...START_CUT, id: 'cut-2', name: 'Quarters', split: 4 };
const halved: Preparation = { ...START_CUT, id: 'cut-3', name: 'Split in two', split: 2 };

interface Install {
  readonly id: string;
  readonly name: string;
  readonly from: PlanDocument;
  readonly plan: (from: PlanDocument) => Partial<PlanDocument>;
}

/** Own rows as they were found: one drawn, two copied beside it, all mirrored; the outer ends fed into the middle. */
const drawn: ReadonlyArray<readonly DirectionDeg[]> = [
  [
    [8, 62],
    [12, 80],
    [160, 76],
    [172, 48],
    [174, 18],
    [175, -8],
  ],
];
function foundRows(from: PlanDocument): PlanDocument['base'] {
  const start: PlanDocument = {
    ...from,
    base: {
      ...startBase('found'),
      found: { what: 'plaits', ageDays: 9, lines: drawn as PlanDocument['base']['found']['lines'] },
    },
  };
  const two = copyLine(start, 0, 30).plan;
  const three = copyLine(two, 0, 58).plan;
  const six = mirrorLines(three).plan;
  return setEnd(setEnd(six, 2, 'wrapped').plan, 5, 'wrapped').plan.base;
}

/** A piece a finger along what it goes into, as far as that goes, before the rows. */
const along = { pieces: 1, fingers: 1, reachFingers: 0, when: 'first' } as const;

const INSTALLS: readonly Install[] = [
  {
    id: 'border-in-front',
    name: 'A row along the border in front, once it goes back',
    from: shoulderCurls,
    plan: (from) => ({
      cuts: [{ ...START_CUT }, quarters],
      pieces: { ...piecesAll('cut-1'), border: { cut: 'cut-2' } },
      schools: { ...from.schools, border: 'late' },
      rows: { ...from.rows, borderRow: { where: 'front', fingers: 0.75, knot: 'oneLeg', when: 'border' } },
    }),
  },
  {
    id: 'border-all-round',
    name: 'A row all round, last of all, for hair that is put up',
    from: sweptCoils,
    plan: (from) => ({
      cuts: [{ ...START_CUT }, halved],
      pieces: { ...piecesAll('cut-1'), border: { cut: 'cut-3' } },
      rows: { ...from.rows, borderRow: { where: 'round', fingers: 0.5, knot: 'oneLeg', when: 'last' } },
    }),
  },
  {
    id: 'hairline-without-a-cap',
    name: 'A row along the hairline, without a cap',
    from: crownTwists,
    plan: (from) => ({
      cuts: [{ ...START_CUT }, halved],
      pieces: { ...piecesAll('cut-1'), border: { cut: 'cut-3' } },
      rows: { ...from.rows, borderRow: { where: 'round', fingers: 1, knot: 'ordinary', when: 'first' } },
    }),
  },
  {
    id: 'schools-by-place',
    name: 'One-leg on the far side, back to front on the near one, windows behind',
    from: deepPartStraight,
    plan: (from) => ({
      schools: { ...from.schools, perimeterKnot: 'oneLegBackcomb' },
      places: [
        { id: 's1', where: { zone: 'partLeft' }, schools: { exposed: 'oneLeg', oneLegWraps: 'twice' } },
        { id: 's2', where: { zone: 'partRight' }, schools: { exposed: 'backToFront' } },
        { id: 's3', where: { zone: 'back' }, schools: { holes: 'one' }, secondPass: 'windows' },
        { id: 's4', where: { region: 'temples' }, schools: { through: 'netOnly', tender: 'netOnly' } },
      ],
    }),
  },
  {
    id: 'found-and-drawn',
    name: 'Plaits that were there, drawn and mirrored',
    from: sweptCoils,
    plan: (from) => ({
      base: foundRows(from),
      cap: { ...from.cap, dome: 'none' },
      rows: { ...from.rows, scheme: 'found' },
      marks: [],
    }),
  },
  {
    id: 'ready-rows-over-own',
    name: 'Ready-made rows over own ones, some of them off',
    from: sweptCoils,
    plan: (from) => ({
      base: foundRows(from),
      cap: { ...from.cap, ownRows: 'back' },
      rows: { ...from.rows, scheme: 'found', follow: 'both', off: ['cap2', 'cap5', 'row4'] },
      marks: [],
    }),
  },
  {
    id: 'opened-in-stages',
    name: 'Half opened before, ends off, tied down at the end',
    from: sweptCoils,
    plan: (from) => ({
      cuts: [
        { ...START_CUT, opened: { when: 'halfBefore', strands: 1, reach: 0.5 }, endsOffMm: 20 },
        { ...quarters, opened: { when: 'afterPackOne', strands: 1, reach: 0.7 } },
      ],
      pieces: { ...piecesAll('cut-1'), top: { cut: 'cut-2' } },
      finish: { ...from.finish, setMinutes: 20 },
    }),
  },
  {
    id: 'smoothed-then-rollers',
    name: 'Smoothed, then on rollers; cut to its length before',
    from: deepPartStraight,
    plan: (from) => ({
      products: from.products.map((p) => ({ ...p, fibre: 'heatProof', heatC: 160 })),
      cuts: [{ ...START_CUT, dressed: 'smoothed', dressedAgain: 'set' }],
      schools: { ...from.schools, smoothing: 'afterOnePack', trim: 'before' },
      finish: { fullness: 'enough', outline: 'layers', reach: '25 cm', setMinutes: 30 },
    }),
  },
  {
    id: 'plaited-lengths',
    name: 'Added lengths plaited, a leave-out widened, surplus cut off',
    from: shoulderCurls,
    plan: (from) => ({
      base: { ...from.base, leftOut: { where: 'front', fingers: 0.75, atEnd: 'widen' } },
      cap: { ...from.cap, surplus: true },
      cuts: [{ ...START_CUT, dressed: 'plaited' }],
      schools: { ...from.schools, smoothing: 'end' },
    }),
  },
  {
    id: 'strands-at-a-puff',
    name: 'A puff braced and its tie wrapped',
    from: crownTwists,
    plan: (from) => ({
      base: startBase('puff'),
      rows: { ...from.rows, scheme: 'fromTie' },
      strands: [
        { id: 'j1', job: 'bracePuff', cut: 'cut-1', count: 1 },
        { id: 'j2', job: 'wrapTie', cut: 'cut-1', count: 1 },
      ],
    }),
  },
  {
    id: 'into-tied-roots',
    name: 'Three pieces in each tied root, rows between, a tie wrapped',
    from: crownTwists,
    plan: (from) => ({
      cuts: [{ ...START_CUT }, halved],
      rows: {
        ...from.rows,
        scheme: 'joined',
        intoBase: [
          { id: 'b1', way: 'root', sections: [], pieces: 3, fingers: 1, reachFingers: 0, when: 'first', cut: 'cut-3' },
        ],
      },
      strands: [{ id: 'j1', job: 'wrapTie', cut: 'cut-3', count: 6 }],
    }),
  },
  {
    id: 'beside-and-through-twists',
    name: 'Beside flat twists as far as four fingers from the tie, through them behind',
    from: crownTwists,
    plan: (from) => ({
      base: startBase('flatTwists'),
      rows: {
        ...from.rows,
        scheme: 'joined',
        intoBase: [
          { id: 'b1', way: 'beside', sections: ['row1', 'row2', 'row7', 'row8'], ...along, reachFingers: 4 },
          { id: 'b2', way: 'through', sections: ['row4', 'row5'], ...along, fingers: 0.75 },
        ],
      },
    }),
  },
  {
    id: 'plait-on-top',
    name: 'Half up: a plait on top carries its own pieces, last of all',
    from: shoulderCurls,
    plan: (from) => ({
      base: { ...startBase('halfUp'), parking: { bySection: { top: { how: 'sewn' } } } },
      cap: { ...from.cap, dome: 'none' },
      rows: {
        ...from.rows,
        scheme: 'joined',
        intoBase: [{ id: 'b1', way: 'onTop', sections: ['top'], ...along, fingers: 0.5, when: 'last' }],
      },
      marks: [],
    }),
  },
  {
    id: 'round-and-over-a-puff',
    name: 'Two rings round a puff, fine ones all over it',
    from: crownTwists,
    plan: (from) => ({
      base: startBase('puff'),
      cuts: [{ ...START_CUT }, halved],
      rows: {
        ...from.rows,
        scheme: 'joined',
        intoBase: [
          { id: 'b1', way: 'round', sections: [], ...along, reachFingers: 2 },
          { id: 'b2', way: 'over', sections: [], ...along, fingers: 0.75, when: 'last', cut: 'cut-3' },
        ],
      },
      strands: [{ id: 'j1', job: 'bracePuff', cut: 'cut-1', count: 1 }],
    }),
  },
  {
    id: 'wig-for-a-size',
    name: 'A wig for nobody’s base: a size, a block, a U that comes open',
    from: shoulderCurls,
    plan: (from) => ({
      wearer: '',
      madeFor: { whom: 'head', sizedBy: 'size', size: 'large', known: '', wornOver: false },
      cap: {
        ...from.cap,
        opening: 'openU',
        openingMm: 90,
        openingWidthMm: 26,
        filledOn: 'block',
        wig: true,
        topKept: false,
        wigHolds: ['combs', 'strap'],
        combs: ['opening', 'nape'],
        combsAt: [
          [118, 8],
          [-118, 8],
        ],
        strap: true,
      },
      marks: [],
    }),
  },
  {
    id: 'wig-in-the-hand',
    name: 'Filled in the hand, for a head of 54 cm',
    from: deepPartStraight,
    plan: (from) => ({
      wearer: '',
      madeFor: { whom: 'head', sizedBy: 'tape', size: 'medium', known: '', wornOver: false },
      tape: {
        ...from.tape,
        girth: ['54 cm'],
        frontToNape: [],
        earToEarTop: [],
        earToEarFront: [],
        templeToTemple: [],
        napeWidth: [],
      },
      trusted: [],
      cap: { ...from.cap, opening: 'none', filledOn: 'hand', wig: true, topKept: false, wigHolds: ['pins'] },
      marks: [],
    }),
  },
  {
    id: 'two-parts',
    name: 'Two parts, to flip from one to the other',
    from: deepPartStraight,
    plan: () => ({
      part: { kind: 'line', frontMm: 42, endMm: 36, lengthMm: 105, bendMm: 0 },
      parting: { onlyWorn: false, second: { kind: 'line', frontMm: -46, endMm: -40, lengthMm: 100, bendMm: 0 } },
    }),
  },
  {
    id: 'part-only-when-worn',
    name: 'A part that is only combed in when it is worn',
    from: sweptCoils,
    plan: (from) => ({
      part: { kind: 'line', frontMm: 0, endMm: 0, lengthMm: 110, bendMm: 0 },
      parting: { onlyWorn: true },
      rows: { ...from.rows, scheme: 'joined' },
    }),
  },
  {
    id: 'lines-kept-free',
    name: 'Flat twists whose lines stay free',
    from: crownTwists,
    plan: (from) => ({
      base: startBase('flatTwists'),
      rows: { ...from.rows, scheme: 'found', keepLines: true },
    }),
  },
  {
    id: 'stiff-one-leg',
    name: 'One-leg with a stiff middle, though it costs',
    from: deepPartStraight,
    plan: (from) => ({
      products: from.products.map((p) => ({ ...p, loop: 'stiff', loopComesOff: false })),
      schools: { ...from.schools, stiff: 'oneLeg', smoothHold: 'wraps' },
    }),
  },
  {
    id: 'top-closed',
    name: 'An open top closed with a handful of pieces',
    from: shoulderCurls,
    plan: (from) => ({
      cap: { ...from.cap, dome: 'openTop', filledOn: 'block', wig: true },
      strands: [{ id: 'j1', job: 'closeTop', cut: 'cut-1', count: 6 }],
    }),
  },
  {
    id: 'left-over-behind',
    name: 'What is left over goes behind',
    from: shoulderCurls,
    plan: () => ({ fill: { where: 'behind', pieces: 0, cut: 'cut-1' } }),
  },
  {
    id: 'odd-pieces-where-thin',
    name: 'Twelve worn pieces of another pack where it is thin, three that blend',
    from: sweptCoils,
    plan: (from) => ({
      cap: { ...from.cap, filledOn: 'block', wig: true, blending: 'nape', blendingPieces: 3 },
      products: [
        ...from.products,
        {
          ...from.products[0],
          id: 'hair-2',
          name: 'Fennick coil, of last year',
          condition: 'worn',
          timesWorn: 2,
          packsAtHand: 1,
        },
      ],
      cuts: [{ ...START_CUT }, { ...START_CUT, id: 'cut-9', name: 'Odd ones', product: 'hair-2' }],
      fill: { where: 'thin', pieces: 12, cut: 'cut-9' },
    }),
  },
  {
    id: 'colours-mixed',
    name: 'Copper and honey mixed in, dark at the nape, lights at the front',
    from: shoulderCurls,
    plan: (from) => ({
      products: from.products.map((p) => ({ ...p, packsAtHand: 4 })),
      colours: {
        more: [
          { id: 'c1', name: 'copper', packsAtHand: 1 },
          { id: 'c2', name: 'honey', packsAtHand: 1 },
        ],
        noMore: ['c2'],
        shares: { c1: 0.25, c2: 0.1 },
        hooked: {},
        left: {},
      },
      places: [
        { id: 's1', where: { zone: 'nape' }, schools: {}, colours: { c1: 0, c2: 0 } },
        { id: 's2', where: { zone: 'faceEdge' }, schools: {}, colours: { c1: 0.35, c2: 0.35 } },
      ],
    }),
  },
];

export const installPlans: readonly PlanDocument[] = INSTALLS.map(
  ({ id, name, from, plan }): PlanDocument => ({ ...from, id: `install-${id}`, name, settled: [], ...plan(from) }),
);
