/** Orders: what is on its way, and what has come. */
import { useLiveQuery } from 'dexie-react-hooks';
import { useState } from 'react';
import { takeFromStash } from '../../../model/stash-commands.ts';
import { forgetOrder, keepOrder, orderCame, ordersOf } from '../../../store/orders.ts';
import { storageSentence } from '../../../store/plans.ts';
import { db } from '../../session/database.ts';
import type { PlanSession } from '../../session/plan-session.ts';
import { money, weekday } from '../../ui/format.ts';

/** What is on its way, and what has come: into the stash, and set aside for this plan. */
export function Orders({ session }: { readonly session: PlanSession }) {
  const { plan } = session;
  const orders = useLiveQuery(() => ordersOf(db, plan.id), [plan.id]) ?? [];
  const [trouble, setTrouble] = useState<string>();
  const [gone, setGone] = useState<(typeof orders)[number]>();
  const came = async (order: (typeof orders)[number]) => {
    try {
      if (!(await orderCame(db, order.id, Date.now()))) return;
      const taken = order.lines.reduce((p, l) => takeFromStash(p, l.product, l.packs).plan, plan);
      const words = `${order.seller}’s order has come`;
      setTrouble(session.apply({ words, plan: taken }));
    } catch (error) {
      setTrouble(storageSentence(error));
    }
  };
  if (orders.length === 0 && !gone) return null;
  return (
    <section className="mt-5" data-testid="orders">
      <h3 className="text-title">Ordered</h3>
      <ul>
        {orders.map((o) => (
          <li key={o.id} className="line py-1.25 text-small">
            {o.seller}, {o.lines.reduce((n, l) => n + l.packs, 0)} packs, {money(o.total, o.currency)}:{' '}
            {o.hasCome ? 'has come' : `there by ${weekday(o.arrives)}`}.
            <div className="flex gap-x-5">
              {!o.hasCome && (
                <button type="button" className="word" data-testid="order-came" onClick={() => void came(o)}>
                  It has come
                </button>
              )}
              <button
                type="button"
                className="word text-note"
                onClick={() => void forgetOrder(db, o.id).then(() => setGone(o))}
              >
                Forget it
              </button>
            </div>
          </li>
        ))}
      </ul>
      {gone && (
        <p role="status" className="note">
          An order at {gone.seller} is forgotten.{' '}
          <button
            type="button"
            className="word"
            onClick={() => void keepOrder(db, gone).then(() => setGone(undefined))}
          >
            Put it back
          </button>
        </p>
      )}
      {trouble && (
        <p role="alert" className="note text-madder">
          {trouble}
        </p>
      )}
    </section>
  );
}
