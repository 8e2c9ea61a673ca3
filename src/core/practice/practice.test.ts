/** Test rows, questions at growing distances, and which rope a knot is. */
import { describe, expect, it } from 'vitest';
import type { PlannedKnot } from '../knots/index.ts';
import { questionsOf } from './questions.ts';
import { type Answered, dueQuestions, standingAfter } from './repeat.ts';
import { rowFigures, toldByRow } from './test-row.ts';
import { heldBy, ropeOf } from './to-rope.ts';

const DAY = 86_400_000;

describe('SM-2', () => {
  const days = (answers: readonly boolean[]) => {
    let atMs = 0;
    const told: Answered[] = [];
    return answers.map((isRight) => {
      told.push({ question: 'q', atMs, isRight });
      const { intervalDays, dueMs } = standingAfter(told);
      expect(dueMs).toBe(atMs + intervalDays * DAY);
      atMs = dueMs;
      return intervalDays;
    });
  };

  it('comes back after 1, 6, then 2.5 times as many days, as an answer of quality 4 leaves the ease as it is', () => {
    expect(days([true, true, true, true])).toEqual([1, 6, 15, 38]);
  });

  it('begins anew after a wrong answer, with an ease that is less by 0.54, and never below 1.3', () => {
    const wrong: Answered = { question: 'q', atMs: 0, isRight: false };
    expect(standingAfter([wrong])).toMatchObject({ streak: 0, intervalDays: 0, dueMs: 0 });
    expect(standingAfter([wrong]).ease).toBeCloseTo(2.5 - 0.54, 9);
    expect(standingAfter(Array(9).fill(wrong)).ease).toBe(1.3);
    expect(days([true, true, false, true, true, true])).toEqual([1, 6, 0, 1, 6, 12]);
  });

  it('asks what is due, the longest due first, then what was never asked', () => {
    const right = (question: string, atMs: number): Answered => ({ question, atMs, isRight: true });
    const answers = [right('a', 0), right('b', -3 * DAY), right('c', 2 * DAY)];
    expect(dueQuestions(['new', 'a', 'b', 'c'], answers, 1.5 * DAY)).toEqual(['b', 'a', 'new']);
    expect(dueQuestions(['a'], answers, 0.5 * DAY)).toEqual([]);
  });
});

describe('a test row', () => {
  const row = {
    kind: 'wrap',
    plainSeconds: 18,
    seconds: [30, 24, 26, 22, 28],
    gapsMm: [18, 20, 22, 20],
    aimMm: 20,
  } as const;

  it('is told in seconds and evenness', () => {
    const f = rowFigures(row);
    expect(f.secondsAKnot).toBe(26);
    expect(f.hookedOverPlanned).toBe(1);
    // Standard deviations by hand: √10 of 26 and √(8/3) of 20.
    expect(f.unevenSeconds).toBeCloseTo(Math.sqrt(10) / 26, 9);
    expect(f.unevenGaps).toBeCloseTo(Math.sqrt(8 / 3) / 20, 9);
  });

  it('tells each knot and each gap of her hands; one that was not measured tells no gap', () => {
    expect(toldByRow(row).timed.seconds).toHaveLength(5);
    expect(toldByRow(row).counted.map((c) => c.hookedOverPlanned)).toEqual([0.9, 1, 1.1, 1]);
    const unmeasured = { ...row, gapsMm: [] };
    expect(toldByRow(unmeasured).counted).toEqual([]);
    expect(rowFigures(unmeasured).hookedOverPlanned).toBeUndefined();
  });
});

describe('questions', () => {
  const knot = (id: string, over: Partial<PlannedKnot>) =>
    ({
      id,
      kind: 'wrap',
      wraps: 1,
      lock: false,
      through: 'net',
      entry: 'withFall',
      chain: [
        { rule: 'a', because: 'it covers' },
        { rule: 'b', because: 'it holds' },
      ],
      ...over,
    }) as unknown as PlannedKnot;
  const knots = [
    knot('1', {}),
    knot('2', {}),
    knot('3', { kind: 'oneLeg', entry: 'fromCoveredSide' }),
    knot('4', { through: 'border', kind: 'anchor' }),
  ];

  it('are asked once for each situation of the plan, the right answer among at most four', () => {
    const all = questionsOf(knots);
    expect(new Set(all.map((q) => q.id)).size).toBe(all.length);
    expect(
      all
        .filter((q) => q.asks === 'way')
        .map((q) => q.right)
        .sort(),
    ).toEqual(['fromCoveredSide', 'withFall']);
    for (const q of all) {
      expect(q.options.map((o) => o.value)).toContain(q.right);
      expect(q.options.length).toBeGreaterThan(1);
      expect(q.options.length).toBeLessThanOrEqual(4);
      expect(new Set(q.options.map((o) => o.name)).size).toBe(q.options.length);
    }
  });

  it('are asked at another knot each time', () => {
    const at = (turn: number) => questionsOf(knots, turn).find((q) => q.id === 'way withFall')?.knotId;
    expect(new Set([0, 1, 2].map(at)).size).toBe(3);
  });
});

it('a knot goes round what it is hooked to, as often as it wraps', () => {
  expect(heldBy({ kind: 'onBand', through: 'hair' })).toBe('band');
  expect(heldBy({ kind: 'wrap', through: 'net' })).toBe('net');
  expect(heldBy({ kind: 'anchor', through: 'hairAndNet' })).toBe('border');
  expect(ropeOf({ kind: 'wrap', wraps: 3, lock: true, through: 'net' })).toMatchObject({ passes: 3, hasLock: true });
  expect(ropeOf({ kind: 'oneLeg', wraps: 2, lock: false, through: 'net' })).toMatchObject({
    passes: 2,
    isOneLeg: true,
  });
  expect(ropeOf({ kind: 'threadLoop', wraps: 3, lock: false, through: 'net' }).passes).toBe(1);
});
