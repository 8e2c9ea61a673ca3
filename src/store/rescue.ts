/** Ways out of a plan that can't be shown. They read records as they lie, check nothing of the plan, and lose nothing. */
import { type History, undo } from '../model/history.ts';
import type { MeshworkDatabase, PlanRecord } from './database.ts';

/** How a deed begins that brought something in from a file. */
const FROM_FILE = /^Imported/;

async function change(
  db: MeshworkDatabase,
  id: string,
  nowMs: number,
  next: (history: History) => History | undefined,
): Promise<boolean> {
  return db.transaction('rw', db.plans, async () => {
    const record: PlanRecord | undefined = await db.plans.get(id);
    const history = record && next(record.history);
    if (!record || !history || history === record.history) return false;
    await db.plans.put({ ...record, history, revision: record.revision + 1, updatedAtMs: nowMs });
    return true;
  });
}

/** The last deed undone; redo brings it back. @returns whether there was one */
export function undoLastChange(db: MeshworkDatabase, id: string, nowMs: number): Promise<boolean> {
  return change(db, id, nowMs, undo);
}

/** Back to before the newest deed that brought something in; a plan that came from a file whole is put aside. */
export async function withoutLastImport(db: MeshworkDatabase, id: string, nowMs: number): Promise<boolean> {
  const record = await db.plans.get(id);
  if (!record) return false;
  const deeds = [...record.history.past, record.history.present];
  const at = deeds.findLastIndex((d) => FROM_FILE.test(d.words));
  if (at < 0) return false;
  if (at === 0) return setAside(db, id, nowMs);
  return change(db, id, nowMs, (history) => {
    let back = history;
    for (let n = deeds.length - at; n > 0; n--) back = undo(back);
    return back;
  });
}

/** Out of the list of plans; it can be brought back there. */
export async function setAside(db: MeshworkDatabase, id: string, nowMs: number): Promise<boolean> {
  return (await db.plans.update(id, { deletedAtMs: nowMs })) > 0;
}
