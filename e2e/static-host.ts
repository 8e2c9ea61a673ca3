/** A host of plain files, as anybody has one: no server of ours behind it; an address that is no file gets 404.html. */
import { existsSync, readFileSync } from 'node:fs';
import { createServer, type Server } from 'node:http';
import type { AddressInfo } from 'node:net';
import { extname, join, normalize } from 'node:path';

const TYPES: Readonly<Record<string, string>> = {
  '.html': 'text/html',
  '.js': 'text/javascript',
  '.css': 'text/css',
  '.svg': 'image/svg+xml',
  '.png': 'image/png',
  '.wasm': 'application/wasm',
  '.woff2': 'font/woff2',
  '.webmanifest': 'application/manifest+json',
};

export interface StaticHost {
  readonly url: string;
  readonly close: () => void;
}

/**
 * @param changed what is served in place of a file, by its path: the next version of it
 * @param port the one of before, to come back to
 */
export async function staticHost(
  folder: string,
  changed: (path: string, text: Buffer) => Buffer | string = (_, text) => text,
  port = 0,
): Promise<StaticHost> {
  const server: Server = createServer((request, response) => {
    const path = normalize(new URL(request.url ?? '/', 'http://host').pathname);
    const named = join(folder, path === '/' ? 'index.html' : path);
    const isFile = existsSync(named) && extname(named) !== '';
    const file = isFile ? named : join(folder, '404.html');
    response.writeHead(isFile ? 200 : 404, {
      'content-type': TYPES[extname(file)] ?? 'application/octet-stream',
      'cache-control': 'no-cache',
    });
    response.end(changed(path, readFileSync(file)));
  });
  server.listen(port, '127.0.0.1');
  await new Promise((resolve) => server.once('listening', resolve));
  return {
    url: `http://127.0.0.1:${(server.address() as AddressInfo).port}`,
    close: () => {
      server.closeAllConnections();
      server.close();
    },
  };
}
