/** Whom a wig is made for: herself, or a head of which only the size is known. Sizes: common practice, no source. */

export const WHOMS = ['me', 'head'] as const;

export type Whom = (typeof WHOMS)[number];

export const SIZED_BYS = ['tape', 'size', 'known'] as const;

export type SizedBy = (typeof SIZED_BYS)[number];

export const HEAD_SIZES = ['small', 'medium', 'large', 'extraLarge'] as const;

export type HeadSize = (typeof HEAD_SIZES)[number];

export interface MadeFor {
  readonly whom: Whom;
  readonly sizedBy: SizedBy;
  readonly size: HeadSize;
  /** Whose head it is, where its tape is known from elsewhere. */
  readonly known: string;
  /** What it will be worn over is given: own hair, base and marks of that head. */
  readonly wornOver: boolean;
}

export const FOR_ME: MadeFor = { whom: 'me', sizedBy: 'tape', size: 'medium', known: '', wornOver: false };

/** Whether somebody's hair and base are under it; else the head is a form and nothing else. */
export const isWorn = ({ whom, wornOver }: Pick<MadeFor, 'whom' | 'wornOver'>) => whom === 'me' || wornOver;

/** Whether nothing is known of the head but its size. */
export const isBySize = ({ whom, sizedBy }: Pick<MadeFor, 'whom' | 'sizedBy'>) => whom === 'head' && sizedBy === 'size';

/** Round the head, in the middle of what wears the size: from small in steps of an inch, mm. */
export const SIZE_GIRTH_MM: Readonly<Record<HeadSize, number>> = {
  small: 533,
  medium: 559,
  large: 584,
  extraLarge: 610,
};

export const SIZE_NAMES: Readonly<Record<HeadSize, string>> = {
  small: 'small',
  medium: 'medium',
  large: 'large',
  extraLarge: 'extra large',
};
