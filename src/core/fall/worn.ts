/** Pieces as they are worn: which ribbons each lies as, from where, and which way, at an age of the style. */

import { nearestVertex, type PlaceMm, type SurfaceMesh } from '../geometry/index.ts';
import { type Hair, type HookedPiece, hookedPieces, type Preparation } from '../hair/index.ts';
import type { Landmarks } from '../head/index.ts';
import {
  type Aged,
  agedOf,
  crept,
  DRESSING_INFO,
  type FallGuesses,
  type LookAge,
  mattedWidth,
  OPENED_INFO,
  type PieceZone,
  type Schools,
  TEXTURE_INFO,
  type Texture,
} from '../trade/index.ts';
import { type Finish, keptLengthMm, PLAIN_FINISH } from './finish.ts';
import type { Root } from './footprint.ts';
import { type Ribbons, ribbonsOf } from './ribbons.ts';

/** As hair falls; over the face, a fringe; across the part; back along it, over the knot before; drawn to a tie. */
export type Lie = 'falls' | 'forward' | 'across' | 'back' | 'tied';

/** What of a knot its hair hangs on. */
export interface HangingKnot extends PlaceMm {
  readonly cut: string;
  readonly pieceZone: PieceZone;
  readonly exposed: boolean;
  readonly schools: Pick<Schools, 'exposed'>;
  readonly lock: boolean;
}

/** The worn pieces of a look, one for each knot that is in. */
export interface Worn {
  readonly roots: readonly Root[];
  readonly ribbons: readonly Ribbons[];
  /** Hooked piece of each. */
  readonly pieces: readonly HookedPiece[];
  readonly textures: readonly Texture[];
  readonly lies: readonly Lie[];
}

export interface WornTold extends Hair {
  readonly finish: Finish;
  readonly guesses: FallGuesses;
  readonly age: LookAge;
}

/** Nothing opened or dressed that is done after hooking. */
export function unopened({ products, cuts }: Hair): Hair {
  return {
    products,
    cuts: cuts.map((c) => ({
      ...c,
      opened: openedBefore(c.opened),
      dressed: DRESSING_INFO[c.dressed].before ? c.dressed : ('asItIs' as const),
      dressedAgain: 'asItIs' as const,
    })),
  };
}

/** What of it is opened before a piece is hooked. */
function openedBefore(opened: Preparation['opened']): Preparation['opened'] {
  const { before } = OPENED_INFO[opened.when];
  return before === 0 ? { ...opened, when: 'never' } : { ...opened, when: 'before', strands: before * opened.strands };
}

/** Hair, finish and guesses as they are at that age: before opening nothing is opened, dressed or trimmed yet. */
export function atAge<T extends WornTold>(told: T): T {
  return told.age === 'beforeOpening' ? { ...told, ...unopened(told), finish: PLAIN_FINISH } : told;
}

/** Hair as hooked, and how each preparation lies at a height of the head. @param mark lengths in layers go by its heights */
export function wornRibbons(
  knots: readonly Omit<HangingKnot, 'schools'>[],
  told: WornTold,
  mark: Pick<Landmarks, 'napeHairline' | 'crown'>,
) {
  const { products, cuts, finish, guesses, age } = atAge(told);
  const matted = mattedWidth(agedOf(age));
  const hooked = hookedPieces({ products, cuts });
  const textureOf = new Map(products.map((p) => [p.id, p.texture]));
  const known = new Map<string, Map<number, Ribbons>>();
  const pieces = knots.map((k) => hooked.get(k.cut) as HookedPiece);
  const textures = pieces.map((p) => textureOf.get(p.product) as Texture);
  const ribbons = knots.map((k, i) => {
    const lengthMm = keptLengthMm(finish, pieces[i].lengthMm, k.yMm, mark.napeHairline[1], mark.crown[1]);
    const ofCut = known.get(k.cut) ?? new Map<number, Ribbons>();
    known.set(k.cut, ofCut);
    const same = ofCut.get(lengthMm);
    if (same) return same;
    const fresh = ribbonsOf(pieces[i], textures[i], guesses);
    const laid = { ...fresh, lengthMm, widthMm: fresh.widthMm * matted };
    ofCut.set(lengthMm, laid);
    return laid;
  });
  return { pieces, textures, ribbons };
}

/** Which way each piece is laid. @param isFringe long pieces there are cut as a fringe; @param isSwept hair there is laid across the part */
export function liesOf(
  knots: readonly HangingKnot[],
  under: ArrayLike<number>,
  isFringe: (vertex: number) => boolean,
  isSwept: (vertex: number) => boolean,
): Lie[] {
  return knots.map((k, i): Lie => {
    if (k.pieceZone === 'fringe' || isFringe(under[i])) return 'forward';
    if (k.exposed && k.schools.exposed === 'backToFront') return 'back';
    return k.exposed && k.schools.exposed === 'sweptOver' && isSwept(under[i]) ? 'across' : 'falls';
  });
}

/** Knots that have crept along the way their hair falls. @param ways at rest, xyz interleaved */
export function slipped(
  roots: readonly Root[],
  knots: readonly HangingKnot[],
  textures: readonly Texture[],
  mesh: SurfaceMesh,
  ways: Float64Array,
  aged: Aged,
): Root[] {
  return roots.map((r, i) => {
    const slip = knots[i].lock ? 0 : crept(aged, TEXTURE_INFO[textures[i]].grip);
    const o = 3 * r.vertex;
    const xMm = r.xMm + slip * ways[o];
    const yMm = r.yMm + slip * ways[o + 1];
    const zMm = r.zMm + slip * ways[o + 2];
    return { xMm, yMm, zMm, vertex: nearestVertex(mesh, xMm, yMm, zMm, r.vertex) };
  });
}

/** Every fifth vertex tells which side is larger. */
const SIDE_STRIDE = 5;

/** Whether a vertex lies on the side of the part with more scalp: where hair comes from that is swept over it. @param partMm xyz interleaved; without a part none is */
export function fullerSide(mesh: SurfaceMesh, partMm: Float64Array): (vertex: number) => boolean {
  if (partMm.length === 0) return () => false;
  const p = mesh.positionsMm;
  const partX = (z: number) => {
    let best = 0;
    for (let i = 3; i < partMm.length; i += 3)
      if (Math.abs(partMm[i + 2] - z) < Math.abs(partMm[best + 2] - z)) best = i;
    return partMm[best];
  };
  const leftOf = (v: number) => p[3 * v] > partX(p[3 * v + 2]);
  let left = 0;
  for (let v = 0; v < mesh.vertexCount; v += SIDE_STRIDE) left += leftOf(v) ? 1 : -1;
  return (v) => leftOf(v) === left > 0;
}
