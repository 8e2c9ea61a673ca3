/** npm run -s meshwork -- plan FILE: the command line, run from its TypeScript source. */
import { spawnSync } from 'node:child_process';
import { existsSync } from 'node:fs';
import { dirname, join } from 'node:path';
import { fileURLToPath } from 'node:url';

const root = dirname(dirname(fileURLToPath(import.meta.url)));
if (!existsSync(join(root, 'node_modules', 'tsx'))) {
  process.stderr.write('The packages are not installed yet: run npm start or npm ci once.\n');
  process.exit(1);
}
// npm runs scripts in the project's folder; files are named from where she called it.
const cwd = process.env.INIT_CWD ?? process.cwd();
const tsx = join(root, 'node_modules', 'tsx', 'dist', 'loader.mjs');
const result = spawnSync(process.execPath, ['--import', tsx, join(root, 'src/cli/main.ts'), ...process.argv.slice(2)], {
  cwd,
  stdio: 'inherit',
});
process.exit(result.status ?? 1);
