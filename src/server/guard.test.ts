/** Requests that try: other names, other pages, other methods, ways out of the folder, too much at once. */
import { mkdirSync, mkdtempSync, readFileSync, writeFileSync } from 'node:fs';
import { type IncomingMessage, request, type Server } from 'node:http';
import { type AddressInfo, connect } from 'node:net';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { createServer } from './app.ts';

const SECRET = 'not for anybody';
let server: Server;
let port = 0;
beforeAll(async () => {
  const folder = mkdtempSync(join(tmpdir(), 'meshwork-guard-'));
  const dist = join(folder, 'dist');
  mkdirSync(join(dist, 'assets'), { recursive: true });
  writeFileSync(join(folder, 'secret.txt'), SECRET);
  writeFileSync(join(dist, 'index.html'), '<title>Meshwork</title>');
  writeFileSync(join(dist, 'assets', 'a.js'), 'let a;');
  writeFileSync(join(dist, '.hidden'), SECRET);
  server = createServer({ dist, demo: true, now: () => 0, hosts: ['mirror.local'] }).listen(0, '127.0.0.1');
  await new Promise((resolve) => server.once('listening', resolve));
  port = (server.address() as AddressInfo).port;
});
afterAll(() => {
  server.closeAllConnections();
  server.close();
});

interface Asked {
  readonly path?: string;
  readonly method?: string;
  readonly headers?: Readonly<Record<string, string>>;
  readonly body?: string;
}

function ask({ path = '/', method = 'GET', headers = {}, body }: Asked): Promise<{ status: number; text: string }> {
  return new Promise((resolve, reject) => {
    const asked = request({ host: '127.0.0.1', port, path, method, headers }, (response) => {
      let text = '';
      response.on('data', (part: Buffer) => {
        text += part.toString();
      });
      response.on('end', () => resolve({ status: response.statusCode ?? 0, text }));
    });
    asked.on('error', reject);
    asked.end(body);
  });
}
const statusOf = async (asked: Asked) => (await ask(asked)).status;

/** A request line as it is, which no library would send. */
function raw(line: string): Promise<string> {
  return new Promise((resolve, reject) => {
    const socket = connect(port, '127.0.0.1', () =>
      socket.write(`${line}\r\nHost: 127.0.0.1:${port}\r\nConnection: close\r\n\r\n`),
    );
    let text = '';
    socket.on('data', (part) => {
      text += part.toString();
    });
    socket.on('end', () => resolve(text));
    socket.on('error', reject);
  });
}

describe('a name', () => {
  it.each([`127.0.0.1`, 'localhost', '[::1]', 'LOCALHOST', 'mirror.local'])('%s is answered', async (name) => {
    expect(await statusOf({ headers: { host: `${name}:${port}` } })).toBe(200);
  });

  it.each(['evil.example', '127.0.0.1.evil.example', 'localhost.', '', '169.254.169.254'])(
    '%s is turned away, at every address',
    async (name) => {
      for (const path of ['/', '/api/demo', '/assets/a.js'])
        expect(await statusOf({ path, headers: { host: `${name}:${port}` } })).toBe(421);
    },
  );
});

describe('a page from elsewhere', () => {
  it('may not ask, whatever it asks; ours may', async () => {
    for (const origin of ['http://evil.example', 'null', `https://127.0.0.1:${port + 1}`])
      for (const path of ['/api/demo', '/api/shop/offers', '/'])
        expect(await statusOf({ path, headers: { origin } }), `${origin} ${path}`).toBe(403);
    expect(await statusOf({ path: '/api/demo', headers: { origin: `http://127.0.0.1:${port}` } })).toBe(200);
  });
});

