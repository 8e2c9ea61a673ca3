/** One damaged record locks no other in: it stays as it is, has a name, and is refused with a sentence. */
import 'fake-indexeddb/auto';
import { readFileSync } from 'node:fs';
import { expect, it } from 'vitest';
import { oldStore } from '../../tests/helpers/old-store.ts';
import { seededRandom } from '../core/numerics/random.ts';
import { MeshworkDatabase, type PlanRecord } from './database.ts';
import { keptPlans, nameOf, openRecord } from './plans.ts';
import { holdsPlan } from './records.ts';

const versionOne = JSON.parse(readFileSync(new URL('../model/fixtures/plan-1.json', import.meta.url), 'utf8'));
const { ownHair: _, ...withoutHair } = versionOne;
const record = (id: string, history: unknown) => ({ id, revision: 1, updatedAtMs: 1, deletedAtMs: 0, history });
const whole = { past: [], present: { words: 'Opened', plan: versionOne }, future: [] };

const DAMAGED: ReadonlyArray<readonly [string, object]> = [
  ['a plan without its own hair', record('d', { ...whole, present: { words: 'x', plan: withoutHair } })],
  ['a plan that is none', record('d', { ...whole, present: { words: 'x', plan: 7 } })],
  ['no present', record('d', { past: [], future: [] })],
  ['a past that is no list', record('d', { ...whole, past: 'gone' })],
  ['no history', { id: 'd', revision: 1, updatedAtMs: 1, deletedAtMs: 0 }],
];

const storeOfOne = (plans: readonly object[]) =>
  oldStore(1, { plans, sessions: [{ id: 's', planId: 'd', startedAtMs: 7, plan: null, finished: 0 }] });

it.each(DAMAGED)('%s', async (_what, damaged) => {
  const db = new MeshworkDatabase(await storeOfOne([damaged, record('good', whole)]));
  const kept = await keptPlans(db);
  expect(kept.map((r) => r.id).sort()).toEqual(['d', 'good']);
  const [good, bad] = ['good', 'd'].map((id) => kept.find((r) => r.id === id) as PlanRecord);
  expect(openRecord(good)).toMatchObject({ ok: true, history: { present: { plan: { name: versionOne.name } } } });
  expect(nameOf(bad).length).toBeGreaterThan(3);
  const opened = openRecord(bad);
  // A past that is lost leaves the plan itself whole.
  if (holdsPlan(bad) && opened.ok) expect(opened.history.past).toEqual([]);
  else expect(opened).toEqual({ ok: false, why: expect.stringMatching(/^This .*[.)]$/) });
  await db.delete();
});

it('records bent at one place open, or are refused with a sentence; the store opens always', async () => {
  const random = seededRandom(5);
  const places = (value: unknown, found: Array<readonly [Record<string, unknown>, string]> = []) => {
    if (typeof value !== 'object' || value === null) return found;
    for (const key of Object.keys(value)) {
      found.push([value as Record<string, unknown>, key]);
      places((value as Record<string, unknown>)[key], found);
    }
    return found;
  };
  const records = Array.from({ length: 40 }, (_none, i) => {
    const bent = structuredClone(record(`r${i}`, whole)) as Record<string, unknown>;
    const inside = places(bent.history);
    const [holder, key] = inside[Math.floor(random() * inside.length)];
    holder[key] = [null, 3, '', [], {}][Math.floor(random() * 5)];
    return bent;
  });
  const db = new MeshworkDatabase(await storeOfOne(records));
  const kept = await keptPlans(db);
  expect(kept).toHaveLength(40);
  for (const r of kept) {
    const opened = openRecord(r);
    expect(opened.ok || /^This .*[.)]$/.test(opened.why)).toBe(true);
  }
  await db.delete();
});
