/** What the first load costs: every file it asks for, compressed as the server sends it, without the 3D picture and its bust. */
import { get } from 'node:http';
import { expect, inject, it } from 'vitest';
import type { Browser } from './browser.ts';
import { withBrowser } from './with-browser.ts';

const LIMIT_BYTES = 350_000;
const url = inject('demoUrl');
let browser: Browser;

withBrowser((b) => {
  browser = b;
});

function bytesSent(address: string): Promise<number> {
  return new Promise((resolve, reject) => {
    get(address, { headers: { 'accept-encoding': 'gzip, br' } }, (response) => {
      let bytes = 0;
      response.on('data', (chunk: Buffer) => {
        bytes += chunk.length;
      });
      response.on('end', () => resolve(bytes));
    }).on('error', reject);
  });
}

it('is below 350 kB', async () => {
  await browser.go(url);
  await browser.settled();
  await browser.requests();
  await browser.go(`${url}/plan/demo-shoulder-curls/rows`);
  await browser.settled();
  await browser.picture();
  const worker = await browser.script<string[]>(`return performance.getEntriesByType('resource').map((e) => e.name)`);
  const asked = [...new Set([...(await browser.requests()), ...worker])].filter(
    (a) => a.startsWith(url) && !a.includes('/api/'),
  );
  const counted = asked.filter((a) => !/head-picture|\/(scene|bust)-|\.png$/.test(a));
  expect(counted.some((a) => a.includes('core.worker'))).toBe(true);
  const sizes = await Promise.all(counted.map(async (a) => [a.slice(url.length), await bytesSent(a)] as const));
  const total = sizes.reduce((sum, [, bytes]) => sum + bytes, 0);
  expect(total, sizes.map(([a, b]) => `${a} ${b}`).join('\n')).toBeLessThan(LIMIT_BYTES);
});
