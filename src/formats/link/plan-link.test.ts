/** A plan in a link: whole again from it, from its QR code too, and refused where a letter is missing. */
import jsqr from 'jsqr';
import { create } from 'qrcode';
import { describe, expect, it } from 'vitest';
import { basePlans } from '../../demo/bases.ts';
import { installPlans } from '../../demo/installs.ts';
import { deepPartStraight, demoPlans } from '../../demo/plans.ts';
import { routePlans } from '../../demo/routes.ts';
import { newPlan } from '../../model/defaults.ts';
import { herselfOf, withoutHerself } from '../../model/herself.ts';
import { readPlan } from '../../model/read-plan.ts';
import { packPlan, unpackPlan } from './plan-link.ts';

const ALL = [...demoPlans, ...routePlans, ...basePlans, ...installPlans];
const why = (link: string) => {
  const read = unpackPlan(link);
  return read.ok ? '' : read.why;
};

describe('a plan in a link', () => {
  it('is whole again, whatever is planned, in signs that every address takes', () => {
    for (const plan of ALL) {
      const link = packPlan(plan);
      expect(link).toMatch(/^[\w-]+$/);
      expect(link.length, plan.name).toBeLessThan(1200);
      expect(unpackPlan(link), plan.name).toEqual(readPlan(JSON.parse(JSON.stringify(plan))));
    }
  });

  // jsQR reads what qrcode wrote: two libraries that know nothing of each other.
  it('is read off its QR code by another library', () => {
    for (const plan of [demoPlans[0], routePlans[3], installPlans[2]]) {
      const address = `http://192.168.178.20:4173/bring#${packPlan(plan)}`;
      const { modules } = create(address, { errorCorrectionLevel: 'L' });
      const scale = 4;
      const side = (modules.size + 8) * scale;
      const pixels = new Uint8ClampedArray(4 * side * side).fill(255);
      for (let y = 0; y < side; y++)
        for (let x = 0; x < side; x++) {
          const [row, column] = [Math.floor(y / scale) - 4, Math.floor(x / scale) - 4];
          const isIn = row >= 0 && column >= 0 && row < modules.size && column < modules.size;
          if (isIn && modules.get(row, column)) pixels.fill(0, 4 * (y * side + x), 4 * (y * side + x) + 3);
        }
      expect(jsqr(pixels, side, side)?.data).toBe(address);
    }
  });

  it('of the first version still opens, letter for letter', () => {
    const read = unpackPlan(FIRST);
    expect(read.ok && read.value.name).toBe('Deep part, straight');
    expect(read.ok && read.value.products).toEqual(deepPartStraight.products);
  });

  it('that lost or changed a letter is refused with a sentence', () => {
    const link = packPlan(deepPartStraight);
    for (let at = 7; at < link.length; at += 3) {
      expect(why(link.slice(0, at) + link.slice(at + 1)), `without ${at}`).toMatch(/damaged/);
      const other = link[at] === 'A' ? 'B' : 'A';
      expect(why(link.slice(0, at) + other + link.slice(at + 1)), `other at ${at}`).toMatch(/damaged/);
    }
    expect(why('')).toMatch(/no plan in this link/);
    expect(why('7abcdef')).toMatch(/newer Meshwork/);
    expect(why(`1abcdef${'A'.repeat(200_000)}`)).toMatch(/too long/);
    expect(why('1abcdef!!')).toMatch(/damaged/);
  });
});

describe('a plan for a friend', () => {
  it('keeps head, hair, marks, hands and name to itself, and nothing else', () => {
    for (const plan of ALL) {
      const given = withoutHerself(plan);
      expect({ ...herselfOf(given), unit: '', currency: '' }).toEqual({
        ...herselfOf(newPlan(plan.id, plan.name)),
        unit: '',
        currency: '',
      });
      expect(given).toMatchObject({ rows: plan.rows, products: plan.products, cap: plan.cap, spacing: plan.spacing });
      expect(readPlan(given).ok, plan.name).toBe(true);
    }
  });
});

/** The demo's plan with a deep part, as it was packed when links were first made. */
const FIRST =
  '13QBfiu7dfPC4IwFAfwf2XsrMbmD_RYdKw_ocPAHQIr0EOn_vfee845GxSClNBuMlvOvfndPnNkU-vLLa7hA40pg2yC7qGJYVPEcKLoCO1wZwsnUbWoeWgj_xJ5uJRMbCSD4Xn64WmRUJE8BvG0THK3ecAQl1U0dPFUxNMqyfCOayN4XXz-MCN_QyVzfHtLJQgCCoVlpGRPhCYvoXotJb7pRqmCg2xNb_O-HWx3QVlBWUFZM5QV54VlloBLh1kIsNUzyy6OHyvrqCDy7-ygrpp1jdaYFS_YQkl52Cqn2LIVgL_MTPFHbDnburFW15xx6exwNBNwiSyIK4hr3eIyFe1HQWWEddMXDi76UolEws2xPvjjJaRGARqgFqDmQO2D0riCSTs9ng';
