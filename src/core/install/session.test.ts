import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { type InstallEvent, type InstallEventKind, inOrder, nextNumber } from './events.ts';
import { foldInstall } from './session.ts';

const at = (seconds: number, kind: InstallEventKind, knotId?: string): InstallEvent => ({
  kind,
  atMs: seconds * 1000,
  ...(knotId ? { knotId } : {}),
});

describe('an install from its events', () => {
  it('goes knot by knot, back and on again', () => {
    const state = foldInstall([
      at(0, 'start'),
      at(30, 'knot', 'a'),
      at(60, 'knot', 'b'),
      at(70, 'back'),
      at(95, 'knot', 'b'),
      at(130, 'skip', 'c'),
    ]);
    expect(state.done).toEqual([
      { knotId: 'a', skipped: false },
      { knotId: 'b', skipped: false },
      { knotId: 'c', skipped: true },
    ]);
    expect(state.piecesUsed).toBe(2);
    expect(state.workedSeconds).toBe(130);
  });

  it('does not count pauses, nor silences that were pauses nobody entered', () => {
    expect(
      foldInstall([at(0, 'start'), at(40, 'knot', 'a'), at(50, 'pause'), at(5000, 'resume'), at(5030, 'knot', 'b')])
        .workedSeconds,
    ).toBe(80);
    expect(foldInstall([at(0, 'start'), at(40, 'knot', 'a'), at(9000, 'knot', 'b')]).workedSeconds).toBe(40);
  });

  it('a knot ends a forgotten pause; going back reopens a finished one', () => {
    expect(foldInstall([at(0, 'pause'), at(5, 'knot', 'a')]).paused).toBe(false);
    expect(foldInstall([at(0, 'knot', 'a'), at(5, 'finish'), at(9, 'back')])).toMatchObject({
      finished: false,
      done: [],
    });
  });

  it('keeps notes in order', () => {
    const events = [at(0, 'start'), { ...at(3, 'note'), text: 'tight' }, { ...at(9, 'note'), text: 'better' }];
    expect(foldInstall(events).notes.map((n) => n.text)).toEqual(['tight', 'better']);
  });

  it('knows the pace from the median of five and more', () => {
    const seconds = [0, 30, 62, 90, 121, 151, 400];
    const events = seconds.map((s, i) => at(s, 'knot', `k${i}`));
    expect(foldInstall(events.slice(0, 4)).secondsPerKnot).toBeUndefined();
    expect(foldInstall(events).secondsPerKnot).toBeCloseTo(30.5, 9);
  });

  it('never holds more done knots than knots were hooked or left, whatever happens', () => {
    const kind = fc.constantFrom<InstallEventKind>('knot', 'skip', 'back', 'pause', 'resume', 'note', 'finish');
    fc.assert(
      fc.property(fc.array(fc.tuple(kind, fc.nat(400))), (steps) => {
        let t = 0;
        const events = steps.map(([k, dt], i) => {
          t += dt;
          return at(t, k, `k${i}`);
        });
        const state = foldInstall(events);
        const forward = steps.filter(([k]) => k === 'knot' || k === 'skip').length;
        expect(state.done.length).toBeLessThanOrEqual(forward);
        expect(state.piecesUsed).toBeLessThanOrEqual(state.done.length);
        expect(state.workedSeconds).toBeGreaterThanOrEqual(0);
      }),
      { seed: 121 },
    );
  });
});

