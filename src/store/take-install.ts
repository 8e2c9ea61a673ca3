/** An install that came from another device: it is added to what is here, with its plan where that is not. */
import type { InstallFile } from '../model/install-schema.ts';
import type { MeshworkDatabase } from './database.ts';
import { mergeInstall } from './merge-install.ts';
import { addPlan } from './plans.ts';

/** @returns how many touches were new here */
export async function takeInstall(
  db: MeshworkDatabase,
  { session, events, wear }: InstallFile,
  nowMs: number,
): Promise<number> {
  if (!(await db.plans.get(session.planId)))
    await addPlan(db, { ...session.plan, id: session.planId }, 'Came with an install', nowMs);
  return mergeInstall(db, session, events, wear);
}
