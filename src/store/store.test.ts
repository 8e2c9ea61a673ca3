import 'fake-indexeddb/auto';
import Dexie from 'dexie';
import { afterEach, beforeEach, describe, expect, it } from 'vitest';
import { oldStore } from '../../tests/helpers/old-store.ts';
import { demoBundle } from '../demo/demo.ts';
import { demoPlans, shoulderCurls } from '../demo/plans.ts';
import { newPlan } from '../model/defaults.ts';
import versionOne from '../model/fixtures/plan-1.json' with { type: 'json' };
import versionSix from '../model/fixtures/plan-6-full.json' with { type: 'json' };
import { type History, record, startHistory, statesOf, undo } from '../model/history.ts';
import type { InstallSession } from '../model/install-log.ts';
import { PLAN_VERSION } from '../model/plan.ts';
import { setSpacing } from '../model/spacing-commands.ts';
import { MeshworkDatabase } from './database.ts';
import { bringBackDemo, demoState, fillWithDemo, putAwayDemo } from './fill-demo.ts';
import { sessionEvents } from './install-events.ts';
import { addEvents, addLogEntry, markTakenOut, openSession, startSession, unseenSession } from './installs.ts';
import { mergeInstall } from './merge-install.ts';
import { planStates } from './plan-state.ts';
import {
  addPlan,
  copyPlan,
  deletePlan,
  importPlan,
  keptPlans,
  lastDeleted,
  openRecord,
  restorePlan,
  savePlan,
  storageSentence,
} from './plans.ts';
import { wearers } from './wearers.ts';

let db: MeshworkDatabase;
let count = 0;
beforeEach(() => {
  db = new MeshworkDatabase(`test-${count++}`);
});
afterEach(async () => {
  await db.delete();
});

const plan = newPlan('p1', 'First');

describe('plans', () => {
  it('are there again after closing and opening, with undo and redo', async () => {
    await addPlan(db, plan, 'New plan', 1000);
    let h: History = startHistory(plan);
    for (const top of [1, 1.5, 2]) h = record(h, setSpacing(h.present.plan, { top }));
    h = undo(h);
    expect(await savePlan(db, 'p1', 1, h, 2000)).toEqual({ state: 'saved', revision: 2 });
    db.close();
    db = new MeshworkDatabase(db.name);
    const stored = await db.plans.get('p1');
    const opened = stored && openRecord(stored);
    expect(opened).toEqual({ ok: true, history: h });
  });

  it('two tabs don’t overwrite each other unseen', async () => {
    await addPlan(db, plan, 'New plan', 1000);
    const mine = record(startHistory(plan), setSpacing(plan, { top: 1 }));
    const theirs = record(startHistory(plan), setSpacing(plan, { nape: 2 }));
    expect((await savePlan(db, 'p1', 1, theirs, 2000)).state).toBe('saved');
    const outcome = await savePlan(db, 'p1', 1, mine, 2001);
    expect(outcome).toMatchObject({
      state: 'conflict',
      theirs: { history: { present: { plan: { spacing: { fingers: { nape: 2 } } } } } },
    });
    expect((await db.plans.get('p1'))?.history).toEqual(theirs);
  });

  it('a write that fails says so and changes nothing', async () => {
    await addPlan(db, plan, 'New plan', 1000);
    const before = await db.plans.get('p1');
    db.plans.hook('updating', () => {
      throw new DOMException('full', 'QuotaExceededError');
    });
    const outcome = await savePlan(db, 'p1', 1, record(startHistory(plan), setSpacing(plan, { top: 3 })), 2000);
    expect(outcome.state).toBe('failed');
    expect(await db.plans.get('p1')).toEqual(before);
  });

  it('names a full disk, and says that nothing was lost', () => {
    expect(storageSentence(new DOMException('x', 'QuotaExceededError'))).toMatch(/disk is full: nothing was lost/);
    expect(storageSentence(new Error('other'))).toMatch(/still on the screen/);
  });

  it('are copied, deleted and brought back', async () => {
    await addPlan(db, plan, 'New plan', 1000);
    const copy = await copyPlan(db, 'p1', 'p2', 1500);
    expect(copy).toMatchObject({ id: 'p2', name: 'First, copy' });
    expect(await copyPlan(db, 'nobody', 'p9', 1500)).toBeUndefined();
    await deletePlan(db, 'p1', 2000);
    expect((await keptPlans(db)).map((p) => p.id)).toEqual(['p2']);
    expect((await lastDeleted(db))?.id).toBe('p1');
    await restorePlan(db, 'p1');
    expect((await keptPlans(db)).map((p) => p.id)).toEqual(['p2', 'p1']);
    expect(await lastDeleted(db)).toBeUndefined();
  });

  it('come in beside a plan of the same id, never over it', async () => {
    await addPlan(db, plan, 'New plan', 1000);
    const changed = { ...plan, wearer: 'Other' };
    const added = await importPlan(db, changed, 'p7', 2000);
    expect(added).toMatchObject({ id: 'p7', name: 'First, imported', wearer: 'Other' });
    expect((await db.plans.get('p1'))?.history.present.plan.wearer).toBe('');
    expect((await importPlan(db, { ...plan, id: 'fresh' }, 'unused', 2000)).id).toBe('fresh');
  });

  it('that can’t be read are left as they are, with a sentence', () => {
    const broken = {
      id: 'x',
      revision: 1,
      updatedAtMs: 0,
      deletedAtMs: 0,
      history: startHistory({ ...plan, cap: { ...plan.cap, dome: 'felt' } } as unknown as typeof plan),
    };
    const opened = openRecord(broken);
    expect(opened).toEqual({ ok: false, why: expect.stringMatching(/cap has to be one of/) });
  });
});

