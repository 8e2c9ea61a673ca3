/** The knot chart: barbs for the hook, readable in black and white, every knot told in words. */

import { JSDOM } from 'jsdom';
import { describe, expect, it } from 'vitest';
import { Planner } from '../../tests/helpers/planner.ts';
import { shoulderCurls } from '../demo/plans.ts';
import { routePlans } from '../demo/routes.ts';
import { planInputs } from '../model/to-inputs.ts';
import { KNOT_COLUMNS, knotsCsv } from './knots-csv.ts';
import { mapSvg } from './paper/knot-chart.ts';

const result = new Planner().plan(planInputs(shoulderCurls, 24));
const doc = new JSDOM(mapSvg(shoulderCurls, result), { contentType: 'image/svg+xml' }).window.document;
/** Way of each barb: from its foot to its tip, right and down. */
const barbs = [...doc.querySelectorAll('.barb')].map((b) => {
  const [from, to] = (b.getAttribute('points') ?? '').split(' ').map((p) => p.split(',').map(Number));
  return { from, right: to[0] - from[0], down: to[1] - from[1] };
});

describe('barbs', () => {
  it('stand at nearly every knot', () => {
    expect(barbs.length).toBeGreaterThan(0.95 * result.knots.length);
  });

  it('point down where hair falls from the nape rows, and up to the part for one-leg', () => {
    const kinds = new Map(result.knots.map((k) => [k.id, k.kind]));
    const signs = [...doc.querySelectorAll('path[id]')].map((p) => {
      const [, x, y] = /translate\(([-\d.]+) ([-\d.]+)\)/.exec(p.getAttribute('transform') ?? '') ?? [];
      return { x: Number(x), y: Number(y), kind: kinds.get(p.id) };
    });
    const kindAt = ({ from: [x, y] }: (typeof barbs)[number]) =>
      signs.reduce((a, b) => (Math.hypot(b.x - x, b.y - y) < Math.hypot(a.x - x, a.y - y) ? b : a)).kind;
    const of = (kind: string) => barbs.filter((b) => kindAt(b) === kind);
    const oneLeg = of('oneLeg');
    expect(oneLeg.length).toBeGreaterThan(5);
    expect(oneLeg.every((b) => b.down < 0)).toBe(true);
    const wraps = of('wrap');
    expect(wraps.filter((b) => b.down > 0).length / wraps.length).toBeGreaterThan(0.9);
  });
});

it('tells each knot where a finger finds it, and the table tells entry, holes, bite and cut', () => {
  const titles = [...doc.querySelectorAll('path[id] title')].map((t) => t.textContent ?? '');
  expect(titles).toHaveLength(result.knots.length);
  for (const t of titles) expect(t).toMatch(/: .+\. .+\.$/);
  const [head, first] = knotsCsv(result).split('\r\n');
  expect(head).toBe(KNOT_COLUMNS.join(','));
  for (const column of ['entry', 'holes', 'bite_mm', 'cut', 'net_here', 'product']) expect(head).toContain(column);
  expect(first.length).toBeGreaterThan(60);
});

it('is drawn for every route, whatever its rows and knots', () => {
  for (const plan of routePlans) {
    const r = new Planner().plan(planInputs(plan, 20));
    const svg = mapSvg(plan, r);
    const parsed = new JSDOM(svg, { contentType: 'image/svg+xml' }).window.document;
    expect(parsed.querySelector('parsererror')).toBeNull();
    expect(parsed.querySelectorAll('path[id]')).toHaveLength(r.knots.length);
    expect(svg).not.toMatch(/NaN|undefined/);
  }
});
