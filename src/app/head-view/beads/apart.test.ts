/** Room for a finger at every bead of the hairline, from any view (WCAG 2.2, 2.5.8: 24 by 24 CSS pixels). */
import fc from 'fast-check';
import { expect, it } from 'vitest';
import { REFERENCE_SCORES, wholeHead } from '../../../../tests/helpers/heads.ts';
import { hairlinePoints } from '../../../core/head/index.ts';
import { headFrame } from '../framing.ts';
import { projection, screenX, screenY } from '../projection.ts';
import { apart, LEAST_PX, type Placed } from './apart.ts';
import { isFacing } from './bead.tsx';

const overlap = (a: Placed, b: Placed) =>
  Math.min(a.x + a.size / 2, b.x + b.size / 2) - Math.max(a.x - a.size / 2, b.x - b.size / 2) > 1e-6 &&
  Math.min(a.y + a.size / 2, b.y + b.size / 2) - Math.max(a.y - a.size / 2, b.y - b.size / 2) > 1e-6;

function expectRoom(placed: readonly Placed[]) {
  for (const [i, a] of placed.entries()) {
    expect(a.size).toBeGreaterThanOrEqual(LEAST_PX);
    for (const b of placed.slice(i + 1))
      expect(overlap({ ...a, size: LEAST_PX }, { ...b, size: LEAST_PX })).toBe(false);
  }
}

const head = wholeHead(REFERENCE_SCORES, 16);

it.each([928, 390])('every bead of the hairline has it in 12 views, on a stage %i px wide', (width) => {
  const stage = { width, height: 400 };
  for (let k = 0; k < 12; k++) {
    const angle = { azimuth: (k * Math.PI) / 6, elevation: 0.1 };
    const view = projection(angle, stage, headFrame(stage, angle.elevation), false);
    const seen = hairlinePoints(head.shape, head.line).filter((p) => isFacing(view, p.at));
    expectRoom(apart(seen.map((p) => ({ x: screenX(view, p.at), y: screenY(view, p.at) }))));
  }
});

it('a dozen beads anywhere find room, and those that have it stay', () => {
  const spot = fc.record({ x: fc.integer({ min: 0, max: 200 }), y: fc.integer({ min: 0, max: 200 }) });
  fc.assert(
    fc.property(fc.array(spot, { maxLength: 12 }), (spots) => expectRoom(apart(spots))),
    { seed: 3 },
  );
  const far = [
    { x: 0, y: 0 },
    { x: 60, y: 0 },
    { x: 60, y: 80 },
  ];
  expect(apart(far)).toEqual(far.map((s) => ({ ...s, size: 44 })));
});