describe('installs', () => {
  const session: InstallSession = { id: 's1', planId: 'p1', startedAtMs: 100, plan, finished: 0 };

  it('add events one after the other and give them back in order after a killed tab', async () => {
    await startSession(db, session);
    for (const [i, knotId] of ['a', 'b', 'c'].entries())
      await addEvents(db, [{ sessionId: 's1', kind: 'knot', atMs: 200 + i, knotId }]);
    db.close();
    db = new MeshworkDatabase(db.name);
    const events = await sessionEvents(db, 's1');
    expect(events.map((e) => [e.kind, e.knotId])).toEqual([
      ['start', undefined],
      ['knot', 'a'],
      ['knot', 'b'],
      ['knot', 'c'],
    ]);
    expect((await openSession(db, 'p1'))?.id).toBe('s1');
  });

  it('finished ones wait for their line in the log, and going back opens them again', async () => {
    await startSession(db, session);
    await addEvents(db, [{ sessionId: 's1', kind: 'finish', atMs: 300 }]);
    expect(await openSession(db, 'p1')).toBeUndefined();
    expect((await unseenSession(db, 'p1'))?.session.id).toBe('s1');
    await addEvents(db, [{ sessionId: 's1', kind: 'back', atMs: 301 }]);
    expect((await openSession(db, 'p1'))?.id).toBe('s1');
    await addEvents(db, [{ sessionId: 's1', kind: 'finish', atMs: 302 }]);
    const figures = { knots: 1, pieces: 1, packs: 1, minutes: 1, price: 1 };
    await addLogEntry(db, {
      id: 'l1',
      planId: 'p1',
      sessionId: 's1',
      planName: 'First',
      atMs: 400,
      line: 'ok',
      planned: figures,
      used: figures,
    });
    expect(await unseenSession(db, 'p1')).toBeUndefined();
  });
});

