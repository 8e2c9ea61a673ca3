/** What days of a worn style bring, what is due on them, and how long it holds. Common practice, no source, where nothing else is named. */
import type { Texture } from './textures.ts';

export const WEAR_KINDS = [
  'washed',
  'swam',
  'rained',
  'uncovered',
  'tidied',
  'trimmed',
  'fuzz',
  'tangle',
  'matted',
  'slip',
  'itch',
  'sore',
  'bumps',
  'smells',
  'compliments',
] as const;
export type WearKind = (typeof WEAR_KINDS)[number];

/** What happened to it, what she sees, what she feels. */
export type WearGroup = 'happened' | 'seen' | 'felt';

export interface WearInfo {
  readonly name: string;
  readonly group: WearGroup;
  /** It is at one place of the head. */
  readonly hasPlace: boolean;
  /** How much of the water of a full wash it leaves in the hair; none where it wets nothing. */
  readonly wets: number;
  /** Days of matting and of creeping that it is worth (guesses). */
  readonly matsDays: number;
  readonly creepsDays: number;
  /** What to do now; nothing where there is nothing to do. */
  readonly now?: string;
}

const plain = { hasPlace: false, wets: 0, matsDays: 0, creepsDays: 0 };

export const WEAR_INFO: Readonly<Record<WearKind, WearInfo>> = {
  washed: { ...plain, name: 'washed', group: 'happened', wets: 1, matsDays: 1, creepsDays: 1 },
  swam: {
    ...plain,
    name: 'swam',
    group: 'happened',
    wets: 1,
    matsDays: 2,
    creepsDays: 1,
    now: 'Rinse salt and chlorine out before it dries.',
  },
  rained: { ...plain, name: 'rained on', group: 'happened', wets: 0.5, matsDays: 1 },
  uncovered: { ...plain, name: 'slept without cover', group: 'happened', matsDays: 1 },
  tidied: { ...plain, name: 'fuzz tidied', group: 'happened', matsDays: -1 },
  trimmed: { ...plain, name: 'trimmed', group: 'happened', matsDays: -1 },
  fuzz: {
    ...plain,
    name: 'fuzz',
    group: 'seen',
    hasPlace: true,
    now: 'Mousse, pull loose fuzz out gently from the tip, trim what stands off. No brush.',
  },
  tangle: {
    ...plain,
    name: 'tangled',
    group: 'seen',
    hasPlace: true,
    matsDays: 1,
    now: 'Fingers from the tips up, the root held with the other hand; what will not come apart is snipped.',
  },
  matted: {
    ...plain,
    name: 'matted',
    group: 'seen',
    hasPlace: true,
    matsDays: 3,
    now: 'Don’t comb it through on your head: it pulls at your own hair. Snip that piece, or take all of it out soon.',
  },
  slip: {
    ...plain,
    name: 'slipped',
    group: 'seen',
    hasPlace: true,
    creepsDays: 4,
    now: 'Hold it again there: through hair and under the border, or a new piece beside the loose one.',
  },
  itch: {
    ...plain,
    name: 'it itches',
    group: 'felt',
    hasPlace: true,
    now: 'It may be the fibre (out with it) or a scalp that wants washing. No acid on it: that is no cure.',
  },
  sore: {
    ...plain,
    name: 'it hurts',
    group: 'felt',
    hasPlace: true,
    now: 'Loosen or take out what pulls there, now. Nothing tied over it tonight.',
  },
  bumps: { ...plain, name: 'bumps or shiny skin', group: 'felt', hasPlace: true },
  smells: {
    ...plain,
    name: 'smells damp',
    group: 'felt',
    hasPlace: false,
    now: 'Roots that stay damp smell. Wash the scalp, dry it right through, and look at the skin.',
  },
  compliments: { ...plain, name: 'someone liked it', group: 'seen' },
};

/** Where on the head, as she says it; degrees of azimuth (0 in front, 90 at her left) and elevation as seen from the middle of the fitted head. */
export const WEAR_PLACES = ['front', 'leftTemple', 'rightTemple', 'top', 'left', 'right', 'behind', 'nape'] as const;
export type WearPlace = (typeof WEAR_PLACES)[number];
export const WEAR_PLACE_INFO: Readonly<
  Record<WearPlace, { readonly name: string; readonly at: readonly [azimuth: number, elevation: number] }>
> = {
  front: { name: 'front', at: [0, 38] },
  leftTemple: { name: 'left temple', at: [55, 25] },
  rightTemple: { name: 'right temple', at: [-55, 25] },
  top: { name: 'top', at: [180, 85] },
  left: { name: 'left side', at: [95, 12] },
  right: { name: 'right side', at: [-95, 12] },
  behind: { name: 'behind', at: [180, 5] },
  nape: { name: 'nape', at: [180, -42] },
};

/** After about so many days it is matted: kinky hair after two weeks, smoother hair later. */
export const MATS_AFTER_DAYS: Readonly<Record<Texture, number>> = {
  straight: 35,
  wave: 35,
  looseCurl: 28,
  curl: 24,
  coil: 21,
  kinky: 14,
  twist: 42,
};
/** Long smooth hair tangles below the shoulders: it is done so many days sooner. */
export const LONG_TANGLES_DAYS = 10;
/** Hair that hangs below the shoulders, mm from its knot (guess). */
export const BELOW_SHOULDERS_MM = 420;
/** One day more or less of all that: people and fibres differ by about a fifth (guess). */
export const MATS_SPREAD = 0.2;

/** Own hair under a base has grown out of it: longer nobody should leave it. */
export const LONGEST_WORN_DAYS = 42;
/** Crept by so many days' worth, it no longer holds as it was laid (guess). */
export const CREPT_DAYS = 42;

/** What takes fuzz off. */
export const TIDIES: readonly WearKind[] = ['tidied', 'trimmed'];
/** A day on which she sees fuzz is worth so many days of it (guess). */
export const FUZZ_SEEN_DAYS = 4;

/** Fuzz is pulled and trimmed every so many days. */
export const TIDY_EVERY_DAYS: Readonly<Record<Texture, number>> = {
  straight: 6,
  wave: 6,
  looseCurl: 4,
  curl: 4,
  coil: 5,
  kinky: 4,
  twist: 7,
};
/** A scalp under a style is washed every week to ten days. */
export const WASH_EVERY_DAYS = 9;
/** She looks at her edges every so many days, whether she feels anything or not. */
export const EDGES_EVERY_DAYS = 3;
