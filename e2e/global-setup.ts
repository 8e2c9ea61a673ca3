/** Two servers on free ports, one with the demo and one without; their addresses go to the tests. */
import type { Server } from 'node:http';
import type { AddressInfo } from 'node:net';
import type { TestProject } from 'vitest/node';
import { createServer } from '../src/server/app.ts';

declare module 'vitest' {
  export interface ProvidedContext {
    readonly demoUrl: string;
    readonly plainUrl: string;
  }
}

async function start(demo: boolean): Promise<{ server: Server; url: string }> {
  const server = createServer({ dist: `${process.cwd()}/dist`, demo, now: () => Date.now() }).listen(0, '127.0.0.1');
  await new Promise((resolve) => server.once('listening', resolve));
  return { server, url: `http://127.0.0.1:${(server.address() as AddressInfo).port}` };
}

export default async function setup(project: TestProject) {
  const demo = await start(true);
  const plain = await start(false);
  project.provide('demoUrl', demo.url);
  project.provide('plainUrl', plain.url);
  return () => {
    demo.server.close();
    plain.server.close();
  };
}