describe('demo', () => {
  it('fills an empty store once and leaves a used one alone', async () => {
    const demo = demoBundle(1_790_000_000_000);
    expect(await fillWithDemo(db, demo, 1)).toBe(true);
    expect(await db.plans.count()).toBe(demoPlans.length);
    expect(await fillWithDemo(db, demo, 2)).toBe(false);
    expect((await keptPlans(db))[0].id).toBe(shoulderCurls.id);
  });

  it('is put away and brought back as it was; what is hers is not touched', async () => {
    await fillWithDemo(db, demoBundle(1_000_000), 5);
    await addPlan(db, plan, 'New plan', 6);
    await db.plans.update(demoPlans[1].id, { deletedAtMs: 9 });
    await putAwayDemo(db);
    expect((await keptPlans(db)).map((p) => p.id)).toEqual(['p1']);
    expect(await wearers(db)).toEqual([]);
    expect(await demoState(db)).toBe('away');
    await bringBackDemo(db, () => Promise.reject(new Error('not asked for')), 10);
    expect((await keptPlans(db)).map((p) => p.id)).toEqual([
      'p1',
      ...demoPlans.map((p) => p.id).filter((_, i) => i !== 1),
    ]);
    expect((await lastDeleted(db))?.id).toBe(demoPlans[1].id);
    expect(await wearers(db)).toHaveLength(1);
  });

  it('comes back when all of its plans were deleted one by one', async () => {
    await fillWithDemo(db, demoBundle(1_000_000), 5);
    for (const { id } of demoPlans) await deletePlan(db, id, 7);
    expect(await demoState(db)).toBe('away');
    await bringBackDemo(db, () => Promise.reject(new Error('not asked for')), 10);
    expect(await keptPlans(db)).toHaveLength(demoPlans.length);
  });

  it('comes into a store that began without it', async () => {
    await addPlan(db, plan, 'New plan', 6);
    expect(await demoState(db)).toBe('none');
    await bringBackDemo(db, async () => demoBundle(1_000_000), 7);
    expect(await keptPlans(db)).toHaveLength(1 + demoPlans.length);
  });

  it('says of each plan how far it has come', async () => {
    const bundle = demoBundle(1_000_000_000_000);
    await fillWithDemo(db, bundle, 5);
    const states = await planStates(db);
    const [half, done] = bundle.sessions;
    expect(states.get(half.planId)).toEqual({
      kind: 'half',
      hooked: bundle.events.filter((e) => e.sessionId === half.id && e.kind === 'knot').length,
      of: half.knots,
    });
    expect(states.get(done.planId)?.kind).toBe('worn');
    await markTakenOut(db, done.id, 1_000_900_000_000);
    expect((await planStates(db)).get(done.planId)).toEqual({ kind: 'takenOut', atMs: 1_000_900_000_000 });
    await markTakenOut(db, done.id, undefined);
    expect((await planStates(db)).get(done.planId)?.kind).toBe('worn');
    expect(states.has(demoPlans[2].id) && demoPlans[2].id !== half.planId && demoPlans[2].id !== done.planId).toBe(
      false,
    );
  });

  it('is the same for the same seed; its half install is half, its finished one whole and logged', () => {
    const a = demoBundle(1_790_000_000_000);
    expect(demoBundle(1_790_000_000_000)).toEqual(a);
    expect(demoBundle(1_790_000_000_000, 8).events).not.toEqual(a.events);
    const knots = (id: string) => a.events.filter((e) => e.sessionId === id && e.kind === 'knot').length;
    expect(knots('demo-install-half')).toBeGreaterThan(40);
    expect(a.log[0].planned.knots).toBe(knots('demo-install-done'));
    expect(a.log[0].used.pieces).toBeGreaterThan(a.log[0].planned.pieces);
  });
});

it('the schema is the one that stores were made with', async () => {
  await db.open();
  const raw = await new Dexie(db.name).open();
  const tables = raw.tables.map((t) => [t.name, t.schema.primKey.src, t.schema.indexes.map((i) => i.src).sort()]);
  expect(raw.verno).toBe(12);
  expect(tables.sort()).toEqual([
    ['deeds', 'sessionId', []],
    ['events', '++seq', ['sessionId']],
    ['log', 'id', ['atMs', 'planId']],
    ['orders', 'id', ['planId']],
    ['photos', 'id', ['sessionId']],
    ['pictures', 'planId', []],
    ['plans', 'id', ['deletedAtMs', 'updatedAtMs', 'wearer.id']],
    ['practice', 'id', ['of']],
    ['sessions', 'id', ['finished', 'planId', 'startedAtMs', 'takenOutAtMs']],
    ['settings', 'key', []],
    ['shelf', 'id', ['kind']],
    ['stash', 'id', ['kind']],
    ['styles', 'sessionId', []],
    ['wear', 'key', ['sessionId']],
    ['wearers', 'id', ['updatedAtMs']],
  ]);
  raw.close();
});

it('a store of version 1 opens: plans, their undo steps and a begun install are brought up, nothing is lost', async () => {
  const before = { ...versionOne, name: 'As it was' };
  const history = {
    past: [{ words: 'Opened', plan: before }],
    present: { words: 'Named', plan: versionOne },
    future: [],
  };
  const name = await oldStore(1, {
    plans: [
      { id: 'p', revision: 3, updatedAtMs: 5, deletedAtMs: 0, history },
      {
        id: 'q',
        revision: 1,
        updatedAtMs: 6,
        deletedAtMs: 0,
        history: { ...history, present: { words: 'x', plan: { broken: true } } },
      },
    ],
    sessions: [{ id: 's', planId: 'p', startedAtMs: 7, plan: versionOne, finished: 0 }],
    events: [{ sessionId: 's', kind: 'knot', atMs: 8, knotId: 'r00-L1' }],
  });
  const opened = new MeshworkDatabase(name);
  const record = await opened.plans.get('p');
  expect(record?.revision).toBe(3);
  expect(record?.history.present.plan.version).toBe(PLAN_VERSION);
  const first = record && statesOf(record.history).past[0];
  expect(first?.plan.version).toBe(PLAN_VERSION);
  expect(first?.plan.name).toBe('As it was');
  // Undo steps are patches since version 6: the tape is not kept once more.
  expect(record?.history.past[0].patch).toEqual([{ op: 'replace', path: '/name', value: 'As it was' }]);
  const again = openRecord(record!);
  expect(again.ok && undo(again.history).present.plan.tape.girth).toEqual([versionOne.tape.girth]);
  const session = await opened.sessions.get('s');
  expect(session?.plan.base.family).toBe('tied');
  expect(await sessionEvents(opened, 's')).toHaveLength(1);
  // What can't be read is still there, and told when it is opened.
  const broken = await opened.plans.get('q');
  expect(openRecord(broken!)).toMatchObject({ ok: false });
  opened.close();
});

