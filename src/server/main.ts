/** Starts the server on 127.0.0.1 and prints its address. Takes the next free port if the wanted one is busy. */
import type { Server } from 'node:http';
import type { AddressInfo } from 'node:net';
import { fileURLToPath } from 'node:url';
import { createServer } from './app.ts';

const wanted = Number(process.env.PORT ?? 4870);
const demo = process.argv.includes('--demo');
const dist = fileURLToPath(new URL('../../dist/', import.meta.url));
const hosts = (process.env.MESHWORK_HOSTS ?? '').split(',').flatMap((h) => h.trim() || []);
const app = createServer({ dist, demo, hosts, now: () => Date.now() });

function listen(port: number, triesLeft: number) {
  const server: Server = app.listen(port, '127.0.0.1');
  server.on('listening', () => {
    // Port 0 asks for any that is free: what was given is told.
    const { port: given } = server.address() as AddressInfo;
    process.stdout.write(`Meshwork is at http://127.0.0.1:${given}/\n`);
  });
  server.on('error', (error: NodeJS.ErrnoException) => {
    if (error.code === 'EADDRINUSE' && triesLeft > 0) {
      process.stdout.write(`Port ${port} is taken, trying ${port + 1}.\n`);
      listen(port + 1, triesLeft - 1);
    } else {
      process.stderr.write(`Meshwork could not start: ${error.message}\n`);
      process.exit(1);
    }
  });
  process.once('SIGINT', () => server.close(() => process.exit(0)));
  process.once('SIGTERM', () => server.close(() => process.exit(0)));
}

listen(wanted, 20);
