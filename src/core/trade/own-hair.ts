/** Her own hair in words and what each word means in figures. */

export const STRANDS = ['fine', 'medium', 'coarse'] as const;

export type StrandThickness = (typeof STRANDS)[number];

export const FULLNESS = ['thin', 'medium', 'thick'] as const;

export type HairFullness = (typeof FULLNESS)[number];

export const CURLS = ['straight', 'wavy', 'curly', 'coily'] as const;

export type HairCurl = (typeof CURLS)[number];

export const HAIR_REGIONS = ['front', 'sides', 'crown', 'back', 'nape'] as const;

export type HairRegion = (typeof HAIR_REGIONS)[number];

export const HAIR_REGION_NAMES: Readonly<Record<HairRegion, string>> = {
  front: 'front',
  sides: 'sides',
  crown: 'crown',
  back: 'back',
  nape: 'nape',
};

/** Hair diameters, µm: from memory of handbook ranges (50 to 90), unchecked. */
export const DIAMETER_UM: Readonly<Record<StrandThickness, number>> = { fine: 55, medium: 70, coarse: 90 };

/** Hairs per cm² of scalp: from memory (about 150 to 200 on a full head), unchecked. */
export const PER_CM2: Readonly<Record<HairFullness, number>> = { thin: 120, medium: 175, thick: 220 };

/** Keratin, g/cm³ (from memory). */
export const KERATIN_G_CM3 = 1.32;

/** Hair over space: in a plait drawn firm, in a twist, brushed smooth into a tail, in a gripped ponytail, lying flat (guesses). */
export const PACKING = { plait: 0.5, twist: 0.55, smooth: 0.45, ponytail: 0.6, lying: 0.4 } as const;

/** What a plait or twist loses of the stretched length (common practice, no source). */
export const TAKE_UP = { plait: 0.85, twist: 0.9, smooth: 1 } as const;

export type TailStyle = keyof typeof TAKE_UP;
