/** Folding the events of an install gives where she is, how long she worked and how fast. */
import type { DirectionDeg } from '../head/index.ts';
import { REST_SECONDS } from '../trade/index.ts';
import { type InstallEvent, type InstallEventKind, inOrder } from './events.ts';

export interface Told {
  readonly atMs: number;
  readonly text: string;
}

/** Something seen or felt, and where; gone again once it has been seen to. */
export interface Noticed {
  readonly key: string | undefined;
  readonly atMs: number;
  readonly what: string;
  readonly knotId: string | undefined;
  readonly at: DirectionDeg | undefined;
  readonly hurts: boolean;
}

/** Knots that were timed together: one, or a run. */
export interface Timed {
  readonly knotIds: readonly string[];
  readonly seconds: number;
  /** At work since the last long rest, when it began. */
  readonly afterSeconds: number;
}

/** Knots that were hooked anew while it was worn; of those that are in, a piece each. */
export interface Renewal {
  readonly atMs: number;
  readonly knots: number;
  readonly pieces: number;
}

/** A row or a stretch whose pieces were counted: planned and taken. */
export interface Counted {
  readonly knotIds: readonly string[];
  readonly knots: number;
  readonly pieces: number;
}

export interface Pause {
  readonly fromMs: number;
  readonly seconds: number;
  /** She said so; otherwise it was found by its silence. */
  readonly said: boolean;
}

/** One touch of hers that going back takes back. */
export interface Work {
  readonly knotIds?: readonly string[];
  readonly pieces?: number;
  readonly stepId?: string;
}

export interface InstallState {
  /** Knots behind her, in the order in which they came; a skipped one used no piece. */
  readonly done: readonly { readonly knotId: string; readonly skipped: boolean }[];
  readonly steps: ReadonlyMap<string, 'done' | 'left'>;
  /** Where she turned to, until it is done. */
  readonly turnedTo: { readonly stepId?: string; readonly knotId?: string } | undefined;
  /** What was done last, if anything. */
  readonly lastWork: Work | undefined;
  readonly piecesUsed: number;
  readonly renewals: readonly Renewal[];
  /** Of the pieces used what went in at first: renewals have theirs in a line of their own. */
  readonly piecesFirst: number;
  /** Hair that was left when a new plan was taken, and pieces that were in by then; undefined where none was. */
  readonly stock: { readonly packsLeft: number; readonly piecesBefore: number } | undefined;
  readonly counted: readonly Counted[];
  readonly paused: boolean;
  readonly finished: boolean;
  readonly notes: readonly Told[];
  readonly noticed: readonly Noticed[];
  readonly photos: ReadonlyArray<{ readonly atMs: number; readonly photoId: string; readonly shown?: number }>;
  /** Time at work, pauses and long silences left out. */
  readonly workedSeconds: number;
  readonly pauses: readonly Pause[];
  /** Median time of a knot, once there are a few. */
  readonly secondsPerKnot?: number;
  readonly timed: readonly Timed[];
}

/** A silence longer than this was a pause that nobody entered; a run may take so much more for each of its knots. */
const SILENCE_SECONDS = 300;
const SILENCE_A_KNOT = 90;
const FEWEST_FOR_PACE = 5;

export function foldInstall(events: readonly InstallEvent[]): InstallState {
  const fold = new Fold();
  for (const event of inOrder(events)) fold.take(event);
  return fold.state();
}

class Fold {
  private readonly done = new Map<string, boolean>();
  private readonly steps = new Map<string, 'done' | 'left'>();
  private readonly notes: Told[] = [];
  private noticed: Noticed[] = [];
  private readonly photos: Array<{ atMs: number; photoId: string; shown?: number }> = [];
  private readonly timed: Timed[] = [];
  private readonly pauses: Pause[] = [];
  /** By the first knot of a run: a later count of the same row stands in place of an earlier one. */
  private counts = new Map<string, Counted>();
  /** Plans that were followed, the newest last: a device without the newest may still name knots by one before. */
  private readonly plans: Array<{ readonly key: string | undefined; readonly renamed: Renamed }> = [];
  private works: Work[] = [];
  private renewals: Array<{ readonly atMs: number; readonly knotIds: readonly string[] }> = [];
  private turnedTo: InstallState['turnedTo'];
  private stock: InstallState['stock'];
  private paused = false;
  private finished = false;
  private worked = 0;
  /** What was worked before the last long rest. */
  private workedBefore = 0;
  private previous: InstallEvent | undefined;

  take(event: InstallEvent) {
    const since = this.previous ? Math.max(0, (event.atMs - this.previous.atMs) / 1000) : 0;
    const run = event.kind === 'run' ? (event.knotIds?.length ?? 0) : 0;
    const isSilent = since > SILENCE_SECONDS + SILENCE_A_KNOT * run;
    if (this.paused || isSilent) this.rested(event, since);
    else this.worked += since;
    this.happened(event, since, !this.paused && !isSilent);
    // Going on with the work ends a pause that was forgotten.
    if (WORK.has(event.kind)) this.paused = false;
    this.previous = event;
  }

