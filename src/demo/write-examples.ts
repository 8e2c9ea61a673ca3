/** Writes the demo plans and one plan for every kind of base, route and row scheme as files into examples/. Run by `npm run demo`. */
import { mkdirSync, writeFileSync } from 'node:fs';
import { fileStem, writePlanJson } from '../formats/plan-json.ts';
import { examplePlans } from './examples.ts';

const folder = new URL('../../examples/', import.meta.url);
mkdirSync(folder, { recursive: true });
for (const plan of examplePlans) {
  const file = new URL(`${fileStem(plan.name)}.plan.json`, folder);
  writeFileSync(file, writePlanJson(plan));
  process.stdout.write(`${fileStem(plan.name)}.plan.json\n`);
}
