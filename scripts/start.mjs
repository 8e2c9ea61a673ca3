/** npm start: installs what is missing, builds, and serves Meshwork on 127.0.0.1, with its demo data unless --empty is said. */
import { spawn } from 'node:child_process';
import { join } from 'node:path';
import { buildApp, checkNode, installPackages, root, say } from './lib.mjs';

checkNode();
installPackages();
buildApp();
const isEmpty = process.argv.includes('--empty');
say(`Server: starting ${isEmpty ? 'without' : 'with'} the demo data. Stop it with Ctrl+C.`);
const start = ['--import', 'tsx', join(root, 'src/server/main.ts'), ...(isEmpty ? [] : ['--demo'])];
const server = spawn(process.execPath, start, {
  cwd: root,
  stdio: 'inherit',
});
for (const signal of ['SIGINT', 'SIGTERM']) process.on(signal, () => server.kill(signal));
server.on('exit', (code) => process.exit(code ?? 0));
