/**
 * A backup held against what is here: what is new, what is the same, and where both changed the same thing. What is only ever added to
 * (touches, notes, photos, exercises) can't differ. A plan tells by its undo which of two states came first; of the rest a
 * change counts that is newer than the last time both browsers had the same.
 */
import { dequal } from 'dequal';
import { BACKUP_TABLES, type BackupRecords, type BackupTable, keyOf } from '../../model/backup-tables.ts';
import { whatDiffers } from '../../model/herself.ts';
import { statesOf } from '../../model/history.ts';
import type { LogEntry } from '../../model/install-log.ts';
import type { MeshworkDatabase, OrderRecord, PlanRecord, StashRecord, WearerRecord } from '../database.ts';
import { nameOf } from '../plans.ts';
import { holdsPlan } from '../records.ts';
import { wearerName } from '../wearers.ts';
import type { Difference } from './difference.ts';
import { type Met, metDevices } from './write.ts';

export interface BackupFrom {
  readonly device: string;
  readonly writtenAtMs: number;
  readonly met: readonly Met[];
}

export interface Compared {
  /** Records that are not here yet. */
  readonly fresh: Readonly<Record<string, number>>;
  /** Records that are ahead of those here, and take their place. */
  readonly ahead: ReadonlyArray<{ readonly table: Difference['table']; readonly id: string }>;
  readonly differences: readonly Difference[];
}

/** Keys of what is here of a table. */
export async function keysHere(db: MeshworkDatabase, table: BackupTable): Promise<Set<string>> {
  if (table !== 'events') return new Set((await db.table(table).toCollection().primaryKeys()) as string[]);
  const keys = new Set<string>();
  await db.events.each((e) => e.key && keys.add(e.key));
  return keys;
}

/** Since when both changed: 0 where they never met. */
async function since(db: MeshworkDatabase, from: BackupFrom, device: string): Promise<number> {
  if (from.device === device) return 0;
  const here = (await metDevices(db)).find((m) => m.device === from.device)?.atMs ?? 0;
  const there = from.met.find((m) => m.device === device)?.atMs ?? 0;
  return Math.max(here, there);
}

type Verdict = 'same' | 'ours' | 'theirs' | 'differ';

/** @param device what this browser is called */
export async function compareBackup(
  db: MeshworkDatabase,
  records: BackupRecords,
  from: BackupFrom,
  device: string,
): Promise<Compared> {
  const fresh: Record<string, number> = {};
  for (const table of BACKUP_TABLES) {
    const here = await keysHere(db, table);
    fresh[table] = records[table].filter((r) => !here.has(keyOf(table, r))).length;
  }
  const metMs = await since(db, from, device);
  const ahead: Array<Compared['ahead'][number]> = [];
  const differences: Difference[] = [];
  const weigh = async <R extends object>(
    table: Difference['table'],
    judge: (ours: R, theirs: R) => Verdict,
    tell: (ours: R, theirs: R) => Omit<Difference, 'table' | 'id' | 'stamp'>,
  ) => {
    for (const theirs of records[table] as readonly R[]) {
      const id = keyOf(table, theirs);
      const ours = (await db.table(table).get(id)) as R | undefined;
      if (!ours) continue;
      const verdict = judge(ours, theirs);
      if (verdict === 'theirs') ahead.push({ table, id });
      if (verdict === 'differ') differences.push({ table, id, stamp: stampOf(ours), ...tell(ours, theirs) });
    }
  };
  const byTime = (ours: { updatedAtMs: number }, theirs: { updatedAtMs: number }): Verdict => {
    const [here, there] = [ours.updatedAtMs > metMs, theirs.updatedAtMs > metMs];
    return metMs === 0 || here === there ? 'differ' : here ? 'ours' : 'theirs';
  };
  await weigh<PlanRecord>('plans', planVerdict, planWords);
  await weigh<WearerRecord>('wearers', (o, t) => (dequal(o.her, t.her) ? 'same' : byTime(o, t)), wearerWords);
  await weigh<LogEntry>('log', logVerdict, logWords);
  await weigh<StashRecord>('stash', (o, t) => (isSameLot(o, t) ? 'same' : byTime(o, t)), stashWords);
  return { fresh, ahead, differences };
}

