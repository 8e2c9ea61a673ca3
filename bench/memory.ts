/**
 * What the bench remembers: every figure of a run with a spread of its repeats, and how fast the machine was by a fixed yardstick, a line a
 * run in bench/history.jsonl. A figure is slower than last time where a rank test says so and the difference is larger than its noise.
 */
import { appendFileSync, existsSync, mkdirSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { cpus } from 'node:os';
import { dirname, join } from 'node:path';
import jstat from 'jstat';
import { quantileSorted, wilcoxonRankSum } from 'simple-statistics';

export interface Figure {
  readonly what: string;
  /** Rising. */
  readonly samplesMs: readonly number[];
}

export interface Run {
  readonly at: string;
  readonly machine: string;
  readonly node: string;
  readonly yardstickMs: number;
  readonly figures: readonly Figure[];
}

export interface Slower {
  readonly what: string;
  /** How many times as long as last time, the speed of the machine taken out. */
  readonly times: number;
  /** How likely such a difference is by chance. */
  readonly chance: number;
}

/** Of a figure so many repeats are remembered, spread evenly from the quickest to the slowest. */
const REMEMBERED = 15;
/** Some fifty figures are compared: below this one in twenty runs tells of one by chance. */
const CHANCE = 0.001;
/** With few repeats no rank test comes so low: then all have to be slower. */
const FEW = 6;
/** What is slower by less is noise on any machine. */
const LEAST = 1.1;

const TOLD = join(process.cwd(), '.cache', 'bench-told.jsonl');
export const HISTORY = join(process.cwd(), 'bench', 'history.jsonl');

/** A figure of this run. */
export function tell(what: string, samplesMs: readonly number[]) {
  const rising = [...samplesMs].sort((a, b) => a - b);
  const few = rising.length <= REMEMBERED;
  const kept = few
    ? rising
    : Array.from({ length: REMEMBERED }, (_, i) => quantileSorted(rising, (i + 0.5) / REMEMBERED));
  mkdirSync(dirname(TOLD), { recursive: true });
  appendFileSync(TOLD, `${JSON.stringify({ what, samplesMs: kept.map((ms) => Number(ms.toPrecision(4))) })}\n`);
}

export const forgetRun = () => rmSync(TOLD, { force: true });

/** A fixed piece of work of the kind that the core does: products of matrices and a sort. */
export function yardstick(): number[] {
  const n = 160;
  const a = Float64Array.from({ length: n * n }, (_, i) => Math.sin(i));
  const work = () => {
    const c = new Float64Array(n * n);
    for (let i = 0; i < n; i++)
      for (let k = 0; k < n; k++) {
        const f = a[i * n + k];
        for (let j = 0; j < n; j++) c[i * n + j] += f * a[k * n + j];
      }
    return c.sort()[7];
  };
  for (let i = 0; i < 20; i++) work();
  return Array.from({ length: 40 }, () => {
    const begun = performance.now();
    work();
    return performance.now() - begun;
  });
}

/** What of a run got slower since another, each in the speed of its machine. */
export function slowerThan(before: Run, now: Run): Slower[] {
  return now.figures.flatMap(({ what, samplesMs }) => {
    const last = before.figures.find((f) => f.what === what);
    if (!last || samplesMs.length < 2 || last.samplesMs.length < 2) return [];
    const ours = samplesMs.map((ms) => ms / now.yardstickMs);
    const theirs = last.samplesMs.map((ms) => ms / before.yardstickMs);
    const times = middle(ours) / middle(theirs);
    if (times < Math.max(LEAST, 1 + noiseOf(ours), 1 + noiseOf(theirs))) return [];
    const chance = chanceOf(ours, theirs);
    const few = Math.min(ours.length, theirs.length) <= FEW;
    const isSlower = few ? Math.min(...ours) > Math.max(...theirs) : chance < CHANCE;
    return isSlower ? [{ what, times, chance }] : [];
  });
}

const middle = (values: readonly number[]) =>
  quantileSorted(
    [...values].sort((a, b) => a - b),
    0.5,
  );
/** Half of the middle half, as a share. */
const noiseOf = (values: readonly number[]) => {
  const rising = [...values].sort((a, b) => a - b);
  return (quantileSorted(rising, 0.75) - quantileSorted(rising, 0.25)) / 2 / quantileSorted(rising, 0.5);
};

/** Wilcoxon's rank sum (Mann and Whitney 1947), by its normal approximation, one-sided: that the first are no slower. */
export function chanceOf(first: readonly number[], second: readonly number[]): number {
  const [m, n] = [first.length, second.length];
  const sum = wilcoxonRankSum([...first], [...second]);
  const mean = (m * (m + n + 1)) / 2;
  const sd = Math.sqrt((m * n * (m + n + 1)) / 12);
  return 1 - jstat.normal.cdf((sum - mean - 0.5) / sd, 0, 1);
}

/** The run that was told, its place in the history, and what got slower; to standard output. */
export function remember(): boolean {
  if (!existsSync(TOLD)) return true;
  const figures = linesOf<Figure>(TOLD);
  const measure = figures.find((f) => f.what === 'yardstick');
  if (!measure) return true;
  const now: Run = {
    at: new Date().toISOString(),
    machine: `${cpus().length} × ${cpus()[0]?.model ?? 'unknown processor'}`,
    node: process.versions.node,
    yardstickMs: Math.min(...measure.samplesMs),
    figures: figures.filter((f) => f !== measure),
  };
  const history = existsSync(HISTORY) ? linesOf<Run>(HISTORY) : [];
  const before = history.filter((r) => r.machine === now.machine).at(-1) ?? history.at(-1);
  process.stdout.write(`\n${now.machine}: the yardstick took ${now.yardstickMs.toFixed(2)} ms\n`);
  const slower = before ? slowerThan(before, now) : [];
  if (!before) process.stdout.write('The first run that is remembered.\n');
  else if (slower.length === 0)
    process.stdout.write(`Nothing is slower than on ${before.at.slice(0, 10)} by more than its noise.\n`);
  for (const s of slower)
    process.stdout.write(
      `SLOWER than on ${before?.at.slice(0, 10)}: ${s.what}, ${s.times.toFixed(2)} times as long (by chance ${s.chance.toExponential(0)})\n`,
    );
  writeFileSync(HISTORY, `${[...history, now].map((r) => JSON.stringify(r)).join('\n')}\n`);
  forgetRun();
  return slower.length === 0;
}

/** What is damaged is left out: an old figure less is no loss. */
function linesOf<T>(path: string): T[] {
  return readFileSync(path, 'utf8')
    .split('\n')
    .flatMap((line) => {
      try {
        return line.trim() === '' ? [] : [JSON.parse(line) as T];
      } catch {
        return [];
      }
    });
}
