/** The stand-in scale: what is read off it is what lies on it, though it trembles, creeps and slips. */
import { get } from 'node:http';
import type { AddressInfo } from 'node:net';
import { expect, it } from 'vitest';
import { READINGS, steadyWeight } from '../core/supply/weigh.ts';
import { readings } from '../demo/scale-readings.ts';
import { createServer } from './app.ts';

const take = (of: string, isEmpty: boolean, n = 40) => {
  const source = readings(of, isEmpty);
  return Array.from({ length: n }, () => source.next().value);
};

it('the same hair weighs the same every time, beside the dish', () => {
  for (const of of ['Quillow', 'Fennick coil, copper', '']) {
    expect(take(of, false)).toEqual(take(of, false));
    const dish = steadyWeight(take(of, true, 30));
    const full = steadyWeight(take(of, false, 30));
    expect([dish?.steady, full?.steady]).toEqual([true, true]);
    const hair = (full?.grams ?? 0) - (dish?.grams ?? 0);
    expect(hair).toBeGreaterThan(7);
    expect(hair).toBeLessThan(70);
  }
});

it('slips now and then; not at rest, it is not read', () => {
  const long = take('Quillow', false, 400);
  const slips = long.slice(6).filter((g, i, all) => i > 0 && Math.abs(g - all[i - 1]) > 5).length;
  expect(slips).toBeGreaterThan(4);
  expect(steadyWeight(long.slice(0, READINGS - 1))).toBeUndefined();
});

it('sends its readings one after the other', async () => {
  const server = createServer({ dist: '.', demo: false, now: () => 0 }).listen(0, '127.0.0.1');
  await new Promise((resolve) => server.once('listening', resolve));
  const { port } = server.address() as AddressInfo;
  const text = await new Promise<string>((resolve, reject) => {
    const request = get(`http://127.0.0.1:${port}/api/scale?of=x&dish=empty`, (response) => {
      expect(response.headers['content-type']).toMatch(/^text\/event-stream/);
      let all = '';
      response.on('data', (chunk: Buffer) => {
        all += chunk;
        if ((all.match(/\n\n/g) ?? []).length < 3) return;
        request.destroy();
        resolve(all);
      });
    }).on('error', (error) => (request.destroyed ? undefined : reject(error)));
  });
  const sent = [...text.matchAll(/^data: (.*)$/gm)].map((m) => JSON.parse(m[1]).grams as number);
  expect(sent.slice(0, 3)).toEqual(take('x', true, 3));
  server.closeAllConnections();
  server.close();
});
