/** What one seller sends: why each pack, and the order itself. */
import { useState } from 'react';
import { type BoughtLine, type BuyingAsked, type Purchase, STASH, standsIn } from '../../../core/buying/index.ts';
import { daysLater } from '../../../core/time/index.ts';
import { productFrom } from '../../../model/buying.ts';
import type { Catalogue, OrderAnswer } from '../../../model/shop.ts';
import { keepOrder } from '../../../store/orders.ts';
import { placeOrder } from '../../ask/shop.ts';
import { db, newId } from '../../session/database.ts';
import { weekday } from '../../ui/format.ts';
import { lineName, today } from './names.ts';

export interface BasketAsked {
  readonly planId: string;
  readonly asked: BuyingAsked;
  readonly catalogue: Catalogue;
  readonly of: string | undefined;
  readonly askAgain: () => void;
  /** Packs of her stash are set aside; undefined where there are none to set aside. */
  readonly aside: (lines: readonly BoughtLine[]) => (() => void) | undefined;
}

/** What one seller sends; ordered there with a second tap. */
export function Basket(
  props: BasketAsked & {
    readonly purchase: Purchase;
    readonly delivered: Purchase['sellers'][number];
    readonly name: string;
    readonly show: (v: number) => string;
  },
) {
  const { planId, asked, catalogue, of, purchase, delivered, name, show, askAgain } = props;
  const [asks, setAsks] = useState<'no' | 'sure' | 'sent'>('no');
  const [refused, setRefused] = useState<OrderAnswer | 'silent'>();
  const lines = purchase.lines.filter((l) => l.seller === delivered.seller);
  const isStash = delivered.seller === STASH.id;
  const aside = props.aside(lines);
  const order = async () => {
    setAsks('sent');
    const answer = await placeOrder({
      seller: delivered.seller,
      lines: lines.map(({ offer, packs }) => ({ offer, packs })),
    });
    setAsks('no');
    setRefused(answer?.taken ? undefined : (answer ?? 'silent'));
    if (answer?.taken)
      await keepOrder(db, {
        id: newId(),
        planId: planId,
        ...(of ? { of } : {}),
        seller: name,
        orderedAtMs: Date.now(),
        arrives: daysLater(today(), answer.days),
        total: answer.total,
        currency: catalogue.currency,
        lines: lines.flatMap(({ offer, packs }) => {
          const found = catalogue.offers.find((o) => o.id === offer);
          return found ? [{ product: { ...productFrom(found), id: offer.slice(0, 40) }, packs }] : [];
        }),
        hasCome: 0,
      });
    askAgain();
  };
  return (
    <section className="mt-3" data-testid="basket">
      <h3 className="text-title">{isStash ? 'From your stash' : name}</h3>
      <ul>
        {lines.map((l) => (
          <li key={l.offer} className="line py-1 text-small">
            <div className="flex justify-between gap-3">
              <span>{lineName(asked, l)}</span>
              {!isStash && <span className="fig">{show(l.price)}</span>}
            </div>
            {whyOf(asked, l).map((w) => (
              <p key={w} className="note">
                {w}
              </p>
            ))}
          </li>
        ))}
      </ul>
      {isStash && aside && (
        <button type="button" className="word" data-testid="set-aside" onClick={aside}>
          Set the packs aside for this plan
        </button>
      )}
      {!isStash && (
        <>
          <p className="note mt-1">
            Delivery {delivered.delivery === 0 ? 'free' : show(delivered.delivery)}, there by{' '}
            {weekday(daysLater(today(), delivered.days))}.
          </p>
          {asks === 'no' && (
            <button type="button" className="button mt-1" data-testid="order" onClick={() => setAsks('sure')}>
              Order there
            </button>
          )}
          {asks === 'sure' && (
            <div className="mt-1 flex flex-wrap gap-2">
              <button type="button" className="button primary" data-testid="order-sure" onClick={() => void order()}>
                Yes, {show(delivered.goods + delivered.delivery)}
              </button>
              <button type="button" className="button" onClick={() => setAsks('no')}>
                Not yet
              </button>
            </div>
          )}
          {asks === 'sent' && <p role="status">Ordering …</p>}
        </>
      )}
      {refused && (
        <p role="alert" className="mt-1 text-small text-madder" data-testid="order-refused">
          {refusedWords(refused, asked)}
        </p>
      )}
    </section>
  );
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

function refusedWords(refused: OrderAnswer | 'silent', asked: BuyingAsked): string {
  if (refused === 'silent')
    return 'The seller doesn’t answer. Nothing was ordered, as far as is known here: ask there before you order again.';
  if (refused.taken) return '';
  const gone = refused.soldOut.map(({ offer, left }) => {
    const kind = asked.offers.find((o) => o.id === offer)?.kind;
    return `${kind ? `${kind.name}, ${kind.colour}` : offer}: ${left === 0 ? 'sold out' : `${left} left`}`;
  });
  return `${refused.message} ${gone.join('; ')}. Nothing was ordered; it is worked out anew from what is there now.`;
}
