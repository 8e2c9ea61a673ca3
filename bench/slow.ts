/**
 * A full browser on a slow device: 200 plans, 5 000 styles in the log, a processor a quarter as fast; how long until the first screen
 * stands, and what a drag costs then. Run by `npm run bench`.
 */
import { Browser, FINE } from '../e2e/browser.ts';
import { serve } from '../e2e/serve.ts';
import { tell } from './memory.ts';

const PLANS = 200;
const STYLES = 5000;
const THROTTLED = 4;
const ROUNDS = 3;

const FILL = `
  const [plans, styles] = arguments;
  return new Promise((ok, no) => {
    const open = indexedDB.open('meshwork');
    open.onerror = no;
    open.onsuccess = () => {
      const db = open.result;
      const tx = db.transaction(['plans', 'log'], 'readwrite');
      const all = (s) => new Promise((done) => { const r = tx.objectStore(s).getAll(); r.onsuccess = () => done(r.result); });
      Promise.all([all('plans'), all('log')]).then(([known, log]) => {
        for (let i = 0; i < plans; i++) {
          const p = known[i % known.length];
          const history = { ...p.history, present: { ...p.history.present, plan: { ...p.history.present.plan, id: 'many-' + i, name: 'Plan ' + i } } };
          tx.objectStore('plans').put({ ...p, id: 'many-' + i, history, updatedAtMs: i });
        }
        for (let i = 0; i < styles; i++) {
          const e = log[i % log.length];
          tx.objectStore('log').put({ ...e, id: 'many-' + i, sessionId: 'many-' + i, atMs: e.atMs - 86400000 * i, planName: 'Style ' + i });
        }
      });
      tx.oncomplete = () => { db.close(); ok(true); };
      tx.onerror = no;
    };
  });
`;
const LONG_TASKS = `
  window.longTasks = [];
  new PerformanceObserver((list) => window.longTasks.push(...list.getEntries().map((e) => e.duration))).observe({ type: 'longtask' });
`;
const READY = `new Promise((done) => {
  const look = () => document.querySelector('[data-ready=yes]') && document.querySelector('[data-picture=ready]') ? done(performance.now()) : requestAnimationFrame(look);
  look();
})`;

const { url, stop } = await serve(true);
const browser = await Browser.open({ fineness: FINE, scale: 1, allCompilers: true });
try {
  await browser.command('Page.addScriptToEvaluateOnNewDocument', { source: LONG_TASKS });
  await browser.go(url);
  await browser.settled();
  await browser.script(FILL, PLANS, STYLES);
  await browser.command('Emulation.setCPUThrottlingRate', { rate: THROTTLED });
  const first: number[] = [];
  const tasks: number[] = [];
  for (let i = 0; i < ROUNDS; i++) {
    await browser.go(`${url}/plan/demo-deep-part/rows`);
    first.push(await browser.script<number>(`return ${READY}`));
    await browser.until(`document.querySelector('[data-drawn=rest]')`, 'the picture at rest');
    await browser.script('window.longTasks.length = 0');
    const from = await browser.centre('[data-zone=top]');
    await browser.drag(from, { x: from.x - 30, y: from.y }, 20);
    await browser.settled();
    tasks.push(Math.max(0, ...(await browser.script<number[]>('return window.longTasks'))));
  }
  const many = `${PLANS} plans, ${STYLES} styles, ${THROTTLED} times throttled`;
  say(`the first screen (${many})`, first);
  say('the longest task of a drag there', tasks);
} finally {
  await browser.close();
  stop();
}

function say(what: string, ms: readonly number[]) {
  tell(what, ms);
  process.stdout.write(
    `${what.padEnd(76)} quickest ${Math.min(...ms)
      .toFixed(0)
      .padStart(5)} ms   slowest ${Math.max(...ms).toFixed(0)} ms\n`,
  );
}
process.exit(0);
