/** The moves of every kind of knot in words. */
import { describe, expect, it } from 'vitest';
import { KNOT_KINDS, THROUGHS } from '../../../core/trade/knots.ts';
import { movesOf } from './moves.tsx';

describe('moves', () => {
  it('are three for every knot, whatever it goes through and however it is wrapped', () => {
    for (const kind of KNOT_KINDS)
      for (const through of THROUGHS)
        for (const wraps of [1, 2, 3, 4, 5])
          for (const lock of [false, true]) {
            const moves = movesOf({ kind, through, wraps, lock });
            expect(moves).toHaveLength(3);
            for (const m of moves) expect(`${m.name} ${m.how}`).not.toMatch(/undefined/);
          }
  });

  it('say where the hook goes', () => {
    const first = (kind: (typeof KNOT_KINDS)[number], through: (typeof THROUGHS)[number]) =>
      movesOf({ kind, through, wraps: 1, lock: false })[0].how;
    expect(first('onBand', 'hair')).toMatch(/^the band/);
    expect(first('onRod', 'hair')).toMatch(/turns of the thread/);
    expect(first('anchor', 'border')).toMatch(/^hair and border/);
    expect(first('wrap', 'net')).toMatch(/^the net only/);
    expect(first('wrap', 'hair')).toMatch(/^your own hair/);
  });

  it('wraps and lock are two things: the band comes after the wrap', () => {
    expect(movesOf({ kind: 'wrap', through: 'net', wraps: 1, lock: true })[2].how).toBe(
      'once, then push the band to the root',
    );
    expect(movesOf({ kind: 'oneLeg', through: 'net', wraps: 2, lock: false })[2].how).toMatch(
      /^twice, the other falls/,
    );
    expect(movesOf({ kind: 'threadLoop', through: 'net', wraps: 1, lock: false })[2].how).toMatch(/its own thread/);
  });
});
