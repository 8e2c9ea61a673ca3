/**
 * The next plan, from the last style: what she would have otherwise, and where deed and plan differ, become changes that she may
 * take one by one. Each is a change of the plan like any other of hers.
 */
import type { HandsOfHers } from '../core/hands/index.ts';
import { paceInPlan } from '../core/hands/index.ts';
import {
  FALL_GUESS_NAMES,
  FALL_GUESSES,
  fingersFigure,
  NEXT_WISH_INFO,
  type NextWish,
  PLAIN_GUESSES,
  type SchoolPlace,
  SPACING_LIMITS_FINGERS,
  SPLITS,
  type SpacingZone,
  type Split,
  WEAR_PLACE_INFO,
  type WearPlace,
  ZONES,
} from '../core/trade/index.ts';
import type { WearNote } from '../core/wear/index.ts';
import { splitZones } from './cap-and-hair.ts';
import { sharesAsPacks } from './colour-commands.ts';
import { setField } from './commands.ts';
import { setWornDays, wornDaysOf } from './evenings.ts';
import { readLength } from './fingers.ts';
import { setFinish } from './finish.ts';
import { setLogged, setOwnPace } from './hands.ts';
import { formatLength } from './lengths.ts';
import { addPlace, setPlaceSchool } from './places.ts';
import type { PlanDocument } from './plan.ts';
import type { PlanChange } from './plan-change.ts';
import { setSpacing } from './spacing-commands.ts';
import { fingerMm } from './to-inputs.ts';

/** What is known of the style that the next plan follows. */
export interface StyleBefore {
  readonly wishes: readonly NextWish[];
  readonly notes: readonly WearNote[];
  /** Days that it was worn; undefined while it is. */
  readonly wornDays: number | undefined;
  readonly hands: HandsOfHers | undefined;
  /** Gaps of the plan as they are, by zone, hers or left to the hair. */
  readonly fingers: Readonly<Record<SpacingZone, number>>;
}

export interface Proposal {
  readonly key: string;
  readonly name: string;
  /** What it follows from. */
  readonly why: string;
  readonly change: PlanChange;
}

type Make = (plan: PlanDocument, before: StyleBefore) => PlanChange | undefined;

/** Gaps are told in quarters of a finger; what hands or eyes say of them is finer than that. */
const QUARTER = 4;
const SIXTEENTH = 16;
/** A gap wider or closer by so much is seen (guess). */
const WIDER = 1.15;

/** Gaps of some zones times a factor, to so fine a part of a finger; undefined where none moves. */
function gaps(zones: readonly SpacingZone[], factor: number, parts = QUARTER): Make {
  return (plan, { fingers }) => {
    const next = { ...fingers };
    for (const z of zones) {
      const exact = parts * fingers[z] * factor;
      const rounded = (factor > 1 ? Math.ceil(exact - 1e-9) : Math.floor(exact + 1e-9)) / parts;
      next[z] = Math.min(SPACING_LIMITS_FINGERS[1], Math.max(SPACING_LIMITS_FINGERS[0], rounded));
    }
    if (zones.every((z) => next[z] === fingers[z])) return undefined;
    const told = zones.map((z) => `${fingersFigure(next[z])} for ${fingersFigure(fingers[z])}`);
    return {
      ...setSpacing(plan, next),
      words: `${WHERE[zones.join()] ?? 'Everywhere'}: ${[...new Set(told)].join(', ')}`,
    };
  };
}

const BEHIND = ['back', 'nape'] as const satisfies readonly SpacingZone[];
const FRONT = ['part', 'faceEdge'] as const satisfies readonly SpacingZone[];
const WHERE: Readonly<Record<string, string>> = {
  [BEHIND.join()]: 'At the back and nape',
  nape: 'At the nape',
  top: 'On top',
  [FRONT.join()]: 'At part and edge',
};

/** A school at one place, as a place of its own; undefined where it holds there already. */
function schoolAt(
  place: SchoolPlace,
  school: 'through' | 'perimeterKnot' | 'smoothHold' | 'oneLegWraps',
  value: string,
): Make {
  return (plan) => {
    const there = plan.places.find((p) => 'zone' in p.where && p.where.zone === place);
    const holds = there?.schools[school] ?? plan.schools[school];
    if (holds === value) return undefined;
    if (there) return setPlaceSchool(plan, there.id, school, value);
    const added = addPlace(plan, { zone: place }).plan;
    const own = added.places.at(-1);
    return own && setPlaceSchool(added, own.id, school, value);
  };
}

const both =
  (...makes: readonly Make[]): Make =>
  (plan, before) => {
    let changed: PlanChange | undefined;
    for (const make of makes) {
      const next = make(changed?.plan ?? plan, before);
      if (next) changed = changed ? { words: `${changed.words}; ${next.words}`, plan: next.plan } : next;
    }
    return changed;
  };

/** One split finer than it is, where there is one. */
const finerInFront: Make = (plan) => {
  const now = plan.cuts.find((c) => c.id === plan.pieces.part.cut)?.split;
  const finer = SPLITS[SPLITS.indexOf(now as Split) + 1];
  return finer === undefined
    ? undefined
    : splitZones(plan, ['part', 'faceEdge'], finer, `Pieces at part and edge split in ${finer}`);
};

