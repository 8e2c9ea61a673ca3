/**
 * A stand-in for a camera: a photo of a plan on its head as it is meant to look, with light, grain and a tilted head, and
 * with what is known of it. What shows is laid in flecks as large as gaps between pieces are.
 */
import { SIDE_TO_EYE } from '../core/cover/index.ts';
import type { Vec3 } from '../core/geometry/index.ts';
import { seededRandom } from '../core/numerics/index.ts';
import { axesOf, flat, type HeadOutside, type PhotoSide, placesOf } from '../core/photo/index.ts';
import { look, type PlanGraph, plan as planStage } from '../core/plan/index.ts';
import type { PlanDocument } from '../model/plan.ts';
import { planInputs } from '../model/to-inputs.ts';

export interface PhotoWish {
  readonly side: PhotoSide;
  readonly knotsIn?: number;
  readonly width?: number;
  readonly height?: number;
  /** Of the head to its shoulder, radians. */
  readonly tilt?: number;
  /** How much lighter one side is than the other, of full light. */
  readonly lightFall?: number;
  /** Of the sensor, in steps of 255, standard deviation. */
  readonly grain?: number;
  readonly under?: 'worn' | 'whiteBlock' | 'darkBlock';
  /** How far what is under the hair differs from it: 1 as it is, 0 not at all. */
  readonly contrast?: number;
  readonly seed?: number;
}

export interface Photo {
  readonly width: number;
  readonly height: number;
  readonly pixels: Uint8Array;
  /** Share of the scalp that shows, counted in the picture itself. */
  readonly truth: number;
  /** Where the crown and the nape are in it. */
  readonly taps: readonly [readonly [number, number], readonly [number, number]];
  readonly hairIsDarker: boolean;
  /** 1 where the scalp is seen. */
  readonly scalp: Uint8Array;
}

const FLECK_MM = 7;
const WALL = [186, 178, 168] as const;

/** @param meshFrequency as that of the head, whose vertices the look has */
export function photoOf(
  graph: PlanGraph,
  plan: PlanDocument,
  cap: HeadOutside,
  wish: PhotoWish,
  meshFrequency: number,
): Photo {
  const { side, width = 600, height = 750, tilt = 0, seed = 7 } = wish;
  const inputs = planInputs(plan, meshFrequency);
  const asked = graph.ask({ inputs, ...(wish.knotsIn === undefined ? {} : { knotsIn: wish.knotsIn }) });
  const { shows, ground } = asked.of(look);
  const { landmarks } = asked.of(planStage).head;
  const axes = axesOf(side);
  const scale = (0.62 * height) / 260;
  const [cos, sin] = [Math.cos(tilt), Math.sin(tilt)];
  const toPixel = (p: ArrayLike<number>, i = 0): readonly [number, number] => {
    const [u, v] = flat(axes, p, i);
    return [width / 2 + scale * (cos * u + sin * v), 0.47 * height + scale * (sin * u - cos * v)];
  };
  const seen = raster(cap, shows, SIDE_TO_EYE[side], toPixel, width, height);
  const hair = grey(ground.hair, HAIR_TINT);
  const underLuminance = wish.under === 'whiteBlock' ? 0.82 : wish.under === 'darkBlock' ? 0.03 : ground.worn;
  const underFull = grey(underLuminance, UNDER_TINT);
  const under = underFull.map((c, i) => hair[i] + (wish.contrast ?? 1) * (c - hair[i]));
  const random = seededRandom(seed);
  const pixels = new Uint8Array(4 * width * height);
  let [shown, all] = [0, 0];
  for (let i = 0; i < width * height; i++) {
    const x = i % width;
    const isHead = seen.at[i] >= 0;
    const isGap = isHead && fleck(seen, i, seed) < seen.shows[i];
    if (isHead) all++;
    if (isGap) shown++;
    const light = 1 + (wish.lightFall ?? 0.25) * (x / width - 0.5);
    const strand = isHead && !isGap ? 1 + 0.1 * (hash(Math.floor(x / 2), Math.floor(i / width / 9), seed) - 0.5) : 1;
    const base = isHead ? (isGap ? under : hair) : WALL;
    const noise = (wish.grain ?? 4) * gauss(random);
    for (let c = 0; c < 3; c++)
      pixels[4 * i + c] = Math.max(0, Math.min(255, Math.round(base[c] * light * strand + noise)));
    pixels[4 * i + 3] = 255;
  }
  const [crown, nape] = placesOf('crownNape', side, landmarks);
  return {
    width,
    height,
    pixels,
    truth: all > 0 ? shown / all : 0,
    taps: [toPixel(crown), toPixel(nape)],
    hairIsDarker: ground.hair < underLuminance,
    scalp: Uint8Array.from(seen.at, (v) => (v >= 0 ? 1 : 0)),
  };
}

