/** The computed plan as a schema: the type of what is written, and what docs/schema publishes. */
import { type InferType, number } from 'yup';
import { ANCHOR_PLACES } from '../core/cap/index.ts';
import { LINE_KINDS, SIDES, SIZE_VIEWS } from '../core/cover/index.ts';
import {
  DOMES,
  FALL_GUESS_NAMES,
  FILLED_ONS,
  HEAD_SIZES,
  OPENINGS,
  SIZED_BYS,
  WHOMS,
  ZONES,
} from '../core/trade/index.ts';
import { changeId } from '../model/checks.ts';
import { anything, each, figure, list, oneOf, orNull, record, some, whole, words, yesNo } from './computed-entries.ts';
import { buying, evenings, price } from './computed-supply-schema.ts';
import { knots, rowScheme, rows, strands, worklist } from './computed-work.ts';

export const COMPUTED_FORMAT = 'meshwork-computed-plan';
export const COMPUTED_VERSION = 9;

const acrossAndUp = record({ across: figure, up: figure });
const ofStep = record({ pieces: whole, packs: whole });
const offered = record({ deed: words, change: anything });
const box = record({ widthMm: figure, heightMm: figure, beyondMm: some(2, figure) });
const sizes = Object.fromEntries(SIZE_VIEWS.map((view) => [view, box])) as Record<
  (typeof SIZE_VIEWS)[number],
  typeof box
>;

const head = record({
  scalpAreaCm2: figure,
  meshVertices: whole,
  chiSquare: figure,
  converged: yesNo,
  contradictory: orNull(words),
  measures: list(
    record({
      measure: words,
      name: words,
      estimated: yesNo,
      givenMm: orNull(figure),
      fittedMm: figure,
      sdMm: figure,
      residualMm: orNull(figure),
      othersSuggestMm: orNull(figure),
      contradiction: orNull(figure),
      unseenBelowMm: orNull(figure),
      readSdMm: figure,
    }),
  ),
  standings: list(
    record({
      dimension: oneOf(['girth', 'length', 'breadth']),
      mm: figure,
      ofWomen: whole,
      ofMen: whole,
    }),
  ),
});

const ownHair = record({
  hairs: whole,
  massG: figure,
  regions: list(record({ region: words, areaCm2: figure, hairsPerCm2: figure, lengthMm: figure })),
});

const base = record({
  family: words,
  minutes: figure,
  sections: list(
    record({
      id: words,
      name: words,
      role: oneOf(['base', 'inSight']),
      areaCm2: figure,
      hairs: whole,
      ownHairG: figure,
      tailThicknessMm: figure,
      tailLengthMm: figure,
      hairLengthMm: figure,
      neededToBindMm: figure,
      neededToReachMm: figure,
      tieMm: some(3, figure),
      tie: words,
      parking: words,
      into: orNull(words),
      bands: whole,
      pins: whole,
      threadMm: figure,
      minutes: figure,
      tenderShare: figure,
      mayCarryG: some(2, figure),
      pieces: whole,
      carriesG: figure,
      timesOwnHair: some(2, figure),
    }),
  ),
  lines: list(
    record({
      between: some(2, words),
      lengthMm: figure,
      shown: yesNo,
      locked: yesNo,
      words: words,
    }),
  ),
  bumps: record({
    highestMm: figure,
    lumps: list(record({ atMm: some(3, figure), heightMm: figure, areaCm2: figure, sections: list(words) })),
  }),
  work: list(record({ what: words, how: words, minutes: figure })),
  consumables: list(record({ name: words, count: whole, unit: words })),
  lostEdits: list(record({ id: changeId, why: words })),
});

const cap = record({
  dome: oneOf(DOMES),
  size: words,
  bareSize: words,
  girthOverBaseMm: figure,
  girthBareMm: figure,
  depthMm: figure,
  fit: oneOf(['slack', 'snug', 'tight', 'unworn']),
  emptyBackMm: figure,
  knotsToCloseTop: whole,
  filledOn: oneOf(FILLED_ONS),
  onHead: record({ stretch: acrossAndUp, holeMm: acrossAndUp }),
  onForm: record({
    stretch: acrossAndUp,
    holeMm: acrossAndUp,
    spacing: each(
      ZONES,
      record({
        wornMm: figure,
        gapMm: figure,
        pitchMm: figure,
        gapFingers: figure,
        pitchFingers: figure,
        holesUp: figure,
        holesAcross: figure,
        knotsPerCm2: some(2, figure),
      }),
    ),
  }),
  opening: record({
    kind: oneOf(OPENINGS),
    lengthMm: figure,
    widthMm: figure,
    surplusMm: figure,
    piecesToClose: whole,
    partOnNetMm: figure,
    cutAtMm: figure,
    marginMm: figure,
    afterKnot: whole,
  }),
  combsMm: list(some(3, figure)),
  anchors: list(
    record({
      place: oneOf(ANCHOR_PLACES),
      knots: list(words),
      combs: whole,
      pins: whole,
      afterKnot: whole,
    }),
  ),
});