/** Trimmed a hand's breadth higher. */
const SHORTER_MM = 50;
const LEAST_REACH_MM = 80;
const shorter: Make = (plan) => {
  const read = readLength(plan.finish.reach, plan.unit, plan.fingers);
  if (!read.ok || read.value - SHORTER_MM < LEAST_REACH_MM) return undefined;
  return setFinish(plan, {
    reach: formatLength(read.value - SHORTER_MM, plan.unit === 'in' ? 'in' : 'cm', fingerMm(plan)),
  });
};

const MORE_KEPT = 0.05;
const moreKept: Make = (plan) => {
  const share = Math.min(0.5, Math.round(100 * (plan.reserveShare + MORE_KEPT)) / 100);
  return share === plan.reserveShare
    ? undefined
    : setField(plan, 'reserveShare', share, `${Math.round(100 * share)} % kept for gaps`);
};

const noPull = both(schoolAt('sides', 'through', 'netOnly'), schoolAt('faceEdge', 'through', 'netOnly'));
const holdFront = schoolAt('faceEdge', 'perimeterKnot', 'lockBackcomb');

const BY_WISH: Readonly<Record<NextWish, Make>> = {
  lessBehind: gaps(BEHIND, WIDER),
  moreBehind: gaps(BEHIND, 1 / WIDER),
  lessNape: gaps(['nape'], WIDER),
  lessTop: gaps(['top'], WIDER),
  moreTop: gaps(['top'], 1 / WIDER),
  finerInFront,
  mixedBetter: (plan) => (plan.colours.more.length > 0 ? sharesAsPacks(plan) : undefined),
  partSlipped: both(
    schoolAt('partLeft', 'smoothHold', 'lock'),
    schoolAt('partRight', 'smoothHold', 'lock'),
    schoolAt('partLeft', 'oneLegWraps', 'twice'),
    schoolAt('partRight', 'oneLegWraps', 'twice'),
  ),
  frontSlipped: holdFront,
  pulled: (plan, before) => (plan.cap.dome === 'none' ? undefined : noPull(plan, before)),
  tooHeavy: gaps(ZONES, WIDER),
  tooLong: gaps(BEHIND, WIDER * WIDER),
  shorter,
  ranShort: moreKept,
};

/** Where it slipped on the head, and what is done about it there. */
const BY_SLIP: Readonly<Partial<Record<WearPlace, Make>>> = {
  front: holdFront,
  leftTemple: holdFront,
  rightTemple: holdFront,
  top: BY_WISH.partSlipped,
  nape: schoolAt('nape', 'smoothHold', 'lock'),
  behind: schoolAt('back', 'smoothHold', 'lock'),
  left: schoolAt('sides', 'smoothHold', 'lock'),
  right: schoolAt('sides', 'smoothHold', 'lock'),
};
const BY_SORE: Readonly<Partial<Record<WearPlace, Make>>> = {
  front: schoolAt('faceEdge', 'through', 'netOnly'),
  leftTemple: noPull,
  rightTemple: noPull,
  left: schoolAt('sides', 'through', 'netOnly'),
  right: schoolAt('sides', 'through', 'netOnly'),
  nape: schoolAt('nape', 'through', 'netOnly'),
};
/** It came off so much sooner or later than she meant, days. */
const OFF_BY_DAYS = 3;
/** Spacing of hers that differs by less from the plan's is no other spacing. */
const SPACING_DIFFERS = 0.04;

/** @returns what may be changed, wishes of hers first; nothing that would change nothing */
export function proposalsFor(plan: PlanDocument, before: StyleBefore): Proposal[] {
  const all = [...byWishes(plan, before), ...byNotes(plan, before), ...byDeeds(plan, before)];
  // The same change for two reasons is one change.
  const seen = new Set<string>();
  return all.filter(({ change }) => !seen.has(change.words) && seen.add(change.words));
}

const proposed = (key: string, name: string, why: string, change: PlanChange | undefined): Proposal[] =>
  change ? [{ key, name, why, change }] : [];

function byWishes(plan: PlanDocument, before: StyleBefore): Proposal[] {
  return before.wishes.flatMap((wish) => {
    const change = BY_WISH[wish](plan, before);
    return proposed(`wish-${wish}`, change?.words ?? '', `You said: ${NEXT_WISH_INFO[wish].name}.`, change);
  });
}

function byNotes(plan: PlanDocument, before: StyleBefore): Proposal[] {
  const noted = (what: 'slip' | 'sore', of: typeof BY_SLIP, words: string) =>
    [...new Set(before.notes.filter((n) => n.what === what).flatMap((n) => n.place ?? []))].flatMap((place) => {
      if (what === 'sore' && plan.cap.dome === 'none') return [];
      const change = of[place]?.(plan, before);
      return proposed(`${what}-${place}`, change?.words ?? '', `${words} ${WEAR_PLACE_INFO[place].name}.`, change);
    });
  return [...noted('sore', BY_SORE, 'It hurt at the'), ...noted('slip', BY_SLIP, 'It slipped at the')];
}

