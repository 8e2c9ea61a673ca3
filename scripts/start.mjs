/** npm start: installs what is missing, builds, and serves Meshwork with its demo data on 127.0.0.1. */
import { spawn } from 'node:child_process';
import { join } from 'node:path';
import { buildApp, checkNode, installPackages, root, say } from './lib.mjs';

checkNode();
installPackages();
buildApp();
say('Server: starting with the demo data. Stop it with Ctrl+C.');
const server = spawn(process.execPath, ['--import', 'tsx', join(root, 'src/server/main.ts'), '--demo'], {
  cwd: root,
  stdio: 'inherit',
});
for (const signal of ['SIGINT', 'SIGTERM']) process.on(signal, () => server.kill(signal));
server.on('exit', (code) => process.exit(code ?? 0));
