/** Heads and plans for tests: the prior head, random ones, and inputs that are not the demo's. */
import fc from 'fast-check';
import { DEFAULT_BASE } from '../../src/core/base/choice.ts';
import { baseGround } from '../../src/core/base/ground.ts';
import { icosphere } from '../../src/core/geometry/icosphere.ts';
import { hairOnScalp, type OwnHair } from '../../src/core/hair/own-hair.ts';
import { AS_FITTED, hairline } from '../../src/core/head/hairline.ts';
import { landmarks } from '../../src/core/head/landmarks.ts';
import { type Mark, markMasks } from '../../src/core/head/marks.ts';
import { scalpMesh } from '../../src/core/head/scalp.ts';
import { headShape } from '../../src/core/head/shape.ts';
import { DEFAULT_SCHOOLS } from '../../src/core/knots/schools.ts';
import type { PlanInputs } from '../../src/core/pipeline/inputs.ts';
import { scalpFields } from '../../src/core/rows/scalp-fields.ts';

export const PRIOR_SCORES = new Float64Array(8);

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
  return baseGround(head, hairOnScalp(head.mesh, head.scalp, head.mark, own), markMasks(head, marks), 18);
}

/** A plan that is nobody's: average tape, plain product, a side part. */
export function plainInputs(change: Partial<PlanInputs> = {}): PlanInputs {
  return {
    tape: { girth: 561, frontToNape: 352, earToEarTop: 341, earToEarFront: 296, templeToTemple: 386, napeWidth: 127 },
    fingerMm: 18,
    tapeSpreadsMm: {},
    trusted: [],
    hairline: AS_FITTED,
    ownHair: PLAIN_HAIR,
    marks: [],
    base: DEFAULT_BASE,
    wishes: { musts: [] },
    cap: 'closed',
    part: { kind: 'line', frontMm: -36, endMm: -30, lengthMm: 108, bendMm: 0 },
    product: {
      name: 'Plain',
      piecesPerPack: 40,
      strandsPerPiece: 4,
      packMassG: 60,
      lengthMm: 300,
      texture: 'looseCurl',
      loop: 'thread',
      loopComesOff: false,
      packPrice: 10,
      split: 1,
      composed: 1,
    },
    spacing: { said: 'centres', fingers: { part: 1, top: 1.25, back: 1.25, nape: 1.5, faceEdge: 1 } },
    schools: DEFAULT_SCHOOLS,
    reserveShare: 0.15,
    pace: 'some',
    meshFrequency: 24,
    ...change,
  };
}
