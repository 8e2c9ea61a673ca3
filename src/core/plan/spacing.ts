/** Spacing from fingers to mm: centre to centre, or the clear gap plus the width of a knot of that zone. */
import type { HookedPiece, ZonePieces } from '../hair/index.ts';
import type { RowSpacing, ZoneFactors } from '../rows/index.ts';
import { LEAST_CENTRES_MM, type SpacingZone } from '../trade/index.ts';

export interface SpacingMm {
  /** On top, the reference. */
  readonly mm: RowSpacing;
  readonly zones: ZoneFactors;
  /** In her fingers, by zone: as she set them, or for this hair. */
  readonly fingers: Readonly<Record<SpacingZone, number>>;
  /** Zones that she set herself. */
  readonly hers: readonly SpacingZone[];
  /** Centre to centre by zone, mm. */
  readonly centresMm: Readonly<Record<SpacingZone, number>>;
}

export interface SpacingTold {
  readonly fingers: Readonly<Partial<Record<SpacingZone, number>>>;
  readonly hers: readonly SpacingZone[];
  readonly fingerMm: number;
  readonly zones: ZonePieces;
  /** Pieces as hooked, where the clear gap between two knots is told; undefined where centres are. */
  readonly hooked: ReadonlyMap<string, HookedPiece> | undefined;
}

/** From knot to knot, mm, of so many fingers. @param clearOf width of a knot, where the clear gap between two is told */
export function centresMm(fingers: number, fingerMm: number, clearOf = 0): number {
  return Math.max(LEAST_CENTRES_MM, fingers * fingerMm + clearOf);
}

export function spacingInMm({ fingers: told, hers, fingerMm, zones, hooked }: SpacingTold): SpacingMm {
  const fingers = { ...told } as Record<SpacingZone, number>;
  const centre = (zone: SpacingZone) => centresMm(fingers[zone], fingerMm, hooked?.get(zones[zone].cut)?.knotWidthMm);
  const byZone = {
    part: centre('part'),
    top: centre('top'),
    back: centre('back'),
    nape: centre('nape'),
    faceEdge: centre('faceEdge'),
  };
  const top = byZone.top;
  // Rounded, so that scaling all zones alike finds the same row field again.
  const factor = (mm: number) => Math.round((1e6 * mm) / top) / 1e6;
  return {
    fingers,
    hers,
    mm: { gapMm: top, pitchMm: top },
    zones: {
      part: factor(byZone.part),
      back: factor(byZone.back),
      nape: factor(byZone.nape),
      faceEdge: factor(byZone.faceEdge),
    },
    centresMm: byZone,
  };
}
