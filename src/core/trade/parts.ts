/** What a part may be. */

/** Limits within which a line can be a part, mm. */
export const PART_LIMITS = { asideMm: 65, shortestMm: 30, longestMm: 230, bendMm: 35 } as const;

export const PART_KINDS = ['line', 'crown', 'swept'] as const;
export type PartKind = (typeof PART_KINDS)[number];
