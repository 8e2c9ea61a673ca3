/**
 * Simulated wearers, and how the truth about them lies among what is learned: simulation-based calibration (Talts et al.,
 * Validating Bayesian Inference Algorithms with Simulation-Based Calibration, arXiv 1804.06788, 2018; from memory). Draws are made
 * by methods of their own: nothing of what is tested is used.
 */
import type { Learned, Observation, Prior } from '../../src/core/hands/mixed.ts';

/** Box and Muller, 1958. */
export const drawNormal = (random: () => number): number =>
  Math.sqrt(-2 * Math.log(1 - random())) * Math.cos(2 * Math.PI * random());

/** Marsaglia and Tsang, 2000; of scale 1, for shapes of at least 1. */
export function drawGamma(random: () => number, shape: number): number {
  const d = shape - 1 / 3;
  const c = 1 / Math.sqrt(9 * d);
  for (;;) {
    const x = drawNormal(random);
    const v = (1 + c * x) ** 3;
    if (v > 0 && Math.log(1 - random()) < 0.5 * x * x + d - d * v + d * Math.log(v)) return d * v;
  }
}

type Design = ReadonlyArray<Pick<Observation, 'effects' | 'of'>>;

/** A wearer drawn from the prior, and styles drawn from her. */
export function drawWearer(random: () => number, prior: Prior, designs: readonly Design[]) {
  const shape = prior.spreadKnown / 2;
  const variance = (shape * prior.spread ** 2) / drawGamma(random, shape);
  // Priors are told for the likely spread: with another one they widen with it, which is what makes them closed.
  const wide = Math.sqrt(variance) / prior.spread;
  const effects = Array.from(prior.mean, (m, i) => m + wide * prior.sd[i] * drawNormal(random));
  const truth = (asked: Observation['effects']) => asked.reduce((sum, [i, w]) => sum + w * effects[i], 0);
  const styles = designs.map((design) => {
    const own = wide * prior.styleSd * drawNormal(random);
    return design.map(
      (x): Observation => ({
        ...x,
        y: truth(x.effects) + own + Math.sqrt(variance / x.of) * drawNormal(random),
      }),
    );
  });
  return { truth, variance, styles, ofNext: () => truth([[0, 1]]) + wide * prior.styleSd * drawNormal(random) };
}

export const WEARERS = 1000;
const DRAWS = 99;
const BINS = 10;
/** The 99.9th percentile of chi-squared with nine degrees of freedom (tables; from memory). */
export const UNEVEN = 27.88;

/** Counts ranks and how often the range that is told held. */
export class Calibration {
  private readonly bins = new Array<number>(BINS).fill(0);
  private inside = 0;
  private cases = 0;
  constructor(private readonly random: () => number) {}

  /** @param told with its truth; both on the scale on which the posterior is Student's t @param freedom of it */
  add(truth: number, { middle, low, high, sd }: Learned, freedom: number) {
    let below = 0;
    for (let d = 0; d < DRAWS; d++) {
      const s = Math.sqrt(freedom / 2 / drawGamma(this.random, freedom / 2));
      if (middle + sd * s * drawNormal(this.random) < truth) below++;
    }
    this.rank(below);
    if (truth >= low && truth <= high) this.inside++;
  }

  /** @param below draws of the posterior below the truth, of 99 */
  rank(below: number) {
    this.bins[Math.floor((below * BINS) / (DRAWS + 1))]++;
    this.cases++;
  }

  /** Chi-squared of the ranks against even ones, and the share of cases within the range. */
  figures() {
    const expected = this.cases / BINS;
    return {
      chiSquared: this.bins.reduce((sum, n) => sum + (n - expected) ** 2 / expected, 0),
      held: this.inside / this.cases,
    };
  }
}
