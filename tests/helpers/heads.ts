/** Heads and plans for tests: the prior head, random ones, and inputs that are not the demo's. */
import fc from 'fast-check';
import { DEFAULT_BASE } from '../../src/core/base/choice.ts';
import { baseContext } from '../../src/core/base/context.ts';
import { ONE_COLOUR } from '../../src/core/colours/choice.ts';
import { PLAIN_FINISH } from '../../src/core/fall/finish.ts';
import { icosphere } from '../../src/core/geometry/icosphere.ts';
import { hairOnScalp, type OwnHair } from '../../src/core/hair/own-hair.ts';
import type { Preparation } from '../../src/core/hair/preparation.ts';
import { type Product, UNTRIED } from '../../src/core/hair/product.ts';
import { AS_FITTED, hairline } from '../../src/core/head/hairline.ts';
import { landmarks } from '../../src/core/head/landmarks.ts';
import { type Mark, markMasks } from '../../src/core/head/marks.ts';
import { scalpMesh } from '../../src/core/head/scalp.ts';
import { scalpFields } from '../../src/core/head/scalp-fields.ts';
import { headShape } from '../../src/core/head/shape.ts';
import type { PlanInputs } from '../../src/core/plan/inputs.ts';
import { DEFAULT_ROWS } from '../../src/core/rows/choice.ts';
import { type Cap, DEFAULT_CAP } from '../../src/core/trade/caps.ts';
import { PLAIN_GUESSES } from '../../src/core/trade/guesses.ts';
import { FOR_ME } from '../../src/core/trade/made-for.ts';
import { DEFAULT_SCHOOLS } from '../../src/core/trade/schools.ts';
import { PIECE_ZONES } from '../../src/core/trade/zones.ts';

/** The head that lengths of the method were tried on: 88.05 mm in size, 1.26 times as long as broad. The head nobody measured is smaller. */
export const REFERENCE_SCORES = Float64Array.of(1.1253110519211047, -0.7157191679358559, 0, 0, 0, 0, 0, 0);

const spheres = new Map<number, ReturnType<typeof icosphere>>();
export function sphereOf(frequency: number) {
  let s = spheres.get(frequency);
  if (!s) {
    s = icosphere(frequency);
    spheres.set(frequency, s);
  }
  return s;
}

export function wholeHead(scores: ArrayLike<number>, frequency: number) {
  const shape = headShape(scores);
  const line = hairline(shape);
  const mesh = scalpMesh(shape, line, sphereOf(frequency));
  return { shape, line, mesh, mark: landmarks(shape), scalp: scalpFields(shape, line, mesh) };
}

/** Scores of a plausible head: within two prior deviations. */
export const arbitraryScores = fc.array(fc.double({ min: -2, max: 2, noNaN: true }), { minLength: 8, maxLength: 8 });

export const arbitraryPart = fc.record({
  kind: fc.constant('line' as const),
  frontMm: fc.double({ min: -58, max: 58, noNaN: true }),
  endMm: fc.double({ min: -50, max: 50, noNaN: true }),
  lengthMm: fc.double({ min: 70, max: 200, noNaN: true }),
  bendMm: fc.double({ min: -15, max: 15, noNaN: true }),
});

export const PLAIN_HAIR: OwnHair = {
  lengthMm: 180,
  strand: 'medium',
  fullness: 'medium',
  curl: 'curly',
  byRegion: {},
  freshEnds: false,
};

/** What a base is laid on, for any head and hair. */
export function groundOf(
  scores: ArrayLike<number>,
  frequency: number,
  own: OwnHair = PLAIN_HAIR,
  marks: readonly Mark[] = [],
) {
  const head = wholeHead(scores, frequency);
  return baseContext(head, hairOnScalp(head.mesh, head.scalp, head.mark, own), markMasks(head, marks), 18);
}

export const PLAIN_PRODUCT: Product = {
  id: 'plain',
  name: 'Plain',
  piecesPerPack: 40,
  bundlesPerPack: 1,
  strandsPerPiece: 4,
  packMassG: 60,
  lengthMm: 300,
  drawnOutMm: 300,
  fibre: 'plain',
  heatC: 0,
  texture: 'looseCurl',
  colours: ['black'],
  loop: 'thread',
  loopComesOff: false,
  packPrice: 10,
  composed: 1,
  test: UNTRIED,
  condition: 'new',
  timesWorn: 0,
  packsAtHand: 0,
};
export const PLAIN_CUT: Preparation = {
  id: 'whole',
  name: 'Whole pieces',
  product: 'plain',
  split: 1,
  half: false,
  opened: { when: 'never', strands: 1, reach: 0.5 },
  dressed: 'asItIs',
  dressedAgain: 'asItIs',
  endsOffMm: 0,
};
export const everyZone = (cut: string): PlanInputs['pieces'] =>
  Object.fromEntries(PIECE_ZONES.map((z) => [z, { cut }])) as unknown as PlanInputs['pieces'];
export const NO_CAP: Cap = { ...DEFAULT_CAP, dome: 'none' };
/** One product in one cut everywhere. */
export const hairOf = (product: Partial<Product>, cut: Partial<Preparation> = {}) => ({
  products: [{ ...PLAIN_PRODUCT, ...product }],
  cuts: [{ ...PLAIN_CUT, ...cut }],
});

/** A plan that is nobody's: average tape, plain product, a side part. */
/** Changes as they are kept: each with an id of its own. */
export function named<T extends object>(letter: string, changes: readonly T[]): Array<{ readonly id: string } & T> {
  return changes.map((c, i) => ({ id: `${letter}${i + 1}`, ...c }));
}

export function plainInputs(change: Partial<PlanInputs> = {}): PlanInputs {
  return {
    tape: { girth: 561, frontToNape: 352, earToEarTop: 341, earToEarFront: 296, templeToTemple: 386, napeWidth: 127 },
    fingerMm: 18,
    tapeSpreadsMm: {},
    trusted: [],
    hairline: AS_FITTED,
    madeFor: FOR_ME,
    ownHair: PLAIN_HAIR,
    marks: [],
    base: DEFAULT_BASE,
    wishes: { musts: [] },
    cap: DEFAULT_CAP,
    parting: { onlyWorn: false },
    part: { kind: 'line', frontMm: -36, endMm: -30, lengthMm: 108, bendMm: 0 },
    products: [PLAIN_PRODUCT],
    cuts: [PLAIN_CUT],
    pieces: everyZone(PLAIN_CUT.id),
    rows: DEFAULT_ROWS,
    knotWishes: [],
    spacing: { said: 'centres', fingers: { part: 1, top: 1.25, back: 1.25, nape: 1.5, faceEdge: 1 } },
    schools: DEFAULT_SCHOOLS,
    places: [],
    colours: ONE_COLOUR,
    strands: [],
    fill: { where: 'none', pieces: 0, cut: PLAIN_CUT.id },
    finish: PLAIN_FINISH,
    guesses: PLAIN_GUESSES,
    reserveShare: 0.15,
    pace: 'some',
    testRow: undefined,
    meshFrequency: 24,
    ...change,
  };
}
