/** What is due on a day, and why. */
import { daysFrom, daysLater } from '../time/index.ts';
import {
  EDGES_EVERY_DAYS,
  TIDIES,
  TIDY_EVERY_DAYS,
  WASH_EVERY_DAYS,
  WEAR_INFO,
  type WearKind,
} from '../trade/index.ts';
import type { Worn } from './ageing.ts';
import { daysSince, notedUntil, type WearNote } from './notes.ts';

export type Care = 'dry' | 'wash' | 'tidy' | 'edges' | 'hold' | 'night';

export interface Due {
  readonly care: Care;
  /** The day it is due on, which may be past. */
  readonly day: string;
  readonly why: string;
}

/** What to note once it is done; a night and a look are not noted. */
export const DONE_BY: Readonly<Partial<Record<Care, WearKind>>> = { wash: 'washed', tidy: 'tidied' };

const WASHES: readonly WearKind[] = ['washed', 'swam'];

/** Each care with the day on which it is next due: soonest first. */
export function nextDue(worn: Worn, notes: readonly WearNote[], first: string, today: string): Due[] {
  const until = notedUntil(notes, today);
  const lastDay = (what: readonly WearKind[]) => daysLater(today, -daysSince(notes, what, first, today));
  const after = (what: WearKind, done: readonly WearKind[]) =>
    until.slice(until.findLastIndex((n) => done.includes(n.what)) + 1).findLast((n) => n.what === what);
  const washed = lastDay(WASHES);
  const tidied = lastDay(TIDIES);
  const itch = after('itch', WASHES) ?? after('smells', WASHES);
  const fuzz = after('fuzz', TIDIES);
  const due: Due[] = [
    itch
      ? { care: 'wash', day: itch.day, why: `${WEAR_INFO[itch.what as WearKind].name} since it was last washed` }
      : { care: 'wash', day: daysLater(washed, WASH_EVERY_DAYS), why: `every ${WASH_EVERY_DAYS} days or so` },
    fuzz
      ? { care: 'tidy', day: fuzz.day, why: 'you saw fuzz' }
      : {
          care: 'tidy',
          day: daysLater(tidied, TIDY_EVERY_DAYS[worn.texture]),
          why: `every ${TIDY_EVERY_DAYS[worn.texture]} days with such hair`,
        },
    { care: 'night', day: today, why: 'every night without it counts as a day more' },
  ];
  if (worn.isOnHead)
    due.push({ care: 'edges', day: nextOf(first, today, EDGES_EVERY_DAYS), why: 'before you feel anything' });
  const slip = until.findLast((n) => n.what === 'slip');
  if (slip && daysFrom(slip.day, today) <= 1) due.push({ care: 'hold', day: slip.day, why: 'it slipped' });
  if (wetOn(notes, today) > 0) due.push({ care: 'dry', day: today, why: 'damp roots under a net are trouble' });
  return due.sort((a, b) => (a.day < b.day ? -1 : a.day > b.day ? 1 : 0));
}

const nextOf = (first: string, today: string, every: number) =>
  daysLater(first, every * Math.max(1, Math.ceil(daysFrom(first, today) / every)));

/** How wet its roots got on a day, as a share of a full wash. */
export const wetOn = (notes: readonly WearNote[], day: string): number =>
  notes.reduce((most, n) => (n.day === day && n.what !== 'photo' ? Math.max(most, WEAR_INFO[n.what].wets) : most), 0);

/** All that comes until it is off, each done on its day: for a calendar. */
export function dueUntil(worn: Worn, notes: readonly WearNote[], first: string, today: string, off: string): Due[] {
  const all: Due[] = [];
  const steps: Readonly<Partial<Record<Care, number>>> = {
    wash: WASH_EVERY_DAYS,
    tidy: TIDY_EVERY_DAYS[worn.texture],
    edges: EDGES_EVERY_DAYS,
  };
  for (const due of nextDue(worn, notes, first, today)) {
    const step = steps[due.care];
    if (step === undefined) continue;
    const start = due.day < today ? today : due.day;
    for (let day = start; day < off; day = daysLater(day, step)) all.push({ ...due, day });
  }
  return all.sort((a, b) => (a.day < b.day ? -1 : a.day > b.day ? 1 : 0));
}
