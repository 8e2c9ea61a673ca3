/** Whom it is made for, said and taken back. */
import { expect, it } from 'vitest';
import { setCap } from './cap-and-hair.ts';
import { newPlan } from './defaults.ts';
import { setMadeFor } from './made-for.ts';
import { planSchema } from './plan.ts';
import { planInputs } from './to-inputs.ts';

const plain = newPlan('p', 'Somebody');

it('for a head it is a wig on a net, off the head; for herself again nothing of the rest was lost', () => {
  const bare = { ...plain, cap: { ...plain.cap, dome: 'none' as const } };
  const { plan, words } = setMadeFor(bare, { whom: 'head' });
  expect(words).toBe('For a head, not for me');
  expect(plan.cap).toMatchObject({ dome: 'closed', filledOn: 'block', wig: true });
  expect(plan.base).toEqual(bare.base);
  expect(plan.ownHair).toEqual(bare.ownHair);
  expect(planSchema.isValidSync(plan)).toBe(true);
  const back = setMadeFor(plan, { whom: 'me' }).plan;
  expect(planInputs(back).base).toEqual(planInputs(bare).base);
});

it('no change of the cap takes the net away, or puts it on a head, while it is for nobody’s', () => {
  const { plan } = setMadeFor(plain, { whom: 'head' });
  for (const change of [{ dome: 'none' }, { filledOn: 'head' }, { wig: false }, { topKept: true }] as const) {
    const { cap } = setCap(plan, change).plan;
    expect(cap, JSON.stringify(change)).toMatchObject({ dome: 'closed', filledOn: 'block', wig: true, topKept: false });
    expect(setCap(plain, change).plan.cap).toMatchObject(change);
  }
});

it('a file that leaves the cap on a head, or none, is read as a wig on a block', () => {
  for (const cap of [
    { ...plain.cap, filledOn: 'head' as const },
    { ...plain.cap, dome: 'none' as const },
  ]) {
    const inputs = planInputs({ ...plain, cap, madeFor: { ...plain.madeFor, whom: 'head' } });
    expect(inputs.cap).toMatchObject({ dome: 'closed', filledOn: 'block', wig: true, blending: 'none' });
  }
});

it.each([
  ['a size that is none', { size: 'huge' }, /size of the head/i],
  ['nobody', { whom: 'nobody' }, /whom it is made for/i],
  ['a name without end', { known: 'x'.repeat(121) }, /./],
])('refuses %s with a sentence', (_, change, sentence) => {
  const plan = { ...plain, madeFor: { ...plain.madeFor, ...change } };
  expect(() => planSchema.validateSync(plan)).toThrow(sentence);
});