describe('a renewal', () => {
  const worn = [at(0, 'start'), at(30, 'knot', 'a'), at(60, 'knot', 'b'), at(90, 'knot', 'c'), at(120, 'finish')];
  const renew = (seconds: number, ...knotIds: string[]): InstallEvent => ({ ...at(seconds, 'renew'), knotIds });

  it('takes knots out and is a small install of its own: what it used is used beside what was', () => {
    const begun = foldInstall([...worn, renew(9000, 'a', 'c')]);
    expect(begun.done.map((d) => d.knotId)).toEqual(['b']);
    expect(begun).toMatchObject({ finished: false, turnedTo: { knotId: 'a' }, piecesUsed: 3, lastWork: undefined });
    expect(begun.renewals).toEqual([{ atMs: 9_000_000, knots: 2, pieces: 0 }]);
    const done = foldInstall([
      ...worn,
      renew(9000, 'a', 'c'),
      at(9030, 'knot', 'a'),
      at(9060, 'skip', 'c'),
      at(9070, 'finish'),
    ]);
    expect(done).toMatchObject({ finished: true, piecesUsed: 4, piecesFirst: 3 });
    expect(done.renewals).toEqual([{ atMs: 9_000_000, knots: 2, pieces: 1 }]);
  });

  it('is hooked out of what lies in her stash, where that is known', () => {
    const state = foldInstall([...worn, { ...renew(9000, 'a', 'c'), packsLeft: 0.5 }, at(9030, 'knot', 'a')]);
    expect(state.stock).toEqual({ packsLeft: 0.5, piecesBefore: 3 });
    expect(state.piecesUsed).toBe(4);
  });

  it('of a knot for the second time counts each of its pieces once', () => {
    const events = [...worn, renew(9000, 'a'), at(9030, 'knot', 'a'), renew(20_000, 'a', 'b'), at(20_030, 'knot', 'a')];
    const state = foldInstall(events);
    expect(state.renewals.map((r) => r.pieces)).toEqual([1, 1]);
    expect(state.piecesUsed).toBe(5);
  });

  it('is taken back where nothing of it is hooked yet; what is hooked stays renewed', () => {
    const back = at(9100, 'renew');
    expect(foldInstall([...worn, renew(9000, 'a', 'c'), back])).toMatchObject({
      finished: true,
      renewals: [],
      piecesUsed: 3,
    });
    const half = foldInstall([...worn, renew(9000, 'a', 'c'), at(9030, 'knot', 'a'), back]);
    expect(half.renewals).toEqual([{ atMs: 9_000_000, knots: 1, pieces: 1 }]);
    expect(half.done.map((d) => d.knotId).sort()).toEqual(['a', 'b', 'c']);
    expect(half).toMatchObject({ piecesUsed: 4, piecesFirst: 3 });
  });
});

describe('what two devices have of one install', () => {
  const kinds = fc.constantFrom<InstallEventKind>(
    'knot',
    'skip',
    'back',
    'run',
    'step',
    'note',
    'hurt',
    'pause',
    'resume',
  );
  const told = fc.record({ kind: kinds, knot: fc.nat(12), dt: fc.nat(200) });

  /** Each device numbers what it tells one more than all that it knew then; now and then it hears of the other. */
  function written(
    steps: ReadonlyArray<{ kind: InstallEventKind; knot: number; dt: number; by: boolean; hears: boolean }>,
  ) {
    const has: InstallEvent[][] = [[], []];
    steps.forEach(({ kind, knot, dt, by, hears }, i) => {
      const mine = has[Number(by)];
      if (hears) for (const e of has[Number(!by)]) if (!mine.some((m) => m.key === e.key)) mine.push(e);
      mine.push({
        kind,
        key: `${by}${i}`,
        n: nextNumber(mine),
        atMs: 1000 * (100 * i + dt),
        knotId: `k${knot}`,
        ...(kind === 'run' ? { knotIds: [`k${knot}`, `k${knot + 1}`], pieces: 2 } : {}),
        stepId: `s${knot % 3}`,
        ...(kind === 'note' ? { text: `n${i}` } : {}),
        ...(kind === 'hurt' ? { what: 'pulls' } : {}),
      });
    });
    return has;
  }

  const steps = fc.array(
    fc.record({ kind: kinds, knot: fc.nat(12), dt: fc.nat(90), by: fc.boolean(), hears: fc.boolean() }),
    { maxLength: 40 },
  );

  it('is the same whichever comes first and however often it comes; no note is lost, none is there twice', () => {
    fc.assert(
      fc.property(steps, (all) => {
        const [a, b] = written(all);
        const together = foldInstall([...a, ...b]);
        expect(foldInstall([...b, ...a])).toEqual(together);
        expect(foldInstall([...a, ...b, ...b, ...a])).toEqual(together);
        expect(foldInstall([...a, ...b].reverse())).toEqual(together);
        const notes = new Set([...a, ...b].filter((e) => e.kind === 'note').map((e) => e.text));
        expect(together.notes.map((n) => n.text).sort()).toEqual([...notes].sort());
        expect(inOrder([...a, ...b]).length).toBe(new Set([...a, ...b].map((e) => e.key)).size);
        expect(new Set(together.done.map((d) => d.knotId)).size).toBe(together.done.length);
      }),
      { seed: 15, endOnFailure: true },
    );
  });

  it('what one device did in its order stays in that order', () => {
    fc.assert(
      fc.property(fc.array(told, { maxLength: 30 }), (all) => {
        const [, mine] = written(all.map((t) => ({ ...t, by: true, hears: false })));
        expect(inOrder([...mine].reverse()).map((e) => e.key)).toEqual(mine.map((e) => e.key));
      }),
      { seed: 16, endOnFailure: true },
    );
  });

  it('a clock that was set back takes no time away, and a day that changed is a rest', () => {
    const events: InstallEvent[] = [
      { ...at(0, 'start'), n: 0 },
      { ...at(100, 'knot', 'a'), n: 1, key: '1' },
      { ...at(40, 'knot', 'b'), n: 2, key: '2' },
      { ...at(70, 'knot', 'c'), n: 3, key: '3' },
      { ...at(80_000, 'knot', 'd'), n: 4, key: '4' },
    ];
    const state = foldInstall(events);
    expect(state.done.map((d) => d.knotId)).toEqual(['a', 'b', 'c', 'd']);
    expect(state.workedSeconds).toBe(130);
    expect(state.pauses).toEqual([{ fromMs: 70_000, seconds: 79_930, said: false }]);
  });
});

