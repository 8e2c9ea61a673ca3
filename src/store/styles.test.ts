/** Styles in the store: folded anew when something is added, nothing of hers lost, the next plan begun once. */
import 'fake-indexeddb/auto';
import { afterEach, beforeEach, describe, expect, it } from 'vitest';
import { inColumns } from '../core/hands/index.ts';
import { newPlan } from '../model/defaults.ts';
import { setWornDays } from '../model/evenings.ts';
import type { LogEntry } from '../model/install-log.ts';
import { styleLine } from '../model/logged.ts';
import { type DeedsRecord, MeshworkDatabase } from './database.ts';
import { chooseHands, handsChoices, toldOfHands } from './hands.ts';
import { addEvents, addLogEntry, startSession } from './installs.ts';
import { mergeInstall } from './merge-install.ts';
import { nextPlanOf, takeIntoNext } from './next-plan.ts';
import { addPlan, deletePlan } from './plans.ts';
import { addPractice, dropPractice, practiceOf } from './practice.ts';
import { keepStyle, setNextTime, stylesOf, unfolded } from './styles.ts';
import { addWear } from './wear.ts';

let db: MeshworkDatabase;
let name = 0;
beforeEach(() => {
  db = new MeshworkDatabase(`styles-${name++}`);
});
afterEach(() => db.delete());

const plan = newPlan('p', 'A plan');
const figures = { knots: 90, pieces: 100, packs: 4, minutes: 120, price: 40 };
const entry = (over: Partial<LogEntry> = {}): LogEntry => ({
  id: 'l',
  planId: 'p',
  sessionId: 's',
  planName: 'A plan',
  atMs: 4000,
  line: 'Wider at the nape.',
  planned: figures,
  used: { ...figures, pieces: 110 },
  ...over,
});
const deeds: DeedsRecord = {
  sessionId: 's',
  rows: [],
  timed: inColumns([{ kind: 'wrap', zone: 'back', knots: 1, seconds: 30, plainSeconds: 20, hoursOn: 0 }]),
  knots: 90,
  leftEmpty: 0,
  pieces: 110,
  piecesPerPack: 30,
  strands: {},
};
const worn = { finishedAtMs: 3000, isOffAtNight: true };
const begin = async () => {
  await addPlan(db, plan, 'New plan', 1, { id: 'w', revision: 1 });
  await startSession(db, { id: 's', planId: 'p', startedAtMs: 1000, plan, finished: 0 });
  await addEvents(db, [
    { sessionId: 's', key: 'a', n: 1, kind: 'knot', atMs: 2000, knotId: 'k1' },
    { sessionId: 's', key: 'b', n: 2, kind: 'finish', atMs: 3000 },
  ]);
  await addLogEntry(db, entry());
};
const eventsOf = () => db.events.where('sessionId').equals('s').count();

describe('a style', () => {
  it('is one record of session, line, days and what it really was', async () => {
    await begin();
    await keepStyle(db, deeds, worn, await eventsOf());
    await addWear(db, { key: 'n', sessionId: 's', atMs: 1, day: '1970-01-02', what: 'fuzz' });
    const [kept] = await stylesOf(db, 'p');
    expect(kept).toMatchObject({
      id: 'l',
      entry: { line: 'Wider at the nape.' },
      session: { takenOutAtMs: undefined },
      style: { ...worn, piecesPerPack: 30 },
    });
    expect(kept.wear).toHaveLength(1);
    const line = styleLine(kept, '1970-01-11', () => '1970-01-01');
    expect(line).toMatchObject({
      days: 10,
      isWornStill: true,
      pieces: 110,
      leftOver: 10,
      costADay: 4,
      costAWearing: 40,
    });
  });

  it('is folded anew as soon as an event is added, here or from another device', async () => {
    await begin();
    expect((await unfolded(db, 'p')).map((s) => s.id)).toEqual(['s']);
    await keepStyle(db, deeds, worn, await eventsOf());
    expect(await unfolded(db, 'p')).toEqual([]);
    await addEvents(db, [{ sessionId: 's', key: 'c', n: 3, kind: 'note', atMs: 9000, text: 'x' }]);
    expect((await unfolded(db, 'p')).map((s) => s.id)).toEqual(['s']);
    await keepStyle(db, deeds, worn, await eventsOf());
    const session = await db.sessions.get('s');
    if (!session) throw new Error('the install is gone');
    await mergeInstall(db, session, [{ sessionId: 's', key: 'd', n: 4, kind: 'note', atMs: 9500, text: 'y' }]);
    expect((await unfolded(db, 'p')).map((s) => s.id)).toEqual(['s']);
    // The days and the line are as they were.
    expect((await stylesOf(db, 'p'))[0].entry.line).toBe('Wider at the nape.');
  });

  it('is not kept as it was before what came while it was folded', async () => {
    await begin();
    const before = await eventsOf();
    await addEvents(db, [{ sessionId: 's', key: 'c', n: 3, kind: 'note', atMs: 9000, text: 'x' }]);
    await keepStyle(db, deeds, worn, before);
    expect(await db.styles.count()).toBe(0);
  });

  it('is shown with its wearer’s others, and with nobody else’s', async () => {
    await begin();
    await addPlan(db, { ...plan, id: 'q' }, 'New plan', 1, { id: 'w', revision: 1 });
    await addPlan(db, { ...plan, id: 'r' }, 'New plan', 1, { id: 'x', revision: 1 });
    expect(await stylesOf(db, 'q')).toHaveLength(1);
    expect(await stylesOf(db, 'r')).toEqual([]);
  });

  it('its line can be put right whenever she likes; one that is gone is said', async () => {
    await begin();
    await setNextTime(db, 'l', { line: 'Shorter.', wishes: ['shorter'], enough: 0.9 });
    expect((await stylesOf(db, 'p'))[0].entry).toMatchObject({
      line: 'Shorter.',
      wishes: ['shorter'],
      used: { pieces: 110 },
    });
    await expect(setNextTime(db, 'gone', { line: '' })).rejects.toThrow(/no longer/);
  });
});

