/** Shop: what to buy where, why, and what to give up where it can't be done. */
import { Link } from 'react-router';
import { type BuyingAsked, type Purchase, type WayOut, wayInWords } from '../../../core/buying/index.ts';
import type { PlanResult } from '../../../core/findings/index.ts';
import { daysLater } from '../../../core/time/index.ts';
import { SURENESSES, upperFirst } from '../../../core/trade/index.ts';
import { setAside, setBuying } from '../../../model/buying.ts';
import type { Catalogue } from '../../../model/shop.ts';
import { type Buying, useBuying } from '../../ask/buying.ts';
import type { ShopSeen } from '../../ask/shop.ts';
import type { PlanSession } from '../../session/plan-session.ts';
import { exportShopping } from '../../session/tables.ts';
import { today } from '../../session/today.ts';
import { useWearerOf } from '../../session/use-wearer-of.ts';
import { day, money, weekday } from '../../ui/format.ts';
import { Basket } from './basket.tsx';
import { nameOf, offerName } from './names.ts';
import { OnOffer } from './on-offer.tsx';
import { Orders } from './orders.tsx';
import { useMissing } from './things.tsx';
import { Wishes } from './wishes.tsx';

interface Props {
  readonly session: PlanSession;
  readonly result: PlanResult;
}

export function ShopTab({ session, result }: Props) {
  const { plan } = session;
  const buying = useBuying(plan, result);
  const { catalogue } = buying.shop;
  return (
    <>
      <h2>What to buy where</h2>
      <ShopState shop={buying.shop} />
      {buying.asked && catalogue && (
        <Outcome session={session} result={result} buying={buying} asked={buying.asked} catalogue={catalogue} />
      )}
      <h3 className="mt-5 text-title">As you would like it</h3>
      <Wishes session={session} currency={catalogue?.currency ?? plan.currency} />
      <Orders session={session} />
      {catalogue && <OnOffer catalogue={catalogue} plan={plan} />}
    </>
  );
}

/** Whether prices are of now; where the shop is silent, of when. */
function ShopState({ shop: { state, catalogue, askAgain } }: { readonly shop: ShopSeen }) {
  const words = {
    now: '',
    asking: 'Asking the shop …',
    never:
      'The shop doesn’t answer, and it was never asked before. Packs and price are under Packs; buy as you find them.',
    before: `The shop doesn’t answer. This is what it had on ${catalogue ? stamp(catalogue.asOfMs) : ''}; it may have sold out since.`,
  }[state];
  if (words === '') return null;
  return (
    <p role="status" className="mt-1 text-small" data-testid="shop-state">
      {words}{' '}
      {state !== 'asking' && (
        <button type="button" className="word" onClick={askAgain}>
          Ask again
        </button>
      )}
    </p>
  );
}

const stamp = (atMs: number) =>
  `${day(atMs)}, ${new Intl.DateTimeFormat('en-GB', { hour: '2-digit', minute: '2-digit' }).format(atMs)}`;

interface Asked extends Props {
  readonly buying: Buying;
  readonly asked: BuyingAsked;
  readonly catalogue: Catalogue;
}

function Outcome(props: Asked) {
  const { session, asked, catalogue } = props;
  const { bought, isWorking, failed, again } = props.buying;
  if (asked.needs.length === 0)
    return (
      <p className="mt-4" data-testid="bought">
        Nothing: what is at hand lasts.
      </p>
    );
  if (failed)
    return (
      <p role="alert" className="mt-4 text-madder">
        It could not be worked out: {failed}{' '}
        <button type="button" className="word" onClick={again}>
          Try again
        </button>
      </p>
    );
  if (!bought)
    return (
      <p className="mt-4" role="status">
        Working it out …
      </p>
    );
  return (
    <section className="mt-4" data-testid="bought" aria-busy={isWorking}>
      {bought.can ? (
        <Buys {...props} purchase={bought.purchase} />
      ) : (
        <Cannot session={session} asked={asked} currency={catalogue.currency} short={bought.short} ways={bought.ways} />
      )}
    </section>
  );
}

