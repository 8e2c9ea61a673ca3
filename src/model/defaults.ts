/** Sane defaults from the first minute: the default route, an average head, one plain product. */
import { type BaseChoice, DEFAULT_BASE } from '../core/base/index.ts';
import { ONE_COLOUR } from '../core/colours/index.ts';
import { type Preparation, UNTRIED } from '../core/hair/index.ts';
import { NO_OFFSET } from '../core/head/index.ts';
import { DEFAULT_ROWS } from '../core/rows/index.ts';
import { DEFAULT_CAP, DEFAULT_SCHOOLS, FAMILY_INFO, type Family, FOR_ME, PIECE_ZONES } from '../core/trade/index.ts';
import { type CapAsWritten, PLAN_FORMAT, PLAN_VERSION, type PlanDocument, type ProductAsWritten } from './plan.ts';

/** A family as it starts: its own settings, no edits. */
export function startBase(family: Family): BaseChoice {
  return { ...DEFAULT_BASE, ...FAMILY_INFO[family].start, family };
}

const { girthMm: _, depthMm: __, block: ___, ...CAP_FEATURES } = DEFAULT_CAP;
export const START_CAP: CapAsWritten = {
  ...CAP_FEATURES,
  girth: '50 cm',
  depth: '32 cm',
  block: { girth: '54 cm', depth: '34 cm' },
};

/** What is not known of a pack before it is opened. */
export const START_PRODUCT = {
  id: 'hair-1',
  bundlesPerPack: 1,
  drawnOut: '',
  fibre: 'plain',
  heatC: 0,
  colours: ['black'],
  loopComesOff: false,
  composed: 1,
  test: UNTRIED,
  condition: 'new',
  timesWorn: 0,
  packsAtHand: 0,
} as const satisfies Partial<ProductAsWritten>;

export const START_CUT: Preparation = {
  id: 'cut-1',
  name: 'Whole pieces',
  product: START_PRODUCT.id,
  split: 1,
  half: false,
  opened: { when: 'never', strands: 1, reach: 0.5 },
  dressed: 'asItIs',
  dressedAgain: 'asItIs',
  endsOffMm: 0,
};

/** Every zone hooked with the same cut. */
export function piecesAll(cut: string): PlanDocument['pieces'] {
  return Object.fromEntries(PIECE_ZONES.map((z) => [z, { cut }])) as PlanDocument['pieces'];
}

/** Rows follow the base until she chooses. */
const { scheme: _scheme, ...START_ROWS } = DEFAULT_ROWS;

export function newPlan(id: string, name: string): PlanDocument {
  return {
    format: PLAN_FORMAT,
    version: PLAN_VERSION,
    id,
    name,
    wearer: '',
    unit: 'cm',
    currency: '€',
    skin: 'brown',
    fingers: { count: 4, width: '72 mm' },
    madeFor: FOR_ME,
    tape: { girth: [], frontToNape: [], earToEarTop: [], earToEarFront: [], templeToTemple: [], napeWidth: [] },
    trusted: [],
    hairline: { mirrored: true, front: 0, nape: 0, left: { ...NO_OFFSET }, right: { ...NO_OFFSET } },
    ownHair: {
      length: '20 cm',
      strand: 'medium',
      fullness: 'medium',
      curl: 'curly',
      ponytail: '',
      freshEnds: false,
      byRegion: {},
    },
    marks: [],
    wishes: { musts: [] },
    base: startBase('tied'),
    cap: { ...START_CAP },
    part: { kind: 'line', frontMm: 40, endMm: 32, lengthMm: 110, bendMm: 0 },
    parting: { onlyWorn: false },
    products: [
      {
        ...START_PRODUCT,
        name: 'Loose curl',
        piecesPerPack: 24,
        strandsPerPiece: 4,
        packMassG: 60,
        length: '35 cm',
        texture: 'looseCurl',
        loop: 'thread',
        packPrice: 9,
      },
    ],
    cuts: [{ ...START_CUT }],
    pieces: piecesAll(START_CUT.id),
    rows: START_ROWS,
    knotWishes: [],
    spacing: { said: 'centres', fingers: {} },
    schools: DEFAULT_SCHOOLS,
    places: [],
    colours: ONE_COLOUR as PlanDocument['colours'],
    strands: [],
    fill: { where: 'none', pieces: 0, cut: START_CUT.id },
    finish: { fullness: 'enough', outline: 'none', reach: '15 cm', setMinutes: 0 },
    enough: 0.5,
    guesses: {},
    reserveShare: 0.15,
    pace: 'firstTime',
    settled: [],
  };
}
