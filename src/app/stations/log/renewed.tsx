/** Renewals of a style that is in the log: their pieces come out of the stash, and stand in the same record. */
import { useLiveQuery } from 'dexie-react-hooks';
import { foldInstall } from '../../../core/install/index.ts';
import { planOf } from '../../../model/install-log.ts';
import { usedOf } from '../../../model/stash.ts';
import { sessionEvents } from '../../../store/install-events.ts';
import { addRenewal } from '../../../store/installs.ts';
import { wearingOf } from '../../../store/wear.ts';
import { useResult } from '../../ask/plan.ts';
import { db } from '../../session/database.ts';
import { day } from '../../ui/format.ts';
import { Trouble, useTrouble } from '../../ui/trouble.tsx';

export function Renewed({ planId }: { readonly planId: string }) {
  const found = useLiveQuery(() => unrecorded(planId), [planId]);
  const { answer } = useResult(found?.plan);
  const [trouble, tried] = useTrouble();
  if (!found || !answer) return null;
  const [renewal] = found.renewals;
  const keep = () =>
    tried(addRenewal(db, found.entryId, renewal, usedOf(found.plan, answer.value, { ...renewal, packs: 0 }), found.of));
  return (
    <section className="mt-3" aria-label="A renewal" data-testid="renewed">
      <p>
        Renewed on {day(renewal.atMs)}: {renewal.pieces} {renewal.pieces === 1 ? 'piece' : 'pieces'}.
      </p>
      <button type="button" className="button primary mt-2" onClick={() => void keep()} data-testid="keep-renewed">
        Take them out of the stash
      </button>
      <Trouble why={trouble} />
    </section>
  );
}

/** Renewals that are done and stand in no line of the log yet. */
async function unrecorded(planId: string) {
  const wearing = await wearingOf(db, planId);
  if (!wearing || wearing.isRenewing) return null;
  const entry = (await db.log.where('planId').equals(planId).toArray()).find((e) => e.sessionId === wearing.session.id);
  if (!entry) return null;
  const events = await sessionEvents(db, wearing.session.id);
  const recorded = new Set(entry.renewed?.map((r) => r.atMs));
  const renewals = foldInstall(events)
    .renewals.filter((r) => r.pieces > 0 && !recorded.has(r.atMs))
    .map(({ atMs, pieces }) => ({ atMs, pieces }));
  const of = (await db.plans.get(planId))?.wearer?.id;
  return renewals.length === 0 ? null : { entryId: entry.id, plan: planOf(wearing.session, events), renewals, of };
}
