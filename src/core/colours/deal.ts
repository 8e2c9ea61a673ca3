/**
 * Colours dealt to pieces in the order in which they are hooked. At no moment has a colour been dealt a whole piece more or less
 * than its share so far: so no stretch lacks one, and none runs out before the end. Within that the colour is taken that fewest
 * neighbours on the head have.
 *
 * That such a sequence exists for any shares is Tijdeman's theorem on the chairman assignment problem (R. Tijdeman, Discrete
 * Mathematics 32, 1980). The m-th piece of a colour may come once its share has passed m - 1 and must come before it passes m;
 * whatever is chosen at a step, the rest is tried by earliest deadlines first.
 */
import { type Neighbours, neighboursOf, type Place } from './neighbours.ts';

/** What is to be dealt. */
export interface ToDeal {
  /** Places in the order of work. */
  readonly places: readonly Place[];
  readonly colours: number;
  /** Row by row, each summing to one: shares of the colours at each place. */
  readonly shares: Float64Array;
  /** Pieces that there are of each colour; Infinity where more can be had. */
  readonly most: readonly number[];
  /** Colour of each place that has its piece already, -1 of one that is still to be dealt; all are, where it is left out. */
  readonly already?: Int8Array;
}

export interface Dealt {
  /** Colour of each place. */
  readonly colour: Uint8Array;
  /** Shares that were dealt by: those asked for, or thinner where a colour is short. */
  readonly shares: Float64Array;
  /** Pieces that no hair is left for; they are dealt all the same. */
  readonly missing: number;
  readonly near: Neighbours;
}

/** Sums of shares are rounded: they may be off by so much. */
const ROUNDING = 1e-9;

export function dealColours(asked: ToDeal): Dealt {
  const { places, colours: n, most, already } = asked;
  const open = Int32Array.from(places.keys()).filter((i) => (already?.[i] ?? -1) < 0);
  const toDeal = new Float64Array(n * open.length);
  open.forEach((place, t) => {
    toDeal.set(asked.shares.subarray(n * place, n * place + n), n * t);
  });
  const thinned = asThereIs({ shares: toDeal, colours: n, most });
  const shares = asked.shares.slice();
  open.forEach((place, t) => {
    shares.set(thinned.subarray(n * t, n * t + n), n * place);
  });
  const near = neighboursOf(places);
  return {
    colour: dealt(asked, open, thinned, near),
    shares,
    missing: Math.max(0, open.length - most.reduce((a, b) => a + b, 0)),
    near,
  };
}

/**
 * Shares thinned where a colour is short: it is spread over all its places, and what it leaves there is taken by the colours that
 * are not, as they lie there; where none of them does, by what is left of each.
 */
function asThereIs({ shares: asked, colours: n, most }: Pick<ToDeal, 'shares' | 'colours' | 'most'>): Float64Array {
  const shares = asked.slice();
  const places = asked.length / n;
  const isShort = new Uint8Array(n);
  for (let round = 0; round < n; round++) {
    const sums = sumsOf(shares, n);
    const short = sums.findIndex((sum, c) => !isShort[c] && sum > most[c] + ROUNDING);
    if (short < 0) break;
    isShort[short] = 1;
    const open = most.map((m, c) => (isShort[c] ? 0 : Math.max(0, Math.min(m, places) - sums[c])));
    if (open.every((o) => o <= ROUNDING)) break;
    thin(shares, n, short, most[short] / sums[short], open);
  }
  return shares;
}

function thin(shares: Float64Array, n: number, short: number, factor: number, open: readonly number[]) {
  for (let at = 0; at < shares.length; at += n) {
    const freed = shares[at + short] * (1 - factor);
    if (freed <= 0) continue;
    shares[at + short] -= freed;
    let here = 0;
    for (let c = 0; c < n; c++) if (open[c] > 0) here += shares[at + c];
    const weights = here > ROUNDING ? open.map((o, c) => (o > 0 ? shares[at + c] : 0)) : open;
    const all = weights.reduce((a, b) => a + b, 0);
    for (let c = 0; c < n; c++) shares[at + c] += (freed * weights[c]) / all;
  }
}

function sumsOf(shares: Float64Array, n: number): number[] {
  const sums = new Array<number>(n).fill(0);
  for (let i = 0; i < shares.length; i++) sums[i % n] += shares[i];
  return sums;
}

