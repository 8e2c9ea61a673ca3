/** Which pieces lie beside each other on the head, and how alike neighbours are. */

export interface Place {
  readonly xMm: number;
  readonly yMm: number;
  readonly zMm: number;
}

/** Neighbours of place i are list[start[i] .. start[i + 1]), weighed by how near they lie. */
export interface Neighbours {
  readonly start: Int32Array;
  readonly list: Int32Array;
  readonly weight: Float64Array;
}

/** Round a piece in bricks lie six others. */
const NEIGHBOURS = 6;

export function neighboursOf(places: readonly Place[]): Neighbours {
  const n = places.length;
  const most = Math.min(NEIGHBOURS, Math.max(0, n - 1));
  const start = Int32Array.from({ length: n + 1 }, (_, i) => i * most);
  const list = new Int32Array(n * most);
  const weight = new Float64Array(n * most);
  const [x, y, z] = (['xMm', 'yMm', 'zMm'] as const).map((axis) => Float64Array.from(places, (p) => p[axis]));
  const away = new Float64Array(most);
  for (let i = 0; i < n; i++) {
    away.fill(Infinity);
    const from = i * most;
    for (let j = 0; j < n; j++) {
      if (j === i) continue;
      const d = (x[i] - x[j]) ** 2 + (y[i] - y[j]) ** 2 + (z[i] - z[j]) ** 2;
      if (d >= away[most - 1]) continue;
      let k = most - 1;
      for (; k > 0 && away[k - 1] > d; k--) {
        away[k] = away[k - 1];
        list[from + k] = list[from + k - 1];
      }
      away[k] = d;
      list[from + k] = j;
    }
    // The nearest counts whole, one twice as far a quarter.
    for (let k = 0; k < most; k++) weight[from + k] = away[0] > 0 ? away[0] / away[k] : 1;
  }
  return { start, list, weight };
}

export interface Evenness {
  /** Share of neighbours that have the same colour. */
  readonly alike: number;
  /** The same, if the colours were shuffled over places of the same shares. */
  readonly byChance: number;
  /** At worst a colour has been dealt so many pieces more or less than its share so far. */
  readonly furthestOff: number;
}

/** @param shares row by row, as they were dealt by @returns undefined where nothing is mixed */
export function evenness(near: Neighbours, colour: Uint8Array, shares: Float64Array): Evenness | undefined {
  const n = colour.length === 0 ? 0 : shares.length / colour.length;
  if (n < 2) return undefined;
  let [alike, byChance, all] = [0, 0, 0];
  for (let i = 0; i < colour.length; i++) {
    for (let k = near.start[i]; k < near.start[i + 1]; k++) {
      const j = near.list[k];
      all += near.weight[k];
      if (colour[i] === colour[j]) alike += near.weight[k];
      for (let c = 0; c < n; c++) byChance += near.weight[k] * shares[i * n + c] * shares[j * n + c];
    }
  }
  return {
    alike: all > 0 ? alike / all : 0,
    byChance: all > 0 ? byChance / all : 0,
    furthestOff: furthestOff(colour, shares, n),
  };
}

function furthestOff(colour: Uint8Array, shares: Float64Array, n: number): number {
  const ahead = new Float64Array(n);
  let most = 0;
  for (let i = 0; i < colour.length; i++) {
    ahead[colour[i]] += 1;
    for (let c = 0; c < n; c++) {
      ahead[c] -= shares[i * n + c];
      most = Math.max(most, Math.abs(ahead[c]));
    }
  }
  return most;
}
