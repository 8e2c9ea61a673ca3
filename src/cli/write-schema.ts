/** Writes docs/schema from the validators. Run by `npm run schema`. */
import { existsSync, readFileSync, writeFileSync } from 'node:fs';
import { COMPUTED_VERSION } from '../formats/computed-schema.ts';
import { backupJsonSchema, computedJsonSchema } from '../formats/published.ts';
import { BACKUP_VERSION } from '../model/backup-schema.ts';
import { PLAN_VERSION } from '../model/plan.ts';
import { type JsonSchema, planJsonSchema } from '../model/published-schema.ts';

function publish(name: string, version: number, made: (words: JsonSchema) => JsonSchema) {
  const fileOf = (v: number) => new URL(`../../docs/schema/${name}-${v}.schema.json`, import.meta.url);
  // A new version takes over the words of the one before it.
  const file = fileOf(version);
  const known = [file, fileOf(version - 1)].find((f) => existsSync(f));
  const words = known ? JSON.parse(readFileSync(known, 'utf8')) : {};
  writeFileSync(file, `${JSON.stringify(made(words), null, 2)}\n`);
}

publish('plan', PLAN_VERSION, planJsonSchema);
publish('computed-plan', COMPUTED_VERSION, computedJsonSchema);
publish('backup', BACKUP_VERSION, backupJsonSchema);
