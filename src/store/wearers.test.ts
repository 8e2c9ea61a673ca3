/** A wearer is remembered: what she changes is hers, plans follow her or stay as they were made. */
import 'fake-indexeddb/auto';
import { afterEach, beforeEach, describe, expect, it } from 'vitest';
import { oldStore } from '../../tests/helpers/old-store.ts';
import { demoPlans } from '../demo/plans.ts';
import { setField } from '../model/commands.ts';
import { newPlan } from '../model/defaults.ts';
import versionOne from '../model/fixtures/plan-1.json' with { type: 'json' };
import { asSheIs, followHer, herselfOf, whatDiffers } from '../model/herself.ts';
import { type History, record, startHistory, undo } from '../model/history.ts';
import { setMadeFor } from '../model/made-for.ts';
import { setOwnHair, setReadings } from '../model/measure-commands.ts';
import type { PlanDocument } from '../model/plan.ts';
import type { PlanChange } from '../model/plan-change.ts';
import { setSpacing } from '../model/spacing-commands.ts';
import { MeshworkDatabase, type PlanRecord, type WearerRecord } from './database.ts';
import { addPlan, copyPlan, importPlan, savePlan } from './plans.ts';
import {
  addWearer,
  bringBackWearer,
  linkPlan,
  plansByWearer,
  putAwayWearer,
  renameWearer,
  stayBehind,
  toFollow,
  wearers,
} from './wearers.ts';

let db: MeshworkDatabase;
let count = 0;
beforeEach(() => {
  db = new MeshworkDatabase(`wearers-${count++}`);
});
afterEach(() => db.delete());

const zola = { ...newPlan('first', 'First'), wearer: 'Zola' };

/** Two plans of one wearer. */
async function twoPlans() {
  const link = await addWearer(db, zola, 'zola', 1);
  await addPlan(db, zola, 'New plan', 1, link);
  await addPlan(db, { ...zola, id: 'second', name: 'Second' }, 'New plan', 2, link);
}

const recordOf = async (id: string) => (await db.plans.get(id)) as PlanRecord;
const planOf = async (id: string) => (await recordOf(id)).history.present.plan;
const her = async () => (await db.wearers.get('zola')) as WearerRecord;

async function write(id: string, move: (now: History) => History) {
  const { revision, history } = await recordOf(id);
  expect((await savePlan(db, id, revision, move(history), 10)).state).toBe('saved');
}
const apply = (id: string, make: (plan: PlanDocument) => PlanChange) =>
  write(id, (now) => record(now, make(now.present.plan)));

const offered = async (id: string) => toFollow(await recordOf(id), await planOf(id), await her());

describe('two plans of one wearer', () => {
  beforeEach(twoPlans);

  it('a new head in one is hers; the other offers to follow, follows, and is as she is', async () => {
    await apply('first', (p) => setReadings(p, 'girth', ['57 cm']));
    expect((await her()).her.tape.girth).toEqual(['57 cm']);
    expect((await her()).revision).toBe(2);
    expect(await offered('first')).toBeUndefined();
    const kept = await offered('second');
    expect(whatDiffers(await planOf('second'), (kept as WearerRecord).her)).toBe('head');
    await apply('second', (p) => followHer(p, (kept as WearerRecord).her));
    expect((await planOf('second')).tape.girth).toEqual(['57 cm']);
    expect(await offered('second')).toBeUndefined();
    // What it is for besides her is its own.
    expect((await planOf('second')).name).toBe('Second');
    expect((await her()).revision).toBe(2);
  });

  it('to undo the following takes nothing from her, and the plan stays as it was made', async () => {
    await apply('first', (p) => setReadings(p, 'girth', ['57 cm']));
    const kept = (await offered('second')) as WearerRecord;
    await apply('second', (p) => followHer(p, kept.her));
    await write('second', undo);
    expect((await planOf('second')).tape.girth).toEqual([]);
    expect((await her()).her.tape.girth).toEqual(['57 cm']);
    expect(await offered('second')).toBeUndefined();
    // The next change of hers is offered again.
    await apply('first', (p) => setOwnHair(p, { length: '30 cm' }, 'Own hair 30 cm'));
    expect(await offered('second')).toBeDefined();
  });

  it('one that stays keeps the head it was made with, and changes of it are its own', async () => {
    await apply('first', (p) => setReadings(p, 'girth', ['57 cm']));
    await stayBehind(db, 'second');
    expect(await offered('second')).toBeUndefined();
    await apply('second', (p) => setReadings(p, 'girth', ['60 cm']));
    expect((await her()).her.tape.girth).toEqual(['57 cm']);
    expect((await planOf('second')).tape.girth).toEqual(['60 cm']);
  });

  it('undo in a plan that follows her is hers too', async () => {
    await apply('first', (p) => setReadings(p, 'girth', ['57 cm']));
    await write('first', undo);
    expect((await her()).her.tape.girth).toEqual([]);
    expect(await offered('second')).toBeUndefined();
  });

  it('what is not her own leaves her alone: gaps, the name of a plan, a head of which only the size is known', async () => {
    await apply('first', (p) => setSpacing(p, { top: 2 }));
    await apply('first', (p) => setField(p, 'name', 'Other', 'Named Other'));
    await apply('first', (p) => setMadeFor(p, { whom: 'head' }));
    await apply('first', (p) => setReadings(p, 'girth', ['61 cm']));
    expect((await her()).revision).toBe(1);
    expect(await offered('first')).toBeUndefined();
  });

  it('a file of hers that comes back is hers; one of another head is nobody’s yet', async () => {
    await importPlan(db, { ...zola, id: 'back', name: 'Back' }, 'new-1', 5);
    expect((await recordOf('back')).wearer).toEqual({ id: 'zola', revision: 1 });
    await importPlan(db, { ...zola, id: 'foreign', tape: { ...zola.tape, girth: ['51 cm'] } }, 'new-2', 6);
    expect((await recordOf('foreign')).wearer).toBeUndefined();
  });

  it('a copy is hers as well', async () => {
    await copyPlan(db, 'first', 'copy', 5);
    await apply('first', (p) => setReadings(p, 'girth', ['57 cm']));
    expect(await offered('copy')).toBeDefined();
  });

  it('a plan out of a file is hers once she says so, with her head or with its own', async () => {
    const foreign = { ...newPlan('file', 'From a file'), tape: { ...zola.tape, girth: ['54 cm'] } };
    await addPlan(db, foreign, 'Imported', 7);
    expect((await recordOf('file')).wearer).toBeUndefined();
    await linkPlan(db, 'file', { id: 'zola', revision: 0 });
    expect(await offered('file')).toBeDefined();
    await apply('file', (p) => followHer(p, herselfOf(zola)));
    expect((await planOf('file')).wearer).toBe('Zola');
    expect((await her()).revision).toBe(1);
  });
});