const spacing = record({
  said: oneOf(['centres', 'clear']),
  /** Of every zone: hers, or for this hair. */
  fingers: each(ZONES, figure),
  /** Zones that she set herself. */
  hers: list(oneOf(ZONES)),
  /** The gaps that reach what she aims at with the least of this hair, and what they come to. */
  forHair: record({ fingers: each(ZONES, figure), reached: yesNo, hidden: figure, thicknessMm: figure, grams: figure }),
  centresMm: each(ZONES, figure),
  step: record({ fingers: figure, tighter: orNull(ofStep), wider: orNull(ofStep) }),
});

const pieces = record({
  needed: whole,
  reserve: whole,
  perPack: figure,
  massG: figure,
  strands: figure,
  hangingEnds: figure,
  knotWidthMm: figure,
});

const packs = record({ needed: whole, range: some(2, whole), toBuy: whole });

const time = record({
  minutes: figure,
  rangeMinutes: some(2, figure),
  baseMinutes: figure,
  capMinutes: figure,
  knotMinutes: figure,
  finishMinutes: figure,
  prepareMinutes: figure,
  waitingMinutes: figure,
  takedown: record({ minutes: whole, rangeMinutes: some(2, figure) }),
});

const weight = record({ grams: figure, range: some(2, figure), wetGrams: some(2, figure) });

const cover = record({
  of: oneOf(['scalp', 'net']),
  hiddenShare: figure,
  range: some(2, figure),
  byGuess: each(FALL_GUESS_NAMES, some(2, figure)),
  seen: each(SIDES, figure),
  patches: list(record({ where: words, areaCm2: figure, widthMm: figure, shows: figure })),
  knots: list(
    record({
      id: words,
      hiddenBy: oneOf(['hair', 'ownHair', 'swept', 'spring', 'ownLeg', 'backcomb', 'nothing']),
      shows: figure,
    }),
  ),
  basis: words,
  lines: list(record({ of: oneOf(LINE_KINDS), shows: figure })),
});

const findings = list(
  record({
    code: words,
    severity: oneOf(['stop', 'caution', 'note']),
    station: words,
    what: words,
    why: words,
    knots: list(words),
    measure: orNull(words),
    mend: orNull(offered),
    sections: list(words),
    otherwise: orNull(offered),
  }),
);

const hair = list(
  record({
    cut: words,
    product: words,
    perPack: figure,
    massG: figure,
    strands: figure,
    hangingEnds: figure,
    lengthMm: figure,
    thicknessMm: figure,
    knotWidthMm: figure,
    liesFlat: yesNo,
    widthFactor: figure,
    canOneLeg: yesNo,
    canLock: yesNo,
    secondsBefore: figure,
    secondsAfter: figure,
  }),
);

const supply = list(
  record({
    product: words,
    colour: words,
    name: words,
    pieces: whole,
    reserve: whole,
    packs: whole,
    range: some(2, whole),
    atHand: whole,
    toBuy: whole,
    leftOver: whole,
    price: figure,
    enough: list(record({ packs: figure, forKnots: figure, withReserve: figure })),
    packsToBeSure: some(3, whole),
  }),
);

const colours = orNull(
  record({
    dealt: list(record({ id: words, pieces: whole, asked: figure })),
    missing: whole,
    alike: figure,
    byChance: figure,
    furthestOff: figure,
  }),
);

const ownRow = orNull(record({ piecesAPlanned: figure, sd: figure, secondsATold: figure }));

const size = record({ ...sizes, untrimmed: orNull(record(sizes)) });

const bites = list(
  record({
    of: oneOf(['all', 'edge', 'tender']),
    count: figure,
    medianTimesOwn: figure,
    worstTimesOwn: orNull(some(2, figure)),
  }),
);

export const computedSchema = record({
  format: oneOf([COMPUTED_FORMAT]),
  version: number<typeof COMPUTED_VERSION>().strict().oneOf([COMPUTED_VERSION]).required(),
  plan: record({ id: words, name: words }),
  head,
  madeFor: record({
    whom: oneOf(WHOMS),
    sizedBy: oneOf(SIZED_BYS),
    size: orNull(oneOf(HEAD_SIZES)),
    known: words,
    wornOver: yesNo,
  }),
  ownHair: orNull(ownHair),
  base,
  cap,
  spacing,
  rows,
  knots,
  pieces,
  packs,
  leftOver: whole,
  time,
  evenings,
  price,
  weight,
  cover,
  findings,
  hair,
  rowScheme,
  strands,
  supply,
  buying,
  colours,
  ownRow,
  worklist,
  size,
  bites,
});

type Frozen<T> = T extends object ? { readonly [K in keyof T]: Frozen<T[K]> } : T;

export type ComputedPlan = Frozen<InferType<typeof computedSchema>>;
