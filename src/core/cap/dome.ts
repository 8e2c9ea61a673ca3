/** The closed dome cap over the base, or none: what size is looked for and what share of the pull it takes. */

export const CAPS = ['closed', 'none'] as const;
export type CapKind = (typeof CAPS)[number];

export interface CapFit {
  readonly kind: CapKind;
  /** Girth it has to span over the plaits, mm. */
  readonly girthOverBaseMm: number;
  readonly sizeName: string;
  /** Share of the weight that the net takes off own hair, low and high (guess). */
  readonly shareOfPull: readonly [low: number, high: number];
  readonly minutes: number;
}

/** Adult cap sizes by head girth, mm; common practice, no source: labels differ from maker to maker. */
const SIZES: ReadonlyArray<readonly [upTo: number, name: string]> = [
  [546, 'small'],
  [572, 'medium'],
  [597, 'large'],
];
/** A flat plait lifts the net by about this share of its thickness all round (guess). */
const PLAIT_LIFT = 0.35;

export function fitCap(kind: CapKind, girthMm: number, tailThicknessMm: number): CapFit {
  const girthOverBaseMm = girthMm + 2 * Math.PI * PLAIT_LIFT * tailThicknessMm;
  return {
    kind,
    girthOverBaseMm,
    sizeName: SIZES.find(([upTo]) => girthOverBaseMm <= upTo)?.[1] ?? 'extra large',
    shareOfPull: kind === 'none' ? [0, 0] : [0.5, 0.9],
    minutes: kind === 'none' ? 0 : 8,
  };
}
