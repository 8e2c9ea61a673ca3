/**
 * Plans that nobody chose: random over every option, each of them valid. Every one is worked out or refused with a sentence,
 * every figure is a number, ranges are in order, sums add up. Seeds are fixed; FUZZ_ROUNDS makes more (`npm run fuzz`).
 */
import { describe, expect, it } from 'vitest';
import { seededRandom } from '../src/core/numerics/random.ts';
import type { PlanInputs } from '../src/core/plan/inputs.ts';
import { Planner } from './helpers/planner.ts';
import { randomPlans } from './helpers/walk.ts';

const ROUNDS = Number(process.env.FUZZ_ROUNDS ?? 1);
const planner = new Planner();

/** Where a number that is none lies, if anywhere. */
function notFinite(value: unknown, path = ''): string | undefined {
  if (typeof value === 'number') return Number.isFinite(value) ? undefined : `${path} is ${value}`;
  if (ArrayBuffer.isView(value)) {
    const at = (value as Float64Array).findIndex((v) => !Number.isFinite(v));
    return at < 0 ? undefined : `${path}[${at}] is no number`;
  }
  if (typeof value !== 'object' || value === null) return undefined;
  for (const [key, inner] of Object.entries(value)) {
    const found = notFinite(inner, `${path}.${key}`);
    if (found) return found;
  }
  return undefined;
}

const inOrder = ([low, high]: readonly [number, number]) => expect(low).toBeLessThanOrEqual(high);

function isSound(inputs: PlanInputs) {
  const { base, worklist, time, supply, load, knots, rows, findings } = planner.plan(inputs);
  const { look, hair, range } = planner.judge(inputs);
  for (const part of [base, worklist, time, supply, load, knots, rows, look, hair.size, range, findings])
    expect(notFinite(part)).toBeUndefined();
  for (const r of [
    supply.packRange,
    supply.priceRange,
    load.range,
    load.wetG,
    time.range,
    time.takedownRange,
    range.all,
  ])
    inOrder(r);
  for (const r of Object.values(range.by)) inOrder(r);
  for (const b of look.bites) for (const l of b.loads) inOrder(l.mgAHair);
  const minutes = [...base.work, ...worklist].reduce((sum, s) => sum + s.minutes, 0);
  expect(minutes).toBe(time.totalMinutes);
  expect(look.hiddenShare).toBeGreaterThanOrEqual(0);
  expect(look.hiddenShare).toBeLessThanOrEqual(1);
  const strands = inputs.strands.reduce((sum, s) => sum + s.count, 0);
  expect(supply.pieces).toBe(knots.length + strands);
  expect(new Set(knots.map((k) => k.id)).size).toBe(knots.length);
  expect(rows.reduce((sum, r) => sum + r.knotCount, 0)).toBe(knots.length);
  for (const l of supply.lines) expect(l.packs).toBeGreaterThanOrEqual(0);
  let laid = 0;
  for (const s of worklist) {
    if (!s.knots) continue;
    expect(s.knots[0]).toBe(laid);
    laid = s.knots[1];
  }
  expect(laid).toBe(knots.length);
}

describe('random valid plans', () => {
  it.each(Array.from({ length: 6 * ROUNDS }, (_, i) => i + 1))('of seed %i', (seed) => {
    let refused = 0;
    for (const inputs of randomPlans(seededRandom(seed), 8)) {
      try {
        isSound(inputs);
      } catch (error) {
        // A refusal is a sentence.
        if (!(error instanceof RangeError)) throw error;
        expect(error.message).toMatch(/^[^\n]{10,300}[.]?$/);
        refused++;
      }
    }
    // Most of what is valid can be laid.
    expect(refused).toBeLessThanOrEqual(2);
  });
});
