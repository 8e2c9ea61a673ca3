/** How far a style has come by a day: its days, and what was noted on them. The picture of it, and the day by which it comes off, follow from the same figures. */
import { daysFrom, daysLater } from '../time/index.ts';
import {
  type Aged,
  BELOW_SHOULDERS_MM,
  CREPT_DAYS,
  FUZZ_SEEN_DAYS,
  LONG_TANGLES_DAYS,
  LONGEST_WORN_DAYS,
  MATS_AFTER_DAYS,
  MATS_SPREAD,
  TEXTURE_INFO,
  type Texture,
  TIDIES,
  WEAR_INFO,
} from '../trade/index.ts';
import { daysSince, notedUntil, type WearNote } from './notes.ts';

/** What of a style its wearing hangs on. */
export interface Worn {
  /** Of most of its hair, by mass. */
  readonly texture: Texture;
  /** The longest of it, mm. */
  readonly lengthMm: number;
  /** Days that she means to wear it. */
  readonly meantDays: number;
  /** It is tied or netted to own hair, not a wig that comes off at night. */
  readonly isOnHead: boolean;
}

const DAYS_A_WEEK = 7;

/** Days of a style to which nothing happened that it is worth. */
function agedDays(notes: readonly WearNote[], first: string, day: string) {
  const days = Math.max(0, daysFrom(first, day));
  const noted = notedUntil(notes, day).map((n) => WEAR_INFO[n.what]);
  const sum = (of: 'matsDays' | 'creepsDays') => noted.reduce((all, info) => all + info[of], days);
  return { matted: Math.max(0, sum('matsDays')), crept: Math.max(0, sum('creepsDays')) };
}

/** @param first the day on which it was finished, "2026-12-05" */
export function agedBy(notes: readonly WearNote[], first: string, day: string): Aged {
  const { matted, crept } = agedDays(notes, first, day);
  return {
    mattedWeeks: matted / DAYS_A_WEEK,
    creptWeeks: crept / DAYS_A_WEEK,
    fuzzWeeks: fuzzDays(notes, first, day) / DAYS_A_WEEK,
  };
}

/** Each day brings some, one on which she sees it more: until it is tidied, and from then on anew. */
function fuzzDays(notes: readonly WearNote[], first: string, day: string): number {
  const since = Math.max(0, daysSince(notes, TIDIES, first, day));
  const from = daysLater(day, -since);
  const seen = notedUntil(notes, day).filter((n) => n.what === 'fuzz' && n.day >= from);
  // Tidied on the day that it was seen it is gone.
  const isTidied = (n: WearNote) =>
    notes.some((t) => (TIDIES as readonly string[]).includes(t.what) && t.day === n.day);
  return since + FUZZ_SEEN_DAYS * seen.filter((n) => !isTidied(n)).length;
}

const matsAfterDays = ({ texture, lengthMm }: Worn): number =>
  MATS_AFTER_DAYS[texture] -
  (TEXTURE_INFO[texture].grip === 'smooth' && lengthMm > BELOW_SHOULDERS_MM ? LONG_TANGLES_DAYS : 0);

export type WhyOff = 'meant' | 'matted' | 'crept' | 'grownOut' | 'mattedNow' | 'itches' | 'hurts';

export interface ComesOff {
  /** The day by which it comes off, and what sets it. */
  readonly day: string;
  readonly why: WhyOff;
  /** Where it is a guess: the earliest and the latest of it. */
  readonly between: readonly [earliest: string, latest: string] | undefined;
  /** The day there would be had nothing been noted. */
  readonly plainDay: string;
}

/** Scalps that itch so many times in a week want the hair off, not another wash. */
const ITCHES = 3;
/** So long it can wait then, days. */
const SOON_DAYS = 2;

/** The day by which it comes off: the first that anything sets. @param today a day that is past already is told as today */
export function comesOff(worn: Worn, notes: readonly WearNote[], first: string, today: string): ComesOff {
  const set = (of: readonly WearNote[]) => limits(worn, of, first, today).sort((a, b) => (a.day < b.day ? -1 : 1))[0];
  const now = set(notes);
  const isGuess = now.why === 'matted' || now.why === 'crept';
  const spread = Math.round(MATS_SPREAD * daysFrom(first, now.day));
  return {
    ...now,
    between: isGuess ? [daysLater(now.day, -spread), daysLater(now.day, spread)] : undefined,
    plainDay: set([]).day,
  };
}

function limits(worn: Worn, notes: readonly WearNote[], first: string, today: string) {
  const { matted, crept } = agedDays(notes, first, today);
  const spent = Math.max(0, daysFrom(first, today));
  // From today on nothing is noted yet: a day is a day.
  const after = (limit: number, by: number) => daysLater(first, Math.max(0, Math.round(limit - (by - spent))));
  const noted = (what: WearNote['what']) => notes.filter((n) => n.what === what && n.day <= today);
  const all: Array<{ day: string; why: WhyOff }> = [
    { day: daysLater(first, worn.meantDays), why: 'meant' },
    { day: after(matsAfterDays(worn), matted), why: 'matted' },
  ];
  if (worn.isOnHead) {
    all.push({ day: daysLater(first, LONGEST_WORN_DAYS), why: 'grownOut' });
    all.push({ day: after(CREPT_DAYS, crept), why: 'crept' });
  }
  const mat = noted('matted').at(-1);
  if (mat) all.push({ day: daysLater(mat.day, SOON_DAYS), why: 'mattedNow' });
  const itches = noted('itch').filter((n) => daysFrom(n.day, today) < DAYS_A_WEEK);
  if (new Set(itches.map((n) => n.day)).size >= ITCHES)
    all.push({ day: daysLater(itches.at(-1)?.day ?? today, SOON_DAYS), why: 'itches' });
  const hurts = hurtsSince(notes, today);
  if (hurts) all.push({ day: hurts, why: 'hurts' });
  return all;
}

/** The day since which it has to come off: bumps at once, pain on a second day. */
export function hurtsSince(notes: readonly WearNote[], today: string): string | undefined {
  const past = notes.filter((n) => n.day <= today);
  const bumps = past.find((n) => n.what === 'bumps')?.day;
  const sore = [...new Set(past.filter((n) => n.what === 'sore').map((n) => n.day))];
  const again = sore.find((day, i) => i > 0 && daysFrom(sore[i - 1], day) <= SORE_AGAIN_DAYS);
  return [bumps, again].filter((d): d is string => d !== undefined).sort()[0];
}

/** Pain that is there again within so many days did not go away. */
const SORE_AGAIN_DAYS = 3;