it('a new plan begins with her as she is, and nothing else of the old one', () => {
  const old = { ...zola, tape: { ...zola.tape, girth: ['57 cm'] }, settled: ['aim'] };
  const next = asSheIs(newPlan('next', 'Next'), herselfOf(old));
  expect(next.tape.girth).toEqual(['57 cm']);
  expect(next).toMatchObject({ id: 'next', name: 'Next', wearer: 'Zola', settled: [] });
});

describe('stores from before there were wearers', () => {
  const stored = (plan: unknown, id: string, updatedAtMs: number) => ({
    id,
    revision: 1,
    updatedAtMs,
    deletedAtMs: 0,
    history: startHistory(plan as PlanDocument),
  });

  it('find them in their plans: one of each name, as the newest plan has her; older plans stay as they were made', async () => {
    const [curls] = demoPlans;
    const older = { ...curls, id: 'older', tape: { ...curls.tape, girth: ['55 cm'] } };
    const other = { ...curls, id: 'other', wearer: 'Zola' };
    db = new MeshworkDatabase(
      await oldStore(7, {
        plans: [stored(curls, curls.id, 30), stored(older, 'older', 20), stored(other, 'other', 10)],
      }),
    );
    const all = await wearers(db);
    expect(all.map((w) => w.her.wearer).sort()).toEqual([curls.wearer, 'Zola'].sort());
    const amara = all.find((w) => w.her.wearer === curls.wearer);
    expect(amara?.her.tape.girth).toEqual(curls.tape.girth);
    const link = async (id: string) => (await db.plans.get(id))?.wearer;
    expect(await link(curls.id)).toMatchObject({ id: amara?.id, revision: 1 });
    expect(toFollow(await recordOf('older'), await planOf('older'), amara)).toBeUndefined();
    expect((await link('other'))?.id).not.toBe(amara?.id);
  });

  it.each([1, 3, 5, 6, 7])('version %i opens, a damaged record beside it too, and nothing is lost', async (version) => {
    const damaged = { id: 'damaged', revision: 1, updatedAtMs: 1, deletedAtMs: 0, history: null };
    const old = { ...versionOne, id: 'old' };
    const state = { words: 'Opened', plan: old };
    const history =
      version < 6 ? { past: [], present: state, future: [] } : startHistory(old as unknown as PlanDocument);
    db = new MeshworkDatabase(
      await oldStore(version, {
        plans: [{ id: 'old', revision: 1, updatedAtMs: 5, deletedAtMs: 0, history }, damaged],
      }),
    );
    expect(await db.plans.count()).toBe(2);
    expect(await db.plans.get('damaged')).toMatchObject(damaged);
    expect(await wearers(db)).toHaveLength(1);
    expect((await db.plans.get('old'))?.wearer?.revision).toBe(1);
  });
});

describe('in the list of wearers', () => {
  beforeEach(twoPlans);

  it('a new name is hers in every plan that follows; one that stays keeps the old one; undo in a plan is its own', async () => {
    await apply('first', (p) => setReadings(p, 'girth', ['57 cm']));
    await stayBehind(db, 'second');
    await renameWearer(db, 'zola', 'Zola N.', 20);
    expect((await her()).her.wearer).toBe('Zola N.');
    expect((await planOf('first')).wearer).toBe('Zola N.');
    expect((await planOf('second')).wearer).toBe('Zola');
    expect(await offered('first')).toBeUndefined();
    expect((await recordOf('first')).history.present.words).toBe('Named Zola N.');
    await write('first', (now) => undo(now) ?? now);
    expect((await planOf('first')).tape.girth).toEqual(['57 cm']);
  });

  it('put away she is not offered, her plans hold her; she can be brought back', async () => {
    await putAwayWearer(db, 'zola', 30);
    expect(await wearers(db)).toEqual([]);
    expect((await planOf('first')).wearer).toBe('Zola');
    expect((await plansByWearer(db)).get('zola')).toBe(2);
    // Her plans can still be changed; that alone does not bring her back.
    await apply('first', (p) => setReadings(p, 'girth', ['57 cm']));
    expect(await wearers(db)).toEqual([]);
    expect((await her()).her.tape.girth).toEqual(['57 cm']);
    await bringBackWearer(db, 'zola');
    expect((await wearers(db)).map((w) => w.id)).toEqual(['zola']);
  });
});
