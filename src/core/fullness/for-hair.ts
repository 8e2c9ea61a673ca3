/** The gaps for this hair, from what a plan holds: pieces by zone, fullness, fingers, and what she set herself. */

import type { HookedPiece } from '../hair/index.ts';
import type { FallGuesses } from '../trade/index.ts';
import {
  BACK_UNDER_LONG,
  CLOSEST_MM,
  CROWDED,
  FULLNESS_INFO,
  type FullnessAim,
  isLongHair,
  LEAST_CENTRES_MM,
  SPACING_LIMITS_FINGERS,
  type SpacingZone,
  TEXTURE_INFO,
  type Texture,
  widestFingers,
  ZONES,
} from '../trade/index.ts';
import { type ByZone, type CellPiece, fillingAt, type GapLimits, gapsForHair, type Hooked } from './gaps.ts';

export interface GapsTold {
  readonly fullness: FullnessAim;
  readonly fingerMm: number;
  /** Fingers that she set herself. */
  readonly hers: Readonly<Partial<Record<SpacingZone, number>>>;
  /** The piece of each zone. */
  readonly pieces: Readonly<Record<SpacingZone, HookedPiece>>;
  /** Fingers are the clear gap between two knots. */
  readonly clear: boolean;
}

/** What the model of the look says of gaps: those she has, and those for this hair. */
export interface HairGaps {
  /** Of every zone: hers where she set one, else those for this hair. */
  readonly fingers: ByZone;
  readonly hers: readonly SpacingZone[];
  /** For this hair in every zone, whatever she set. */
  readonly forHair: ByZone;
  /** Whether what she aims at is reached at those before knots sit on each other. */
  readonly reached: boolean;
  /** Share hidden by zone at her gaps and at those, and in all; mean thickness, mm. Within five points of the look, coarse pieces swept back six. */
  readonly filling: ReturnType<typeof fillingAt>;
  readonly fillingForHair: ReturnType<typeof fillingAt>;
}

export function hairGaps(hooked: Hooked, told: GapsTold): HairGaps {
  const { hidden, thicknessMm } = aimOf(told.fullness);
  const find = (hers: GapsTold['hers']) => gapsForHair(hooked, { hidden, thicknessMm }, limitsFor(told, hers));
  const hers = ZONES.filter((z) => told.hers[z] !== undefined);
  const own = find({});
  const mixed = hers.length === 0 || hers.length === ZONES.length ? own : find(told.hers);
  const fingers = each((z) => told.hers[z] ?? mixed.quarters[z] / 4);
  return {
    fingers,
    hers,
    forHair: each((z) => own.quarters[z] / 4),
    reached: own.reached,
    filling: hers.length === 0 ? own.filling : fillingAt(hooked, centresOf(told)(each((z) => 4 * fingers[z]))),
    fillingForHair: own.filling,
  };
}

/** What enough, spare or very full asks for. */
function aimOf(fullness: FullnessAim) {
  const { leastHidden, thicknessMm } = FULLNESS_INFO[fullness];
  return { hidden: leastHidden, thicknessMm: thicknessMm[0] };
}

const each = (of: (z: SpacingZone) => number): ByZone =>
  Object.fromEntries(ZONES.map((z) => [z, of(z)])) as Record<SpacingZone, number>;

const knotMm = ({ clear, pieces }: GapsTold, z: SpacingZone) => (clear ? pieces[z].knotWidthMm : 0);

function centresOf(told: GapsTold) {
  return (quarters: ByZone) =>
    each((z) => Math.max(LEAST_CENTRES_MM, (quarters[z] / 4) * told.fingerMm + knotMm(told, z)));
}

function limitsFor(told: GapsTold, hers: GapsTold['hers']): GapLimits {
  const { lengthMm } = told.pieces.top;
  const widest = widestFingers(lengthMm);
  const quartersOf = (mm: number, z: SpacingZone) => (4 * (mm - knotMm(told, z))) / told.fingerMm;
  const leastOf = (z: SpacingZone) =>
    Math.max(
      4 * SPACING_LIMITS_FINGERS[0],
      Math.ceil(quartersOf(Math.max(LEAST_CENTRES_MM, CROWDED * told.pieces[z].knotWidthMm), z) - 1e-9),
      Math.ceil(quartersOf(CLOSEST_MM, z) - 1e-9),
    );
  const most = each((z) => {
    const own = hers[z];
    // The widest gaps are said from knot to knot.
    return own === undefined
      ? Math.max(leastOf(z), Math.floor(4 * widest[z] - (4 * knotMm(told, z)) / told.fingerMm))
      : 4 * own;
  });
  return {
    most,
    least: each((z) => (hers[z] === undefined ? leastOf(z) : 4 * hers[z])),
    backOverTop: isLongHair(lengthMm) ? BACK_UNDER_LONG : 1,
    centresMm: centresOf(told),
  };
}

/** What one gram of a texture fills as it lies loosely, times how loosely she says it lies. */
export function cellPiece({ massG }: HookedPiece, texture: Texture, { loft }: FallGuesses): CellPiece {
  return { massG, mm3PerG: (1000 * loft) / TEXTURE_INFO[texture].looseGPerCm3 };
}