/** Why not, and each thing that could be given up for it. */
function Cannot(props: {
  readonly session: PlanSession;
  readonly asked: BuyingAsked;
  readonly currency: string;
  readonly short: ReadonlyArray<{ readonly need: string; readonly wanted: number; readonly most: number }>;
  readonly ways: readonly WayOut[];
}) {
  const { session, asked, currency, short, ways } = props;
  const show = (v: number) => money(v, currency);
  const take = ({ wish }: WayOut) => {
    const { budget, withinDays, sure, colourWithin, longerCutDown, aim } = wish;
    const change = {
      aim,
      budget,
      sure: SURENESSES[sure],
      colourWithin,
      longerCutDown: longerCutDown ? 'yes' : 'no',
      by: withinDays === undefined ? undefined : daysLater(today(), withinDays),
    };
    session.apply(setBuying(session.plan, change, 'A wish given up'));
  };
  return (
    <>
      <p className="font-strong">This can’t be bought as you wish.</p>
      {short.map(({ need, wanted, most }) => (
        <p key={need} className="mt-1 text-small">
          {nameOf(asked, need)}: {wanted} pieces are wanted, {most === 0 ? 'and nobody has any' : `${most} can be had`}{' '}
          in that colour and length{asked.wish.withinDays === undefined ? '' : ' by that day'}.
        </p>
      ))}
      {ways.length === 0 ? (
        <p className="mt-2">
          Nothing that you give up alone helps. Less hair might: wider gaps, finer pieces, a second pass later.
        </p>
      ) : (
        <>
          <p className="mt-2">One of these would do; the first asks least:</p>
          <ul className="mt-1 grid gap-2">
            {ways.map((w) => (
              <li key={w.give}>
                <button type="button" className="button" data-testid={`give-${w.give}`} onClick={() => take(w)}>
                  {upperFirst(wayInWords(w, show))}
                  <span className="note block font-normal">
                    {show(w.purchase.total)}, there in {w.purchase.days} days
                  </span>
                </button>
              </li>
            ))}
          </ul>
        </>
      )}
    </>
  );
}

function Buys(props: Asked & { readonly purchase: Purchase }) {
  const { session, result, buying, asked, catalogue, purchase } = props;
  const of = useWearerOf(session.plan.id);
  const show = (v: number) => money(v, catalogue.currency);
  const missing = useMissing(session.plan, result, of);
  const sellerOf = (id: string) => asked.sellers.find((s) => s.id === id);
  const list = purchase.lines.map((l) => ({
    seller: sellerOf(l.seller)?.name ?? l.seller,
    what: offerName(asked, l),
    count: l.packs,
    price: l.price,
  }));
  const things = missing
    .filter((m) => m.bags > 0)
    .map((m) => ({ seller: '', what: m.name, count: m.bags, price: m.price }));
  return (
    <>
      <p className="fig text-great">{show(purchase.total)}</p>
      <p className="note">
        {purchase.days === 0
          ? 'All of it is there.'
          : `All of it is there by ${weekday(daysLater(today(), purchase.days))}.`}
        {catalogue.currency === session.plan.currency
          ? ''
          : ` The shop counts in ${catalogue.currency}, your plan in ${session.plan.currency}.`}
      </p>
      {purchase.sellers.map((s) => (
        <Basket
          key={s.seller}
          planId={session.plan.id}
          buying={buying}
          asked={asked}
          catalogue={catalogue}
          aside={(lines) => {
            const change = setAside(session.plan, lines, buying.lots);
            return change && (() => void session.apply(change));
          }}
          purchase={purchase}
          delivered={s}
          name={sellerOf(s.seller)?.name ?? s.seller}
          show={show}
        />
      ))}
      <details className="mt-2">
        <summary className="word">How it adds up</summary>
        <ul className="note">
          {purchase.given.map((g) => (
            <li key={g.need}>
              {nameOf(asked, g.need)}: {g.wanted} pieces wanted beside what is at hand, {g.pieces} come with it.
            </li>
          ))}
          {purchase.sellers.map((s) => (
            <li key={s.seller}>
              {sellerOf(s.seller)?.name}: {show(s.goods)} and{' '}
              {s.delivery === 0 ? 'no delivery' : `${show(s.delivery)} delivery`}.
            </li>
          ))}
          <li>
            Every way of packs, bundles and sellers was weighed against each other; none comes to less for what you
            wish.
          </li>
        </ul>
      </details>
      <div className="mt-1 flex flex-wrap gap-x-5">
        <Link className="word" to={`/plan/${session.plan.id}/supply/list`}>
          Shopping list, to print
        </Link>
        <button
          type="button"
          className="word"
          data-testid="export-shopping"
          onClick={() => void exportShopping(session.plan, [...list, ...things], catalogue.currency)}
        >
          As a table (CSV)
        </button>
      </div>
    </>
  );
}