function byDeeds(plan: PlanDocument, before: StyleBefore): Proposal[] {
  const { hands, wornDays } = before;
  return [
    ...(hands ? byHands(plan, hands, before) : []),
    ...(wornDays !== undefined && Math.abs(wornDays - wornDaysOf(plan)) >= OFF_BY_DAYS
      ? proposed(
          'wornDays',
          `Planned to be worn ${wornDays} days`,
          `It came off after ${wornDays} days; ${wornDaysOf(plan)} were planned.`,
          setWornDays(plan, Math.min(180, wornDays)),
        )
      : []),
  ];
}

const named = (words: string, change: PlanChange | undefined): PlanChange | undefined => change && { ...change, words };

const by = (factor: number) => `${Math.abs(Math.round(100 * (factor - 1)))} % ${factor > 1 ? 'wider' : 'closer'}`;

function byHands(plan: PlanDocument, { pace, spacing, reserve, enough, strands }: HandsOfHers, before: StyleBefore) {
  const rounded = reserve && Math.round(1000 * reserve.usedOverPlanned) / 1000;
  const isNewReserve =
    reserve && rounded && (plan.logged?.usedOverPlanned !== rounded || plan.logged.installs !== reserve.styles);
  const isNewPace = pace && (plan.ownPace?.knots !== pace.knots || plan.ownPace.styles !== pace.styles);
  const isOtherSpacing =
    spacing && (spacing.all.low > 1 + SPACING_DIFFERS / 2 || spacing.all.high < 1 - SPACING_DIFFERS / 2);
  const isOtherEnough = enough && (enough.high < 1 || enough.low > 1);
  return [
    ...(isNewPace
      ? proposed('pace', 'Hours at your own pace', paceWords(pace), setOwnPace(plan, paceInPlan(pace)))
      : []),
    ...(isNewReserve
      ? proposed(
          'reserve',
          'Packs by what you really use',
          `${reserve.styles === 1 ? 'One style' : `${reserve.styles} styles`} took ${Math.round(100 * (rounded - 1))} % more pieces than planned; ${Math.round(100 * (reserve.factor - 1))} % are counted in.`,
          setLogged(plan, {
            installs: Math.min(200, reserve.styles),
            usedOverPlanned: Math.min(3, Math.max(0.3, rounded)),
          }),
        )
      : []),
    ...(isOtherSpacing && Math.abs(spacing.all.middle - 1) >= SPACING_DIFFERS
      ? proposed(
          'spacing',
          `Gaps as your hands set them, ${by(spacing.all.middle)}`,
          `${spacing.rows > 0 ? `${spacing.rows} counted rows` : 'You say so'}: you hook ${by(spacing.all.middle)} than planned.`,
          named(
            `All gaps ${by(spacing.all.middle)}, as your hands set them`,
            gaps(ZONES, spacing.all.middle, SIXTEENTH)(plan, before),
          ),
        )
      : []),
    ...(isOtherEnough
      ? proposed(
          'enough',
          `${enough.middle < 1 ? 'Less' : 'More'} hair all over`,
          `${enough.styles > 0 ? 'You were content with' : 'You say that enough is'} ${Math.round(100 * enough.middle)} % of what was planned.`,
          named(
            `All gaps ${by(1 / enough.middle)}, as that is enough for you`,
            gaps(ZONES, 1 / enough.middle, SIXTEENTH)(plan, before),
          ),
        )
      : []),
    ...proposed(
      'strands',
      'Cover by your own strands',
      'Photos of your hair and your first rows say so.',
      ownStrands(plan, strands),
    ),
  ];
}

const paceWords = ({ knots, styles, all }: NonNullable<HandsOfHers['pace']>) =>
  `${knots} knots in ${styles} ${styles === 1 ? 'style' : 'styles'}: ${all.middle.toFixed(2)} times what common practice tells, ${all.low.toFixed(2)} to ${all.high.toFixed(2)}.`;

/** Guesses that were learned, where they differ from those that the plan has by what is seen. */
const STRANDS_DIFFER = 0.03;
function ownStrands(plan: PlanDocument, strands: HandsOfHers['strands']): PlanChange | undefined {
  const learned = FALL_GUESS_NAMES.flatMap((name) => {
    const factor = strands[name]?.middle;
    if (factor === undefined) return [];
    const { limits } = FALL_GUESSES[name];
    const value = Math.min(limits[1], Math.max(limits[0], Math.round(1000 * PLAIN_GUESSES[name] * factor) / 1000));
    const now = plan.guesses[name] ?? PLAIN_GUESSES[name];
    return Math.abs(value / now - 1) >= STRANDS_DIFFER ? [[name, value] as const] : [];
  });
  if (learned.length === 0) return undefined;
  return {
    words: 'Guesses by your own strands',
    plan: { ...plan, guesses: { ...plan.guesses, ...Object.fromEntries(learned) } },
  };
}
