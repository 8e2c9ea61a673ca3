/** What the trade knows: choices, limits, names, reasons, sources. Data and words. */

export { AGE_INFO } from './age-words.ts';
export { AGES, type Age, type Aged, agedOf, crept, fuzzLoft, type LookAge, mattedWidth } from './ages.ts';
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
  STRIP_AT_END_NAMES,
  STRIPS,
  STRIPS_AT_END,
  TIE_PLACES,
} from './bases.ts';
export { BUYING_AIM_NAMES, BUYING_AIMS, type BuyingAim, SURENESSES } from './buying.ts';
export { COMB_NAMES, DOME_INFO, FILLED_INFO, HOLE_NAMES, OPENING_INFO, OWN_ROWS_INFO } from './cap-words.ts';
export {
  BLENDINGS,
  CAP_LIMITS,
  type Cap,
  COMB_PLACES,
  type CombPlace,
  DEFAULT_CAP,
  DOMES,
  type Dome,
  FILLED_ONS,
  type FilledOn,
  HOLE_SHAPES,
  type HoleShape,
  isOffHead,
  OPENINGS,
  OWN_ROWS,
  type OwnRows,
  onForm,
  WIG_HOLDS,
} from './caps.ts';
export { GROUND_LUMINANCE, hairLuminance, litHair, shadesIn } from './colours.ts';
export {
  BREAK_EVERY,
  BREAK_FOR,
  LONGEST_EVENING,
  USUALLY_WORN_DAYS,
  WEEKDAYS,
  type Weekday,
} from './days.ts';
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
  OUTLINES,
  type Outline,
  REACH_LIMITS_MM,
  SHORTEST_LAYER,
  SLANT,
} from './finish.ts';
export { OUTLINE_INFO } from './finish-words.ts';
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
  MOST_ON_HEAD_G,
  PIECE_LIMITS_G,
  PRODUCT_LIMITS,
  TUGS,
} from './hair.ts';
export {
  INTO_INFO,
  INTO_LIMITS,
  INTO_START,
  INTO_WAYS,
  INTO_WHEN_INFO,
  INTO_WHENS,
  type IntoBase,
  type IntoWay,
  type IntoWhen,
  sharesSection,
  WIDE_TWIST_MM,
} from './into-base.ts';
export {
  BITE_HAIRS,
  ENTRY_WORDS,
  type Entry,
  GENEROUS,
  KIND_NAMES,
  KNOT_KINDS,
  type KnotKind,
  knotName,
  knotsCounted,
  RULES_SOURCE,
  THROUGH_WORDS,
  THROUGHS,
  type Through,
} from './knots.ts';
export { LOOP_INFO, LOOPS, type Loop, STIFF_WIDENS } from './loops.ts';
export {
  FOR_ME,
  HEAD_SIZES,
  isBySize,
  isWorn,
  type MadeFor,
  SIZE_GIRTH_MM,
  SIZE_NAMES,
  SIZED_BYS,
  WHOMS,
} from './made-for.ts';
export { MARK_KINDS, MARK_NAMES, type MarkKind, REGION_NAMES, REGIONS, type Region } from './marks.ts';
export { NEXT_WISH_INFO, NEXT_WISHES, type NextWish, wishesIn } from './next.ts';
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
export { FINISH, KNOT_SECONDS, PACE_FACTOR, PACE_NAMES, PACES, type Pace, TAKEDOWN, TEST_ROW_LIMITS } from './pace.ts';
export { PART_LIMITS, type PartKind } from './parts.ts';
export {
  type HowKnown,
  KIND_DIFFERS,
  KNOT_SPREAD,
  likelyAround,
  MOST_HOURS_ON,
  ownPace,
  PEOPLE_DIFFER,
  PEOPLE_VARIANCE,
  PERSON_SHARE,
  PHONE_CALL,
  PLACE_DIFFERS,
  REST_SECONDS,
  TIRES_AN_HOUR,
  TOLD_SDS,
} from './people.ts';
export {
  DRESSING_INFO,
  DRESSINGS,
  type Dressing,
  type DressingInfo,
  ENDS_OFF_LIMITS_MM,
  FIBRE_DENSITY,
  HOLE_GIVES,
  KNOT_WIDENING,
  LIES_FLAT_MM,
  MOST_CUTS,
  OPEN_SHORTENS,
  OPEN_WIDENS,
  OPENED_INFO,
  OPENED_WHEN,
  type OpenedWhen,
  PIECE_PACKING,
  SECONDS_A_HALF,
  SECONDS_A_SPLIT,
  SECONDS_A_STRAND,
  SECONDS_ENDS_OFF,
  SPLITS,
  type Split,
  USUAL_SPLIT,
} from './preparation.ts';
export { REQUIREMENT_NAMES, REQUIREMENTS, type Requirement } from './requirements.ts';
export {
  BORDER_KNOT_INFO,
  BORDER_WHEN_INFO,
  BORDER_WHERE_INFO,
  FILL_INFO,
  FOLLOWED_INFO,
  FRINGE_INFO,
  SCHEME_INFO,
  SECOND_PASS_INFO,
} from './row-words.ts';
export {
  BACK_UNDER_LONG,
  BORDER_KNOTS,
  BORDER_WHENS,
  BORDER_WHERES,
  type BorderKnot,
  type BorderRow,
  type BorderWhen,
  type BorderWhere,
  CLOSEST_MM,
  CROWDED,
  FILL_LIMITS,
  FILL_WHERES,
  type Fill,
  FRINGES,
  type Fringe,
  isLongHair,
  LEAST_CENTRES_MM,
  LEAST_SHARE,
  MOST_IS_IN,
  MOST_KNOTS,
  NO_BORDER_ROW,
  type Pass,
  PULL_SHARE,
  ROW_LIMITS,
  ROWS_FOLLOWED,
  type RowsFollowed,
  SCHEMES,
  type Scheme,
  SECOND_PASSES,
  type SecondPass,
  widestFingers,
} from './rows.ts';
export { SCHOOL_NAMES, SCHOOL_OPTIONS, type SchoolOption } from './school-words.ts';
export {
  DEFAULT_SCHOOLS,
  SCHOOL_VALUES,
  SCHOOLS_BY_PLACE,
  type SchoolByPlace,
  type SchoolName,
  type Schools,
} from './schools.ts';
export { BASE_STEP_INFO, STEP_INFO, STEP_KINDS, STEP_WHY, type StepInfo, type StepKind } from './steps.ts';
export {
  MOST_STRANDS,
  STRAND_COUNT,
  STRAND_INFO,
  STRAND_JOBS,
  type StrandJob,
} from './strands.ts';
export { HURT_RESTS, REST_DAYS, REST_WORDS, SHED_A_DAY, SHED_CAUTION, SHED_TOO_MUCH, TUFT_G_CM3 } from './takedown.ts';
export { TAPE_INFO, TAPE_LIMITS_MM, TAPE_MEASURES, type TapeMeasure } from './tape.ts';
export { TERM_PATTERN, type Term, termOf } from './term-words.ts';
export { TEXTURE_INFO, TEXTURES, type Texture } from './textures.ts';
export {
  BELOW_SHOULDERS_MM,
  CREPT_DAYS,
  EDGES_EVERY_DAYS,
  FUZZ_SEEN_DAYS,
  LONG_TANGLES_DAYS,
  LONGEST_WORN_DAYS,
  MATS_AFTER_DAYS,
  MATS_SPREAD,
  TIDIES,
  TIDY_EVERY_DAYS,
  WASH_EVERY_DAYS,
  WEAR_INFO,
  WEAR_KINDS,
  WEAR_PLACE_INFO,
  WEAR_PLACES,
  type WearKind,
  type WearPlace,
} from './wear.ts';
export { SIZED_BY_INFO, WHOM_INFO } from './whom-words.ts';
export { duration, lowerFirst, percent, rowWords, upperFirst } from './words.ts';
export {
  KNOT_ZONE_WORDS,
  KNOT_ZONES,
  type KnotZone,
  MIX_EVERY,
  MOST_PLACES,
  PIECE_ZONE_NAMES,
  PIECE_ZONES,
  type PieceZone,
  pieceZoneName,
  pieceZoneOf,
  placeWords,
  SCHOOL_PLACES,
  type SchoolPlace,
  type SpacingZone,
  schoolPlaceName,
  ZONE_NAMES,
  ZONES,
  zoneName,
} from './zones.ts';
