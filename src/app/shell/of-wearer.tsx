/** Whose plan it is: a plan follows its wearer when she changes, or stays as it was made; one out of a file asks. */
import { useLiveQuery } from 'dexie-react-hooks';
import { followHer, isHerOwn, whatDiffers } from '../../model/herself.ts';
import type { WearerRecord } from '../../store/database.ts';
import { addWearer, linkPlan, stayBehind, toFollow, wearerName, wearers } from '../../store/wearers.ts';
import { db, newId } from '../session/database.ts';
import type { PlanSession } from '../session/plan-session.ts';

export function OfWearer({ session }: { readonly session: PlanSession }) {
  const { plan, isDraft } = session;
  const found = useLiveQuery(async () => {
    const record = await db.plans.get(plan.id);
    return record && { record, all: await wearers(db) };
  }, [plan.id]);
  if (!found || isDraft || !isHerOwn(plan)) return null;
  const { record, all } = found;
  if (!record.wearer) return <WhoseIsIt session={session} all={all} />;
  const her = toFollow(
    record,
    plan,
    all.find((w) => w.id === record.wearer?.id),
  );
  if (!her) return null;
  const kept = session.history.present.plan;
  return (
    <section className="offer" aria-label="She has changed" data-testid="follow">
      <p className="text-small">
        {wearerName(her) === 'You' ? 'You have' : `${wearerName(her)} has`} changed since this plan was made:{' '}
        {whatDiffers(plan, her.her)}.
      </p>
      <div className="flex gap-x-6">
        <button type="button" className="word font-strong" onClick={() => session.apply(followHer(kept, her.her))}>
          Follow
        </button>
        <button type="button" className="word" onClick={() => void stayBehind(db, plan.id)}>
          Keep it as it was made
        </button>
      </div>
    </section>
  );
}

/** Out of a file, or kept beside another tab's. */
function WhoseIsIt({ session, all }: { readonly session: PlanSession; readonly all: readonly WearerRecord[] }) {
  const kept = session.history.present.plan;
  const isMe = async ({ id, her }: WearerRecord) => {
    await linkPlan(db, kept.id, { id, revision: 0 });
    session.apply(followHer(kept, her));
  };
  const isNew = async () => {
    const link = await db.transaction('rw', db.wearers, () => addWearer(db, kept, newId(), Date.now()));
    await linkPlan(db, kept.id, link);
  };
  return (
    <section className="offer" aria-label="Whose plan is this?" data-testid="whose">
      <p className="text-small">
        Whose plan is this? It brought a head of its own{kept.wearer.trim() && `, for “${kept.wearer.trim()}”`}.
      </p>
      <div className="flex flex-wrap gap-x-6">
        {all.map((w) => (
          <button key={w.id} type="button" className="word font-strong" onClick={() => void isMe(w)}>
            {wearerName(w) === 'You' ? 'Mine, with my head' : `${wearerName(w)}’s, with her head`}
          </button>
        ))}
        <button type="button" className="word" onClick={() => void isNew()}>
          Somebody new
        </button>
      </div>
    </section>
  );
}
