/** What goes into a backup, table by table and photo by photo, and when the last one was written. */
import type { MeshworkDatabase } from '../database.ts';
import { bytesOfPhoto } from './photo-bytes.ts';

/** What a browser keeps of backups is its own. */
const OWN = 'backup-';
const DEVICE = `${OWN}device`;
const WRITTEN = `${OWN}written`;
const MET = `${OWN}met`;

/** When this browser and another one had the same last, by the clock of the other. */
export interface Met {
  readonly device: string;
  readonly atMs: number;
}

/** What this browser is called in backups; it is given a name when it is first asked for. */
export async function deviceOf(db: MeshworkDatabase, newId: () => string): Promise<string> {
  return db.transaction('rw', db.settings, async () => {
    const kept = await db.settings.get(DEVICE);
    if (kept) return kept.value;
    const value = newId();
    await db.settings.put({ key: DEVICE, value });
    return value;
  });
}

export async function metDevices(db: MeshworkDatabase): Promise<Met[]> {
  try {
    return JSON.parse((await db.settings.get(MET))?.value ?? '[]');
  } catch {
    return [];
  }
}

export async function meet(db: MeshworkDatabase, met: Met): Promise<void> {
  const others = (await metDevices(db)).filter((m) => m.device !== met.device);
  await db.settings.put({ key: MET, value: JSON.stringify([...others, met]) });
}

const KEPT = [
  'wearers',
  'plans',
  'sessions',
  'events',
  'log',
  'wear',
  'stash',
  'orders',
  'practice',
  'settings',
] as const;
export type KeptTable = (typeof KEPT)[number];

export async function backupSource(db: MeshworkDatabase, newId: () => string, nowMs: number) {
  return {
    device: await deviceOf(db, newId),
    writtenAtMs: nowMs,
    met: await metDevices(db),
    rows: async (table: KeptTable): Promise<object[]> => {
      if (table === 'settings') return (await db.settings.toArray()).filter((s) => !s.key.startsWith(OWN));
      const all: object[] = await db.table(table).toArray();
      // The place of an event in this browser's table is no matter of another.
      return table === 'events' ? all.map(({ seq: _, ...event }: { seq?: number }) => event) : all;
    },
    photoIds: (): Promise<string[]> => db.photos.toCollection().primaryKeys(),
    photo: async (id: string) => {
      const kept = await db.photos.get(id);
      const picture = kept && bytesOfPhoto(kept.image);
      if (!kept || !picture) return undefined;
      const { image: _, ...record } = kept;
      return { record, ...picture };
    },
  };
}

export async function noteWritten(db: MeshworkDatabase, atMs: number): Promise<void> {
  await db.settings.put({ key: WRITTEN, value: String(atMs) });
}

/** What would be lost: when the last backup was written, if ever, and what of hers is newer. */
export interface AtStake {
  readonly writtenAtMs: number | undefined;
  readonly plans: number;
  readonly styles: number;
  readonly photos: number;
  /** Since when there is something that no backup holds. */
  readonly sinceMs: number | undefined;
}

const DEMO = /^demo-/;

/** The demo is nobody's work. */
export async function atStake(db: MeshworkDatabase): Promise<AtStake> {
  const kept = Number((await db.settings.get(WRITTEN))?.value);
  const writtenAtMs = Number.isFinite(kept) && kept > 0 ? kept : undefined;
  const since = writtenAtMs ?? 0;
  const plans = await db.plans
    .where('updatedAtMs')
    .above(since)
    .filter((p) => p.deletedAtMs === 0 && !(DEMO.test(p.id) && p.revision === 1))
    .toArray();
  const styles = await db.log
    .where('atMs')
    .above(since)
    .filter((e) => !DEMO.test(e.id))
    .toArray();
  const photos = await db.photos.filter((p) => p.takenAtMs > since).count();
  const times = [...plans.map((p) => p.updatedAtMs), ...styles.map((s) => s.atMs)];
  return {
    writtenAtMs,
    plans: plans.length,
    styles: styles.length,
    photos,
    sinceMs: times.length > 0 ? Math.min(...times) : undefined,
  };
}

/** Work that is so old in one place only is worth a word (guess: a fortnight). */
const WORTH_A_WORD_MS = 14 * 86_400_000;

export const isDue = ({ sinceMs }: AtStake, nowMs: number): boolean =>
  sinceMs !== undefined && nowMs - sinceMs > WORTH_A_WORD_MS;
