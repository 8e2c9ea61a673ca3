/** Writes docs/schema of the plan from its validator. Run by `npm run schema`. */
import { existsSync, readFileSync, writeFileSync } from 'node:fs';
import { PLAN_VERSION } from '../model/plan.ts';
import { planJsonSchema } from '../model/published-schema.ts';

const fileOf = (version: number) => new URL(`../../docs/schema/plan-${version}.schema.json`, import.meta.url);
// A new version takes over the words of the one before it.
const file = fileOf(PLAN_VERSION);
const words = JSON.parse(readFileSync(existsSync(file) ? file : fileOf(PLAN_VERSION - 1), 'utf8'));
writeFileSync(file, `${JSON.stringify(planJsonSchema(words), null, 2)}\n`);
