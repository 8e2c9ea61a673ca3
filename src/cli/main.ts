/**
 * meshwork plan FILE: the computed plan of an exported one; meshwork buy PLAN: what to buy for it, each one JSON object. meshwork paper
 * FILE: what is printed for it, one PDF.
 */
import { readFileSync, writeFileSync } from 'node:fs';
import { parseArgs } from 'node:util';
import { formatISO } from 'date-fns';
import { judge, type PlanResult, planWithFindings } from '../core/findings/index.ts';
import { planGraph, spacingStep } from '../core/plan/index.ts';
import { computedPlan } from '../formats/computed-json.ts';
import { readPlanJson } from '../formats/plan-json.ts';
import { isWrittenDay } from '../model/days.ts';
import type { PlanDocument } from '../model/plan.ts';
import { planInputs } from '../model/to-inputs.ts';
import { BUYING_FORMAT, BUYING_VERSION, boughtFor } from './buy.ts';
import { paperFor } from './paper.ts';

const USAGE =
  'Usage: npm run -s meshwork -- plan FILE, or: buy FILE --catalogue FILE; with either [--stash FILE] [--today 2027-03-14]; or: paper FILE --out FILE.pdf [--size letter] [--cut darts]';
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

async function main([command, ...args]: readonly string[]) {
  if (command === 'paper') return printPaper(args);
  if (command !== 'plan' && command !== 'buy') fail(USAGE);
  const { values, positionals } = flagsIn(args);
  const { stash, catalogue, today = formatISO(new Date(), { representation: 'date' }) } = values;
  if (positionals.length !== 1 || (command === 'buy' && catalogue === undefined)) fail(USAGE);
  if (!isWrittenDay(today)) fail(`“${today}” is no day such as 2027-03-14.`);
  const plan = planIn(positionals[0]);
  const { inputs, graph, result } = laid(plan);
  const buying = catalogue === undefined ? null : await purchaseOf(plan, result, { stash, catalogue, today });
  print(
    command === 'plan'
      ? computedPlan(plan, result, spacingStep(graph, inputs), judge(graph, inputs), buying)
      : { format: BUYING_FORMAT, version: BUYING_VERSION, plan: { id: plan.id, name: plan.name }, ...buying },
  );
}

const print = (value: object) => process.stdout.write(`${JSON.stringify(value, null, 2)}\n`);

function planIn(path: string): PlanDocument {
  const plan = readPlanJson(readFile(path));
  return plan.ok ? plan.value : fail(plan.why);
}

/** The catalogue is what the shop answers; today is told where the answer has to be the same tomorrow. */
async function purchaseOf(
  plan: PlanDocument,
  result: PlanResult,
  {
    stash,
    catalogue,
    today,
  }: { readonly stash: string | undefined; readonly catalogue: string; readonly today: string },
) {
  const files = { stash: stash === undefined ? undefined : readFile(stash), catalogue: readFile(catalogue), today };
  const bought = await boughtFor(plan, result, files);
  return bought.ok ? bought.value : fail(bought.why);
}

async function printPaper(args: readonly string[]) {
  const { values, positionals } = flagsIn(args);
  if (positionals.length !== 1 || values.out === undefined) fail(USAGE);
  const plan = planIn(positionals[0]);
  const { inputs, graph, result } = laid(plan);
  const pdf = await paperFor(plan, { inputs, graph, result }, values);
  if (!pdf.ok) fail(pdf.why);
  writeFileSync(values.out, pdf.value);
}

const FLAGS = {
  stash: { type: 'string' },
  catalogue: { type: 'string' },
  today: { type: 'string' },
  out: { type: 'string' },
  size: { type: 'string' },
  cut: { type: 'string' },
} as const;

function flagsIn(args: readonly string[]) {
  try {
    return parseArgs({ args: [...args], options: FLAGS, allowPositionals: true });
  } catch {
    return fail(USAGE);
  }
}

/** What a plan says that can’t be laid is a sentence; any other error is a mistake of ours and is shown whole. */
function laid(plan: PlanDocument) {
  try {
    const inputs = planInputs(plan);
    const graph = planGraph();
    return { inputs, graph, result: planWithFindings(graph, inputs) };
  } catch (error) {
    if (error instanceof RangeError) return fail(`This plan could not be worked out: ${error.message}`);
    throw error;
  }
}

await main(process.argv.slice(2));
