/** The core in Node against the core in the browser's worker, on plans of every kind: figures, within a stated tolerance. */
import { readdirSync, readFileSync } from 'node:fs';
import { expect, inject, it } from 'vitest';
import { lookTold } from '../src/core/findings/index.ts';
import { readPlan } from '../src/model/read-plan.ts';
import { planInputs } from '../src/model/to-inputs.ts';
import { Planner } from '../tests/helpers/planner.ts';
import { type Browser, COARSE } from './browser.ts';
import { withBrowser } from './with-browser.ts';

const url = inject('plainUrl');
let browser: Browser;
withBrowser(
  (b) => {
    browser = b;
  },
  undefined,
  { allCompilers: true },
);

const PLANS = [
  'deep-part-straight',
  'a-cap-with-ready-made-rows',
  'along-the-rows-then-between',
  'half-up-half-down',
  'high-puff',
  'loose-hair-folded-by-hand-no-cap',
  'rings-to-the-crown',
  'rubber-bands-diamonds',
  'swept-back-coils',
  'windows-in-a-second-pass',
];
/** Of any length, share, mass or minute; both use the same operations, so that nothing but a mistake is larger. */
const TOLERANCE = 1e-9;

/** Asks the worker as its own client does: a call is a message with a path and its arguments, the answer carries the same id. */
const ASK = `
  const [address, job, input, done] = arguments;
  const worker = (window.asked ??= new Worker(address, { type: 'module' }));
  const plain = (x) =>
    ArrayBuffer.isView(x) ? Array.from(x)
    : Array.isArray(x) ? x.map(plain)
    : x && typeof x === 'object' ? Object.fromEntries(Object.entries(x).map(([k, v]) => [k, plain(v)]))
    : x;
  const id = String(Math.random());
  worker.addEventListener('message', function hear(e) {
    if (e.data.id !== id) return;
    worker.removeEventListener('message', hear);
    done(plain(e.data.value));
  });
  worker.postMessage({ id, type: 'APPLY', path: [job], argumentList: [{ type: 'RAW', value: input }] });`;

function plain(x: unknown): unknown {
  if (ArrayBuffer.isView(x)) return Array.from(x as unknown as ArrayLike<number>);
  if (Array.isArray(x)) return x.map(plain);
  if (x && typeof x === 'object') return Object.fromEntries(Object.entries(x).map(([k, v]) => [k, plain(v)]));
  return x;
}

/** Paths at which two values differ by more than the tolerance. */
function apart(here: unknown, there: unknown, path = ''): string[] {
  if (typeof here === 'number' && typeof there === 'number') {
    return Math.abs(here - there) <= TOLERANCE * Math.max(1, Math.abs(here)) ? [] : [`${path}: ${here} and ${there}`];
  }
  if (here && there && typeof here === 'object' && typeof there === 'object') {
    const names = new Set([...Object.keys(here), ...Object.keys(there)]);
    return [...names].flatMap((n) =>
      apart((here as Record<string, unknown>)[n], (there as Record<string, unknown>)[n], `${path}.${n}`),
    );
  }
  // What is not there comes back from the browser as null.
  return here === there || (here ?? null) === (there ?? null) ? [] : [`${path}: ${here} and ${there}`];
}

it.each(PLANS)('%s', async (name) => {
  const read = readPlan(JSON.parse(readFileSync(`examples/${name}.plan.json`, 'utf8')));
  if (!read.ok) throw new Error(read.why);
  const inputs = planInputs(read.value, COARSE);
  const planner = new Planner();
  if ((await browser.script('return location.origin')) !== new URL(url).origin) await browser.go(url);
  const worker = readdirSync('dist/assets').find((f) => /^core\.worker-.*\.js$/.test(f));
  const ask = async (job: string, input: unknown) => {
    const outcome = await browser.driver.executeAsyncScript<{ state: string; value: unknown }>(
      ASK,
      `/assets/${worker}`,
      job,
      input,
    );
    expect(outcome.state).toBe('done');
    return outcome.value;
  };
  const there = { plan: await ask('plan', inputs), look: await ask('look', { inputs }) };
  const here = plain({ plan: planner.plan(inputs), look: lookTold(planner.graph, { inputs }) });
  expect(apart(here, there).slice(0, 5)).toEqual([]);
});
