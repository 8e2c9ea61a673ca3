/** Test rows and answers of a wearer: only ever added. */
import type { MeshworkDatabase, PracticeRecord } from './database.ts';
import { handsOf } from './hands.ts';

type Fresh = PracticeRecord extends infer R ? (R extends unknown ? Omit<R, 'of'> : never) : never;

export async function addPractice(db: MeshworkDatabase, planId: string, record: Fresh): Promise<void> {
  await db.transaction('rw', db.practice, db.plans, async () => {
    await db.practice.add({ ...record, of: await handsOf(db, planId) } as PracticeRecord);
  });
}

/** Of the plan's wearer, the oldest first. */
export async function practiceOf(db: MeshworkDatabase, planId: string): Promise<PracticeRecord[]> {
  return db.practice
    .where('of')
    .equals(await handsOf(db, planId))
    .sortBy('atMs');
}

/** A test row that went wrong is no test row. */
export async function dropPractice(db: MeshworkDatabase, id: string): Promise<void> {
  await db.practice.delete(id);
}
