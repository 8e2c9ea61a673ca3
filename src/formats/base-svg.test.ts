/** The drawing of a base for paper: every line and tie that faces each view, sound SVG, nothing from outside. */

import { describe, expect, it } from 'vitest';
import { plainInputs } from '../../tests/helpers/heads.ts';
import { Planner } from '../../tests/helpers/planner.ts';
import { FAMILY_INFO, type Family } from '../core/trade/bases.ts';
import { baseSvg } from './base-svg.ts';

const pipeline = new Planner();
const svgOf = (family: Family) => {
  const inputs = plainInputs({ meshFrequency: 20 });
  const base = { ...inputs.base, ...FAMILY_INFO[family].start, family };
  const result = pipeline.plan({ ...inputs, base });
  return { svg: baseSvg(result), result };
};

describe('the drawing of a base', () => {
  it('shows three views with their names, ties numbered as in the list', () => {
    const { svg, result } = svgOf('tied');
    for (const view of ['from behind', 'from above', 'from your left']) expect(svg).toContain(view);
    const numbers = [...svg.matchAll(/font-size="4">(\d+)</g)].map((m) => Number(m[1]));
    expect(new Set(numbers)).toEqual(new Set(result.base.sections.map((_, i) => i + 1)));
  });

  it('lines that show are solid, covered ones dashed', () => {
    expect(svgOf('tied').svg).not.toContain('stroke-width=".7"');
    expect(svgOf('halfUp').svg).toContain('stroke-width=".7"');
    expect(svgOf('halfUp').svg).toContain('stroke-dasharray');
  });

  it('holds only numbers: no NaN, and no address but the namespace', () => {
    for (const family of ['grid', 'threaded', 'puff'] as const) {
      const { svg } = svgOf(family);
      expect(svg).not.toMatch(/NaN|Infinity|undefined/);
      expect(svg.match(/https?:/g)).toHaveLength(1);
    }
  });
});

it('from her left the face is on the left of the paper', () => {
  const at = (z: number) => ({ role: 'base', tieMm: [60, 20, z] });
  const base = { lines: [], sections: [at(80), at(-80)] };
  const drawn = baseSvg({ base, head: { hairlinePoints: [{ side: 'left', at: [1, 1, 1] }] } } as never);
  const left = drawn.split('<g>')[3];
  const [front, back] = [...left.matchAll(/<circle cx="([\d.]+)"/g)].map((m) => Number(m[1]));
  expect(left).toContain('from your left');
  expect(front).toBeLessThan(back);
  const face = Number(/<text x="([\d.]+)"[^>]*>face</.exec(left)?.[1]);
  expect(Math.abs(face - front)).toBeLessThan(Math.abs(face - back));
});
