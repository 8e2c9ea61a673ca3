/** What a style must do. */
export const REQUIREMENTS = ['tieUp', 'plaitBack', 'flip', 'renewFront', 'comesOff', 'swim'] as const;
export type Requirement = (typeof REQUIREMENTS)[number];

export const REQUIREMENT_NAMES: Readonly<Record<Requirement, string>> = {
  tieUp: 'tie up',
  plaitBack: 'plait back',
  flip: 'flip to the other side',
  renewFront: 'have its front renewed',
  comesOff: 'come off at night',
  swim: 'swim',
};
