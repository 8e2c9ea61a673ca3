/** Up to three readings of one measure: their mean, and how sure it is. */

export const MOST_READINGS = 3;

export interface Readings {
  readonly meanMm: number;
  /** Of the readings about their mean, mm; undefined for a single one. */
  readonly spreadMm?: number;
  /** Standard deviation of the mean, mm: what the fit uses. */
  readonly sdMm: number;
}

/** What laying the tape a little high or low adds to every reading alike, as a share of one reading's spread (guess). */
const SHARED_SHARE = 0.5;

/**
 * The spread of a mean of n: the random share falls with the root of n, the shared one does not. Readings that
 * differ more than one careful reading should make it wider.
 *
 * @param mm one to three readings of the same measure.
 * @param readingSdMm of one careful reading.
 */
export function meanReading(mm: readonly number[], readingSdMm: number): Readings {
  if (mm.length === 0) throw new RangeError('a mean needs at least one reading');
  const n = mm.length;
  const meanMm = mm.reduce((a, b) => a + b, 0) / n;
  if (n === 1) return { meanMm, sdMm: readingSdMm };
  const spreadMm = Math.sqrt(mm.reduce((sum, v) => sum + (v - meanMm) ** 2, 0) / (n - 1));
  const shared = SHARED_SHARE * readingSdMm;
  const random = Math.max(spreadMm, Math.sqrt(readingSdMm ** 2 - shared ** 2));
  return { meanMm, spreadMm, sdMm: Math.sqrt(shared ** 2 + random ** 2 / n) };
}
