/** npm run bench: bundles the bench as the browser gets its code, then runs it. */
import { join } from 'node:path';
import { checkNode, installPackages, root, run, say } from './lib.mjs';

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
process.exit(bundled && run(process.execPath, ['.cache/bench/run.js']) ? 0 : 1);
