/** Undo and redo: what is kept are patches, what comes back is the plan. */
import { applyPatch, type Operation } from 'rfc6902';
import { describe, expect, it } from 'vitest';
import { seededRandom } from '../core/numerics/random.ts';
import { newPlan } from './defaults.ts';
import { historyOf, planBefore, record, redo, startHistory, statesOf, undo } from './history.ts';
import type { PlanDocument } from './plan.ts';

const plan = newPlan('p', 'Plan');
const named = (name: string): PlanDocument => ({ ...plan, name });
const three = ['One', 'Two', 'Three'].reduce(
  (history, name) => record(history, { words: name, plan: named(name) }),
  startHistory(plan),
);

describe('the patches', () => {
  // The worked examples of RFC 6902, appendix A: what is kept in files must be read by anyone's reader of it.
  it.each<readonly [string, object, Operation[], object]>([
    ['A.1', { foo: 'bar' }, [{ op: 'add', path: '/baz', value: 'qux' }], { baz: 'qux', foo: 'bar' }],
    ['A.2', { foo: ['bar', 'baz'] }, [{ op: 'add', path: '/foo/1', value: 'qux' }], { foo: ['bar', 'qux', 'baz'] }],
    ['A.3', { baz: 'qux', foo: 'bar' }, [{ op: 'remove', path: '/baz' }], { foo: 'bar' }],
    ['A.4', { foo: ['bar', 'qux', 'baz'] }, [{ op: 'remove', path: '/foo/1' }], { foo: ['bar', 'baz'] }],
    ['A.5', { baz: 'qux', foo: 'bar' }, [{ op: 'replace', path: '/baz', value: 'boo' }], { baz: 'boo', foo: 'bar' }],
    ['A.14', { '/': 9, '~1': 10 }, [{ op: 'replace', path: '/~01', value: 11 }], { '/': 9, '~1': 11 }],
  ])('RFC 6902, example %s', (_, before, patch, after) => {
    const document = structuredClone(before);
    expect(applyPatch(document, patch)).toEqual([null]);
    expect(document).toEqual(after);
  });

  it('hold what is different, not the plan once more', () => {
    expect(three.past.map((s) => s.patch)).toEqual(
      ['Plan', 'One', 'Two'].map((value) => [{ op: 'replace', path: '/name', value }]),
    );
  });
});

describe('lists', () => {
  const lines = (...names: string[]): PlanDocument => ({ ...plan, settled: names });
  const step = (from: PlanDocument, to: PlanDocument) => record(startHistory(from), { words: 'x', plan: to });

  it.each([
    ['one more at the end', ['a', 'b'], ['a', 'b', 'c'], [{ op: 'remove', path: '/settled/2' }]],
    ['the first out', ['a', 'b', 'c'], ['b', 'c'], [{ op: 'add', path: '/settled/0', value: 'a' }]],
    ['one another', ['a', 'b', 'c'], ['a', 'x', 'c'], [{ op: 'replace', path: '/settled/1', value: 'b' }]],
    [
      'all out',
      ['a', 'a'],
      [],
      [
        { op: 'add', path: '/settled/0', value: 'a' },
        { op: 'add', path: '/settled/1', value: 'a' },
      ],
    ],
  ])('%s is as much as was done', (_, from, to, patch) => {
    const history = step(lines(...from), lines(...to));
    expect(history.past[0].patch).toEqual(patch);
    expect(undo(history).present.plan.settled).toEqual(from);
    expect(redo(undo(history)).present.plan.settled).toEqual(to);
  });

  it('the longest that are kept, 300 strokes of 400 points, are looked at once, not each against each', () => {
    let looked = 0;
    const at: readonly [number, number] = [10, 20];
    const stroke = (id: number) =>
      new Proxy(
        { kind: 'thin' as const, erase: false, place: { stroke: { points: Array(400).fill(at), radiusMm: id } } },
        {
          ownKeys(target) {
            looked++;
            return Reflect.ownKeys(target);
          },
        },
      );
    const marks = Array.from({ length: 300 }, (_, i) => stroke(5 + i / 10));
    step({ ...plan, marks }, { ...plan, marks: [...marks.slice(0, 150), stroke(40), ...marks.slice(151)] });
    expect(looked).toBeLessThan(3 * marks.length);
  });
});

describe('undo and redo', () => {
  it('go back and forth through every state, and stop at both ends', () => {
    const back = undo(undo(undo(undo(three))));
    expect(back.present).toEqual({ words: 'Opened', plan });
    expect(back.future.map((s) => s.words)).toEqual(['One', 'Two', 'Three']);
    expect(redo(redo(redo(redo(back))))).toEqual(three);
  });

  it('change neither the plan that is shown nor the history that was', () => {
    const before = structuredClone(three);
    undo(three);
    expect(three).toEqual(before);
  });

  it('a new change forgets what was undone', () => {
    const other = record(undo(three), { words: 'Other', plan: named('Other') });
    expect(other.future).toEqual([]);
    expect(redo(other)).toBe(other);
    expect(undo(other).present.plan.name).toBe('Two');
  });

  it('a change that changes nothing is none', () => {
    expect(record(three, { words: 'Again', plan: named('Three') })).toBe(three);
  });

  it('say so when a step does not fit, and leave everything as it was', () => {
    const spoilt = {
      ...three,
      past: [{ words: 'x', patch: [{ op: 'remove', path: '/there/is/none' }] as Operation[] }],
    };
    expect(() => undo(spoilt)).toThrow(/“x” no longer fits this plan/);
  });
});

describe('states', () => {
  it('are the plans that were recorded, and make the same history again', () => {
    const middle = undo(three);
    const states = statesOf(middle);
    expect(states.past.map((s) => s.plan.name)).toEqual(['Plan', 'One']);
    expect(states.future.map((s) => s.plan.name)).toEqual(['Three']);
    expect(historyOf(states)).toEqual(middle);
  });

  it('before so many changes is the plan of then; further back than it goes, the first', () => {
    expect(planBefore(three, 1)?.name).toBe('Two');
    expect(planBefore(three, 3)?.name).toBe('Plan');
    expect(planBefore(three, 9)?.name).toBe('Plan');
    expect(planBefore(startHistory(plan), 1)).toBeUndefined();
  });

  it('200 random walks through lists, entries and choices come back exactly', () => {
    const random = seededRandom(7);
    const pick = <T>(of: readonly T[]) => of[Math.floor(random() * of.length)];
    const changed = (p: PlanDocument): PlanDocument =>
      pick([
        () => ({ ...p, cuts: [...p.cuts, { ...p.cuts[0], id: `cut-${Math.floor(random() * 1e6)}` }] }),
        () => ({ ...p, cuts: p.cuts.length > 1 ? p.cuts.slice(1) : p.cuts }),
        () => ({ ...p, tape: { ...p.tape, girth: [String(Math.floor(random() * 60))] } }),
        () => ({ ...p, settled: [pick(['aim', 'cap', 'rows'])] }),
        () => ({
          ...p,
          marks: [{ kind: 'thin' as const, erase: false, place: { region: 'crown' as const } }, ...p.marks],
        }),
        () => ({ ...p, marks: p.marks.slice(0, -1) }),
      ])();
    for (let walk = 0; walk < 200; walk++) {
      const plans = [plan];
      let history = startHistory(plan);
      for (let i = 0; i < 8; i++) {
        const next = changed(history.present.plan);
        const longer = record(history, { words: String(i), plan: next });
        if (longer !== history) plans.push(next);
        history = longer;
      }
      expect(statesOf(history).past.map((s) => s.plan)).toEqual(plans.slice(0, -1));
    }
  });
});
