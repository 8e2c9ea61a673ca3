import { describe, expect, it } from 'vitest';
import { Graph, stagesOf } from './graph.ts';

interface Asked {
  readonly width: number;
  readonly marks: readonly number[];
}
const stage = stagesOf<Asked>();
const double = stage(
  'double',
  ({ width }) => ({ width }),
  ({ width }) => ({ width: 2 * width }),
);
const marked = stage(
  'marked',
  ({ marks, of }) => ({ marks, double: of(double) }),
  ({ marks, double: { width } }) => ({ sum: marks.reduce((a, b) => a + b, width) }),
);
const runsOf = (graph: Graph<Asked>) => Object.fromEntries(graph.runs);

describe('a graph of stages', () => {
  it('works out what hangs on a change and nothing else', () => {
    const graph = new Graph<Asked>();
    expect(graph.ask({ width: 3, marks: [1] }).of(marked)).toEqual({ sum: 7 });
    expect(graph.ask({ width: 3, marks: [1, 1] }).of(marked)).toEqual({ sum: 8 });
    expect(runsOf(graph)).toEqual({ double: 1, marked: 2 });
    graph.ask({ width: 4, marks: [1, 1] }).of(marked);
    expect(runsOf(graph)).toEqual({ double: 2, marked: 3 });
  });

  it('compares values deeply, so that a copy of the inputs finds what is kept', () => {
    const graph = new Graph<Asked>();
    const first = graph.ask({ width: 3, marks: [1, 2] }).of(marked);
    expect(graph.ask(structuredClone({ width: 3, marks: [1, 2] })).of(marked)).toBe(first);
  });

  it('compares results by identity: an equal one worked out anew is another', () => {
    const graph = new Graph<Asked>({ double: 1 });
    graph.ask({ width: 3, marks: [] }).of(marked);
    graph.ask({ width: 5, marks: [] }).of(double);
    graph.ask({ width: 3, marks: [] }).of(marked);
    expect(runsOf(graph)).toEqual({ double: 3, marked: 2 });
  });

  it('keeps the newest few, and finds both ends of a slider', () => {
    const graph = new Graph<Asked>();
    const at = (width: number) => graph.ask({ width, marks: [] }).of(double);
    const ends = [at(1), at(2), at(3)];
    expect([at(1), at(2), at(3)]).toEqual(ends);
    expect(graph.runs.get('double')).toBe(3);
    at(4);
    expect(at(3)).toBe(ends[2]);
    expect(at(1)).not.toBe(ends[0]);
  });

  it('tells a value that is not a number, and no value, from none at all', () => {
    const maybe = stagesOf<{ x?: number }>()(
      'maybe',
      ({ x }) => ({ x }),
      ({ x }) => [x],
    );
    const graph = new Graph<{ x?: number }>();
    expect(graph.ask({ x: Number.NaN }).of(maybe)).toBe(graph.ask({ x: Number.NaN }).of(maybe));
    expect(graph.ask({}).of(maybe)).toEqual([undefined]);
    expect(graph.ask({ x: 0 }).of(maybe)).toEqual([0]);
  });

  it('tells deps that hand out less from those that hand out more', () => {
    const some = stage(
      'some',
      ({ width, marks }): Partial<Asked> => (width > 1 ? { width, marks } : {}),
      (told) => Object.keys(told).length,
    );
    const graph = new Graph<Asked>();
    const at = (width: number) => graph.ask({ width, marks: [] }).of(some);
    expect([at(2), at(1), at(2)]).toEqual([2, 0, 2]);
  });

  it('keeps nothing of what throws', () => {
    let tries = 0;
    const fails = stage(
      'fails',
      ({ width }) => ({ width }),
      () => {
        tries++;
        throw new RangeError('no');
      },
    );
    const graph = new Graph<Asked>();
    for (let i = 0; i < 2; i++) expect(() => graph.ask({ width: 1, marks: [] }).of(fails)).toThrow('no');
    expect(tries).toBe(2);
  });
});