  private rested(event: InstallEvent, seconds: number) {
    if (seconds >= REST_SECONDS) this.workedBefore = this.worked;
    if (seconds > 0) this.pauses.push({ fromMs: event.atMs - 1000 * seconds, seconds, said: this.paused });
  }

  private happened(event: InstallEvent, since: number, isTimed: boolean) {
    switch (event.kind) {
      case 'knot':
      case 'skip':
      case 'run':
        return this.hooked(event, since, isTimed);
      case 'count':
        this.count(
          (event.knotIds ?? []).map((id) => this.named(id, event) as string),
          event.pieces,
        );
        return;
      case 'back':
        return this.takenOut(event);
      case 'step':
        return this.stepped(event);
      case 'turn':
        this.turnedTo = { ...only('stepId', event.stepId), ...only('knotId', this.named(event.knotId, event)) };
        return;
      case 'note':
        if (event.text) this.notes.push({ atMs: event.atMs, text: event.text });
        return;
      case 'seen':
      case 'hurt':
        return this.notice(event);
      case 'plan':
        return this.follow(event);
      case 'photo':
        if (event.photoId)
          this.photos.push({ atMs: event.atMs, photoId: event.photoId, ...only('shown', event.shown) });
        return;
      case 'pause':
        this.paused = true;
        return;
      case 'resume':
        this.paused = false;
        return;
      case 'finish':
        this.finished = true;
        return;
      case 'again':
        this.finished = false;
        return;
      case 'renew':
        return this.renewed(event);
      case 'start':
    }
  }

  /** A knot that two devices tell is one knot. */
  private hooked(event: InstallEvent, since: number, isTimed: boolean) {
    const told = event.knotIds ?? (event.knotId === undefined ? [] : [event.knotId]);
    const fresh = told.map((id) => this.named(id, event) as string).filter((id) => !this.done.has(id));
    if (fresh.length === 0) return;
    for (const id of fresh) this.done.set(id, event.kind === 'skip');
    this.works.push({ knotIds: fresh, ...only('pieces', event.pieces) });
    if (event.kind === 'skip') return;
    this.count(fresh, event.pieces);
    const { previous } = this;
    if (isTimed && since > 0 && previous && TIMED_AFTER.has(previous.kind))
      this.timed.push({ knotIds: fresh, seconds: since, afterSeconds: this.worked - this.workedBefore - since });
  }

  private takenOut(event: InstallEvent) {
    const last = [...this.done.keys()].at(-1);
    const gone = event.knotIds?.map((id) => this.named(id, event)) ?? [this.named(event.knotId, event) ?? last];
    for (const id of gone) if (id !== undefined) this.done.delete(id);
    // What is out again was not counted.
    for (const id of gone) if (id !== undefined) this.counts.delete(id);
    this.works = this.works.filter((w) => w.stepId !== undefined || w.knotIds?.some((id) => this.done.has(id)));
    this.finished = false;
  }

  /** What was in was used all the same; nothing before it can be taken back any more. */
  private renewed(event: InstallEvent) {
    if (!event.knotIds) return this.notRenewed();
    const out = event.knotIds.map((id) => this.named(id, event) as string);
    const knotIds = out.filter((id) => this.done.get(id) === false);
    if (knotIds.length === 0) return;
    for (const id of knotIds) this.done.delete(id);
    this.renewals.push({ atMs: event.atMs, knotIds });
    // From here on it is hooked out of what lies in her stash.
    if (event.packsLeft !== undefined) this.stock = { packsLeft: event.packsLeft, piecesBefore: this.used() };
    this.works = [];
    this.turnedTo = { knotId: knotIds[0] };
    this.finished = false;
  }

  /** Not after all: what of the last renewal is not hooked anew is in as it was. */
  private notRenewed() {
    const last = this.renewals.pop();
    if (!last) return;
    const anew = last.knotIds.filter((id) => this.done.has(id));
    for (const id of last.knotIds) if (!this.done.has(id)) this.done.set(id, false);
    if (anew.length > 0) this.renewals.push({ ...last, knotIds: anew });
    this.turnedTo = undefined;
    this.finished = true;
  }

  /** A knot that was renewed twice has its piece in the newer renewal. */
  private told(): Renewal[] {
    return this.renewals.map(({ atMs, knotIds }, i) => {
      const later = new Set(this.renewals.slice(i + 1).flatMap((r) => r.knotIds));
      const isIn = (id: string) => later.has(id) || this.done.get(id) === false;
      return { atMs, knots: knotIds.length, pieces: knotIds.filter(isIn).length };
    });
  }

  private count(knotIds: readonly string[], pieces: number | undefined) {
    if (pieces !== undefined && pieces > 0 && knotIds.length > 0)
      this.counts.set(knotIds[0], { knotIds, knots: knotIds.length, pieces });
  }

