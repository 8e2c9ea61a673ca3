/** What goes into a backup, table by table and photo by photo; and whom this browser has met. */
import type { BackupTable } from '../../model/backup-tables.ts';
import type { MeshworkDatabase } from '../database.ts';
import { bytesOfPhoto } from './photo-bytes.ts';

/** What a browser keeps of backups is its own. */
export const OWN = 'backup-';
const DEVICE = `${OWN}device`;
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

export async function backupSource(db: MeshworkDatabase, newId: () => string, nowMs: number) {
  return {
    device: await deviceOf(db, newId),
    writtenAtMs: nowMs,
    met: await metDevices(db),
    rows: async (table: Exclude<BackupTable, 'photos'>): Promise<object[]> => {
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
