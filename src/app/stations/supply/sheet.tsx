/** The shopping list on paper: hair seller by seller, what comes out of the stash, and what is needed besides. */
import type { BuyingAsked, Purchase } from '../../../core/buying/index.ts';
import type { PlanResult } from '../../../core/findings/index.ts';
import { upperFirst } from '../../../core/trade/index.ts';
import type { PlanDocument } from '../../../model/plan.ts';
import { useBuying } from '../../ask/buying.ts';
import { useWearerOf } from '../../session/use-wearer-of.ts';
import { money } from '../../ui/format.ts';
import { Sheet, Tick } from '../../ui/sheet.tsx';
import { lineName } from './names.ts';
import { useMissing } from './things.tsx';

export function ShoppingSheet() {
  return (
    <Sheet title="Shopping list" station="supply">
      {(plan, result) => <Page plan={plan} result={result} />}
    </Sheet>
  );
}

function Page({ plan, result }: { readonly plan: PlanDocument; readonly result: PlanResult }) {
  const of = useWearerOf(plan.id);
  const { shop, asked, bought } = useBuying(plan, result);
  const { catalogue } = shop;
  const missing = useMissing(plan, result, of).filter((m) => m.bags > 0);
  return (
    <>
      <h1 className="text-figure">Shopping list</h1>
      <p>{[plan.wearer, plan.name].filter(Boolean).join(', ')}.</p>
      {asked && catalogue && bought?.can ? (
        <Baskets asked={asked} purchase={bought.purchase} currency={catalogue.currency} />
      ) : (
        <Packs plan={plan} result={result} />
      )}
      <h2>Besides hair</h2>
      <ul className="mt-2">
        {missing.map(({ name, bags, price }) => (
          <Tick key={name}>
            <span>
              {bags > 1 ? `${bags} × ` : ''}
              {name}
              {price > 0 && `, ${money(price, plan.currency)}`}
            </span>
          </Tick>
        ))}
      </ul>
    </>
  );
}

function Baskets(props: { readonly asked: BuyingAsked; readonly purchase: Purchase; readonly currency: string }) {
  const { asked, purchase, currency } = props;
  return (
    <>
      <p>{money(purchase.total, currency)} with delivery.</p>
      {purchase.sellers.map((s) => (
        <section key={s.seller}>
          <h2>{upperFirst(asked.sellers.find((x) => x.id === s.seller)?.name ?? s.seller)}</h2>
          <ul className="mt-2">
            {purchase.lines
              .filter((l) => l.seller === s.seller)
              .map((l) => (
                <Tick key={l.offer}>
                  <span>
                    {lineName(asked, l)}
                    {l.price > 0 && `, ${money(l.price, currency)}`}
                  </span>
                </Tick>
              ))}
          </ul>
        </section>
      ))}
    </>
  );
}

/** Where no shop can say more: packs as the plan wants them. */
function Packs({ plan, result: { supply } }: { readonly plan: PlanDocument; readonly result: PlanResult }) {
  return (
    <>
      <h2>Hair</h2>
      <ul className="mt-2">
        {supply.lines
          .filter((l) => l.toBuy > 0)
          .map((l) => (
            <Tick key={l.product}>
              <span>
                {l.toBuy} × {l.name}, {money(l.price, plan.currency)}
              </span>
            </Tick>
          ))}
      </ul>
    </>
  );
}