describe('a run', () => {
  it('counts its pieces, is timed as one, and is taken back as one', () => {
    const run: InstallEvent = { ...at(600, 'run'), knotIds: ['b', 'c', 'd'], pieces: 5 };
    const state = foldInstall([at(0, 'start'), at(30, 'knot', 'a'), run]);
    expect(state.piecesUsed).toBe(6);
    expect(state.counted).toEqual([{ knotIds: ['b', 'c', 'd'], knots: 3, pieces: 5 }]);
    expect(state.timed).toEqual([{ knotIds: ['b', 'c', 'd'], seconds: 570, afterSeconds: 30 }]);
    const back: InstallEvent = { ...at(610, 'back'), ...state.lastWork };
    expect(foldInstall([at(0, 'start'), at(30, 'knot', 'a'), run, back])).toMatchObject({
      piecesUsed: 1,
      counted: [],
      done: [{ knotId: 'a', skipped: false }],
    });
  });
});

it('a row that was told knot by knot may be counted afterwards, and counted once more', () => {
  const knots = ['a', 'b', 'c'].map((id, i) => at(30 * i, 'knot', id));
  const count = (seconds: number, pieces: number): InstallEvent => ({
    ...at(seconds, 'count'),
    knotIds: ['a', 'b', 'c'],
    pieces,
  });
  expect(foldInstall([...knots, count(100, 5), count(110, 4)])).toMatchObject({
    piecesUsed: 4,
    counted: [{ knots: 3, pieces: 4 }],
  });
});

describe('a new plan on the way', () => {
  it('what is in has its new name, what it has no name for is in all the same; a device that knew it not is understood', () => {
    const plan: InstallEvent = { ...at(50, 'plan'), key: 'p', n: 3, renamed: { a: 'b' } };
    const events: InstallEvent[] = [
      { ...at(10, 'knot', 'a'), key: '1', n: 1 },
      { ...at(20, 'knot', 'x'), key: '2', n: 2 },
      plan,
      // By the new plan b is another knot's name no more: it is a, renamed.
      { ...at(60, 'knot', 'c'), key: '4', n: 4, under: 'p' },
      { ...at(70, 'knot', 'a'), key: '5', n: 5 },
    ];
    expect(foldInstall(events).done.map((d) => d.knotId)).toEqual(['b', 'was:x', 'c']);
    expect(foldInstall(events).piecesUsed).toBe(3);
  });

  it('what was left when it was taken is known still, and how many were in by then', () => {
    const plan: InstallEvent = { ...at(50, 'plan'), renamed: {}, packsLeft: 1.5 };
    const state = foldInstall([at(0, 'knot', 'a'), at(9, 'knot', 'b'), plan, at(70, 'knot', 'c')]);
    expect(state.stock).toEqual({ packsLeft: 1.5, piecesBefore: 2 });
    expect(foldInstall([at(0, 'knot', 'a')]).stock).toBeUndefined();
  });

  it('without new names every knot keeps its own', () => {
    expect(foldInstall([at(0, 'knot', 'a'), at(5, 'plan'), at(9, 'knot', 'b')]).done.map((d) => d.knotId)).toEqual([
      'a',
      'b',
    ]);
  });
});
