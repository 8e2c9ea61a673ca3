/** Shared by the commands: says what it does, runs it, and stops with a clear sentence when it fails. */
import { spawnSync } from 'node:child_process';
import { createHash } from 'node:crypto';
import { existsSync, mkdirSync, readFileSync, writeFileSync } from 'node:fs';
import { dirname, join } from 'node:path';
import { fileURLToPath } from 'node:url';

export const root = dirname(dirname(fileURLToPath(import.meta.url)));

export function say(line) {
  process.stdout.write(`${line}\n`);
}

/** Runs a command in the project's folder with its output shown; returns whether it ended well. */
export function run(command, args, options = {}) {
  const result = spawnSync(command, args, { cwd: root, stdio: 'inherit', ...options });
  return result.status === 0;
}

export function checkNode() {
  const [major, minor] = process.versions.node.split('.').map(Number);
  if (major > 20 || (major === 20 && minor >= 19)) return;
  say(`Meshwork needs Node 20.19 or newer; this is ${process.versions.node}.`);
  process.exit(1);
}

/** Installs the packages unless those of this lock file are there already. */
export function installPackages() {
  const lock = createHash('sha256')
    .update(readFileSync(join(root, 'package-lock.json')))
    .digest('hex');
  const stamp = join(root, 'node_modules', '.meshwork-lock');
  if (existsSync(stamp) && readFileSync(stamp, 'utf8') === lock) {
    say('Packages: already installed.');
    return;
  }
  say('Packages: installing with npm ci (one to two minutes) …');
  if (!run('npm', ['ci', '--no-audit', '--no-fund', '--loglevel=error'])) {
    say('The packages could not be installed. Is the npm registry within reach?');
    process.exit(1);
  }
  mkdirSync(dirname(stamp), { recursive: true });
  writeFileSync(stamp, lock);
}

export function buildApp() {
  say('Application: building …');
  if (!run(process.execPath, [join(root, 'node_modules', 'vite', 'bin', 'vite.js'), 'build', '--logLevel', 'warn'])) {
    say('The application could not be built.');
    process.exit(1);
  }
}
