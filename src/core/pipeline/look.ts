/** How a plan looks once it is in: where its hair lies, what shows, which knots. Kept piece by piece. */

import { inSight } from '../base/base.ts';
import { type Concealment, concealment } from '../cover/conceal.ts';
import { hiddenShare, logOf, SIDE_TO_EYE, SIDES, type Side, seenShare, showing } from '../cover/cover.ts';
import { type Footprint, FootprintMaker, reachOf } from '../cover/footprint.ts';
import { type BarePatch, barePatches } from '../cover/places.ts';
import { type FallGuesses, PLAIN_GUESSES } from '../fall/guesses.ts';
import { type Ribbons, ribbonsOf } from '../fall/ribbons.ts';
import { AT_REST, fallWays, type HairState } from '../fall/way.ts';
import { type VertexBalls, vertexBalls } from '../geometry/balls.ts';
import type { HookedPiece } from '../hair/cuts.ts';
import type { Product } from '../hair/product.ts';
import type { Texture } from '../hair/textures.ts';
import type { PlanInputs } from './inputs.ts';
import { Memo } from './memo.ts';
import { partOnHead, verticesUnder } from './on-head.ts';
import type { PlannedKnot } from './result.ts';
import { Pipeline } from './stages.ts';

export interface Look {
  /** Share of the scalp that shows, straight on, at every vertex. */
  readonly shows: Float32Array;
  readonly hiddenShare: number;
  /** Share that shows, seen from each side. */
  readonly seen: Readonly<Record<Side, number>>;
  readonly patches: readonly BarePatch[];
  /** One for each knot of the plan, in its order. */
  readonly knots: readonly Concealment[];
}

export interface LookAsked {
  readonly inputs: PlanInputs;
  readonly guesses?: FallGuesses;
  readonly state?: HairState;
  /** Only so many knots are in yet. */
  readonly knotsIn?: number;
}

interface Kept {
  readonly key: string;
  readonly footprints: Map<string, Footprint>;
}

/** Balls are made for the widest ribbon, rounded up to this, so that a little more width needs no new ones, mm. */
const BALL_STEP_MM = 4;
/** States looked at in turn: at rest, and one or two others. */
const STATES_KEPT = 3;

export class Atelier extends Pipeline {
  private readonly kept: Kept[] = [];
  /** Some 20 MB: those of one head are enough. */
  private readonly balled = new Memo(1);
  /** Pieces worked out anew by the last look: what a change costs. */
  traced = 0;

  look({ inputs, guesses = PLAIN_GUESSES, state = AT_REST, knotsIn }: LookAsked): Look {
    const { knots, pieces } = this.plan(inputs);
    const { mesh } = this.head(inputs);
    const worn = knots.slice(0, knotsIn);
    const ribbons = ribbonsOfCuts(pieces, inputs.products, guesses);
    const footprints = this.footprints(inputs, worn, ribbons, state);
    const owed = this.owed(inputs);
    const shows = showing(mesh.vertexCount, footprints.prints);
    const logs = logOf(shows);
    const neighbours = (v: number) =>
      Array.from(mesh.neighbours.subarray(mesh.neighbourStart[v], mesh.neighbourStart[v + 1]));
    return {
      shows: new Float32Array(shows),
      hiddenShare: hiddenShare(mesh, shows, owed),
      seen: Object.fromEntries(
        SIDES.map((side) => [side, seenShare(mesh, logs, owed, SIDE_TO_EYE[side])]),
      ) as Look['seen'],
      patches: barePatches(mesh, shows, owed),
      knots: worn.map((k, i) => {
        const under = {
          vertex: footprints.roots[i],
          oneLeg: k.kind === 'oneLeg',
          backcomb: k.backcomb,
          springs: ribbons.get(k.cut)?.springs ?? false,
        };
        return concealment(under, shows, footprints.prints[i], neighbours);
      }),
    };
  }

  private footprints(
    inputs: PlanInputs,
    knots: readonly PlannedKnot[],
    ribbons: ReadonlyMap<string, Ribbons>,
    state: HairState,
  ) {
    const { mesh } = this.head(inputs);
    const ways = this.ways(inputs, state);
    const roots = verticesUnder(mesh, knots);
    const widest = Math.max(0, ...[...ribbons.values()].map((r) => r.widthMm));
    const balls = this.balls(inputs, reachOf(widest, mesh.meanEdgeMm));
    const old = this.kept.find((k) => k.key === ways.key);
    const fresh = new Map<string, Footprint>();
    const maker = new FootprintMaker(mesh, ways.ways, balls);
    const lies = new Map([...ribbons].map(([cut, r]) => [cut, JSON.stringify(r)]));
    this.traced = 0;
    const prints = knots.map((k, i) => {
      const key = `${k.xMm} ${k.yMm} ${k.zMm} ${lies.get(k.cut)}`;
      let print = old?.footprints.get(key) ?? fresh.get(key);
      if (!print) {
        print = maker.of({ xMm: k.xMm, yMm: k.yMm, zMm: k.zMm, vertex: roots[i] }, ribbons.get(k.cut) as Ribbons);
        this.traced++;
      }
      fresh.set(key, print);
      return print;
    });
    if (old) this.kept.splice(this.kept.indexOf(old), 1);
    this.kept.unshift({ key: ways.key, footprints: fresh });
    this.kept.length = Math.min(this.kept.length, STATES_KEPT);
    return { prints, roots };
  }

  private ways(inputs: PlanInputs, state: HairState) {
    const head = this.head(inputs);
    const key = JSON.stringify([head.key, inputs.part, state]);
    const ways = this.memo.get('ways', key, () => {
      const { fromPart } = this.herPart(inputs);
      return fallWays(head.mesh, fromPart, state);
    });
    return { key, ways };
  }

  /** The part on her own head: the same as that of the rows unless they are worked out on its mirror image. */
  private herPart(inputs: PlanInputs) {
    const head = this.head(inputs);
    if (!this.side(inputs).turned) return this.part(inputs);
    return this.memo.get('herPart', JSON.stringify([head.key, inputs.part]), () => partOnHead(head, inputs.part));
  }

  private balls(inputs: PlanInputs, reachMm: number): VertexBalls {
    const head = this.head(inputs);
    const reach = BALL_STEP_MM * Math.ceil(reachMm / BALL_STEP_MM);
    return this.balled.get('balls', JSON.stringify([head.key, reach]), () => vertexBalls(head.mesh, reach));
  }

  /** Where cover is owed: everywhere but where own hair stays in sight. */
  private owed(inputs: PlanInputs): Uint8Array {
    const base = this.base(inputs);
    return this.memo.get('owed', String(base.key), () => inSight(base.map).map((s) => 1 - s));
  }
}

/** How each cut lies. */
function ribbonsOfCuts(
  pieces: readonly HookedPiece[],
  products: readonly Product[],
  guesses: FallGuesses,
): Map<string, Ribbons> {
  const textures = new Map(products.map((p) => [p.id, p.texture]));
  return new Map(pieces.map((p) => [p.cut, ribbonsOf(p, textures.get(p.product) as Texture, guesses)]));
}
