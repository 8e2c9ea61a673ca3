/** What she marks on her scalp, and regions that have a name. */

export const MARK_KINDS = ['tender', 'thin', 'noGo', 'inSight'] as const;

export type MarkKind = (typeof MARK_KINDS)[number];

export const MARK_NAMES: Readonly<Record<MarkKind, string>> = {
  tender: 'tender',
  thin: 'thin',
  noGo: 'no-go',
  inSight: 'own hair in sight',
};

/** Regions that have a name, so that they can be marked without a brush. */
export const REGIONS = ['frontEdge', 'temples', 'overEars', 'nape', 'crown'] as const;

export type Region = (typeof REGIONS)[number];

export const REGION_NAMES: Readonly<Record<Region, string>> = {
  frontEdge: 'front hairline',
  temples: 'temples',
  overEars: 'above the ears',
  nape: 'nape',
  crown: 'crown',
};
