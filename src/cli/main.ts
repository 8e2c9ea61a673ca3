/** meshwork plan FILE: reads an exported plan and prints the computed plan as one JSON object. */
import { readFileSync } from 'node:fs';
import { judge, planWithFindings } from '../core/findings/index.ts';
import { planGraph, spacingStep } from '../core/plan/index.ts';
import { computedPlan } from '../formats/computed-json.ts';
import { readPlanJson } from '../formats/plan-json.ts';
import { planInputs } from '../model/to-inputs.ts';

const USAGE = 'Usage: npm run -s meshwork -- plan FILE';
const BAD_INPUT = 2;

function fail(sentence: string): never {
  process.stderr.write(`${sentence}\n`);
  process.exit(BAD_INPUT);
}

function readFile(path: string): string {
  try {
    return readFileSync(path, 'utf8');
  } catch (error) {
    const code = (error as NodeJS.ErrnoException).code;
    const why =
      code === 'ENOENT' ? 'there is no such file' : code === 'EISDIR' ? 'it is a folder' : 'it can’t be opened';
    return fail(`“${path}” can’t be read: ${why}.`);
  }
}

function main(args: readonly string[]) {
  const [command, path, ...rest] = args;
  if (command !== 'plan' || path === undefined || rest.length > 0) fail(USAGE);
  const plan = readPlanJson(readFile(path));
  if (!plan.ok) fail(plan.why);
  const inputs = planInputs(plan.value);
  const graph = planGraph();
  const result = planWithFindings(graph, inputs);
  const computed = computedPlan(plan.value, result, spacingStep(graph, inputs), judge(graph, inputs));
  process.stdout.write(`${JSON.stringify(computed, null, 2)}\n`);
}

main(process.argv.slice(2));
