/** Where she is in the order of work, whatever she did of it and in which order. */
import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { type Ordered, orderOfWork, placeIn, shareToCome, toldTogether } from './order.ts';
import type { ToldStep } from './work-step.ts';

const step = (kind: ToldStep['kind'], what: string, knots?: [number, number]): ToldStep => ({
  kind,
  what,
  how: 'So.',
  minutes: 5,
  waitMinutes: 0,
  tools: ['hook'],
  ...(knots ? { knots } : {}),
});
const plan: Ordered = {
  base: { work: [{ id: 'comb', what: 'Comb out', how: '', minutes: 6 }] },
  worklist: [
    step('prepare', 'Open one pack and test it'),
    step('rows', 'Rows 1 to 2', [0, 4]),
    step('check', 'Look'),
    step('rows', 'Row 3', [4, 6]),
    step('check', 'Look'),
    step('finish', 'Shake it out'),
    step('trim', 'Trim'),
  ],
  knots: ['a', 'b', 'c', 'd', 'e', 'f'].map((id) => ({ id })),
};
const order = orderOfWork(plan);
const NOTHING = { done: [], steps: new Map<string, 'done' | 'left'>(), turnedTo: undefined };
const done = (...ids: string[]) => ids.map((knotId) => ({ knotId, skipped: false }));
const ended = (...whats: number[]) => new Map(whats.map((i) => [order[i].id, 'done' as const]));
const here = (state: Partial<typeof NOTHING> | object) => placeIn(order, { ...NOTHING, ...state });

describe('the order', () => {
  it('is the base, then what the list has, then two looks that no list knows; every step has its own name', () => {
    expect(order.map((s) => s.what)).toEqual([
      'Comb out',
      'Open one pack and test it',
      'Rows 1 to 2',
      'Look',
      'Row 3',
      'Look',
      'Shake it out',
      'Look, now that it is separated',
      'Trim',
      'Look again after a night',
    ]);
    expect(new Set(order.map((s) => s.id)).size).toBe(order.length);
    expect(order[2].knotIds).toEqual(['a', 'b', 'c', 'd']);
    for (const s of order) expect(s.why.length).toBeGreaterThan(10);
  });

  it('ties nothing before it is needed: what is filled on a block is tried on over the base', () => {
    const onBlock = orderOfWork({
      ...plan,
      worklist: [
        step('block', 'Pin the cap'),
        step('rows', 'Rows 1 to 2', [0, 4]),
        step('tryOn', 'Try it on'),
        step('rows', 'Row 3', [4, 6]),
        step('finish', 'Shake it out'),
      ],
    });
    expect(onBlock.map((s) => s.what).slice(0, 5)).toEqual([
      'Pin the cap',
      'Rows 1 to 2',
      'Comb out',
      'Try it on',
      'Row 3',
    ]);
  });
});

describe('where she is', () => {
  it('goes on from the furthest that she worked at, knot by knot inside a step', () => {
    expect(here({}).step).toBe(0);
    expect(here({ steps: ended(0) }).step).toBe(1);
    expect(here({ done: done('a', 'b') })).toMatchObject({ step: 2, knotId: 'c' });
    expect(here({ done: done('a', 'b', 'c', 'd') }).step).toBe(3);
    // An install of before there were steps: what lies behind is passed over, not asked for again.
    expect(here({ done: done('a') }).stands.slice(0, 3)).toEqual(['passed', 'passed', 'here']);
  });

  it('turns to a step or a knot, and goes on from it', () => {
    expect(here({ turnedTo: { stepId: order[6].id } }).step).toBe(6);
    expect(here({ turnedTo: { knotId: 'e' } })).toMatchObject({ step: 4, knotId: 'e' });
    expect(here({ turnedTo: { knotId: 'c' }, done: done('c', 'd') })).toMatchObject({ step: 2, knotId: 'a' });
  });

  it('rows that were passed over come up before the last touches, and at the end nothing is left', () => {
    expect(here({ done: done('e') })).toMatchObject({ step: 4, knotId: 'f' });
    expect(here({ done: done('e', 'f') })).toMatchObject({ step: 2, knotId: 'a' });
    expect(here({ done: done('e', 'f', 'a', 'b', 'c', 'd') }).step).toBe(5);
    const all = { done: done('a', 'b', 'c', 'd', 'e', 'f'), steps: ended(0, 1, 3, 5, 6, 7, 8, 9) };
    expect(here(all).step).toBeUndefined();
    expect(shareToCome(order, here(all), all.done)).toBe(0);
    expect(shareToCome(order, here({}), [])).toBe(1);
  });

  it('always comes to the end: done in the order that is told, every step and knot once', () => {
    const turn = fc.option(fc.nat(order.length - 1), { nil: undefined });
    fc.assert(
      fc.property(fc.array(turn, { maxLength: 12 }), (turns) => {
        const steps = new Map<string, 'done' | 'left'>();
        const isIn: string[] = [];
        for (let i = 0; i < 40; i++) {
          const to = turns[i] === undefined ? undefined : { stepId: order[turns[i] as number].id };
          const at = placeIn(order, { done: done(...isIn), steps, turnedTo: to });
          if (at.step === undefined) break;
          if (at.knotId !== undefined) {
            expect(isIn).not.toContain(at.knotId);
            isIn.push(at.knotId);
          } else {
            expect(steps.has(order[at.step].id)).toBe(false);
            steps.set(order[at.step].id, 'done');
          }
        }
        expect([...isIn].sort()).toEqual(['a', 'b', 'c', 'd', 'e', 'f']);
      }),
      { seed: 4, endOnFailure: true },
    );
  });
});

describe('told together', () => {
  const knots = [0, 0, 0, 1, 1].map((row, i) => ({ id: `k${i}`, row, kind: i === 2 ? 'anchor' : 'wrap' }));
  const isSame = (a: (typeof knots)[number], b: (typeof knots)[number]) => a.kind === b.kind;
  const ids = (telling: Parameters<typeof toldTogether>[2], from: number, isIn: string[] = []) =>
    toldTogether(knots, from, telling, (id) => isIn.includes(id), isSame).map((k) => k.id);

  it('is one knot, what is alike, or what is left of the row', () => {
    expect(ids('knot', 0)).toEqual(['k0']);
    expect(ids('stretch', 0)).toEqual(['k0', 'k1']);
    expect(ids('row', 0)).toEqual(['k0', 'k1', 'k2']);
    expect(ids('row', 0, ['k1'])).toEqual(['k0', 'k2']);
    expect(ids('row', 4)).toEqual(['k4']);
    expect(ids('row', 9)).toEqual([]);
  });
});
