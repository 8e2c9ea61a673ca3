/** The order in which a style comes out, and what was shed meanwhile. */
import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { hairMassG } from '../hair/index.ts';
import { takedownMinutes } from '../time/index.ts';
import { THROUGHS } from '../trade/knots.ts';
import { restDays, shedUsual, shedVerdict, tuftAcrossMm } from './shed.ts';
import { type KnotIn, takedownOrder } from './takedown.ts';

const knotsIn = fc
  .array(fc.record({ row: fc.nat(12), through: fc.constantFrom(...THROUGHS) }), { maxLength: 150 })
  .map((all) => all.map((k, i): KnotIn => ({ ...k, id: `k${i}` })).sort((a, b) => a.row - b.row));

describe('the order of taking it out', () => {
  it('misses no knot and names none twice; its minutes are those that the plan tells, at her pace', () => {
    fc.assert(
      fc.property(knotsIn, fc.nat(40), fc.boolean(), (knots, bands, hasCap) => {
        const order = takedownOrder({ knots, bands, hasCap, pace: 1.4 });
        const out = order.flatMap((s) => s.knotIds);
        expect([...out].sort()).toEqual(knots.map((k) => k.id).sort());
        expect(new Set(order.map((s) => s.id)).size).toBe(order.length);
        const minutes = order.reduce((sum, s) => sum + s.minutes, 0);
        expect(minutes).toBeCloseTo(1.4 * takedownMinutes(knots, bands, hasCap), 9);
      }),
    );
  });

  it('finds what goes through own hair first, from the row laid last down; a cap is lifted once nothing holds it, bands are cut after', () => {
    fc.assert(
      fc.property(knotsIn, (knots) => {
        const order = takedownOrder({ knots, bands: 8, hasCap: true, pace: 1 });
        const kinds = order.map((s) => s.kind);
        const cap = kinds.indexOf('cap');
        const before = order.slice(0, cap).flatMap((s) => s.knotIds);
        expect(new Set(before)).toEqual(new Set(knots.filter((k) => k.through !== 'net').map((k) => k.id)));
        const rows = order.filter((s) => s.kind === 'throughHair').map((s) => s.row as number);
        expect(rows).toEqual([...rows].sort((a, b) => b - a));
        expect(kinds.indexOf('bands')).toBeGreaterThan(cap);
        expect(kinds.at(-1)).toBe('detangle');
      }),
    );
  });

  it('with a cap is out in minutes, through own hair long (common practice, no source)', () => {
    const minutes = (through: KnotIn['through'], hasCap: boolean) =>
      takedownOrder({
        knots: Array.from({ length: 150 }, (_, i) => ({ id: `k${i}`, row: i % 10, through })),
        bands: 0,
        hasCap,
        pace: 1,
      }).reduce((sum, s) => sum + (s.kind === 'detangle' ? 0 : s.minutes), 0);
    expect(minutes('net', true)).toBeLessThan(15);
    expect(minutes('hair', false)).toBeGreaterThan(30);
  });
});

describe('shed hair', () => {
  const hairG = hairMassG('medium', 250);

  it('is 50 to 150 hairs a day (Robbins, Chemical and Physical Behavior of Human Hair; from memory)', () => {
    const { hairs, massG } = shedUsual(28, hairG);
    expect(hairs).toEqual([1400, 4200]);
    // A hair of 70 µm and 25 cm weighs 1.3 mg.
    expect(massG[0]).toBeCloseTo(1400 * 0.00127, 1);
  });

  it('is told by its mass: less, usual, more, too much, each from where the one before ends', () => {
    const [least, most] = shedUsual(20, hairG).massG;
    const said = [0.5 * least, least, most, 1.2 * most, 1.6 * most].map((g) => shedVerdict(g, 20, hairG));
    expect(said).toEqual(['less', 'usual', 'usual', 'more', 'tooMuch']);
  });

  it('rolled into a ball is as large as its mass at that density; eight times the mass is twice across', () => {
    expect(tuftAcrossMm(8) / tuftAcrossMm(1)).toBeCloseTo(2, 9);
    expect(0.08 * (Math.PI / 6) * (tuftAcrossMm(3) / 10) ** 3).toBeCloseTo(3, 9);
  });

  it('then own hair rests one to two weeks, longer after a style that hurt (common practice, no source)', () => {
    expect(restDays(false)).toEqual([7, 14]);
    expect(restDays(true)[0]).toBeGreaterThan(restDays(false)[0]);
  });
});
