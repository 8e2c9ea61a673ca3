/** Her own hair: what it weighs and how thick a tail of it is. */

export const STRANDS = ['fine', 'medium', 'coarse'] as const;
export type StrandThickness = (typeof STRANDS)[number];
export const FULLNESS = ['thin', 'medium', 'thick'] as const;
export type HairFullness = (typeof FULLNESS)[number];

export interface OwnHair {
  readonly lengthMm: number;
  readonly strand: StrandThickness;
  readonly fullness: HairFullness;
}

/** Hair diameters, µm: from memory of handbook ranges (50 to 90), unchecked. */
const DIAMETER_UM: Readonly<Record<StrandThickness, number>> = { fine: 55, medium: 70, coarse: 90 };
/** Hairs per cm² of scalp: from memory (about 150 to 200 on a full head), unchecked. */
const PER_CM2: Readonly<Record<HairFullness, number>> = { thin: 120, medium: 175, thick: 220 };
/** Keratin, g/cm³ (from memory). */
const KERATIN_G_CM3 = 1.32;
/** Hair over space in a plait drawn firm (guess). */
const PLAIT_PACKING = 0.5;

export function hairsOn(own: OwnHair, areaMm2: number): number {
  return (areaMm2 / 100) * PER_CM2[own.fullness];
}

/** Mass of one hair, g: density × π d²/4 × length. 70 µm and 10 mm give 0.0508 mg. */
export function hairMassG(own: OwnHair): number {
  const diameterCm = DIAMETER_UM[own.strand] * 1e-4;
  return ((KERATIN_G_CM3 * Math.PI * diameterCm ** 2) / 4) * (own.lengthMm / 10);
}

/** Thickness of a plaited tail of so many hairs, mm. */
export function tailThicknessMm(own: OwnHair, hairs: number): number {
  const diameterMm = DIAMETER_UM[own.strand] * 1e-3;
  return diameterMm * Math.sqrt(hairs / PLAIT_PACKING);
}
