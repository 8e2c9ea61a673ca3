/**
 * What a drag of a spacing bead costs the main thread, without a graphics card: the browser's own long tasks (Performance
 * API, "longtask") and, from its trace, how long our script ran in the longest task. Run by `npm run bench`.
 */
import type { AddressInfo } from 'node:net';
import { logging } from 'selenium-webdriver';
import { Browser, FINE } from '../e2e/browser.ts';
import { createServer } from '../src/server/app.ts';

const LONG_TASK_MS = 50;
const SCRIPT_MS = 8;
const STEPS = 40;

interface TraceEvent {
  readonly name: string;
  readonly ph: string;
  readonly ts: number;
  readonly dur?: number;
  readonly pid: number;
  readonly tid: number;
  readonly args?: { readonly data?: { readonly url?: string; readonly message?: string } };
}

const server = createServer({ dist: `${process.cwd()}/dist`, demo: true, now: () => Date.now() }).listen(
  0,
  '127.0.0.1',
);
await new Promise((resolve) => server.once('listening', resolve));
const url = `http://127.0.0.1:${(server.address() as AddressInfo).port}`;
const browser = await Browser.open({
  fineness: FINE,
  scale: 1,
  traced: '-*,devtools.timeline,disabled-by-default-devtools.timeline,__metadata',
});
let worst = 0;
try {
  await browser.go(url);
  await browser.settled();
  await browser.go(`${url}/plan/demo-deep-part/rows`);
  await browser.settled();
  await browser.picture();
  await browser.until(`document.querySelector('[data-drawn=rest]')`, 'the picture at rest');
  // Once before: what is compiled and loaded at the first drag is not what a drag costs.
  await drag(6);
  await browser.settled();
  await browser.script(
    `console.timeStamp('drag'); window.longTasks = []; new PerformanceObserver((l) => window.longTasks.push(...l.getEntries().map((e) => e.duration))).observe({ type: 'longtask' })`,
  );
  await drag(STEPS);
  await browser.settled();
  const long = await browser.script<number[]>('return window.longTasks');
  const scripts = scriptByTask(await traceEvents());
  const longest = scripts.at(-1) ?? 0;
  say('long tasks while a spacing bead is dragged', `${long.length}`, Math.max(0, ...long), LONG_TASK_MS);
  say(
    'our script in the longest task of that drag',
    `of ${scripts.length} tasks; 95 in 100 below ${(scripts[Math.floor(0.95 * scripts.length)] ?? 0).toFixed(1)} ms`,
    longest,
    SCRIPT_MS,
  );
} finally {
  await browser.close();
  server.close();
}
process.exit(worst);

async function drag(steps: number) {
  const from = await browser.centre('[data-zone=top]');
  await browser.drag(from, { x: from.x + 30, y: from.y }, steps);
}

async function traceEvents(): Promise<TraceEvent[]> {
  const entries = await browser.driver.manage().logs().get(logging.Type.PERFORMANCE);
  return entries.flatMap((e) => {
    const { message } = JSON.parse(e.message) as { message: { method: string; params: TraceEvent } };
    return message.method === 'Tracing.dataCollected' ? [message.params] : [];
  });
}

/** Time of script in each task of the page's main thread, ms, the longest last: calls and microtasks, none counted twice. */
function scriptByTask(events: readonly TraceEvent[]): number[] {
  const ours = events.find((e) => e.name === 'FunctionCall' && e.args?.data?.url?.includes('/assets/first-'));
  const from = events.find((e) => e.name === 'TimeStamp' && e.args?.data?.message === 'drag');
  if (!ours || !from) throw new Error('the trace holds no drag');
  const main = events.filter(
    (e) => e.pid === ours.pid && e.tid === ours.tid && e.ts > from.ts && e.ph === 'X' && e.dur !== undefined,
  );
  const script = main
    .filter((e) =>
      /^(FunctionCall|RunMicrotasks|EvaluateScript|TimerFire|FireAnimationFrame|EventDispatch)$/.test(e.name),
    )
    .sort((a, b) => a.ts - b.ts);
  const tasks = main.filter((e) => /RunTask$/.test(e.name)).sort((a, b) => a.ts - b.ts);
  return tasks
    .map((task) => {
      const end = task.ts + (task.dur ?? 0);
      let sum = 0;
      let done = task.ts;
      for (const s of script) {
        if (s.ts < done || s.ts >= end) continue;
        sum += s.dur ?? 0;
        done = s.ts + (s.dur ?? 0);
      }
      return sum / 1000;
    })
    .filter((ms) => ms > 0)
    .sort((a, b) => a - b);
}

function say(what: string, more: string, ms: number, limitMs: number) {
  const isWithin = ms <= limitMs;
  if (!isWithin) worst = 1;
  process.stdout.write(
    `${what.padEnd(52)} longest ${ms.toFixed(1).padStart(6)} ms   ${isWithin ? 'within' : 'MISSES'} ${limitMs} ms   ${more}\n`,
  );
}
