/** What is still assumed, and the one way onwards. */
import { expect, it } from 'vitest';
import { assumedAt, nextStation } from './assumed.ts';
import { newPlan } from './defaults.ts';

const plain = newPlan('p', 'Somebody');

it('says of a new plan what nobody has said yet, and of what she said nothing', () => {
  expect(assumedAt('measure', plain)).toMatch(
    /^6 of 6 measures are estimated; your fingers: 18 mm wide; your own hair/,
  );
  const measured = { ...plain, tape: { ...plain.tape, girth: ['57 cm'], napeWidth: ['13 cm'] } };
  expect(assumedAt('measure', measured)).toMatch(/^4 of 6 measures/);
  expect(assumedAt('hair', plain)).toMatch(/example/);
  expect(assumedAt('hair', { ...plain, products: [{ ...plain.products[0], name: 'Mine' }] })).toBeUndefined();
  expect(assumedAt('rows', { ...plain, spacing: { said: 'centres', fingers: { top: 1 } } })).toBe(
    'rows follow the base.',
  );
  expect(assumedAt('check', plain)).toBeUndefined();
});

it('the sentence about fingers is that of the plan it begins with', () => {
  expect(Number.parseFloat(plain.fingers.width) / plain.fingers.count).toBe(18);
});

it('leads from station to station to the mirror, past what the plan has not', () => {
  const way = (plan: typeof plain) => {
    const out: string[] = [];
    for (let s: string | undefined = 'aim'; s; s = nextStation(s, plan)) out.push(s);
    return out.join(' ');
  };
  expect(way(plain)).toBe('aim measure base cap hair rows check supply install');
  expect(way({ ...plain, cap: { ...plain.cap, dome: 'none' } })).toBe(
    'aim measure base hair rows check supply install',
  );
  expect(way({ ...plain, madeFor: { ...plain.madeFor, whom: 'head' } })).toBe(
    'aim measure cap hair rows check supply install',
  );
  expect(nextStation('log', plain)).toBeUndefined();
  // Looked at all the same, it leads on from there.
  expect(nextStation('base', { ...plain, madeFor: { ...plain.madeFor, whom: 'head' } })).toBe('cap');
});