it('of many undo steps the newest forty are kept over a reload', async () => {
  const plan = newPlan('steps', 'Steps');
  await addPlan(db, plan, 'New', 1);
  let history = startHistory(plan);
  for (let i = 1; i <= 60; i++)
    history = record(history, { words: `Deed ${i}`, plan: { ...history.present.plan, name: `Name ${i}` } });
  await savePlan(db, 'steps', 1, history, 2);
  const kept = (await db.plans.get('steps'))?.history;
  expect(kept?.present.words).toBe('Deed 60');
  expect(kept?.past.map((d) => d.words)).toEqual(Array.from({ length: 40 }, (_, i) => `Deed ${20 + i}`));
});

it('a store of version 5 opens: whole plans among its undo steps become patches, undo and redo lead where they led', async () => {
  const state = (words: string) => ({ words, plan: { ...plan, name: words } });
  const history = { past: [state('One'), state('Two')], present: state('Three'), future: [state('Four')] };
  const name = await oldStore(5, { plans: [{ id: 'p1', revision: 2, updatedAtMs: 5, deletedAtMs: 0, history }] });
  const opened = new MeshworkDatabase(name);
  const stored = await opened.plans.get('p1');
  expect(statesOf(stored!.history)).toEqual(history);
  expect(stored?.history.past[1]).toEqual({
    words: 'Two',
    patch: [{ op: 'replace', path: '/name', value: 'Two' }],
  });
  await opened.delete();
});

it('an install begun with a plan of version 6 goes on with that plan, brought up', async () => {
  const name = await oldStore(6, {
    sessions: [{ id: 's', planId: 'p', startedAtMs: 7, plan: versionSix, finished: 0 }],
    events: [{ sessionId: 's', kind: 'knot', atMs: 8, knotId: 'r01-l01' }],
  });
  const opened = new MeshworkDatabase(name);
  const session = await opened.sessions.get('s');
  expect(session?.plan).toMatchObject({ version: PLAN_VERSION, name: versionSix.name, places: [] });
  expect(session?.plan.rows.hand).toEqual(versionSix.rows.hand);
  expect(await sessionEvents(opened, 's')).toHaveLength(1);
  await opened.delete();
});

it('steps that no longer fit are there until they are taken, and then say so; the plan opens all the same', async () => {
  await addPlan(db, plan, 'New plan', 1000);
  const stored = await db.plans.get('p1');
  const past = [{ words: 'x', patch: [{ op: 'remove' as const, path: '/there/is/none' }] }];
  const opened = openRecord({ ...stored!, history: { ...stored!.history, past } });
  expect(opened).toEqual({ ok: true, history: { ...startHistory(plan, 'New plan'), past } });
  expect(() => opened.ok && undo(opened.history)).toThrow(/“x” no longer fits this plan/);
});

it('events of before there was an order get one, and a key; another device’s are added once', async () => {
  const name = await oldStore(9, {
    sessions: [{ id: 's', planId: 'p', startedAtMs: 7, plan: demoPlans[0], finished: 0 }],
    events: [
      { sessionId: 's', kind: 'start', atMs: 7 },
      { sessionId: 's', kind: 'knot', atMs: 8, knotId: 'a', key: 'mine' },
      { sessionId: 's', kind: 'knot', atMs: 9, knotId: 'b' },
    ],
  });
  const opened = new MeshworkDatabase(name);
  const events = await sessionEvents(opened, 's');
  expect(events.map((e) => e.n)).toEqual([0, 1, 2]);
  expect(events.map((e) => e.key)).toEqual(['s-start', 'mine', expect.stringMatching(/^s-\d+$/)]);
  const session = await opened.sessions.get('s');
  const theirs = [...events, { sessionId: 'other', kind: 'finish' as const, atMs: 20, key: 'theirs', n: 3 }];
  expect(await mergeInstall(opened, session!, theirs)).toBe(1);
  expect(await mergeInstall(opened, session!, theirs)).toBe(0);
  expect(await sessionEvents(opened, 's')).toHaveLength(4);
  // What the other device finished is finished here.
  expect((await opened.sessions.get('s'))?.finished).toBe(1);
  expect(await mergeInstall(opened, { ...session!, id: 'new' }, [{ ...theirs[1], key: 'z' }])).toBe(1);
  expect((await opened.sessions.get('new'))?.planId).toBe('p');
  opened.close();
});
