import { mkdtempSync, writeFileSync } from 'node:fs';
import type { Server } from 'node:http';
import type { AddressInfo } from 'node:net';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { afterAll, describe, expect, it } from 'vitest';
import { createServer } from './app.ts';

const dist = mkdtempSync(join(tmpdir(), 'meshwork-dist-'));
const servers: Server[] = [];
async function start(options: { demo: boolean; dist?: string }) {
  const server = createServer({ dist: options.dist ?? dist, demo: options.demo, now: () => 1_790_000_000_000 }).listen(
    0,
    '127.0.0.1',
  );
  servers.push(server);
  await new Promise((resolve) => server.once('listening', resolve));
  return `http://127.0.0.1:${(server.address() as AddressInfo).port}`;
}
afterAll(() => {
  for (const s of servers) s.close();
});

describe('server', () => {
  it('says that it is not built yet, then serves the page at every address', async () => {
    const base = await start({ demo: false });
    expect((await fetch(`${base}/`)).status).toBe(503);
    writeFileSync(join(dist, 'index.html'), '<title>Meshwork</title>');
    for (const path of ['/', '/plan/x/rows', '/install/y']) {
      const page = await fetch(base + path);
      expect(page.status).toBe(200);
      expect(await page.text()).toContain('Meshwork');
    }
  });

  it('allows nothing from outside', async () => {
    const base = await start({ demo: false });
    const { headers } = await fetch(`${base}/`);
    const policy = headers.get('content-security-policy') ?? '';
    expect(policy).toContain("default-src 'self'");
    expect(policy).toContain("frame-ancestors 'none'");
    expect(policy).not.toMatch(/https?:/);
    expect(policy).not.toContain("'unsafe-eval'");
    expect(policy).not.toContain("'unsafe-inline'");
    expect(headers.get('x-powered-by')).toBeNull();
    expect(headers.get('strict-transport-security')).toBeNull();
  });

  it('signs each page anew, and lets only styles with that sign in', async () => {
    writeFileSync(join(dist, 'index.html'), '<meta name="style-nonce" content="%NONCE%">');
    const base = await start({ demo: false });
    const signs = await Promise.all(
      ['/', '/plan/x'].map(async (path) => {
        const answer = await fetch(base + path);
        const [, sign] = /content="([\w-]{20,})"/.exec(await answer.text()) ?? [];
        expect(answer.headers.get('content-security-policy')).toContain(`style-src 'self' 'nonce-${sign}'`);
        return sign;
      }),
    );
    expect(signs[0]).not.toBe(signs[1]);
  });

  it('gives the demo only when it was started with it', async () => {
    const demo = await start({ demo: true });
    expect(await (await fetch(`${demo}/api/start`)).json()).toEqual({ demo: true });
    const bundle = await (await fetch(`${demo}/api/demo`)).json();
    expect(bundle.plans.length).toBeGreaterThanOrEqual(3);
    const plain = await start({ demo: false });
    expect(await (await fetch(`${plain}/api/start`)).json()).toEqual({ demo: false });
    const routes = await (await fetch(`${plain}/api/examples`)).json();
    expect(new Set(routes.map((r: { group: string }) => r.group))).toEqual(new Set(['base', 'route', 'install']));
    // Started empty it still has the demo, for who asks for it.
    expect((await (await fetch(`${plain}/api/demo`)).json()).plans).toEqual(bundle.plans);
    expect((await fetch(`${plain}/api/nothing`)).status).toBe(404);
  });
});
