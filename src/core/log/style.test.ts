/** What a style really was: its rows are the sums of its events, whatever came in which order. */
import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { fromColumns } from '../hands/pace.ts';
import { foldInstall, type InstallEvent } from '../install/index.ts';
import type { PlannedKnot, PlannedRow } from '../knots/index.ts';
import type { KnotZone } from '../trade/index.ts';
import { countedRows, styleFigures } from './style.ts';
import { wornFor } from './worn.ts';

const ROWS = [6, 9, 4];
const zones: readonly KnotZone[] = ['nape', 'back', 'part'];
const knots = ROWS.flatMap((n, row) =>
  Array.from({ length: n }, (_, i) => ({
    id: `r${row}-${i}`,
    row,
    kind: i === 0 ? 'anchor' : 'wrap',
    zone: zones[row],
    // The first row lies on her left, the last on her right, the middle one on both.
    xMm: row === 0 ? 10 : row === 2 ? -10 : i - 4,
    seconds: 99,
    plainSeconds: 20 + row,
  })),
) as unknown as PlannedKnot[];
const rows = ROWS.map((n, i) => ({
  id: `row${i}`,
  label: String(i + 1),
  lengthMm: 18 * (n - 1),
  closed: false,
})) as unknown as PlannedRow[];
const plan = { rows, knots, supply: { piecesPerPack: 10 } };
const figures = (events: readonly InstallEvent[]) => styleFigures(plan, foldInstall(events));
const at = (s: number, kind: InstallEvent['kind'], more: Partial<InstallEvent> = {}): InstallEvent => ({
  atMs: 1000 * s,
  kind,
  ...more,
});

describe('rows of a style', () => {
  it('as it was told: pieces that were counted, gaps that follow from them, seconds by place', () => {
    const ids = knots.filter((k) => k.row === 0).map((k) => k.id);
    const f = figures([
      at(0, 'start'),
      at(5, 'step', { stepId: 'x', outcome: 'done' }),
      ...ids.map((knotId, i) => at(5 + 30 * (i + 1), 'knot', { knotId })),
      at(200, 'count', { knotIds: ids, pieces: 8 }),
      at(210, 'skip', { knotId: 'r1-0' }),
      at(250, 'knot', { knotId: 'r1-1' }),
    ]);
    expect(f.rows[0]).toMatchObject({
      planned: 6,
      knots: 6,
      pieces: 8,
      isCounted: true,
      side: 'left',
      zone: 'nape',
      timedKnots: 6,
      seconds: 180,
      plainSeconds: 120,
      plannedMm: 18,
    });
    expect(f.rows[0].hookedMm).toBeCloseTo((18 * 6) / 8, 9);
    expect(f.rows[1]).toMatchObject({
      knots: 1,
      pieces: 1,
      isCounted: false,
      side: 'both',
      timedKnots: 1,
      seconds: 40,
    });
    expect(f.rows[2]).toMatchObject({ knots: 0, pieces: 0, side: 'right' });
    expect(f).toMatchObject({ knots: 7, leftEmpty: 1, pieces: 9 });
    expect(fromColumns(f.timed)[0]).toMatchObject({
      kind: 'anchor',
      zone: 'nape',
      knots: 1,
      seconds: 30,
      plainSeconds: 20,
    });
    expect(fromColumns(f.timed)[1].hoursOn).toBeCloseTo(35 / 3600, 6);
    expect(countedRows(f)).toEqual([{ gaps: 6, hookedOverPlanned: 6 / 8, side: 'left' }]);
  });

  it('a run told at once is timed as one, of the kind that most of it is', () => {
    const ids = knots.filter((k) => k.row === 1).map((k) => k.id);
    const f = figures([at(0, 'step', { stepId: 'x' }), at(300, 'run', { knotIds: ids, pieces: 9 })]);
    expect(fromColumns(f.timed)).toMatchObject([
      { kind: 'wrap', zone: 'back', knots: 9, seconds: 300, plainSeconds: 9 * 21 },
    ]);
  });

  it('hours on begin anew after a long rest', () => {
    const f = figures([
      at(0, 'knot', { knotId: 'r0-0' }),
      at(100, 'knot', { knotId: 'r0-1' }),
      at(110, 'pause'),
      at(110 + 3600, 'resume'),
      at(120 + 3600, 'knot', { knotId: 'r0-2' }),
      at(150 + 3600, 'knot', { knotId: 'r0-3' }),
    ]);
    expect(fromColumns(f.timed).map((t) => Math.round(3600 * t.hoursOn))).toEqual([0, 10]);
  });

  it('sums of the rows are those of the events, in any order of events and with any of them twice', () => {
    const event = fc.oneof(
      fc.nat(18).map((i) => at(0, 'knot', { knotId: knots[i].id })),
      fc.nat(18).map((i) => at(0, 'skip', { knotId: knots[i].id })),
      fc.record({ row: fc.nat(2), more: fc.integer({ min: -3, max: 5 }) }).map(({ row, more }) => {
        const knotIds = knots.filter((k) => k.row === row).map((k) => k.id);
        return at(0, 'run', { knotIds, pieces: Math.max(1, knotIds.length + more) });
      }),
      fc.nat(18).map((i) => at(0, 'back', { knotId: knots[i].id })),
    );
    fc.assert(
      fc.property(fc.array(event, { maxLength: 60 }), fc.integer({ min: 1, max: 90 }), (all, every) => {
        const events = all.map((e, i) => ({ ...e, atMs: 1000 * every * i, key: `k${i}`, n: i }));
        const state = foldInstall(events);
        const f = figures(events);
        expect(f.rows.reduce((n, r) => n + r.knots, 0)).toBe(state.done.filter((d) => !d.skipped).length);
        expect(f.rows.reduce((n, r) => n + r.timedKnots, 0)).toBe(
          state.timed.reduce(
            (n, t) => n + (new Set(t.knotIds.map((id) => id.slice(0, 2))).size === 1 ? t.knotIds.length : 0),
            0,
          ),
        );
        // However the events come, and however often.
        expect(figures([...events].reverse().concat(events))).toEqual(f);
      }),
      { numRuns: 300 },
    );
  });
});

describe('how long it was worn', () => {
  it('counts days across months, leap years and the change of the clock', () => {
    expect(wornFor('2028-02-20', '2028-03-05', '2028-06-01', false, [])).toEqual({
      days: 14,
      isWornStill: false,
      wearings: 1,
    });
    expect(wornFor('2026-10-20', undefined, '2026-11-02', false, [])).toMatchObject({ days: 13, isWornStill: true });
    // Off the same evening is a day all the same.
    expect(wornFor('2026-10-20', '2026-10-20', '2026-11-02', false, []).days).toBe(1);
  });

  it('what comes off at night is worn as often as a day of it was noted', () => {
    const note = (day: string, key: string) => ({ key, atMs: 1, day, what: 'compliments' as const });
    const notes = [note('2026-10-21', 'a'), note('2026-10-21', 'b'), note('2026-10-25', 'c')];
    expect(wornFor('2026-10-20', undefined, '2026-11-02', true, notes).wearings).toBe(2);
    expect(wornFor('2026-10-20', undefined, '2026-11-02', true, []).wearings).toBe(1);
  });
});
