/** Pieces by weight: a kitchen scale that trembles, creeps and now and then jumps; and pieces that are not all alike. */
import { normalQuantile } from '../numerics/index.ts';

/** One piece differs from another of the same pack by so much of its weight, standard deviation (guess). */
const PIECE_SD = 0.08;
/** A kitchen scale is right to about a gram (common practice, no source). */
export const SCALE_SD_G = 0.6;
/** Range that is told: four times in five. */
const TOLD = normalQuantile(0.9);

export interface Weighed {
  readonly pieces: number;
  readonly range: readonly [low: number, high: number];
}

/**
 * @param grams without the dish @param pieceG of one piece as its pack says @throws RangeError for a weight or piece that is none
 */
export function piecesByWeight(grams: number, pieceG: number, scaleSdG = SCALE_SD_G): Weighed {
  if (!(grams >= 0) || !(pieceG > 0))
    throw new RangeError('A weight has to be none or more, and a piece has to weigh something.');
  const pieces = grams / pieceG;
  // The scale's own error, and pieces that are heavier or lighter by chance.
  const sd = Math.sqrt((scaleSdG / pieceG) ** 2 + PIECE_SD ** 2 * pieces);
  return {
    pieces: Math.round(pieces),
    range: [Math.max(0, Math.floor(pieces - TOLD * sd)), Math.ceil(pieces + TOLD * sd)],
  };
}

/** So many readings in a row are looked at; a scale is steady once they lie this near to each other, g. */
export const READINGS = 9;
const STEADY_G = 1.2;

export interface Reading {
  /** The middle one: a reading that slipped moves it by nothing. */
  readonly grams: number;
  readonly steady: boolean;
  /** Readings so far out that a hand or a cat was on it. */
  readonly slipped: number;
}

/** What a scale says by its last readings; undefined while there are too few of them, or none that is a number. */
export function steadyWeight(readings: readonly number[]): Reading | undefined {
  const last = readings.slice(-READINGS).filter(Number.isFinite);
  if (last.length < READINGS) return undefined;
  const grams = middle(last);
  const away = last.map((r) => Math.abs(r - grams));
  const spread = Math.max(0.1, middle(away));
  const slipped = away.filter((d) => d > Math.max(STEADY_G, 6 * spread)).length;
  // Most of them have to agree.
  return { grams: Math.round(10 * grams) / 10, steady: spread <= STEADY_G && slipped <= READINGS / 4, slipped };
}

function middle(values: readonly number[]): number {
  const sorted = [...values].sort((a, b) => a - b);
  const half = sorted.length >> 1;
  return sorted.length % 2 === 1 ? sorted[half] : (sorted[half - 1] + sorted[half]) / 2;
}
