/**
 * A ribbon as it hangs in space: over the scalp on the hair that lies there already, off the head where the skin turns
 * under or the hairline is reached, then down as a curtain until its length or the outline ends it.
 */

import type { DistanceGrid, SurfaceMesh, Vec3 } from '../geometry/index.ts';
import { cos, sin } from '../numerics/index.ts';
import { TEXTURE_INFO, type Texture } from '../trade/index.ts';
import { type Finish, isTrimmed } from './finish.ts';
import { hang, type InTheWay } from './hang.ts';
import { pressedMm, standsMm } from './loft.ts';
import { type Ribbons, ribbonAngle } from './ribbons.ts';
import type { HairState } from './state.ts';
import { outOfTie, type Tie } from './tied.ts';
import { StrandTracer } from './trace.ts';
import { OffTheFace, swing } from './worn-as.ts';

/** Two steps of the tracer. */
const POINT_MM = 12;
const MOST_POINTS = 90;
/** Where the skin faces down by so much, hair no longer lies on it. */
const UNDERCUT = 0.15;
/** Lift of a strand follows that of the hair under it by this share a point: hair bridges small hollows. */
const FOLLOWS = 0.4;
/** Hair over a knot starts this high, mm. */
const ROOT_MM = 1.6;
/** Of the hair under a strand where it leaves the head, how much still keeps it off neck and shoulders. */
const KEPT_OFF = 0.5;
/** Drawn hair stands off by this share of what it does loose. */
const DRAWN_STANDS = 0.3;
/** Bundled in a tie it bends no sooner and no later, mm. */
const TIED_BEND_MM = [34, 42] as const;
/** A tie sits this far off the scalp, mm. */
const TIE_LIFT_MM = 9;

export interface Surroundings {
  readonly mesh: SurfaceMesh;
  readonly ways: Float64Array;
  readonly body: DistanceGrid;
  readonly state: HairState;
  readonly finish: Finish;
  readonly nape: Vec3;
  /** Middle of the front hairline. */
  readonly front: Vec3;
  /** Nothing hangs lower than this: a fringe over the brow. */
  readonly floorMm?: number;
  /** Where hair is drawn to, for what lies so. */
  readonly tie?: Tie;
}

export class StrandMaker {
  /** xyz interleaved, mm. */
  readonly points = new Float64Array(3 * (MOST_POINTS + 1));
  count = 0;
  private readonly tracer: StrandTracer;
  /** What falls on her right goes there, on her left there. */
  private readonly downs: readonly [Vec3, Vec3];
  private readonly inTheWay: InTheWay;
  /** Half breadth, crown and half length of the bare head, mm. */
  private readonly axes: Vec3;
  /** Strands that came out of the tie so far. */
  private tied = 0;

  constructor(private readonly round: Surroundings) {
    this.tracer = new StrandTracer(round.mesh, round.ways);
    this.downs = [downOf(round.state, false), downOf(round.state, true)];
    this.inTheWay = keepsFaceFree(round) ? new OffTheFace(round.body, round.front) : round.body;
    this.axes = halfAxes(round.mesh.positionsMm);
  }

