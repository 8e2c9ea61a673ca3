/** A plan begins: for somebody who is known, with her as she is; for somebody new, as she will say. */
import { dealAll } from '../../model/colours.ts';
import { newPlan } from '../../model/defaults.ts';
import { asSheIs } from '../../model/herself.ts';
import type { PlanDocument } from '../../model/plan.ts';
import { refusalOf } from '../../model/read-plan.ts';
import type { WearerRecord } from '../../store/database.ts';
import { addPlan } from '../../store/plans.ts';
import { addWearer } from '../../store/wearers.ts';
import { db, newId } from '../session/database.ts';

/**
 * @param her whom it is for; somebody new is not known yet
 * @param like what it begins like; nothing where it begins from nothing
 * @returns where to go on, or why it can’t begin
 * @throws what the store refuses
 */
export async function beginPlan(
  her: WearerRecord | undefined,
  like: PlanDocument | undefined,
): Promise<{ readonly ok: true; readonly path: string } | { readonly ok: false; readonly why: string }> {
  const count = await db.plans.where('deletedAtMs').equals(0).count();
  const id = newId();
  // Of a new plan no piece is in, whatever is of the one that it is like.
  const plain = like ? { ...dealAll(like).plan, id, settled: [] } : newPlan(id, `Plan ${count + 1}`);
  // Somebody new has no head yet, whatever head the example had.
  const somebody = newPlan(id, plain.name);
  const plan = asSheIs(plain, her?.her ?? somebody);
  // What is kept of her may have been damaged: no plan is begun that can't be opened.
  const refusal = refusalOf(plan);
  if (refusal) return { ok: false, why: `${refusal} Nothing was begun.` };
  await db.transaction('rw', db.plans, db.wearers, async () => {
    const link = her
      ? { id: her.id, revision: her.revision }
      : await addWearer(db, plan, `wearer-${plan.id}`, Date.now());
    await addPlan(db, plan, like ? `Begun like ${like.name}` : 'New plan', Date.now(), link);
  });
  return { ok: true, path: `/plan/${plan.id}/${her ? 'aim' : 'measure'}` };
}
