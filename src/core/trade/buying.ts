/** What may matter most when hair is bought. */
export const BUYING_AIMS = ['cheapest', 'surest', 'closest'] as const;
export type BuyingAim = (typeof BUYING_AIMS)[number];

export const BUYING_AIM_NAMES: Readonly<Record<BuyingAim, string>> = {
  cheapest: 'the least money',
  surest: 'that it lasts',
  closest: 'the very colour and length',
};

/** How sure she may want to be that packs last. */
export const SURENESSES = [0.5, 0.8, 0.95] as const;
