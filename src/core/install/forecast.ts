/**
 * When it is done, and whether the hair lasts, from what she has done. Her pace is a factor on the seconds that are told, the
 * same for all knots but for chance; so are her pieces on those planned. What is known of others is mixed with her own by
 * Bayes' rule: pace in logarithms, pieces as they are, where both are normal.
 */
import { exp, log, normalBelow } from '../numerics/index.ts';
import { ANY_HANDS, type Hands, handsLearned, KNOT_PIECES_SD } from '../supply/index.ts';
import { KNOT_SPREAD, PEOPLE_VARIANCE, TOLD_SDS } from '../trade/index.ts';
import type { Counted, InstallState, Timed } from './session.ts';

/** What comes is another place, and hands tire: standard deviation of the logarithm (guess). */
const DRIFT_SD = 0.08;
/** A median is less sure than a mean by so much, but a phone call does not move it. */
const MEDIAN_COSTS = Math.PI / 2;
const FEWEST = 5;

export interface InstallForecast {
  readonly knotsToCome: number;
  readonly secondsToCome: number;
  /** Four times in five: narrower with every knot that was timed, never narrower than chance leaves it. */
  readonly secondsRange: readonly [low: number, high: number];
  /** Pieces that are left now. */
  readonly piecesLeft: number;
  /** Pieces left after the last knot; negative when they don't last. */
  readonly piecesOver: number;
  readonly piecesOverRange: readonly [low: number, high: number];
  /** Chance that pieces run out before the last knot. */
  readonly runsOut: number;
  /** By knots of this install; and what was known before them, by those of earlier styles. */
  readonly fromOwnPace: boolean;
  readonly fromEarlierStyles: boolean;
}

/** A knot of the order of work, and the seconds that are told for it. */
export interface KnotToDo {
  readonly id: string;
  readonly seconds: number;
}

interface Worked extends Pick<InstallState, 'done'> {
  readonly timed: ReadonlyArray<Pick<Timed, 'knotIds' | 'seconds'>>;
}

interface Hooked {
  readonly piecesUsed: number;
  readonly counted: ReadonlyArray<Pick<Counted, 'knots' | 'pieces'>>;
}

/** Knots that are not in yet and not left out, in the order of work. */
export function knotsToCome<K extends Pick<KnotToDo, 'id'>>(
  state: Pick<InstallState, 'done'>,
  knots: readonly K[],
): K[] {
  const done = new Set(state.done.map((d) => d.knotId));
  return knots.filter((k) => !done.has(k.id));
}

/** Her pace over the seconds that are told: median of what is likely, and variance, of the logarithm. */
function paceOf({ timed }: Pick<Worked, 'timed'>, knots: readonly KnotToDo[], before: number) {
  const told = new Map(knots.map((k) => [k.id, k.seconds]));
  const ratios = timed
    .flatMap(({ knotIds, seconds }) => {
      const planned = knotIds.reduce((sum, id) => sum + (told.get(id) ?? 0), 0);
      if (seconds <= 0 || planned <= 0) return [];
      // Told seconds are a mean: half of all knots are quicker than that. Of many together that evens out.
      const shift = KNOT_SPREAD ** 2 / 2 / knotIds.length;
      return new Array<number>(knotIds.length).fill(log(seconds / planned) + shift);
    })
    .sort((a, b) => a - b);
  if (ratios.length < FEWEST) return { pace: 0, variance: before, isHers: false };
  const middle = ratios.length >> 1;
  const hers = ratios.length % 2 === 1 ? ratios[middle] : (ratios[middle - 1] + ratios[middle]) / 2;
  const own = (MEDIAN_COSTS * KNOT_SPREAD ** 2) / ratios.length;
  return {
    pace: (hers * before) / (before + own),
    variance: (before * own) / (before + own),
    isHers: true,
  };
}

/** Her hands, as far as rows whose pieces were counted say. */
export function handsIn({ counted }: Pick<Hooked, 'counted'>, before: Hands = ANY_HANDS): Hands {
  const knots = counted.reduce((sum, c) => sum + c.knots, 0);
  const pieces = counted.reduce((sum, c) => sum + c.pieces, 0);
  return knots === 0 ? before : handsLearned(pieces / knots, knots, before);
}

/** What is known of her before the first knot: her hands, and how sure her pace is after earlier styles. */
export interface KnownBefore {
  readonly hands: Hands;
  /** Standard deviation of the logarithm; undefined where seconds are those of common practice. */
  readonly paceSd: number | undefined;
}

const NOBODY: KnownBefore = { hands: ANY_HANDS, paceSd: undefined };

/** @param knots all of them, in the order of work */
export function forecastInstall(
  state: Worked & Hooked,
  knots: readonly KnotToDo[],
  piecesAtHand: number,
  { hands: before, paceSd }: KnownBefore = NOBODY,
): InstallForecast {
  const rest = knotsToCome(state, knots);
  const { likely, factor, isHers } = toCome(state, knots, rest, paceSd);
  // Before a row was counted, knots are told one by one: each takes the piece that is planned for it.
  const hands = state.counted.length > 0 ? handsIn(state, before) : { factor: 1, sd: before.sd };
  const left = piecesAtHand - state.piecesUsed;
  const sd = rest.length * Math.sqrt(hands.sd ** 2 + KNOT_PIECES_SD ** 2 / Math.max(1, rest.length));
  const over = left - rest.length * hands.factor;
  return {
    knotsToCome: rest.length,
    secondsToCome: likely,
    secondsRange: [likely / factor, likely * factor],
    piecesLeft: left,
    piecesOver: Math.round(over),
    piecesOverRange: [Math.round(over - TOLD_SDS * sd), Math.round(over + TOLD_SDS * sd)],
    runsOut: sd === 0 ? Number(over < 0) : normalBelow(-over / sd),
    fromOwnPace: isHers,
    fromEarlierStyles: paceSd !== undefined,
  };
}

/** What a stretch of knots takes, and the factor to either side. */
function toCome(state: Worked, knots: readonly KnotToDo[], stretch: readonly KnotToDo[], paceSd: number | undefined) {
  const { pace, variance, isHers } = paceOf(state, knots, paceSd === undefined ? PEOPLE_VARIANCE : paceSd ** 2);
  const told = stretch.reduce((sum, k) => sum + k.seconds, 0);
  const squares = stretch.reduce((sum, k) => sum + k.seconds ** 2, 0);
  const chance = told > 0 ? ((exp(KNOT_SPREAD ** 2) - 1) * squares) / told ** 2 : 0;
  const factor = exp(TOLD_SDS * Math.sqrt(variance + (isHers ? DRIFT_SD ** 2 + chance : 0)));
  return { likely: told * exp(pace), factor, isHers };
}

/** How many knots are in after so many more seconds: likely, and if she is as slow and as quick as is likely. */
export function knotsBy(
  state: Worked,
  knots: readonly KnotToDo[],
  seconds: number,
  paceSd?: number,
): { readonly likely: number; readonly range: readonly [low: number, high: number] } {
  const rest = knotsToCome(state, knots);
  const { likely, factor } = toCome(state, knots, rest, paceSd);
  const told = rest.reduce((sum, k) => sum + k.seconds, 0);
  const pace = told > 0 ? likely / told : 1;
  const before = knots.length - rest.length;
  const after = (slower: number) => {
    let left = seconds / (pace * slower);
    let count = before;
    for (const k of rest) {
      left -= k.seconds;
      if (left < 0) break;
      count++;
    }
    return count;
  };
  return { likely: after(1), range: [after(factor), after(1 / factor)] };
}
