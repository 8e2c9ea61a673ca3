/** The stand-in for a camera: a photo that can be opened, the same for the same wish, and sentences for what can't be. */
import { once } from 'node:events';
import type { AddressInfo } from 'node:net';
import { decode } from 'fast-png';
import { afterAll, beforeAll, expect, it } from 'vitest';
import { demoPlans } from '../demo/plans.ts';
import { createServer } from './app.ts';

const server = createServer({ dist: 'dist', demo: true, now: () => 0 }).listen(0, '127.0.0.1');
let url = '';
beforeAll(async () => {
  if (!server.listening) await once(server, 'listening');
  url = `http://127.0.0.1:${(server.address() as AddressInfo).port}/api/camera`;
});
afterAll(() => {
  server.close();
});

const ask = (body: unknown) =>
  fetch(url, { method: 'POST', headers: { 'content-type': 'application/json' }, body: JSON.stringify(body) });

it('takes a photo of a plan, the same twice, and knows what is in it', async () => {
  const wish = { plan: demoPlans[0], side: 'left', knotsIn: 60, width: 240, height: 300, under: 'whiteBlock' };
  const [a, b] = await Promise.all([ask(wish), ask(wish)]);
  expect(a.status).toBe(200);
  const image = decode(await a.arrayBuffer());
  expect([image.width, image.height, image.channels]).toEqual([240, 300, 4]);
  expect(decode(await b.arrayBuffer()).data).toEqual(image.data);
  const known = JSON.parse(a.headers.get('x-known') ?? '{}') as { taps: number[][]; truth: number };
  expect(known.truth).toBeGreaterThan(0.1);
  expect(known.taps).toHaveLength(2);
});

it.each([
  [{ side: 'left' }, /not a Meshwork plan/],
  [{ plan: demoPlans[0], side: 'below' }, /taken from behind/],
  [{ plan: demoPlans[0], width: 1e9 }, /width is a number from/],
  [{ plan: demoPlans[0], under: 'glass' }, /under the hair/],
])('refuses %o with a sentence', async (body, words) => {
  const answer = await ask(body);
  expect(answer.status).toBe(400);
  expect(((await answer.json()) as { message: string }).message).toMatch(words);
});
