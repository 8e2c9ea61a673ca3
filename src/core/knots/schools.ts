/** Where workers disagree: each a named setting with its reason, never a hidden constant. Common practice. */
export interface SchoolOption {
  readonly value: string;
  readonly name: string;
  readonly reason: string;
}

export const SCHOOL_OPTIONS = {
  oneLeg: [
    {
      value: 'exposed',
      name: 'where a knot would show',
      reason: 'Rows below are hidden by the rows above; only part and edge lie open.',
    },
    { value: 'everywhere', name: 'in every knot', reason: 'A style of its own: flat and straight, slower to lay.' },
    { value: 'never', name: 'nowhere', reason: 'Quickest; springy hair hides its own knot, smooth hair does not.' },
  ],
  oneLegWraps: [
    { value: 'once', name: 'once wrapped', reason: 'Lies flattest and comes out quickest.' },
    { value: 'twice', name: 'twice wrapped', reason: 'Holds better in smooth hair.' },
  ],
  smoothHold: [
    {
      value: 'wraps',
      name: 'net and more wraps',
      reason: 'Two or three passages hold smooth hair when a net takes the pull.',
    },
    {
      value: 'lock',
      name: 'lock with the band or ring',
      reason: 'The band pushed to the root replaces further wraps, not the first.',
    },
  ],
  through: [
    {
      value: 'perimeter',
      name: 'hair with net at the edge and anchors',
      reason: 'The edge must not shift; inside, the net alone holds and spares own hair.',
    },
    {
      value: 'everywhere',
      name: 'hair with net everywhere',
      reason: 'Firmest, slower, and every knot pulls on own hair.',
    },
    { value: 'netOnly', name: 'net only', reason: 'Comes off fastest; the cap itself must be held by something else.' },
  ],
  tender: [
    { value: 'asElsewhere', name: 'as elsewhere', reason: 'Tender and thin places are treated like the rest.' },
    { value: 'netOnly', name: 'through the net only', reason: 'Takes the pull off tender and thin places.' },
  ],
} as const satisfies Readonly<Record<string, readonly SchoolOption[]>>;

export type SchoolName = keyof typeof SCHOOL_OPTIONS;
export type Schools = { readonly [K in SchoolName]: (typeof SCHOOL_OPTIONS)[K][number]['value'] };

export const SCHOOL_NAMES: Readonly<Record<SchoolName, string>> = {
  oneLeg: 'One-leg knots',
  oneLegWraps: 'One-leg wraps',
  smoothHold: 'Smooth hair holds by',
  through: 'Hook goes through',
  tender: 'Tender and thin places',
};

export const DEFAULT_SCHOOLS: Schools = {
  oneLeg: 'exposed',
  oneLegWraps: 'once',
  smoothHold: 'wraps',
  through: 'perimeter',
  tender: 'asElsewhere',
};
