/**
 * Files that no one wrote: cut short, bent at one place, or of any version and depth. Reading never throws and answers
 * with a plan or with one sentence of our own. Seeds are fixed; FUZZ_ROUNDS makes more of them (`npm run fuzz`).
 */
import { readdirSync, readFileSync } from 'node:fs';
import { describe, expect, it } from 'vitest';
import { isOurSentence } from '../../tests/helpers/sentence.ts';
import { seededRandom } from '../core/numerics/random.ts';
import { demoPlans } from '../demo/plans.ts';
import { readPlanJson, writePlanJson } from '../formats/plan-json.ts';
import { PLAN_FORMAT, PLAN_VERSION } from './plan.ts';
import { readPlan } from './read-plan.ts';
import { planInputs } from './to-inputs.ts';

const ROUNDS = Number(process.env.FUZZ_ROUNDS ?? 1);

const FIXTURES = new URL('./fixtures/', import.meta.url);
const old = readdirSync(FIXTURES)
  .filter((name) => name.endsWith('.json'))
  .map((name) => [name, readFileSync(new URL(name, FIXTURES), 'utf8')] as const);
const texts = [...demoPlans.map((p) => [p.name, writePlanJson(p)] as const), ...old];

function reads(text: string) {
  const read = readPlanJson(text);
  if (read.ok) expect(() => planInputs(read.value)).not.toThrow();
  else isOurSentence(read.why);
}

type Record_ = Record<string, unknown>;

/** What may stand where something else should. */
const JUNK: readonly unknown[] = [
  null,
  '',
  ' ',
  '\u0000\u2028\n\t',
  'x'.repeat(5000),
  '12 cm',
  '-3',
  0,
  -1,
  1e308,
  0.5,
  true,
  [],
  {},
  [[]],
  [null],
  { kind: 'line' },
  Number.MAX_SAFE_INTEGER,
  '__proto__',
];

/** Every place in a document: the record that holds it, and its key. */
function placesIn(value: unknown, found: Array<readonly [holder: Record_, key: string]> = []) {
  if (typeof value !== 'object' || value === null) return found;
  for (const key of Object.keys(value)) {
    found.push([value as Record_, key]);
    placesIn((value as Record_)[key], found);
  }
  return found;
}

describe.each(texts)('%s', (_, text) => {
  it('cut short anywhere is refused with a sentence', () => {
    const random = seededRandom(11);
    for (let i = 0; i < 60 * ROUNDS; i++) {
      const read = readPlanJson(text.slice(0, Math.floor(random() * (text.trim().length - 1))));
      expect(read.ok).toBe(false);
      isOurSentence((read as { why: string }).why);
    }
  });

  it('bent at one place is a plan or a sentence, never a stack', () => {
    const random = seededRandom(23);
    for (let i = 0; i < 250 * ROUNDS; i++) {
      const bent = JSON.parse(text) as Record_;
      const places = placesIn(bent);
      const [holder, key] = places[Math.floor(random() * places.length)];
      const way = random();
      if (way < 0.2) delete holder[key];
      else if (way < 0.3) holder[`${key}2`] = holder[key];
      else holder[key] = structuredClone(JUNK[Math.floor(random() * JUNK.length)]);
      reads(JSON.stringify(bent));
    }
  });
});

describe('a record that claims to be a plan', () => {
  it.each(Array.from({ length: PLAN_VERSION + 2 }, (_, version) => version))('of version %i alone', (version) => {
    reads(JSON.stringify({ format: PLAN_FORMAT, version }));
  });

  it.each([1, 2, 3, 4])('of today, called version %i', (version) => {
    reads(JSON.stringify({ ...demoPlans[0], version }));
  });

  it('with records 5 000 deep is refused before it is copied', () => {
    const deep = `${'{"a":'.repeat(5000)}1${'}'.repeat(5000)}`;
    const read = readPlanJson(`{"format":"${PLAN_FORMAT}","version":${PLAN_VERSION},"base":${deep}}`);
    expect(read).toEqual({ ok: false, why: expect.stringMatching(/too deep/) });
  });

  it.each([
    ['the length of a product', (p: Record_) => Object.assign((p.products as Record_[])[0], { length: ' ' })],
    ['the girth of the cap', (p: Record_) => Object.assign(p.cap as Record_, { girth: '\t' })],
    ['her own hair', (p: Record_) => Object.assign(p.ownHair as Record_, { length: '  ' })],
    ['what it is trimmed to', (p: Record_) => Object.assign(p.finish as Record_, { reach: ' ' })],
    ['a tape', (p: Record_) => Object.assign(p.tape as Record_, { girth: [' '] })],
  ])('with a blank for %s: nothing is written there', (_, bend) => {
    const bent = JSON.parse(writePlanJson(demoPlans[0])) as Record_;
    bend(bent);
    expect(readPlan(bent)).toEqual({ ok: false, why: expect.stringMatching(/is missing|nothing is written there/) });
  });

  it.each([-61, -76, -88, -90])('with a knot %i degrees below her head is refused', (elevation) => {
    const plan = demoPlans[0];
    const hand = [{ id: 'h1', op: 'add' as const, at: [12, elevation] as const }];
    const read = readPlan({ ...plan, rows: { ...plan.rows, hand } });
    expect(read).toEqual({ ok: false, why: expect.stringMatching(/elevation of a place has to be at least -60/) });
  });
});
