/** Pieces that go into the base, said and taken back. */
import { expect, it } from 'vitest';
import { removeCut } from './cap-and-hair.ts';
import { newPlan, START_CUT } from './defaults.ts';
import { addInto, dropInto, setInto } from './into-base.ts';
import { planSchema } from './plan.ts';
import { planInputs } from './to-inputs.ts';

const plain = newPlan('p', 'Somebody');

it('are added with what people start with, changed, and taken out again', () => {
  const one = addInto(plain, 'root');
  expect(one.words).toBe('Pieces into tied roots');
  expect(planInputs(one.plan).rows.intoBase).toEqual([
    { id: 'b1', way: 'root', sections: [], pieces: 2, fingers: 1, reachFingers: 0, when: 'first' },
  ]);
  const two = addInto(one.plan, 'beside');
  const far = setInto(two.plan, 'b2', { reachFingers: 3 });
  expect(far.words).toBe('Beside a plait or twist: 3 fingers from the tie');
  expect(far.plan.rows.intoBase.map((e) => e.reachFingers)).toEqual([0, 3]);
  expect(setInto(far.plan, 'b1', { pieces: 4 }).words).toBe('Into tied roots: 4 in each');
  const gone = dropInto(far.plan, 'b1');
  expect(gone.words).toBe('No pieces into tied roots');
  expect(gone.plan.rows.intoBase.map((e) => e.id)).toEqual(['b2']);
  expect(planSchema.isValidSync(gone.plan)).toBe(true);
});

it('a way that is new has an id of its own though an older one went', () => {
  const two = addInto(addInto(plain, 'root').plan, 'round').plan;
  const ids = addInto(dropInto(two, 'b1').plan, 'over').plan.rows.intoBase.map((e) => e.id);
  expect(new Set(ids).size).toBe(2);
});

it.each([
  [
    'twelve ways at most',
    (p: typeof plain) => Array.from({ length: 13 }, () => 0).reduce((q) => addInto(q, 'root').plan, p),
    /At most 12/,
  ],
  [
    'a cut that is there',
    (p: typeof plain) => setInto(addInto(p, 'root').plan, 'b1', { cut: 'nobody' }).plan,
    /a cut that is not in the plan/,
  ],
  [
    'so many pieces',
    (p: typeof plain) => setInto(addInto(p, 'root').plan, 'b1', { pieces: 13 }).plan,
    /pieces in each tied root/i,
  ],
  [
    'so far',
    (p: typeof plain) => setInto(addInto(p, 'beside').plan, 'b1', { reachFingers: 21 }).plan,
    /how far from the tie/i,
  ],
])('are kept within limits: %s', (_, change, sentence) => {
  expect(() => planSchema.validateSync(change(plain))).toThrow(sentence);
});

it('a cut that is taken away leaves them with that of their place', () => {
  const { cut: _, ...entry } = { cut: 'x', ...addInto(plain, 'root').plan.rows.intoBase[0] };
  const plan = {
    ...plain,
    cuts: [START_CUT, { ...START_CUT, id: 'cut-2' }],
    rows: { ...plain.rows, intoBase: [{ ...entry, cut: 'cut-2' }] },
  };
  expect(removeCut(plan as typeof plain, 'cut-2').plan.rows.intoBase).toEqual([entry]);
});
