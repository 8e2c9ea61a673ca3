/**
 * An install as the events that happened, never as a state that is overwritten. Folding them gives where she
 * is, how long she worked and how fast.
 */

export type InstallEventKind = 'start' | 'knot' | 'skip' | 'back' | 'pause' | 'resume' | 'note' | 'finish';

export interface InstallEvent {
  readonly kind: InstallEventKind;
  /** Milliseconds since 1970. */
  readonly atMs: number;
  readonly knotId?: string;
  readonly text?: string;
}

export interface InstallState {
  /** Knots behind her, in order; a skipped one used no piece. */
  readonly done: readonly { readonly knotId: string; readonly skipped: boolean }[];
  readonly piecesUsed: number;
  readonly paused: boolean;
  readonly finished: boolean;
  readonly notes: readonly { readonly atMs: number; readonly text: string }[];
  /** Time at work, pauses and long silences left out. */
  readonly workedSeconds: number;
  /** Median time between knots, once there are a few. */
  readonly secondsPerKnot?: number;
  /** Knots that followed another at once: which of the order of work, and what they took. */
  readonly timed: ReadonlyArray<{ readonly knot: number; readonly seconds: number }>;
}

/** A silence longer than this was a pause that nobody entered. */
const SILENCE_SECONDS = 300;
const FEWEST_FOR_PACE = 5;

export function foldInstall(events: readonly InstallEvent[]): InstallState {
  const done: { knotId: string; skipped: boolean }[] = [];
  const notes: { atMs: number; text: string }[] = [];
  const timed: Array<{ knot: number; seconds: number }> = [];
  let paused = false;
  let finished = false;
  let workedSeconds = 0;
  let previous: InstallEvent | undefined;
  for (const event of events) {
    const since = previous ? Math.max(0, (event.atMs - previous.atMs) / 1000) : 0;
    if (!paused && since <= SILENCE_SECONDS) workedSeconds += since;
    switch (event.kind) {
      case 'knot':
        if (!paused && previous?.kind === 'knot' && since <= SILENCE_SECONDS)
          timed.push({ knot: done.length, seconds: since });
        if (event.knotId) done.push({ knotId: event.knotId, skipped: false });
        break;
      case 'skip':
        if (event.knotId) done.push({ knotId: event.knotId, skipped: true });
        break;
      case 'back':
        done.pop();
        finished = false;
        break;
      case 'note':
        if (event.text) notes.push({ atMs: event.atMs, text: event.text });
        break;
      case 'pause':
        paused = true;
        break;
      case 'resume':
        paused = false;
        break;
      case 'finish':
        finished = true;
        break;
      case 'start':
        break;
    }
    // Going on with a knot ends a pause that was forgotten.
    if (event.kind === 'knot' || event.kind === 'skip') paused = false;
    previous = event;
  }
  return {
    done,
    piecesUsed: done.filter((d) => !d.skipped).length,
    paused,
    finished,
    notes,
    workedSeconds,
    timed,
    ...(timed.length >= FEWEST_FOR_PACE ? { secondsPerKnot: median(timed.map((t) => t.seconds)) } : {}),
  };
}

function median(values: number[]): number {
  if (values.length === 0) return 0;
  const sorted = values.sort((a, b) => a - b);
  const mid = sorted.length >> 1;
  return sorted.length % 2 === 1 ? sorted[mid] : (sorted[mid - 1] + sorted[mid]) / 2;
}