  private stepped({ stepId, outcome = 'done' }: InstallEvent) {
    if (stepId === undefined) return;
    if (outcome === 'redo') {
      this.steps.delete(stepId);
      this.works = this.works.filter((w) => w.stepId !== stepId);
      this.turnedTo = { stepId };
      this.finished = false;
      return;
    }
    this.steps.set(stepId, outcome);
    this.works.push({ stepId });
    if (this.turnedTo?.stepId === stepId) this.turnedTo = undefined;
  }

  /** What has been seen to is told by the key of what was noticed, as text. */
  private notice(event: InstallEvent) {
    if (event.what === undefined) {
      this.noticed = this.noticed.filter((s) => s.key === undefined || s.key !== event.text);
      return;
    }
    this.noticed.push({
      key: event.key,
      atMs: event.atMs,
      what: event.what,
      knotId: this.named(event.knotId, event),
      at: event.at,
      hurts: event.kind === 'hurt',
    });
  }

  /** Knots that are in keep their place and get the names of the new plan; one that it has no name for is in all the same. */
  private follow({ key, renamed, packsLeft }: InstallEvent) {
    if (packsLeft !== undefined) this.stock = { packsLeft, piecesBefore: this.used() };
    if (!renamed) return;
    this.plans.push({ key, renamed });
    const now = (id: string) => renamed[id] ?? unnamed(id);
    const before = [...this.done];
    this.done.clear();
    for (const [id, skipped] of before) this.done.set(now(id), skipped);
    this.counts = new Map([...this.counts].map(([id, c]) => [now(id), { ...c, knotIds: c.knotIds.map(now) }]));
    this.works = this.works.map((w) => (w.knotIds ? { ...w, knotIds: w.knotIds.map(now) } : w));
    this.noticed = this.noticed.map((s) => ({ ...s, ...(s.knotId === undefined ? {} : { knotId: now(s.knotId) }) }));
    this.timed.forEach((t, i) => {
      this.timed[i] = { ...t, knotIds: t.knotIds.map(now) };
    });
    this.renewals = this.renewals.map((r) => ({ ...r, knotIds: r.knotIds.map(now) }));
    this.turnedTo = undefined;
  }

  /** A knot as the newest plan calls it. */
  private named(id: string | undefined, { under }: InstallEvent): string | undefined {
    if (id === undefined) return undefined;
    const since = under === undefined ? 0 : this.plans.findIndex((p) => p.key === under) + 1;
    return this.plans.slice(since).reduce((name, { renamed }) => renamed[name] ?? unnamed(name), id);
  }

  private used(): number {
    let pieces = 0;
    for (const isSkipped of this.done.values()) if (!isSkipped) pieces++;
    for (const c of this.counts.values()) pieces += c.pieces - c.knots;
    // Those that came out were pieces too.
    for (const r of this.renewals) pieces += r.knotIds.length;
    return Math.max(0, pieces);
  }

  state(): InstallState {
    const done = [...this.done].map(([knotId, skipped]) => ({ knotId, skipped }));
    const each = this.timed.flatMap((t) => new Array<number>(t.knotIds.length).fill(t.seconds / t.knotIds.length));
    return {
      done,
      steps: this.steps,
      turnedTo: this.turnedTo,
      lastWork: this.works.at(-1),
      piecesUsed: this.used(),
      renewals: this.told(),
      piecesFirst: this.used() - this.told().reduce((sum, r) => sum + r.pieces, 0),
      stock: this.stock,
      counted: [...this.counts.values()],
      paused: this.paused,
      finished: this.finished,
      notes: this.notes,
      noticed: this.noticed,
      photos: this.photos,
      workedSeconds: this.worked,
      pauses: this.pauses,
      timed: this.timed,
      ...(each.length >= FEWEST_FOR_PACE ? { secondsPerKnot: median(each) } : {}),
    };
  }
}

type Renamed = NonNullable<InstallEvent['renamed']>;

/** In, but of no knot of the plan that is followed now. */
const unnamed = (id: string) => (id.startsWith('was:') ? id : `was:${id}`);

/** A step that was just begun takes its time from what came before it; after one back nobody knows. */
const TIMED_AFTER: ReadonlySet<InstallEventKind> = new Set(['knot', 'skip', 'run', 'step']);
const WORK: ReadonlySet<InstallEventKind> = new Set(['knot', 'skip', 'run', 'step', 'back']);

const only = <K extends string, V>(key: K, value: V | undefined) =>
  (value === undefined ? {} : { [key]: value }) as { [P in K]?: V };

function median(values: readonly number[]): number {
  const sorted = [...values].sort((a, b) => a - b);
  const mid = sorted.length >> 1;
  return sorted.length % 2 === 1 ? sorted[mid] : (sorted[mid - 1] + sorted[mid]) / 2;
}
