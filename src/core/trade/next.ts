/** What she would have otherwise next time: as she taps it, and as she writes it. */

export const NEXT_WISHES = [
  'lessBehind',
  'moreBehind',
  'lessNape',
  'lessTop',
  'moreTop',
  'finerInFront',
  'mixedBetter',
  'partSlipped',
  'frontSlipped',
  'pulled',
  'tooHeavy',
  'tooLong',
  'shorter',
  'ranShort',
] as const;
export type NextWish = (typeof NEXT_WISHES)[number];

interface WishInfo {
  readonly name: string;
  /** How it is written in a line of hers; words of which one stands near the other. */
  readonly written: RegExp;
}

export const NEXT_WISH_INFO: Readonly<Record<NextWish, WishInfo>> = {
  lessBehind: { name: 'less at the back', written: /\b(less|fewer|wider)\b[^.;]{0,30}\b(back|behind)\b/i },
  moreBehind: { name: 'more at the back', written: /\b(more|fuller|closer)\b[^.;]{0,30}\b(back|behind)\b/i },
  lessNape: { name: 'wider at the nape', written: /\b(less|fewer|wider)\b[^.;]{0,30}\bnape\b/i },
  lessTop: { name: 'less on top', written: /\b(less|fewer|wider)\b[^.;]{0,30}\b(top|crown)\b/i },
  moreTop: { name: 'more on top', written: /\b(more|fuller|closer)\b[^.;]{0,30}\b(top|crown)\b/i },
  finerInFront: { name: 'finer in front', written: /\b(finer|flatter)\b[^.;]{0,30}\b(front|part|edge)/i },
  mixedBetter: { name: 'colours better mixed', written: /\bcolou?rs?\b[^.;]{0,30}\bmix|\bmix[^.;]{0,30}\bcolou?r/i },
  partSlipped: {
    name: 'the part slipped',
    written: /\bpart\b[^.;]{0,30}\b(slip|loosen|came out)|\bslip[^.;]{0,30}\bpart\b/i,
  },
  frontSlipped: {
    name: 'the front slipped',
    written: /\b(front|edge|hairline)\b[^.;]{0,30}\b(slip|loosen|came out)|\bslip[^.;]{0,30}\b(front|edge|hairline)\b/i,
  },
  pulled: { name: 'it pulled at the edge', written: /\b(pull|tight|sore)/i },
  tooHeavy: { name: 'too heavy', written: /\b(too heavy|lighter)\b/i },
  tooLong: { name: 'it took too long', written: /\btook (too|so) long|\btoo many hours\b/i },
  shorter: { name: 'shorter', written: /\bshorter\b/i },
  ranShort: { name: 'hair ran short', written: /\bran (short|out)\b|\bone more pack\b/i },
};

/** Wishes that a line of hers speaks of. */
export const wishesIn = (line: string): NextWish[] => NEXT_WISHES.filter((w) => NEXT_WISH_INFO[w].written.test(line));