describe('what it tells of her hands', () => {
  it('knots, pieces and what was enough; test rows of hers beside it, with nobody else’s', async () => {
    await begin();
    await keepStyle(db, deeds, worn, await eventsOf());
    await setNextTime(db, 'l', { line: '', enough: 0.9 });
    const row = { kind: 'wrap', plainSeconds: 20, seconds: [30, 28], gapsMm: [18], aimMm: 18 } as const;
    await addPractice(db, 'p', { kind: 'row', id: 'r1', atMs: 5, row });
    await addPlan(db, { ...plan, id: 'r' }, 'New plan', 1, { id: 'x', revision: 1 });
    await addPractice(db, 'r', { kind: 'row', id: 'r2', atMs: 5, row });
    const told = await toldOfHands(db, 'p');
    expect(told).toHaveLength(2);
    expect(told[0]).toMatchObject({ timed: deeds.timed, used: 1.1 });
    expect(told[0].enough).toBeCloseTo(0.99, 12);
    expect(told[1].timed.kind).toHaveLength(2);
    await dropPractice(db, 'r1');
    expect(await practiceOf(db, 'p')).toEqual([]);
    expect(await practiceOf(db, 'r')).toHaveLength(1);
  });

  it('what she decides of one quantity leaves the others; what can’t be read is as nothing', async () => {
    await chooseHands(db, 'w', 'pace', { own: 1.4 });
    await chooseHands(db, 'w', 'enough', { isOff: true });
    await chooseHands(db, 'w', 'pace', undefined);
    expect(await handsChoices(db, 'w')).toEqual({ enough: { isOff: true } });
    await db.settings.put({ key: 'hands-w', value: '{' });
    expect(await handsChoices(db, 'w')).toEqual({});
  });
});

describe('the next plan', () => {
  const take = (key: string, days: number, from = plan) =>
    takeIntoNext(db, { entryId: 'l', planId: 'p', key, change: setWornDays(from, days), freshId: `n-${key}` }, 5000);

  it('is begun by the first change that is taken, hers, and changed by the next with undo', async () => {
    await begin();
    await take('one', 20);
    expect(await nextPlanOf(db, 'l')).toEqual({ planId: 'n-one', taken: ['one'] });
    const first = await db.plans.get('n-one');
    expect(first).toMatchObject({
      wearer: { id: 'w' },
      history: { present: { plan: { name: 'A plan, next', wornDays: 20 } } },
    });
    await take('two', 24, first?.history.present.plan);
    expect(await nextPlanOf(db, 'l')).toEqual({ planId: 'n-one', taken: ['one', 'two'] });
    const second = await db.plans.get('n-one');
    expect(second?.history.present.plan).toMatchObject({ id: 'n-one', wornDays: 24 });
    expect(second?.history.past).toHaveLength(1);
    expect(await db.plans.count()).toBe(2);
    // The style itself stays as it was.
    expect((await db.plans.get('p'))?.history.present.plan).toEqual(plan);
  });

  it('begins anew where the one that was begun is deleted', async () => {
    await begin();
    await take('one', 20);
    await deletePlan(db, 'n-one', 6000);
    await take('two', 24);
    expect(await nextPlanOf(db, 'l')).toEqual({ planId: 'n-two', taken: ['two'] });
  });
});
