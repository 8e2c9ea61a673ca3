/** Colours of a stretch, told to hands: "3 dark, 1 light, and again". */

interface Run {
  readonly name: string;
  readonly count: number;
}

function runsOf(names: readonly string[]): Run[] {
  const runs: Array<{ name: string; count: number }> = [];
  for (const name of names) {
    const last = runs.at(-1);
    if (last?.name === name) last.count++;
    else runs.push({ name, count: 1 });
  }
  return runs;
}

const runWords = ({ name, count }: Run) => `${count} ${name}`;

/** @param names of the colours, in the order of work */
export function stretchWords(names: readonly string[]): string {
  const runs = runsOf(names);
  if (runs.length < 2) return runs.map(({ name, count }) => (count === 1 ? name : `all ${name}`)).join('');
  for (let period = 2; period <= runs.length / 2; period++) {
    if (!repeats(runs, period)) continue;
    return `${runs.slice(0, period).map(runWords).join(', ')}, and again`;
  }
  return runs.map(runWords).join(', ');
}

/** Whether the first so many runs come again and again; the last may be cut short. */
function repeats(runs: readonly Run[], period: number): boolean {
  return runs.every(({ name, count }, i) => {
    const first = runs[i % period];
    const isLast = i === runs.length - 1;
    return name === first.name && (count === first.count || (isLast && count < first.count));
  });
}
