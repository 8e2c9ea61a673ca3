/** npm run bench: bundles the bench as the browser gets its code, then runs it. */
import { existsSync, rmSync } from 'node:fs';
import { join } from 'node:path';
import { buildApp, checkNode, installPackages, root, run, say } from './lib.mjs';

checkNode();
installPackages();
say('Bench: bundling …');
const vite = join(root, 'node_modules', 'vite', 'bin', 'vite.js');
const bundled = run(process.execPath, [
  vite,
  'build',
  '--ssr',
  'bench/run.ts',
  '--outDir',
  '.cache/bench',
  '--logLevel',
  'warn',
]);
// What an ended run left is no part of this one.
rmSync(join(root, '.cache', 'bench-told.jsonl'), { force: true });
const core = bundled && run(process.execPath, ['.cache/bench/run.js']);
const bench = (file) => run(process.execPath, ['--import', 'tsx', file]);
const backup = bench('bench/backup.ts');
let screen = true;
if (existsSync('/usr/bin/chromium')) {
  buildApp();
  // All are told, also where one misses.
  screen = ['bench/drag.ts', 'bench/log.ts', 'bench/slow.ts'].map(bench).every(Boolean);
} else {
  say('What the screen costs is not measured: there is no Chromium here (npm test installs it).');
}
const isAsFast = bench('bench/remember.ts');
process.exit(core && backup && screen && isAsFast ? 0 : 1);