describe('what is asked', () => {
  it('by another method is refused, with those that there are', async () => {
    for (const method of ['PUT', 'DELETE', 'PATCH', 'OPTIONS', 'TRACE'])
      for (const path of ['/', '/api/demo']) expect(await statusOf({ method, path }), `${method} ${path}`).toBe(405);
    expect(await statusOf({ method: 'POST', path: '/' })).toBe(405);
    expect(await statusOf({ method: 'POST', path: '/assets/a.js' })).toBe(405);
    expect(await statusOf({ method: 'HEAD', path: '/assets/a.js' })).toBe(200);
  });

  it('too long or too large is refused with a sentence and no trace', async () => {
    expect(await statusOf({ path: `/${'a'.repeat(3000)}` })).toBe(414);
    const post = (body: string) =>
      ask({ method: 'POST', path: '/api/camera', headers: { 'content-type': 'application/json' }, body });
    const large = await post(JSON.stringify({ plan: 'x'.repeat(3_000_000) }));
    expect(large).toEqual({ status: 413, text: JSON.stringify({ message: 'That is far too much at once.' }) });
    const broken = await post('{"plan":');
    expect(broken).toEqual({ status: 400, text: JSON.stringify({ message: 'That can’t be read.' }) });
    expect((await post('{"plan":{"__proto__":{"polluted":1}}}')).status).toBe(400);
    expect(({} as { polluted?: number }).polluted).toBeUndefined();
  });

  it('finds no way out of the built folder', async () => {
    for (const path of [
      '/../secret.txt',
      '/assets/../../secret.txt',
      '/..%2fsecret.txt',
      '/assets/..%2f..%2fsecret.txt',
      '/%2e%2e/secret.txt',
      '/..%5csecret.txt',
      '//secret.txt',
      '/.hidden',
      '/assets/%00/../../secret.txt',
      '/%ff%fe',
      'http://evil.example/../secret.txt',
    ]) {
      const answer = await raw(`GET ${path} HTTP/1.1`);
      expect(answer, path).toMatch(/^HTTP\/1\.1 (200|400|403|404|421) /);
      expect(answer, path).not.toContain(SECRET);
      expect(answer, path).not.toMatch(/node_modules|at .*\.ts:/);
    }
  });
});

describe('headers', () => {
  const directives = (policy: string) =>
    policy
      .split(';')
      .map((d) => d.trim().replace(/'nonce-[^']*'/, "'nonce'"))
      .sort();

  it('let nothing run that did not come from here, and sign each answer anew', async () => {
    const policies = await Promise.all(
      [1, 2].map(async () => String((await fetch(`http://127.0.0.1:${port}/`)).headers.get('content-security-policy'))),
    );
    expect(policies[0]).not.toMatch(/unsafe-inline|unsafe-eval(?<!wasm-unsafe-eval)|\*|http:/);
    expect(policies[0]).not.toBe(policies[1]);
    expect(directives(policies[0])).toEqual(directives(policies[1]));
  });

  it('are those of the plain host in hosting/nginx.conf', async () => {
    const ours = String((await fetch(`http://127.0.0.1:${port}/`)).headers.get('content-security-policy'));
    const conf = readFileSync('hosting/nginx.conf', 'utf8');
    const theirs = /Content-Security-Policy "([^"]+)"/.exec(conf)?.[1] ?? '';
    expect(directives(theirs)).toEqual(directives(ours));
  });
});

describe('streams', () => {
  it('are eight of a client; one that ends makes room', async () => {
    const open: IncomingMessage[] = [];
    const stream = () =>
      new Promise<IncomingMessage>((resolve, reject) => {
        request({ host: '127.0.0.1', port, path: '/api/scale' }, resolve).on('error', reject).end();
      });
    for (let i = 0; i < 8; i++) open.push(await stream());
    expect(open.map((r) => r.statusCode)).toEqual(Array(8).fill(200));
    const ninth = await stream();
    expect(ninth.statusCode).toBe(429);
    ninth.resume();
    open[0].destroy();
    for (;;) {
      const next = await stream();
      open.push(next);
      if (next.statusCode === 200) break;
      next.resume();
    }
    for (const r of open) r.destroy();
  });
});
