/** meshwork plan FILE: reads an exported plan and prints the computed plan as one JSON object. */
import { readFileSync } from 'node:fs';
import { judge, planWithFindings } from '../core/findings/index.ts';
import { planGraph, spacingStep } from '../core/plan/index.ts';
import { computedPlan } from '../formats/computed-json.ts';
import { readPlanJson } from '../formats/plan-json.ts';
import type { PlanDocument } from '../model/plan.ts';
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
  process.stdout.write(`${JSON.stringify(computedOf(plan.value), null, 2)}\n`);
}

/** What a plan says that can’t be laid is a sentence; any other error is a mistake of ours and is shown whole. */
function computedOf(plan: PlanDocument) {
  try {
    const inputs = planInputs(plan);
    const graph = planGraph();
    const result = planWithFindings(graph, inputs);
    return computedPlan(plan, result, spacingStep(graph, inputs), judge(graph, inputs));
  } catch (error) {
    if (error instanceof RangeError) fail(`This plan could not be worked out: ${error.message}`);
    throw error;
  }
}

main(process.argv.slice(2));
