/** Meshwork's own server over the built folder, on a free port of this machine. */
import type { AddressInfo } from 'node:net';
import { createServer } from '../src/server/app.ts';

export interface Served {
  readonly url: string;
  /** At once, whoever is still connected. */
  readonly stop: () => void;
}

export async function serve(demo: boolean): Promise<Served> {
  const server = createServer({ dist: `${process.cwd()}/dist`, demo, now: () => Date.now() }).listen(0, '127.0.0.1');
  await new Promise((resolve) => server.once('listening', resolve));
  return {
    url: `http://127.0.0.1:${(server.address() as AddressInfo).port}`,
    stop: () => {
      server.closeAllConnections();
      server.close();
    },
  };
}
