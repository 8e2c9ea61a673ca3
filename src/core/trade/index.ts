/** What the trade knows: choices, limits, names, reasons, sources. Data and words. */
export { AGE_INFO, AGES, type Age, MATTED_WIDTH, SLIP_MM } from './ages.ts';
export {
  BASE_LIMITS,
  type BaseSettings,
  BOX_SHAPES,
  FAMILIES,
  FAMILY_INFO,
  type Family,
  FOUND_KINDS,
  type FoundKind,
  PARKING_NAMES,
  PARKINGS,
  type ParkingHow,
  ROD_PLACES,
  type RodPlace,
  STRIPS,
  TIE_PLACES,
} from './bases.ts';
export {
  BLENDINGS,
  CAP_LIMITS,
  type Cap,
  COMB_PLACES,
  type CombPlace,
  DEFAULT_CAP,
  DOME_INFO,
  DOMES,
  type Dome,
  HOLE_NAMES,
  HOLE_SHAPES,
  type HoleShape,
  OPENING_INFO,
  OPENINGS,
  OWN_ROWS,
  OWN_ROWS_INFO,
  type OwnRows,
  WIG_HOLDS,
} from './caps.ts';
export { GROUND_LUMINANCE, hairLuminance, litHair } from './colours.ts';
export {
  DEFAULT_FINGER_MM,
  FINGER_COUNTS,
  FINGER_LIMITS_MM,
  fingersFigure,
  fingersInWords,
  gapsInWords,
  SPACING_LIMITS_FINGERS,
} from './fingers.ts';
export {
  FULLNESS_AIMS,
  FULLNESS_INFO,
  type FullnessAim,
  OUTLINE_INFO,
  OUTLINES,
  type Outline,
  REACH_LIMITS_MM,
  SHORTEST_LAYER,
  SLANT,
} from './finish.ts';
export {
  FALL_GUESS_NAMES,
  FALL_GUESSES,
  type FallGuess,
  type FallGuesses,
  guessRange,
  PLAIN_GUESSES,
} from './guesses.ts';
export {
  APARTS,
  CONDITION_NAMES,
  CONDITIONS,
  type Condition,
  FIBRE_NAMES,
  FIBRES,
  type Fibre,
  HOOKEDS,
  PRODUCT_LIMITS,
  TUGS,
} from './hair.ts';
export {
  ENTRY_WORDS,
  type Entry,
  KIND_NAMES,
  KNOT_KINDS,
  type KnotKind,
  knotName,
  LEAST_BITE_MM2,
  RULES_SOURCE,
  THROUGH_WORDS,
  THROUGHS,
  type Through,
} from './knots.ts';
export { LOOP_INFO, LOOPS, type Loop } from './loops.ts';
export { MARK_KINDS, MARK_NAMES, type MarkKind, REGION_NAMES, REGIONS, type Region } from './marks.ts';
export {
  CURLS,
  DIAMETER_UM,
  FULLNESS,
  HAIR_REGION_NAMES,
  HAIR_REGIONS,
  type HairCurl,
  type HairFullness,
  type HairRegion,
  KERATIN_G_CM3,
  PACKING,
  PER_CM2,
  STRANDS,
  type StrandThickness,
  TAKE_UP,
  type TailStyle,
} from './own-hair.ts';
export { FINISH_MINUTES, KNOT_SECONDS, PACE_FACTOR, PACE_NAMES, PACES, type Pace, TIME_SPREAD } from './pace.ts';
export { PART_LIMITS } from './parts.ts';
export {
  DRESSING_INFO,
  DRESSINGS,
  type Dressing,
  FIBRE_DENSITY,
  HOLE_GIVES,
  KNOT_WIDENING,
  LIES_FLAT_MM,
  MOST_CUTS,
  OPEN_SHORTENS,
  OPEN_WIDENS,
  OPENED_WHEN,
  type OpenedWhen,
  PIECE_PACKING,
  SECONDS_A_HALF,
  SECONDS_A_SPLIT,
  SECONDS_A_STRAND,
  SPLITS,
  type Split,
  USUAL_SPLIT,
} from './preparation.ts';
export { REQUIREMENT_NAMES, REQUIREMENTS, type Requirement } from './requirements.ts';
export {
  BACK_UNDER_LONG,
  FRINGE_INFO,
  FRINGES,
  type Fringe,
  HAND_MM,
  LEAST_CENTRES_MM,
  LEAST_SHARE,
  PULL_SHARE,
  ROW_LIMITS,
  SCHEME_INFO,
  SCHEMES,
  type Scheme,
  SECOND_PASS_INFO,
  SECOND_PASSES,
  type SecondPass,
  WIDEST_FINGERS,
} from './rows.ts';
export {
  DEFAULT_SCHOOLS,
  SCHOOL_NAMES,
  SCHOOL_OPTIONS,
  type SchoolName,
  type SchoolOption,
  type Schools,
} from './schools.ts';
export { TAPE_INFO, TAPE_LIMITS_MM, TAPE_MEASURES, type TapeMeasure } from './tape.ts';
export { TEXTURE_INFO, TEXTURES, type Texture } from './textures.ts';
export { lowerFirst, upperFirst } from './words.ts';
export {
  KNOT_ZONES,
  type KnotZone,
  MIX_EVERY,
  PIECE_ZONES,
  type PieceZone,
  pieceZoneOf,
  type SpacingZone,
  ZONE_NAMES,
  ZONES,
  zoneName,
} from './zones.ts';