const HAIR_TINT = [1.12, 0.97, 0.84] as const;
const UNDER_TINT = [1.04, 1, 0.95] as const;

/** sRGB of a luminance, tinted a little. */
const grey = (luminance: number, tint: readonly number[]) =>
  tint.map((t) => Math.min(250, 255 * t * Math.max(0.02, luminance) ** (1 / 2.2)));

const gauss = (random: () => number) => Math.sqrt(-2 * Math.log(1 - random())) * Math.cos(2 * Math.PI * random());

interface Seen {
  /** Vertex of the triangle that is seen, or -1. */
  readonly at: Int32Array;
  readonly shows: Float32Array;
  /** Place on the head, mm, for the flecks. */
  readonly place: Float32Array;
}

function raster(
  cap: HeadOutside,
  shows: ArrayLike<number>,
  eye: Vec3,
  toPixel: (p: ArrayLike<number>, i: number) => readonly [number, number],
  width: number,
  height: number,
): Seen {
  const { positions: p, normals: n, triangles: t, aboveHairlineMm: above } = cap;
  const at = new Int32Array(width * height).fill(-1);
  const share = new Float32Array(width * height);
  const place = new Float32Array(3 * width * height);
  const facing = (v: number) => n[3 * v] * eye[0] + n[3 * v + 1] * eye[1] + n[3 * v + 2] * eye[2];
  for (let i = 0; i < t.length; i += 3) {
    const [a, b, c] = [t[i], t[i + 1], t[i + 2]];
    if ([a, b, c].some((v) => facing(v) <= 0.05 || above[v] < 0)) continue;
    const [pa, pb, pc] = [a, b, c].map((v) => toPixel(p, 3 * v));
    const area = (pb[0] - pa[0]) * (pc[1] - pa[1]) - (pb[1] - pa[1]) * (pc[0] - pa[0]);
    if (area === 0) continue;
    for (let y = Math.floor(Math.min(pa[1], pb[1], pc[1])); y <= Math.max(pa[1], pb[1], pc[1]); y++) {
      for (let x = Math.floor(Math.min(pa[0], pb[0], pc[0])); x <= Math.max(pa[0], pb[0], pc[0]); x++) {
        if (x < 0 || y < 0 || x >= width || y >= height) continue;
        const edge = (q: readonly number[], r: readonly number[]) =>
          ((r[0] - q[0]) * (y + 0.5 - q[1]) - (r[1] - q[1]) * (x + 0.5 - q[0])) / area;
        const [wa, wb, wc] = [edge(pb, pc), edge(pc, pa), edge(pa, pb)];
        if (wa < 0 || wb < 0 || wc < 0) continue;
        const o = y * width + x;
        at[o] = a;
        // Seen slantwise a way through the hair is longer.
        const straight = wa * shows[a] + wb * shows[b] + wc * shows[c];
        share[o] = Math.max(0, straight) ** (1 / Math.max(0.2, facing(a)));
        for (let k = 0; k < 3; k++) place[3 * o + k] = wa * p[3 * a + k] + wb * p[3 * b + k] + wc * p[3 * c + k];
      }
    }
  }
  return { at, shows: share, place };
}

/** A number from 0 to 1, nearly as often of any size, that changes over a few mm on the head. */
function fleck({ place }: Seen, i: number, seed: number): number {
  const [x, y, z] = [place[3 * i] / FLECK_MM, place[3 * i + 1] / FLECK_MM, place[3 * i + 2] / FLECK_MM];
  const [fx, fy, fz] = [Math.floor(x), Math.floor(y), Math.floor(z)];
  const ease = (t: number) => t * t * (3 - 2 * t);
  const [u, v, w] = [ease(x - fx), ease(y - fy), ease(z - fz)];
  let sum = 0;
  for (let c = 0; c < 8; c++) {
    const [dx, dy, dz] = [c & 1, (c >> 1) & 1, c >> 2];
    const weight = (dx ? u : 1 - u) * (dy ? v : 1 - v) * (dz ? w : 1 - w);
    sum += weight * hash(fx + dx + 57 * (fz + dz), fy + dy, seed);
  }
  // The mean of eight lies near the middle: drawn apart again.
  return Math.max(0, Math.min(1, 0.5 + 1.9 * (sum - 0.5)));
}

function hash(x: number, y: number, seed: number): number {
  let h = Math.imul(x, 374761393) + Math.imul(y, 668265263) + Math.imul(seed, 974711);
  h = Math.imul(h ^ (h >>> 13), 1274126177);
  return ((h ^ (h >>> 16)) >>> 0) / 4294967296;
}
