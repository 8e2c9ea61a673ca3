/**
 * How far hair stands off the head: each piece lies on those that were hooked before it, and springy hair stands up
 * from its knot. What a texture does to both is a guess; the factor of the guesses scales them.
 */

import type { HookedPiece } from '../hair/index.ts';
import { exp, log } from '../numerics/index.ts';
import { TEXTURE_INFO, type Texture } from '../trade/index.ts';
import type { Footprint } from './footprint.ts';
import { KERNEL_MEAN, type Ribbons } from './ribbons.ts';

/** No strand stands further from the head by itself, mm. */
const MOST_STANDS_MM = 60;
/** Distance from the knot over which it has risen, mm. */
const RISE_MM = 45;

/** Thickness that one ribbon of a piece adds at its middle, mm: its mass by area over the density of loose hair; towards its edge it thins out. */
export function layerMm(
  piece: Pick<HookedPiece, 'massG' | 'lengthMm'>,
  ribbons: Pick<Ribbons, 'count' | 'widthMm'>,
  texture: Texture,
  loft: number,
): number {
  const gPerMm2 = piece.massG / piece.lengthMm / (ribbons.count * ribbons.widthMm * KERNEL_MEAN);
  return (loft * gPerMm2) / (TEXTURE_INFO[texture].looseGPerCm3 * 1e-3);
}

/** How far a springy strand stands off by itself, mm, at a length along it. */
export function standsMm(texture: Texture, lengthMm: number, alongMm: number, loft: number): number {
  const most = Math.min(MOST_STANDS_MM, TEXTURE_INFO[texture].stands * lengthMm) * loft;
  return most * (1 - exp(-alongMm / RISE_MM));
}

/** How thick a footprint lies at each of its places, in ribbons of full opacity. */
const depths = new WeakMap<Footprint, Float64Array>();

/** The logarithms are taken once for a footprint: it is laid anew at every change of the guesses. */
function depthOf(print: Footprint): Float64Array {
  const known = depths.get(print);
  if (known) return known;
  const { through } = print;
  const depth = new Float64Array(through.length);
  for (let i = 0; i < depth.length; i++) depth[i] = -log(Math.max(through[i], 1e-6));
  depths.set(print, depth);
  return depth;
}

/** Volume that a piece comes to where it lies on the scalp, mm³. @param areasMm2 of the vertices */
export function volumeMm3(print: Footprint, areasMm2: ArrayLike<number>, opacity: number, layer: number): number {
  const { vertices } = print;
  const depth = depthOf(print);
  let sum = 0;
  for (let i = 0; i < vertices.length; i++) sum += depth[i] * areasMm2[vertices[i]];
  return (-layer / log(1 - opacity)) * sum;
}

/** Steepest that loose hair lies on loose hair, rise over run: what is heaped higher slips to its sides (guess). */
export const STEEPEST_LOOSE = 0.22;

/** However much is heaped up, hair on top presses what is under it to about this, mm (guess). */
const PRESSED_MM = 80;

/** Thickness of hair in a heap that would be so thick if nothing pressed on it, mm. */
export const pressedMm = (looseMm: number) => PRESSED_MM * (1 - exp(-looseMm / PRESSED_MM));

/** Lays a piece on those before it: raises the hair under its ribbons. @param opacity of one of its ribbons */
export function layOn(heightMm: Float64Array, print: Footprint, opacity: number, layer: number) {
  const { vertices } = print;
  const depth = depthOf(print);
  const perRibbon = -1 / log(1 - opacity);
  for (let i = 0; i < vertices.length; i++) heightMm[vertices[i]] += layer * perRibbon * depth[i];
}
