/** What her own eyes or her scalp tell her on the way, and what follows from it. Common practice, no source. */

export const SEEN_KINDS = ['gap', 'lump', 'part', 'slips', 'short'] as const;
export type SeenKind = (typeof SEEN_KINDS)[number];
export const HURT_KINDS = ['pulls', 'burns', 'itches', 'headache'] as const;
export type HurtKind = (typeof HURT_KINDS)[number];

export interface NoticedInfo {
  readonly name: string;
  /** What to do now. */
  readonly now: string;
  /** What follows for what is to come. */
  readonly later: string;
  /** It is at one place of the head. */
  readonly hasPlace: boolean;
}

export const SEEN_INFO: Readonly<Record<SeenKind, NoticedInfo>> = {
  gap: {
    name: 'A gap',
    now: 'Shake it out first: some gaps close by themselves, and the next row hides more than it seems now.',
    later: 'If it stays, one piece goes there.',
    hasPlace: true,
  },
  lump: {
    name: 'A lump',
    now: 'Feel for a tail or a fold of the net under it; a bent pin flattens a tail that stands up.',
    later: 'Wider gaps over it, and no piece on top of it.',
    hasPlace: true,
  },
  part: {
    name: 'The part doesn’t please',
    now: 'Comb it once more before you judge it, from the front and from above, in the light that you will be seen in.',
    later: 'Two ways back: another layer beside it, or the hair of one side laid over it.',
    hasPlace: false,
  },
  slips: {
    name: 'The cap slips',
    now: 'Stop hooking. Hold it again: nape first, through hair and under the border, then the sides and corners.',
    later: 'Nothing is cut before it holds.',
    hasPlace: false,
  },
  short: {
    name: 'The hair gets short',
    now: 'Count what is left before you open the next pack.',
    later: 'There is still a choice: wider gaps, finer pieces, or a second parcel.',
    hasPlace: false,
  },
};

export const HURT_INFO: Readonly<Record<HurtKind, NoticedInfo>> = {
  pulls: {
    name: 'It pulls',
    now: 'Loosen the last knots there: slide them up a little, or snip the piece and take it out. The skin must not lift.',
    later: 'What comes there spares your hair: through the net, where there is one.',
    hasPlace: true,
  },
  burns: {
    name: 'It burns or stings',
    now: 'Take out what is there now, and look: redness or bumps mean that nothing more goes on this place.',
    later: 'Gel, glue, latex and coated fibre can cause it. Rinse it, leave it free, and ask a doctor if it lasts.',
    hasPlace: true,
  },
  itches: {
    name: 'It itches',
    now: 'One piece of this fibre on your wrist for half an hour tells whether it is the fibre. If it is: out with it.',
    later: 'An itch that was there before wants washing, not covering. No acid on it.',
    hasPlace: true,
  },
  headache: {
    name: 'My head aches',
    now: 'Stop. Loosen what holds tightest: border, combs, the anchors at temples and nape. Wait a quarter of an hour.',
    later: 'If it aches still, it comes out tonight: too tight doesn’t get better overnight.',
    hasPlace: false,
  },
};

/** Said at each of them; it is no tool that decides about a sore head. */
export const WHEN_TO_TAKE_OUT =
  'Pain that lasts until evening, bumps, or shiny skin at the hairline mean too tight: take it out, today. If it doesn’t get better, a doctor looks at it, not a tool.';

/** How far round a sore place knots to come are moved off her hair, and those that are in are looked at, in fingers. */
export const SORE_FINGERS = 2;

/** Laid over a part, hair has to pass its other margin and the knots there (guess), in fingers. */
export const OVER_PART_FINGERS = 4;
