/** What one seller sends: why each pack, and the order itself. */
import { useState } from 'react';
import { type BoughtLine, type BuyingAsked, type Purchase, STASH, standsIn } from '../../../core/buying/index.ts';
import { daysLater } from '../../../core/time/index.ts';
import { isOnItsWay, productFrom } from '../../../model/buying.ts';
import type { Catalogue, OrderAnswer } from '../../../model/shop.ts';
import type { OrderRecord } from '../../../store/database.ts';
import { keepOrder } from '../../../store/orders.ts';
import { storageSentence } from '../../../store/plans.ts';
import type { Buying } from '../../ask/buying.ts';
import { placeOrder } from '../../ask/shop.ts';
import { db, newId } from '../../session/database.ts';
import { today } from '../../session/today.ts';
import { useWearerOf } from '../../session/use-wearer-of.ts';
import { weekday } from '../../ui/format.ts';
import { lineName } from './names.ts';

export interface BasketProps {
  readonly planId: string;
  readonly buying: Buying;
  readonly asked: BuyingAsked;
  readonly catalogue: Catalogue;
  readonly purchase: Purchase;
  readonly delivered: Purchase['sellers'][number];
  readonly name: string;
  readonly show: (v: number) => string;
  /** Packs of her stash are set aside; undefined where there are none to set aside. */
  readonly aside: (lines: readonly BoughtLine[]) => (() => void) | undefined;
}

/** What one seller sends; what lies in the stash, and what is on its way already, cost nothing more. */
export function Basket(props: BasketProps) {
  const { asked, purchase, delivered, name, show } = props;
  const { seller } = delivered;
  const lines = purchase.lines.filter((l) => l.seller === seller);
  const isStash = seller === STASH.id;
  const aside = isStash ? props.aside(lines) : undefined;
  const isPaid = isStash || isOnItsWay(seller);
  return (
    <section className="mt-3" data-testid="basket">
      <h3 className="text-title">{isStash ? 'From your stash' : isPaid ? 'On its way already' : name}</h3>
      <ul>
        {lines.map((l) => (
          <li key={l.offer} className="line py-1 text-small">
            <div className="flex justify-between gap-3">
              <span>{lineName(asked, l)}</span>
              {!isPaid && <span className="fig">{show(l.price)}</span>}
            </div>
            {whyOf(asked, l).map((w) => (
              <p key={w} className="note">
                {w}
              </p>
            ))}
          </li>
        ))}
      </ul>
      {aside && (
        <button type="button" className="word" data-testid="set-aside" onClick={aside}>
          Set the packs aside for this plan
        </button>
      )}
      {!isPaid && <OrderThere {...props} lines={lines} />}
    </section>
  );
}

type Refused = OrderAnswer | 'silent' | { readonly id: string; readonly notKept: string };

/** The order itself, with a second tap; what became of it is said whatever it is. */
function OrderThere(props: BasketProps & { readonly lines: readonly BoughtLine[] }) {
  const { planId, buying, asked, catalogue, delivered, name, show, lines } = props;
  const of = useWearerOf(planId);
  const [asks, setAsks] = useState<'no' | 'sure' | 'sent'>('no');
  const [refused, setRefused] = useState<Refused>();
  const order = async () => {
    setAsks('sent');
    setRefused(undefined);
    const wanted = lines.map(({ offer, packs }) => ({ offer, packs }));
    const answer = await placeOrder({ seller: delivered.seller, lines: wanted });
    if (!answer?.taken) setRefused(answer ?? 'silent');
    else
      await keepOrder(db, orderOf(answer, { planId, of, name, catalogue, lines })).catch((error) =>
        setRefused({ id: answer.id, notKept: storageSentence(error) }),
      );
    setAsks('no');
    buying.shop.askAgain();
  };
  return (
    <>
      <p className="note mt-1">
        Delivery {delivered.delivery === 0 ? 'free' : show(delivered.delivery)}, there by{' '}
        {weekday(daysLater(today(), delivered.days))}.
      </p>
      {asks === 'no' && (
        <button
          type="button"
          className="button mt-1"
          data-testid="order"
          // What is being worked out anew is not what is shown.
          disabled={buying.isWorking}
          onClick={() => setAsks('sure')}
        >
          Order there
        </button>
      )}
      {asks === 'sure' && (
        <div className="mt-1 flex flex-wrap gap-2">
          <button
            type="button"
            className="button primary"
            data-testid="order-sure"
            disabled={buying.isWorking}
            onClick={() => void order()}
          >
            Yes, {show(delivered.goods + delivered.delivery)}
          </button>
          <button type="button" className="button" onClick={() => setAsks('no')}>
            Not yet
          </button>
        </div>
      )}
      {asks === 'sent' && <p role="status">Ordering …</p>}
      {refused && (
        <p role="alert" className="mt-1 text-small text-madder" data-testid="order-refused">
          {refusedWords(refused, asked)}
        </p>
      )}
    </>
  );
}

function orderOf(
  { total, days }: Extract<OrderAnswer, { taken: true }>,
  {
    planId,
    of,
    name,
    catalogue,
    lines,
  }: Pick<BasketProps, 'planId' | 'name' | 'catalogue'> & {
    readonly of: string | undefined;
    readonly lines: readonly BoughtLine[];
  },
): OrderRecord {
  return {
    id: newId(),
    planId,
    ...(of ? { of } : {}),
    seller: name,
    orderedAtMs: Date.now(),
    arrives: daysLater(today(), days),
    total,
    currency: catalogue.currency,
    lines: lines.flatMap(({ offer, packs }) => {
      const found = catalogue.offers.find((o) => o.id === offer);
      return found ? [{ product: { ...productFrom(found), id: offer }, packs }] : [];
    }),
    hasCome: 0,
  };
}

function whyOf(asked: BuyingAsked, line: BoughtLine): string[] {
  const offer = asked.offers.find((o) => o.id === line.offer);
  if (!offer) return [];
  const bundle = line.bundles > 0 && offer.multi ? [`${line.bundles} × ${offer.multi.packs} at once, for less`] : [];
  const instead = line.for.flatMap(({ need, fit }) => {
    const wanted = asked.needs.find((n) => n.id === need)?.kind;
    const words = wanted ? standsIn(wanted, offer.kind, fit) : '';
    return words ? [words] : [];
  });
  return [...bundle, ...new Set(instead)];
}

function refusedWords(refused: Refused, asked: BuyingAsked): string {
  if (typeof refused === 'object' && 'notKept' in refused)
    return `It is ordered, as ${refused.id}, but could not be kept here: ${refused.notKept} Write that down.`;
  if (refused === 'silent')
    return 'The seller doesn’t answer. Nothing was ordered, as far as is known here: ask there before you order again.';
  if (refused.taken) return '';
  const gone = refused.soldOut.map(({ offer, left }) => {
    const kind = asked.offers.find((o) => o.id === offer)?.kind;
    return `${kind ? `${kind.name}, ${kind.colour}` : offer}: ${left === 0 ? 'sold out' : `${left} left`}`;
  });
  return `${refused.message} ${gone.join('; ')}. Nothing was ordered; it is worked out anew from what is there now.`;
}