/** What changes with every change of a record that is here. */
function stampOf(ours: { readonly updatedAtMs?: number; readonly revision?: number; readonly line?: string }): string {
  return [ours.updatedAtMs, ours.revision, ours.line].join(' ');
}

/** Without entries that are not there: as a file has it. */
export const plainly = (value: unknown) => JSON.parse(JSON.stringify(value));

function planVerdict(ours: PlanRecord, theirs: PlanRecord): Verdict {
  if (!holdsPlan(theirs)) return 'same';
  if (!holdsPlan(ours)) return 'theirs';
  const here = plainly(ours.history.present.plan);
  const there = plainly(theirs.history.present.plan);
  if (dequal(here, there)) return ours.deletedAtMs > 0 && theirs.deletedAtMs === 0 ? 'theirs' : 'same';
  if (wasOnce(ours, there)) return 'ours';
  return wasOnce(theirs, here) ? 'theirs' : 'differ';
}

/** Whether a plan was this before, by its undo. */
function wasOnce({ history }: PlanRecord, plan: unknown): boolean {
  try {
    return statesOf(history).past.some((s) => dequal(plainly(s.plan), plan));
  } catch {
    return false;
  }
}

const BESIDE = { choices: ['both', 'ours', 'theirs'], start: 'both' } as const;
const INSTEAD = { choices: ['ours', 'theirs'], start: 'ours' } as const;
const day = (atMs: number) =>
  new Intl.DateTimeFormat('en-GB', { day: 'numeric', month: 'long', year: 'numeric' }).format(atMs);

const planWords = (ours: PlanRecord, theirs: PlanRecord) => ({
  name: nameOf(ours),
  ours: `changed ${day(ours.updatedAtMs)}`,
  theirs: `changed ${day(theirs.updatedAtMs)}${nameOf(theirs) === nameOf(ours) ? '' : `, called ${nameOf(theirs)}`}`,
  ...BESIDE,
});

function wearerWords(ours: WearerRecord, theirs: WearerRecord) {
  const differs = whatDiffers(ours.her as never, theirs.her) || 'something';
  return {
    name: wearerName(ours),
    ours: `${differs} as of ${day(ours.updatedAtMs)}`,
    theirs: `${differs} as of ${day(theirs.updatedAtMs)}`,
    ...BESIDE,
  };
}

/** What came by itself gives way to what she wrote. */
function logVerdict(ours: LogEntry, theirs: LogEntry): Verdict {
  const { line, wishes, enough } = plainly(ours);
  if (line === theirs.line && dequal(wishes, theirs.wishes) && enough === theirs.enough) return 'same';
  if (ours.byItself !== theirs.byItself) return ours.byItself ? 'theirs' : 'ours';
  return 'differ';
}

const logWords = (ours: LogEntry, theirs: LogEntry) => ({
  name: `${ours.planName}, ${day(ours.atMs)}`,
  ours: ours.line || 'nothing written',
  theirs: theirs.line || 'nothing written',
  ...BESIDE,
});

const isSameLot = (a: StashRecord, b: StashRecord) =>
  dequal({ ...plainly(a), updatedAtMs: 0 }, { ...plainly(b), updatedAtMs: 0 });

const stashWords = (ours: StashRecord, theirs: StashRecord) => ({
  name: ours.kind === 'hair' ? `${ours.product.name}, ${ours.product.colours.join(' and ')}` : ours.name,
  ours: lotWords(ours),
  theirs: lotWords(theirs),
  ...INSTEAD,
});

function lotWords(lot: StashRecord): string {
  switch (lot.kind) {
    case 'hair':
      return `${lot.product.packsAtHand} packs and ${lot.loose} loose pieces`;
    case 'cap':
      return `worn ${lot.cap.timesWorn} times`;
    case 'thing':
      return `${lot.count} of them`;
  }
}

/** Of an order both know, the one that says it has come. */
export const isNewerOrder = (ours: OrderRecord, theirs: OrderRecord) => theirs.hasCome > ours.hasCome;
