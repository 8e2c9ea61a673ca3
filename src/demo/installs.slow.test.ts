/** The order of work of every install that takes more than rows and a piece, step by step. */
import { describe, expect, it } from 'vitest';
import { Planner } from '../../tests/helpers/planner.ts';
import { planInputs } from '../model/to-inputs.ts';
import { installPlans } from './installs.ts';

const planner = new Planner();
const orders: Readonly<Record<string, readonly string[]>> = {
  'install-border-in-front': [
    'Open one pack and test it',
    'Quarters: split in 4',
    'Put the cap on over the base',
    'Draw the part on the net',
    'Row 1, nape',
    'Hold the nape',
    'Row 2, nape',
    'Row 3, back',
    'Hold the sides, over the ears',
    'Rows 4 to 5, back',
    'Look, then open pack 2',
    'Rows 6 to 7, back',
    'Hold the corners, at the temples',
    'Look, then open pack 3',
    'Row 8, top',
    'Look, half way',
    'Push the border back behind the hairline',
    'The row along the border, from ear to ear',
    'Row 9, top',
    'Look, then open pack 4',
    'Rows 10 to 11, top',
    'Look, then open pack 5',
    'Row 12, beside the part',
    'Separate, shake out, fill the gaps',
    'Trim',
  ],
  'install-border-all-round': [
    'Open one pack and test it',
    'Split in two: split in 2',
    'Put the cap on over the base',
    'Push the border back behind the hairline',
    'Hold the sides, over the ears',
    'Hold the front hairline',
    'Row 1, nape',
    'Hold the nape',
    'Row 2, nape',
    'Rows 3 to 5, back',
    'Look, then open pack 2',
    'Row 6, back',
    'Row 7, sides',
    'Look, then open pack 3',
    'Rows 8 to 10, top',
    'Look, half way',
    'Row 11, top',
    'Hold the corners, at the temples',
    'Look, then open pack 4',
    'Row 12, top',
    'Look, then open pack 5',
    'The row along the border, all round',
    'Separate, shake out, fill the gaps',
    'Trim',
  ],
  'install-hairline-without-a-cap': [
    'Open one pack and test it',
    'Split in two: split in 2',
    'The row along the hairline, all round',
    'Rows 1 to 2, nape',
    'Row 3, back',
    'Look, then open pack 2',
    'Rows 4 to 5, back',
    'Look, half way',
    'Look, then open pack 3',
    'Rows 6 to 7, top',
    'Look, then open pack 4',
    'Rows 8 to 9, top',
    'Look, then open pack 5',
    'Row 10, round the crown',
    'Separate, shake out, fill the gaps',
    'Trim',
  ],
  'install-schools-by-place': [
    'Open one pack and test it',
    'Put the cap on over the base',
    'Push the border back behind the hairline',
    'Draw the part on the net',
    'Hold the corners, at the temples',
    'Row 1, nape',
    'Hold the nape',
    'Rows 2 to 3, nape',
    'Hold the sides, over the ears',
    'Row 4, back',
    'Rows 5 to 7, sides',
    'Look, then open pack 2',
    'Rows 8 to 9, sides',
    'Row 10, top',
    'Hold the front hairline',
    'Look, then open pack 3',
    'Row 11, top',
    'Look, half way',
    'Rows 12 to 13, top',
    'Look, then open pack 4',
    'Row 14, beside the part',
    'Look at the windows',
    'Rows 4 to 7, windows, back',
    'Look, then open pack 5',
    'Rows 8 to 12, windows, back',
    'Separate, shake out, fill the gaps',
    'Trim',
  ],
};

describe.each(installPlans.map((p) => [p.name, p] as const))('%s', (_, plan) => {
  const { worklist, time, base } = planner.plan(planInputs(plan));

  it('is done in this order', () => {
    expect(worklist.map((s) => s.what)).toEqual(orders[plan.id]);
  });

  it('lays every knot once, and its minutes add up', () => {
    let laid = 0;
    for (const s of worklist) {
      if (!s.knots) continue;
      expect(s.knots[0]).toBe(laid);
      laid = s.knots[1];
    }
    const minutes = [...base.work, ...worklist].reduce((sum, s) => sum + s.minutes, 0);
    expect(minutes).toBe(time.totalMinutes);
  });
});
