/** What a style must do. */
export const MUSTS = ['tieUp', 'plaitBack', 'flip', 'renewFront', 'comesOff', 'swim'] as const;
export type Must = (typeof MUSTS)[number];

export const MUST_NAMES: Readonly<Record<Must, string>> = {
  tieUp: 'tie up',
  plaitBack: 'plait back',
  flip: 'flip to the other side',
  renewFront: 'have its front renewed',
  comesOff: 'come off at night',
  swim: 'swim',
};
