import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { foldInstall, type InstallEvent, type InstallEventKind } from './session.ts';

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
