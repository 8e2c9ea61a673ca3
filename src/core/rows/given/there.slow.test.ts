/** Rows that are there, of the base and of the cap, each followed or not. */
import { describe, expect, it } from 'vitest';
import { plainInputs } from '../../../../tests/helpers/heads.ts';
import { Planner } from '../../../../tests/helpers/planner.ts';
import { DEFAULT_BASE } from '../../base/choice.ts';
import type { PlanInputs } from '../../plan/inputs.ts';
import { DEFAULT_CAP } from '../../trade/caps.ts';
import { DEFAULT_ROWS } from '../choice.ts';

const planner = new Planner();
const base = { ...DEFAULT_BASE, family: 'found' as const, count: 6 };
const of = (rows: Partial<PlanInputs['rows']>, cap: Partial<PlanInputs['cap']> = { ownRows: 'back' }) =>
  planner.plan(
    plainInputs({
      base,
      part: { kind: 'swept' },
      cap: { ...DEFAULT_CAP, ...cap },
      rows: { ...DEFAULT_ROWS, scheme: 'found', ...rows },
    }),
  );
const ids = (r: ReturnType<typeof of>) => [...new Set(r.linesThere.map((l) => l.id))];
const given = (r: ReturnType<typeof of>) => r.rows.filter((row) => row.kind === 'given').length;

it('of the base, of the cap, or both', () => {
  const own = ids(of({ follow: 'base' }));
  const ready = ids(of({ follow: 'cap' }));
  expect(own).toHaveLength(6);
  expect(ready[0]).toBe('cap1');
  expect(ready.length).toBeGreaterThan(6);
  expect(ids(of({ follow: 'both' }))).toEqual([...own, ...ready]);
  // Without a cap there is none with rows.
  expect(ids(of({ follow: 'both' }, { dome: 'none', ownRows: 'back' }))).toEqual(own);
});

it('counted from her left', () => {
  const lines = of({ follow: 'cap' }).linesThere;
  const x = (l: (typeof lines)[number]) => l.pointsMm[3 * ((l.pointsMm.length / 3) >> 1)];
  for (let i = 1; i < lines.length; i++)
    if (lines[i].id !== lines[i - 1].id) expect(x(lines[i])).toBeLessThan(x(lines[i - 1]));
});

it('a ready-made row that runs over an own one is hooked once', () => {
  const both = of({ follow: 'both' });
  const alone = of({ follow: 'cap' });
  expect(both.knots.length).toBeGreaterThan(0.8 * alone.knots.length);
  expect(both.knots.length).toBeLessThan(2 * alone.knots.length);
  expect(both.rowScheme.thinnedOutKnots / both.knots.length).toBeLessThan(0.35);
});

describe('switched off', () => {
  it('no piece lies along it, the others stay, and what lies between closes up', () => {
    const all = of({ follow: 'cap' });
    const less = of({ follow: 'cap', off: ['cap4'] });
    expect(given(less)).toBeLessThan(given(all));
    expect(less.linesThere.filter((l) => !l.isOn).map((l) => l.id)).toEqual(['cap4']);
    const off = less.linesThere.find((l) => l.id === 'cap4')?.pointsMm as Float32Array;
    const onIt = less.knots.filter((k) => {
      for (let i = 0; i < off.length; i += 3)
        if (Math.hypot(off[i] - k.xMm, off[i + 1] - k.yMm, off[i + 2] - k.zMm) < 2)
          return less.rows[k.row].kind === 'given';
      return false;
    });
    expect(onIt).toEqual([]);
  });

  it('one that is not there changes nothing', () => {
    expect(of({ follow: 'base', off: ['cap4', 'row99'] }).knots).toEqual(of({ follow: 'base' }).knots);
  });

  it('all of them: it is said that nothing is left to follow', () => {
    const r = of({ follow: 'base', off: ids(of({ follow: 'base' })) });
    expect(r.knots).toEqual([]);
    expect(r.rowScheme.cannotLay).toBe('Every row that is there is switched off.');
    expect(r.findings.map((f) => f.code)).toContain('rows.cannotLay');
  });
});
