/** Where the head stands on the stage and how large: the head alone, or all the hair from its highest curl to its longest tip. */

import type { Vec3 } from '../../core/geometry/index.ts';
import type { HairOnHead } from '../../core/plan/index.ts';

export interface Frame {
  readonly pxPerMm: number;
  /** Where the head's middle stands, px. */
  readonly centreX: number;
  readonly centreY: number;
}

/** How much closer than the whole, and how far it was moved for that, px. */
export interface Closeness {
  readonly zoom: number;
  readonly x: number;
  readonly y: number;
}
export const WHOLE: Closeness = { zoom: 1, x: 0, y: 0 };
export const MOST_ZOOM = 5;

export interface Stage {
  readonly width: number;
  readonly height: number;
}

/** Head height on the stage: pixels per mm for each pixel of stage height. */
const MM_SHARE = 0.0038;
/** A taller stage gives air, not a larger head. */
const LARGEST_PX = 540;
/** Right of the middle, since words stand at the left. */
const HEAD_CENTRE = { x: 0.61, y: 0.47 };

export function headFrame(
  { width, height }: Stage,
  elevation: number,
  centre: { readonly x: number; readonly y: number } = HEAD_CENTRE,
  mmShare = MM_SHARE,
): Frame {
  return {
    pxPerMm: Math.min(height, LARGEST_PX) * mmShare,
    centreX: width * centre.x,
    // Seen from above the head's middle moves to the middle of the stage.
    centreY: height * (centre.y + (0.52 - centre.y) * Math.max(0, Math.sin(elevation)) ** 2),
  };
}

/** Under hair the head is drawn no larger than this share of the stage, px a mm for each pixel of its height. */
const HAIR_SHARE = 0.0033;
/** Free above and below, px; at the sides. */
const AIR = 18;
/** Words stand at the left, unless the stage is narrow. */
const WORDS_PX = 216;
const NARROW_PX = 700;
/** The face is always in it, mm below the middle of the head. */
const CHIN_MM = 128;

/**
 * All the hair, whatever way the head is turned: the frame hangs on how far hair reaches up, down and aside, not on the angle
 * round the head, so that it stands still while she turns.
 *
 * @param extent outermost points of the hair, xyz interleaved, mm, as it hangs in the room
 */
export function hairFrame(
  { width, height }: Stage,
  elevation: number,
  extent: HairOnHead['extentMm'],
  inRoom: (p: Vec3) => Vec3,
): Frame {
  const cos = Math.cos(elevation);
  const sin = Math.abs(Math.sin(elevation));
  let top = 120 * cos + 95 * sin;
  let foot = -(CHIN_MM * cos + 95 * sin);
  let aside = 95;
  for (let i = 0; i < extent.length; i += 3) {
    const [x, y, z] = inRoom([extent[i], extent[i + 1], extent[i + 2]]);
    const r = Math.sqrt(x * x + z * z);
    top = Math.max(top, y * cos + r * sin);
    foot = Math.min(foot, y * cos - r * sin);
    aside = Math.max(aside, r);
  }
  const words = width < NARROW_PX ? 0 : WORDS_PX;
  const pxPerMm = Math.min(
    Math.min(height, LARGEST_PX) * HAIR_SHARE,
    (height - 2 * AIR) / (top - foot),
    (width - words - 2 * AIR) / (2 * aside),
  );
  return {
    pxPerMm,
    centreX: words + (width - words) / 2,
    // The highest curl a little below the upper edge; what is short is cropped by the foot of the stage, as a bust is.
    centreY: Math.min(AIR + 0.035 * height + top * pxPerMm, height - AIR + foot * pxPerMm),
  };
}

/** Closer by as much as she went, and moved with it. */
export function closer(frame: Frame, { width, height }: Stage, { zoom, x, y }: Closeness): Frame {
  return {
    pxPerMm: frame.pxPerMm * zoom,
    centreX: width / 2 + (frame.centreX - width / 2) * zoom + x,
    centreY: height / 2 + (frame.centreY - height / 2) * zoom + y,
  };
}

/** One step closer or farther, what is under the finger stays there. */
export function stepCloser(
  now: Closeness,
  by: number,
  { width, height }: Stage,
  at: { x: number; y: number },
): Closeness {
  const zoom = Math.min(MOST_ZOOM, Math.max(1, now.zoom * by));
  if (zoom === 1) return WHOLE;
  const k = zoom / now.zoom;
  const keep = (p: number, middle: number, moved: number) => (p - middle) * (1 - k) + moved * k;
  return { zoom, x: keep(at.x, width / 2, now.x), y: keep(at.y, height / 2, now.y) };
}
