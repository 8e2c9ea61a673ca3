/**
 * An install as the events that happened, never as a state that is overwritten. Events of two devices are put together
 * by their own order, so that it does not matter which file comes first, nor how often it comes.
 */
import type { DirectionDeg } from '../head/index.ts';

export const INSTALL_EVENT_KINDS = [
  'start',
  /** One knot is in, a place stays empty, the last one is taken out again. */
  'knot',
  'skip',
  'back',
  /** A row or a stretch is in, told at once. */
  'run',
  /** A row that is in took so many pieces: counted afterwards. */
  'count',
  /** A step other than knots is done, left out, or to be done once more. */
  'step',
  /** She turns to another step or knot. */
  'turn',
  'pause',
  'resume',
  'note',
  /** What her own eyes or her scalp tell her. */
  'seen',
  'hurt',
  /** From here on by another plan. */
  'plan',
  /** What a photo of it measured. */
  'photo',
  'finish',
  /** A finished install opened once more. */
  'again',
  /** Worn knots come out, and new pieces go in their places; without knots: not after all. */
  'renew',
] as const;
export type InstallEventKind = (typeof INSTALL_EVENT_KINDS)[number];

export const STEP_OUTCOMES = ['done', 'left', 'redo'] as const;
export type StepOutcome = (typeof STEP_OUTCOMES)[number];

export interface InstallEvent {
  readonly kind: InstallEventKind;
  /** Milliseconds since 1970, by the clock of the device that it happened on. */
  readonly atMs: number;
  /** Its own, so that it is known again. */
  readonly key?: string;
  /** One more than of all events that its device knew of then; clocks may be wrong, this is not. */
  readonly n?: number;
  readonly knotId?: string;
  /** Of a run, in order. */
  readonly knotIds?: readonly string[];
  /** Pieces that a run took, where they were counted. */
  readonly pieces?: number;
  readonly stepId?: string;
  readonly outcome?: StepOutcome;
  readonly text?: string;
  /** What is seen or hurts. */
  readonly what?: string;
  readonly at?: DirectionDeg;
  /** Of a new plan: knots that are in, by their old and their new name; left out where every knot keeps its name. */
  readonly renamed?: Readonly<Record<string, string>>;
  /** Key of the newest plan event that its device knew of: by that plan its knots are named. */
  readonly under?: string;
  /** Hair that is left as a new plan is taken or a renewal begins, in packs. */
  readonly packsLeft?: number;
  readonly photoId?: string;
  /** Share of scalp or cap that shows in a photo. */
  readonly shown?: number;
}

/** Each event once, in the order that every device agrees on. Those from before there was an order stay as they came. */
export function inOrder(events: readonly InstallEvent[]): InstallEvent[] {
  const seen = new Set<string>();
  const each = events.filter(({ key }) => {
    if (key === undefined) return true;
    if (seen.has(key)) return false;
    seen.add(key);
    return true;
  });
  return each
    .map((event, came) => ({ event, n: event.n ?? came, key: event.key ?? '' }))
    .sort((a, b) => a.n - b.n || (a.key < b.key ? -1 : a.key > b.key ? 1 : 0))
    .map(({ event }) => event);
}

/** Behind all that is known: what the next event of a device is numbered with. */
export const nextNumber = (events: readonly InstallEvent[]): number =>
  events.reduce((n, e, came) => Math.max(n, (e.n ?? came) + 1), 0);
