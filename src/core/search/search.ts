/**
 * A search over choices that are counted: each gene is one of so many values. Where all of them fit the budget every one
 * is tried; else a small population is bred, and the neighbours of the best are tried out, until the budget is spent.
 * Asked and told in turn: a batch hangs only on what was told before it, so that a seed gives the same search however
 * many workers judge it. (Steady-state evolution with uniform crossover, and a hill climb on the best: textbook methods.)
 */
export type Genome = readonly number[];

export interface Merit {
  /** To be made large. */
  readonly score: number;
  /** What it costs and what it gives, for the trade-off curve; undefined where it must not be taken. */
  readonly trade?: { readonly cost: number; readonly gain: number };
}

export interface SearchOptions {
  /** How many values each gene has. */
  readonly sizes: readonly number[];
  readonly budget: number;
  readonly random: () => number;
  /** Where she stands now, and other places worth a look. */
  readonly starts?: readonly Genome[];
  /** Tries every combination where they fit the budget; on unless it is put off. */
  readonly exhaustive?: boolean;
}

export interface Found {
  readonly genome: Genome;
  readonly merit: Merit;
}

const POPULATION = 36;
/** Chance that a gene of a child is moved, and that it moves to any value instead of the next. */
const MUTATES = 0.16;
const JUMPS = 0.35;
/** Of each batch, so much is spent on neighbours of the best. */
const CLIMBS = 0.4;

export class Search {
  private readonly told = new Map<string, Found>();
  private readonly asked = new Set<string>();
  private population: Found[] = [];
  private bestFound: Found | undefined;
  private readonly front = new Map<number, Found>();
  private enumerated = 0;
  private readonly combinations: number;
  private readonly isExhaustive: boolean;
  private climbed: { of: string; next: number } = { of: '', next: 0 };

  constructor(private readonly options: SearchOptions) {
    this.combinations = options.sizes.reduce((n, s) => n * s, 1);
    this.isExhaustive = options.exhaustive !== false && this.combinations <= options.budget;
  }

  get best(): Found | undefined {
    return this.bestFound;
  }
  get tried(): number {
    return this.told.size;
  }
  /** How many will be tried in all. */
  get budget(): number {
    return Math.min(this.options.budget, this.combinations);
  }
  get isDone(): boolean {
    return this.asked.size >= this.budget;
  }

  /** The best gain for each cost, dearer ones only where they gain more. */
  get tradeOff(): Array<Found & { readonly cost: number; readonly gain: number }> {
    const curve: Array<Found & { cost: number; gain: number }> = [];
    for (const [cost, found] of [...this.front].sort((a, b) => a[0] - b[0])) {
      const gain = found.merit.trade?.gain as number;
      if (curve.length === 0 || gain > curve[curve.length - 1].gain) curve.push({ ...found, cost, gain });
    }
    return curve;
  }

  /** The next genomes to be judged: none twice, none beyond the budget. */
  ask(count: number): Genome[] {
    const batch: Genome[] = [];
    const left = Math.min(count, this.budget - this.asked.size);
    let idle = 0;
    while (batch.length < left && idle < 400) {
      const genome = this.next(batch.length, left);
      const key = genome.join();
      if (this.asked.has(key)) {
        idle++;
        continue;
      }
      idle = 0;
      this.asked.add(key);
      batch.push(genome);
    }
    // Where chance finds nothing new the rest is taken in order.
    while (batch.length < left) {
      const genome = this.numbered(this.enumerated++ % this.combinations);
      const key = genome.join();
      if (this.asked.has(key)) continue;
      this.asked.add(key);
      batch.push(genome);
    }
    return batch;
  }

  tell(genome: Genome, merit: Merit) {
    const found = { genome, merit };
    this.told.set(genome.join(), found);
    if (!this.bestFound || merit.score > this.bestFound.merit.score) this.bestFound = found;
    const { trade } = merit;
    if (trade) {
      const old = this.front.get(trade.cost);
      if (!old || trade.gain > (old.merit.trade?.gain as number)) this.front.set(trade.cost, found);
    }
    this.population.push(found);
    if (this.population.length > POPULATION) {
      this.population.sort((a, b) => b.merit.score - a.merit.score);
      this.population.length = POPULATION;
    }
  }

  private next(place: number, of: number): Genome {
    if (this.isExhaustive) return this.numbered(this.enumerated++);
    const start = this.options.starts?.[this.asked.size];
    if (start) return start;
    if (this.told.size < POPULATION / 2) return this.anywhere();
    if (place < CLIMBS * of) {
      const neighbour = this.neighbour();
      if (neighbour) return neighbour;
    }
    return this.child();
  }

  private numbered(index: number): Genome {
    let rest = index;
    return this.options.sizes.map((size) => {
      const value = rest % size;
      rest = Math.floor(rest / size);
      return value;
    });
  }

  private anywhere(): Genome {
    return this.options.sizes.map((size) => this.below(size));
  }

  /** One step in one gene from the best, each step once; then two genes at a time at random. */
  private neighbour(): Genome | undefined {
    const best = this.bestFound;
    if (!best) return undefined;
    const key = best.genome.join();
    if (this.climbed.of !== key) this.climbed = { of: key, next: 0 };
    const { sizes } = this.options;
    while (this.climbed.next < 2 * sizes.length) {
      const step = this.climbed.next++;
      const gene = step >> 1;
      const value = best.genome[gene] + (step & 1 ? 1 : -1);
      if (value < 0 || value >= sizes[gene]) continue;
      const moved = best.genome.map((g, i) => (i === gene ? value : g));
      if (!this.asked.has(moved.join())) return moved;
    }
    const moved = [...best.genome];
    for (let k = 0; k < 2; k++) {
      const gene = this.below(sizes.length);
      moved[gene] = Math.min(sizes[gene] - 1, Math.max(0, moved[gene] + (this.options.random() < 0.5 ? -1 : 1)));
    }
    return moved;
  }

  private child(): Genome {
    const a = this.parent();
    const b = this.options.random() < 0.3 ? this.onFront() : this.parent();
    return this.options.sizes.map((size, i) => {
      const inherited = this.options.random() < 0.5 ? a[i] : b[i];
      if (this.options.random() >= MUTATES) return inherited;
      if (this.options.random() < JUMPS) return this.below(size);
      return Math.min(size - 1, Math.max(0, inherited + (this.options.random() < 0.5 ? -1 : 1)));
    });
  }

  /** The better of two. */
  private parent(): Genome {
    const pick = () => this.population[this.below(this.population.length)];
    const [a, b] = [pick(), pick()];
    return (a.merit.score >= b.merit.score ? a : b).genome;
  }

  private onFront(): Genome {
    const found = [...this.front.values()];
    return found.length > 0 ? found[this.below(found.length)].genome : this.parent();
  }

  private below(n: number): number {
    return Math.min(n - 1, Math.floor(this.options.random() * n));
  }
}
