/** The schema that is published and the validator say the same; ajv, a library that only knows the schema, agrees. */
import Ajv2020 from 'ajv/dist/2020.js';
import { describe, expect, it } from 'vitest';
import published from '../../docs/schema/plan-10.schema.json' with { type: 'json' };
import { demoPlans } from '../demo/plans.ts';
import { planSchema } from './plan.ts';
import { planJsonSchema } from './published-schema.ts';

const matches = new Ajv2020({ allErrors: true }).compile(published);
const plan = () => JSON.parse(JSON.stringify(demoPlans[0]));

it('is what its program writes: `npm run schema`', () => {
  expect(published).toEqual(planJsonSchema(published));
});

it('says of every first entry in words what it is, or lists what it may be', () => {
  const bare = Object.entries<Record<string, unknown>>(published.properties)
    .filter(([, entry]) => !entry.description && !entry.enum && entry.const === undefined)
    .map(([name]) => name);
  expect(bare).toEqual([]);
});

describe('a plan that is bent', () => {
  const BENT: ReadonlyArray<readonly [string, (p: ReturnType<typeof plan>) => void]> = [
    ['holds an entry that is not known', (p) => Object.assign(p, { mood: 'good' })],
    ['lacks its part', (p) => delete p.part],
    ['has a part of no kind', (p) => Object.assign(p.part, { kind: 'zigzag' })],
    ['has a part beyond the head', (p) => Object.assign(p, { part: { ...p.part, kind: 'line', frontMm: 400 } })],
    ['has no product', (p) => Object.assign(p, { products: [] })],
    ['counts half a piece', (p) => Object.assign(p.products[0], { piecesPerPack: 2.5 })],
    ['has a mark of no place', (p) => p.marks.push({ kind: 'tender', erase: false, place: {} })],
    ['leaves a change by hand without an op', (p) => p.rows.hand.push({ id: 'hand-9' })],
    ['parks a tail nowhere', (p) => Object.assign(p.base.parking.bySection, { s1: { how: 'flown' } })],
    ['has a reading of too many words', (p) => p.tape.girth.push('5'.repeat(41))],
    ['wishes a knot that is none', (p) => p.knotWishes.push({ id: 'w', of: { zone: 'nape' }, wish: { kind: 'bow' } })],
    ['sets a guess out of its range', (p) => Object.assign(p.guesses, { opacity: 2 })],
  ];
  it.each(BENT)('%s: both refuse it', (_, bend) => {
    const bent = plan();
    expect(matches(bent), JSON.stringify(matches.errors?.slice(0, 3))).toBe(true);
    expect(planSchema.isValidSync(bent)).toBe(true);
    bend(bent);
    expect([matches(bent), planSchema.isValidSync(bent)]).toEqual([false, false]);
  });
});
