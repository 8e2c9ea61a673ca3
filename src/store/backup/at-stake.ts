/** What would be lost with this browser: what of hers is newer than the last backup, and for how long that has been so. */
import type { MeshworkDatabase } from '../database.ts';
import { OWN } from './write.ts';

const WRITTEN = `${OWN}written`;
const ALONE_SINCE = `${OWN}alone-since`;

export interface AtStake {
  /** When the last backup was written, if ever. */
  readonly writtenAtMs: number | undefined;
  /** Newer than that. */
  readonly plans: number;
  readonly installs: number;
  readonly notes: number;
  readonly photos: number;
  /** Since when something of hers lies here alone. */
  readonly aloneSinceMs: number | undefined;
}

export async function noteWritten(db: MeshworkDatabase, atMs: number): Promise<void> {
  await db.transaction('rw', db.settings, async () => {
    await db.settings.put({ key: WRITTEN, value: String(atMs) });
    await db.settings.delete(ALONE_SINCE);
  });
}

/** A plan that is changed every day is as new every day: that it lies here alone is noted once, when it is first seen. */
export async function noteAlone(db: MeshworkDatabase, nowMs: number): Promise<void> {
  await db.transaction('rw', db.settings, async () => {
    if (!(await db.settings.get(ALONE_SINCE))) await db.settings.put({ key: ALONE_SINCE, value: String(nowMs) });
  });
}

async function timeIn(db: MeshworkDatabase, key: string): Promise<number | undefined> {
  const ms = Number((await db.settings.get(key))?.value);
  return Number.isFinite(ms) && ms > 0 ? ms : undefined;
}

/** The demo is nobody's work, as long as she leaves it as it is. */
const DEMO = /^demo-/;

export async function atStake(db: MeshworkDatabase): Promise<AtStake> {
  const writtenAtMs = await timeIn(db, WRITTEN);
  const since = writtenAtMs ?? 0;
  const plans = await db.plans
    .where('updatedAtMs')
    .above(since)
    .filter((p) => p.deletedAtMs === 0 && !(DEMO.test(p.id) && p.revision === 1))
    .count();
  const installs = await db.sessions
    .where('startedAtMs')
    .above(since)
    .filter((s) => !DEMO.test(s.id))
    .count();
  const notes = await db.wear.filter((w) => w.atMs > since && !DEMO.test(w.key)).count();
  const photos = await db.photos.filter((p) => p.takenAtMs > since).count();
  return { writtenAtMs, plans, installs, notes, photos, aloneSinceMs: await timeIn(db, ALONE_SINCE) };
}

export const isAnyAtStake = ({ plans, installs, notes, photos }: AtStake) => plans + installs + notes + photos > 0;

/** Work that is so long in one place only is worth a word (guess: a fortnight). */
const WORTH_A_WORD_MS = 14 * 86_400_000;

export const isDue = (stake: AtStake, nowMs: number): boolean =>
  isAnyAtStake(stake) && nowMs - (stake.aloneSinceMs ?? nowMs) > WORTH_A_WORD_MS;
