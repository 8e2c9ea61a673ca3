/** Taking a style out: what hair sheds meanwhile, what comes back, and the rest before the next. */

/** A scalp sheds 50 to 150 hairs a day, worn or not (Robbins, Chemical and Physical Behavior of Human Hair; from memory); under a style they stay until it comes out. */
export const SHED_A_DAY = [50, 150] as const;
/** So many times the most that is usual: not this style's shedding alone (guess). */
export const SHED_TOO_MUCH = 1.5;
/** Loose hair rolled between two palms, g a cm3 (guess). */
export const TUFT_G_CM3 = 0.08;

/** Own hair rests one to two weeks before the next; twice that after a style that hurt (common practice, no source). */
export const REST_DAYS = [7, 14] as const;
export const HURT_RESTS = 2;

export const REST_WORDS = [
  'Wash the scalp, not only the hair, and look at it in daylight: edges, nape, wherever it pulled.',
  'Something that conditions; ends trimmed where they split. Nothing tight, nothing glued.',
  'A soft band or loose plaits, and nights under a bonnet.',
] as const;

/** Said where more comes out than days explain. */
export const SHED_CAUTION =
  'That is more than the days explain. Short pieces without a white bulb are broken, not shed: something pulled or dried out. If it goes on for weeks, or bare places show, a doctor or a trichologist looks at it, not a tool.';