/** Of every colour: the first and the last step at which its m-th piece may come. */
interface Windows {
  readonly release: readonly Int32Array[];
  readonly deadline: readonly Int32Array[];
}

function windowsOf(shares: Float64Array, n: number): Windows {
  const steps = shares.length / n;
  const release: Int32Array[] = [];
  const deadline: Int32Array[] = [];
  for (let c = 0; c < n; c++) {
    const first = new Int32Array(steps + 1).fill(steps);
    const last = new Int32Array(steps + 1).fill(steps);
    let sum = 0;
    let released = 0;
    let due = 0;
    for (let t = 0; t < steps; t++) {
      sum += shares[t * n + c];
      while (released < steps && sum > released + ROUNDING) first[released++] = t;
      while (due < steps && sum >= due + 1 - ROUNDING) last[due++] = t;
    }
    release.push(first);
    deadline.push(last);
  }
  return { release, deadline };
}

/** @param open places that are to be dealt, in the order of work @param shares at each of those */
function dealt(
  { places, colours: n, already }: ToDeal,
  open: Int32Array,
  shares: Float64Array,
  near: Neighbours,
): Uint8Array {
  const colour = Uint8Array.from(places, (_, i) => ((already?.[i] ?? -1) < 0 ? NOT_YET : (already?.[i] as number)));
  const work: Work = { ...windowsOf(shares, n), shares, n, steps: open.length };
  const counts = new Int32Array(n);
  open.forEach((place, t) => {
    const crowd = (c: number) => crowding(near, colour, place, c, shares[t * n + c]);
    const due = earliest(work, counts, t);
    let best = due;
    let least = crowd(due);
    for (let c = 0; c < n; c++) {
      if (c === due || !mayCome(work, counts, t, c)) continue;
      const here = crowd(c);
      if (here >= least - ROUNDING || !goesOn(work, counts, t, c, due)) continue;
      best = c;
      least = here;
    }
    colour[place] = best;
    counts[best]++;
  });
  return colour;
}

const NOT_YET = 255;

interface Work extends Windows {
  readonly shares: Float64Array;
  readonly n: number;
  readonly steps: number;
}

/** Its next piece may come now: not before its share has come so far, and nowhere where none of it is asked for. */
const mayCome = ({ release, shares, n }: Work, counts: Int32Array, t: number, c: number) =>
  release[c][counts[c]] <= t && shares[t * n + c] > ROUNDING;

/** The colour whose next piece is due first, of those that may come now; where none may, of those that are asked for here. */
function earliest(work: Work, counts: Int32Array, t: number): number {
  const { deadline, shares, n } = work;
  let best = -1;
  for (const isMeant of [(c: number) => mayCome(work, counts, t, c), (c: number) => shares[t * n + c] > ROUNDING]) {
    for (let c = 0; c < n; c++) {
      if (isMeant(c) && (best < 0 || deadline[c][counts[c]] < deadline[best][counts[best]])) best = c;
    }
    if (best >= 0) return best;
  }
  return 0;
}

/** Whether no piece comes too late if this colour comes now instead of the one that is due, until both ways have dealt the same. */
function goesOn(work: Work, counts: Int32Array, now: number, c: number, due: number): boolean {
  const { deadline, n, steps } = work;
  const tried = counts.slice();
  const plain = counts.slice();
  tried[c]++;
  plain[due]++;
  for (let t = now + 1; t <= steps; t++) {
    let isSame = true;
    for (let k = 0; k < n; k++) {
      if (deadline[k][tried[k]] < t) return false;
      if (tried[k] !== plain[k]) isSame = false;
    }
    if (isSame || t === steps) return true;
    const next = earliest(work, tried, t);
    if (!mayCome(work, tried, t, next)) return false;
    tried[next]++;
    plain[earliest(work, plain, t)]++;
  }
  return true;
}

/** Neighbours that have this colour already, beyond those that its share lets expect. */
function crowding(near: Neighbours, colour: Uint8Array, place: number, c: number, share: number): number {
  let alike = 0;
  let placed = 0;
  for (let k = near.start[place]; k < near.start[place + 1]; k++) {
    const other = colour[near.list[k]];
    if (other === NOT_YET) continue;
    placed += near.weight[k];
    if (other === c) alike += near.weight[k];
  }
  return alike - share * placed;
}
