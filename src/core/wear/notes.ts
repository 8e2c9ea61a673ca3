/**
 * What she noted of the days on which a style was worn: events that are only ever added, folded into notes. Those of two
 * devices are put together by their keys, so that it does not matter which comes first, nor how often.
 */
import { daysFrom } from '../time/index.ts';
import { WEAR_KINDS, type WearKind, type WearPlace } from '../trade/index.ts';

export interface WearEvent {
  readonly key: string;
  /** Milliseconds since 1970, by the clock of its device. */
  readonly atMs: number;
  /** The day that it is of, "2026-12-05". */
  readonly day: string;
  /** Out is a step of taking it out that is done, by its name as text. */
  readonly what: WearKind | 'photo' | 'out' | 'undo';
  readonly place?: WearPlace;
  readonly text?: string;
  readonly photoId?: string;
  /** Key of the note that is taken back. */
  readonly undoes?: string;
}

export type WearNote = Omit<WearEvent, 'what' | 'undoes'> & { readonly what: WearKind | 'photo' };

/** Notes that stand, by their day. */
export const foldWear = (events: readonly WearEvent[]): WearNote[] =>
  standing(events).filter((e): e is WearEvent & WearNote => e.what !== 'out');

/** Steps of taking it out that are done: what was noted of each, by the step's name. */
export const stepsOut = (events: readonly WearEvent[]): ReadonlyMap<string, WearEvent> =>
  new Map(standing(events).flatMap((e) => (e.what === 'out' && e.text ? [[e.text, e] as const] : [])));

function standing(events: readonly WearEvent[]): WearEvent[] {
  const undone = new Set(events.flatMap((e) => (e.undoes === undefined ? [] : [e.undoes])));
  const each = new Map(events.map((e) => [e.key, e]));
  return [...each.values()]
    .filter((e) => e.what !== 'undo' && !undone.has(e.key))
    .sort((a, b) => (a.day < b.day ? -1 : a.day > b.day ? 1 : a.atMs - b.atMs || (a.key < b.key ? -1 : 1)));
}

const KINDS: ReadonlySet<string> = new Set(WEAR_KINDS);

/** Of a kind that bears on how it ages; up to and with a day. */
export const notedUntil = (notes: readonly WearNote[], day: string) =>
  notes.filter((n): n is WearNote & { readonly what: WearKind } => KINDS.has(n.what) && n.day <= day);

/** Days since something was last noted, up to a day; since the first day where it never was. */
export function daysSince(notes: readonly WearNote[], what: readonly WearKind[], first: string, day: string): number {
  const last = notedUntil(notes, day).findLast((n) => what.includes(n.what));
  return daysFrom(last?.day ?? first, day);
}
