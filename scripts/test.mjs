/**
 * npm test: installs what the tests need, then lint, types, unit and browser tests. Says what it does, and ends
 * on a plain "N passed, N failed" line.
 */
import { spawnSync } from 'node:child_process';
import { existsSync, mkdirSync, readFileSync, rmSync } from 'node:fs';
import { join } from 'node:path';
import { buildApp, checkNode, installPackages, root, run, say } from './lib.mjs';

const bin = (name, ...path) => join(root, 'node_modules', name, ...path);
const counts = { passed: 0, failed: 0 };

function step(name, ok) {
  counts[ok ? 'passed' : 'failed']++;
  say(`${name}: ${ok ? 'passed' : 'FAILED'}`);
}

function hasBrowser() {
  return existsSync('/usr/bin/chromium') && existsSync('/usr/bin/chromedriver');
}

function installBrowser() {
  if (hasBrowser()) {
    say('Chromium and its driver: already installed.');
    return true;
  }
  say('Chromium and its driver: installing from Debian (about a minute) …');
  const quiet = { stdio: 'ignore', env: { ...process.env, DEBIAN_FRONTEND: 'noninteractive' } };
  const asRoot = process.getuid?.() === 0;
  const apt = (...args) => (asRoot ? run('apt-get', args, quiet) : run('sudo', ['-n', 'apt-get', ...args], quiet));
  apt('update', '-qq');
  apt('install', '-y', '-qq', '--no-install-recommends', 'chromium', 'chromium-driver');
  if (hasBrowser()) return true;
  say(
    'Chromium could not be installed, so the browser tests can’t run. As root: apt-get install chromium chromium-driver',
  );
  return false;
}

/** Runs Vitest and adds its counts; a run that gave no report counts as one failure. */
function vitest(name, args) {
  const report = join(root, '.cache', `${name}.json`);
  mkdirSync(join(root, '.cache'), { recursive: true });
  rmSync(report, { force: true });
  const result = spawnSync(
    process.execPath,
    [
      bin('vitest', 'vitest.mjs'),
      'run',
      ...args,
      '--reporter=default',
      '--reporter=json',
      `--outputFile.json=${report}`,
    ],
    { cwd: root, stdio: 'inherit' },
  );
  if (!existsSync(report)) {
    step(`${name} (no report)`, false);
    return;
  }
  const { numPassedTests, numFailedTests, numFailedTestSuites } = JSON.parse(readFileSync(report, 'utf8'));
  counts.passed += numPassedTests;
  counts.failed += numFailedTests;
  if (result.status !== 0 && numFailedTests === 0) counts.failed += Math.max(1, numFailedTestSuites);
  say(`${name}: ${numPassedTests} passed, ${numFailedTests} failed`);
}

checkNode();
installPackages();
const browser = installBrowser();
say('Lint …');
step('lint', run(process.execPath, [bin('@biomejs/biome', 'bin', 'biome'), 'check', '--error-on-warnings', '.']));
say('Types …');
step('types', run(process.execPath, [bin('typescript', 'bin', 'tsc'), '-b']));
say('Unit tests …');
vitest('unit', []);
if (browser) {
  buildApp();
  say('Browser tests …');
  vitest('browser', ['--config', 'e2e/vitest.config.ts']);
} else {
  step('browser tests', false);
}
say(`${counts.passed} passed, ${counts.failed} failed`);
process.exit(counts.failed === 0 ? 0 : 1);
