/** Which colours a style is mixed from, and how much of each. */

/** The colour of the packs themselves, as against those that are mixed in. */
export const OWN = 'own';

/** A colour that is mixed in. */
export interface MixedColour {
  readonly id: string;
  /** As it stands on the pack. */
  readonly name: string;
  /** Packs of it that she has. */
  readonly packsAtHand: number;
}

/** Shares of what is mixed in, by id, from 0 to 1 and not above 1 together; the rest is of the packs’ own colour. */
export type ColourShares = Readonly<Record<string, number>>;

export interface ColourChoice {
  /** Besides the packs’ own: none, one, two or three. */
  readonly more: readonly MixedColour[];
  /** Colours that can’t be had any more: what is at hand has to last. */
  readonly noMore: readonly string[];
  /** Where nothing else is said. */
  readonly shares: ColourShares;
  /** In the midst of an install: colours of the pieces that are in, by the id of their knot. */
  readonly hooked: Readonly<Record<string, string>>;
  /** Pieces of each colour that were counted then: the rest is dealt from these. */
  readonly left: Readonly<Record<string, number>>;
}

export const ONE_COLOUR: ColourChoice = { more: [], noMore: [], shares: {}, hooked: {}, left: {} };

/** Ids of all colours, the packs’ own first. */
export const colourIds = ({ more }: Pick<ColourChoice, 'more'>): string[] => [OWN, ...more.map((c) => c.id)];

/** As it stands on the pack. @param own what the packs’ own colour is called */
export function nameOfColour({ more }: Pick<ColourChoice, 'more'>, own: string, id: string): string {
  return id === OWN ? own : (more.find((c) => c.id === id)?.name ?? id);
}

/** Shares of all colours in that order; they sum to one. */
export function sharesInOrder(choice: Pick<ColourChoice, 'more'>, shares: ColourShares): number[] {
  const mixed = choice.more.map((c) => Math.max(0, shares[c.id] ?? 0));
  const sum = mixed.reduce((a, b) => a + b, 0);
  if (sum > 1) return [0, ...mixed.map((m) => m / sum)];
  return [1 - sum, ...mixed];
}