  /** @param heightMm of the hair that lies on the scalp already, at every vertex. */
  follow(
    root: { readonly xMm: number; readonly yMm: number; readonly zMm: number; readonly vertex: number },
    ribbons: Ribbons,
    ribbon: number,
    texture: Texture,
    heightMm: Float64Array,
    loft: number,
  ) {
    const { points, round } = this;
    const down = this.downs[root.xMm > 0 ? 1 : 0];
    const { mesh, finish, nape, tie, floorMm = Number.NEGATIVE_INFINITY } = round;
    const stands = tie ? DRAWN_STANDS * loft : loft;
    const { lengthMm } = ribbons;
    const angle = tie ? 0 : ribbonAngle(ribbons, ribbon);
    this.tracer.trace(root.xMm, root.yMm, root.zMm, root.vertex, angle, ribbons.fanReachMm, lengthMm);
    const { pointsMm, vertices, arcMm, steps } = this.tracer;
    let lift = ROOT_MM;
    let n = 0;
    let i = 0;
    for (; i <= steps && n < MOST_POINTS; i = i === steps ? steps + 1 : Math.min(i + 2, steps)) {
      const v = vertices[i];
      const [nx, ny, nz] = [mesh.normals[3 * v], mesh.normals[3 * v + 1], mesh.normals[3 * v + 2]];
      if (i > 0 && !tie && nx * down[0] + ny * down[1] + nz * down[2] > UNDERCUT) break;
      const lies = ROOT_MM + pressedMm(heightMm[v]);
      lift = i === 0 ? ROOT_MM : lift + FOLLOWS * (lies - lift);
      const off = lift + standsMm(texture, lengthMm, arcMm[i], stands);
      points[3 * n] = pointsMm[3 * i] + off * nx;
      points[3 * n + 1] = pointsMm[3 * i + 1] + off * ny;
      points[3 * n + 2] = pointsMm[3 * i + 2] + off * nz;
      n++;
      if (i === steps) break;
    }
    if (tie) n = this.intoTie(tie, n, lift);
    const last = n - 1;
    const gone = arcMm[Math.min(i, steps)];
    const left = lengthMm - gone;
    if (left < 1) {
      this.count = n;
      return;
    }
    const { bendMm } = TEXTURE_INFO[texture];
    const end = hang(points, last, tie ? outOfTie(tie, this.tied++) : this.leaving(last, angle), left, {
      down,
      bendMm: tie ? Math.min(TIED_BEND_MM[1], Math.max(TIED_BEND_MM[0], bendMm)) : bendMm,
      stepMm: POINT_MM,
      body: this.inTheWay,
      clearMm: 2 + KEPT_OFF * lift,
      ends: (x, y, z) => y < floorMm || isTrimmed(finish, [x, y, z], nape, this.fromHead(x, y, z)),
    });
    this.count = end + 1;
  }

  /** The last point on the head is followed by one in the tie. @returns how many there are */
  private intoTie({ atMm, out }: Tie, count: number, liftMm: number): number {
    const at = Math.min(count, MOST_POINTS - 1);
    for (let c = 0; c < 3; c++) this.points[3 * at + c] = atMm[c] + (TIE_LIFT_MM + KEPT_OFF * liftMm) * out[c];
    return at + 1;
  }

  /** From the bare head as an ellipsoid, along the ray from its middle, mm. */
  private fromHead(x: number, y: number, z: number): number {
    const [a, b, c] = this.axes;
    const out = Math.sqrt((x / a) ** 2 + (y / b) ** 2 + (z / c) ** 2);
    return out > 1 ? Math.sqrt(x * x + y * y + z * z) * (1 - 1 / out) : 0;
  }

  /** The way of the last piece on the head; of a strand that never lay there, the way of its root. */
  private leaving(last: number, angle: number): Vec3 {
    const { points, round, tracer } = this;
    if (last > 0) {
      const o = 3 * last;
      return unit(points[o] - points[o - 3], points[o + 1] - points[o - 2], points[o + 2] - points[o - 1]);
    }
    const v = 3 * tracer.vertices[0];
    const { ways } = round;
    const n = round.mesh.normals;
    const s = sin(angle);
    const c = cos(angle);
    return unit(
      c * ways[v] + s * (n[v + 1] * ways[v + 2] - n[v + 2] * ways[v + 1]),
      c * ways[v + 1] + s * (n[v + 2] * ways[v] - n[v] * ways[v + 2]),
      c * ways[v + 2] + s * (n[v] * ways[v + 1] - n[v + 1] * ways[v]),
    );
  }
}

/** A fringe lies where it is cut to lie; with the head bent or in the wind nothing stays off the face. */
function keepsFaceFree({ state: { wornAs, gravity, wind }, floorMm, tie }: Surroundings): boolean {
  const isStill = gravity[1] < -0.99 && wind.every((w) => w === 0);
  return wornAs !== 'falls' && floorMm === undefined && !tie && isStill;
}

/** Where hair off the head goes: down, with the wind, and to where she wears it. */
function downOf({ gravity, wind, wornAs }: HairState, isLeft: boolean): Vec3 {
  const f = swing(wornAs, isLeft);
  return unit(gravity[0] + wind[0] + f[0], gravity[1] + wind[1] + f[1], gravity[2] + wind[2] + f[2]);
}

function halfAxes(positionsMm: Float64Array): Vec3 {
  const most = [1, 1, 1];
  for (let i = 0; i < positionsMm.length; i++) most[i % 3] = Math.max(most[i % 3], Math.abs(positionsMm[i]));
  return [most[0], most[1], most[2]];
}

function unit(x: number, y: number, z: number): Vec3 {
  const l = Math.sqrt(x * x + y * y + z * z) || 1;
  return [x / l, y / l, z / l];
}
