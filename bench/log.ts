/**
 * What a long log costs: 200 styles with 40 000 events, opened, searched and learned from, measured in the page from the press to
 * what is shown, by the Performance API. Run by `npm run bench`.
 */
import { Browser, FINE } from '../e2e/browser.ts';
import { serve } from '../e2e/serve.ts';
import { tell } from './memory.ts';

const STYLES = 200;
const EVENTS_EACH = 200;
const OPEN_MS = 300;
const SEARCH_MS = 50;
/** Told is the middle of so many. */
const ROUNDS = 5;

/** Does the first, and tells how long it is until the second holds, ms. No text is run later on: the page forbids it. */
const timed = (act: string, holds: string) => `
  return new Promise((done) => {
    const start = performance.now();
    ${act};
    const look = () => ((${holds}) ? done(performance.now() - start) : requestAnimationFrame(look));
    look();
  });
`;
const press = (station: string) =>
  `[...document.querySelectorAll('a.station')].find((a) => a.getAttribute('href').endsWith('/${station}')).click()`;
const PRESS_HANDS = `document.querySelector('[data-part=hands]').dispatchEvent(new MouseEvent('mousedown', { bubbles: true, button: 0 }))`;
const search = (words: string) => `
  const field = document.querySelector('[data-testid=log-search]');
  Object.getOwnPropertyDescriptor(HTMLInputElement.prototype, 'value').set.call(field, '${words}');
  field.dispatchEvent(new Event('input', { bubbles: true }));
`;
/** Styles of the demo over and over, each with a name, an install and events of its own. */
const FILL = `
  const [styles, eventsEach] = arguments;
  const stores = ['sessions', 'events', 'log', 'styles', 'deeds', 'wear'];
  const all = (store, tx) => new Promise((ok, no) => { const r = tx.objectStore(store).getAll(); r.onsuccess = () => ok(r.result); r.onerror = no; });
  return new Promise((ok, no) => {
    const open = indexedDB.open('meshwork');
    open.onerror = no;
    open.onsuccess = () => fill(open.result, ok).catch(no);
  });
  async function fill(db, ok) {
      const tx = db.transaction(stores, 'readwrite');
      const [sessions, events, log, kept, deeds] = await Promise.all(['sessions', 'events', 'log', 'styles', 'deeds'].map((s) => all(s, tx)));
      const past = log.filter((l) => /past/.test(l.id));
      let count = 0;
      for (let i = 0; i < styles; i++) {
        const entry = past[i % past.length];
        const session = sessions.find((s) => s.id === entry.sessionId);
        const style = kept.find((s) => s.sessionId === entry.sessionId);
        const deed = deeds.find((s) => s.sessionId === entry.sessionId);
        const id = 'bench-' + i;
        const atMs = entry.atMs - 86400000 * i;
        tx.objectStore('sessions').put({ ...session, id, startedAtMs: session.startedAtMs - 86400000 * i });
        tx.objectStore('log').put({ ...entry, id, sessionId: id, atMs, planName: entry.planName + ' number ' + i + '.' });
        const n = deed.timed.kind.length;
        const timed = Object.fromEntries(Object.entries(deed.timed).map(([name, c]) => [name, c.constructor.from({ length: eventsEach }, (_, k) => c[k % n])]));
        tx.objectStore('styles').put({ ...style, sessionId: id });
        tx.objectStore('deeds').put({ ...deed, sessionId: id, timed });
        const own = events.filter((e) => e.sessionId === entry.sessionId);
        for (let k = 0; k < eventsEach; k++) {
          const { seq, ...event } = own[k % own.length];
          tx.objectStore('events').put({ ...event, sessionId: id, key: id + '-' + k, n: k });
          count++;
        }
        for (let k = 0; k < 8; k++) tx.objectStore('wear').put({ key: id + '-day-' + k, sessionId: id, atMs, day: '2026-01-' + (10 + k), what: 'fuzz' });
      }
      tx.oncomplete = () => { db.close(); ok(count); };
  }
`;

const { url, stop } = await serve(true);
const browser = await Browser.open({ fineness: FINE, scale: 1, allCompilers: true });
let worst = 0;
try {
  await browser.go(url);
  await browser.settled();
  const log = `${url}/plan/demo-swept-coils/log`;
  await browser.go(log);
  await browser.appears('[data-testid="logbook"][data-folding="0"] [data-style]');
  const kept = await browser.script<number>(FILL, STYLES, EVENTS_EACH);
  // What was written past it the page knows only once it is loaded anew.
  await browser.go(log);
  await browser.settled();
  const opened: number[] = [];
  const found: number[] = [];
  const learned: number[] = [];
  for (let i = 0; i < ROUNDS; i++) {
    await browser.script(press('takedown'));
    await browser.until(
      `/takedown$/.test(location.pathname) && document.querySelector('.bench h2')`,
      'another station',
    );
    await browser.settled();
    opened.push(
      await browser.script<number>(
        timed(press('log'), `/of 2\\d\\d styles/.test(document.querySelector('.log-table caption')?.textContent)`),
      ),
    );
    await browser.settled();
    found.push(
      await browser.script<number>(
        timed(search('number 137.'), `document.querySelectorAll('[data-style]').length === 1`),
      ),
    );
    await browser.script(search(''));
    learned.push(
      await browser.script<number>(timed(PRESS_HANDS, `document.querySelector('[data-testid=pace-learned]')`)),
    );
  }
  for (const [what, ms] of [
    ['the log opened', opened],
    ['the log searched', found],
    ['her hands learned in the page', learned],
  ] as const)
    tell(what, ms);
  say(`${STYLES} styles, ${kept} events: the log opened`, middle(opened), OPEN_MS);
  say('searched', middle(found), SEARCH_MS);
  process.stdout.write(
    `${'read, learned from and shown, as her hands are asked for'.padEnd(58)} ${middle(learned).toFixed(1)} ms\n`,
  );
} finally {
  await browser.close();
  stop();
}
process.exit(worst);

function middle(ms: readonly number[]): number {
  return [...ms].sort((a, b) => a - b)[ms.length >> 1];
}

function say(what: string, ms: number, limitMs: number) {
  const isWithin = ms <= limitMs;
  if (!isWithin) worst = 1;
  process.stdout.write(
    `${what.padEnd(52)} middle ${ms.toFixed(1).padStart(6)} ms   ${isWithin ? 'within' : 'MISSES'} ${limitMs} ms\n`,
  );
}
