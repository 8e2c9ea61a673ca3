/** What the shop has: hair by hair, colours as swatches, with prices and what is left of each. */
import { useMemo } from 'react';
import { shadesIn } from '../../../core/trade/index.ts';
import type { PlanDocument } from '../../../model/plan.ts';
import type { Catalogue, ShopOffer } from '../../../model/shop.ts';
import { money } from '../../ui/format.ts';
import { Swatch } from '../../ui/swatch.tsx';

interface Kind {
  readonly key: string;
  readonly hair: ShopOffer['hair'];
  readonly offers: readonly ShopOffer[];
}

/** Hair of a texture that the plan has first: the rest can't stand in. */
function kindsOf({ offers }: Catalogue, plan: PlanDocument): Kind[] {
  const kinds = new Map<string, ShopOffer[]>();
  for (const offer of offers) {
    const key = `${offer.hair.name}, ${offer.hair.length}`;
    const known = kinds.get(key);
    if (known) known.push(offer);
    else kinds.set(key, [offer]);
  }
  const textures = new Set(plan.products.map((p) => p.texture));
  const isNear = (k: Kind) => Number(!textures.has(k.hair.texture));
  return [...kinds]
    .map(([key, list]) => ({ key, hair: list[0].hair, offers: list }))
    .sort((a, b) => isNear(a) - isNear(b));
}

export function OnOffer({ catalogue, plan }: { readonly catalogue: Catalogue; readonly plan: PlanDocument }) {
  const kinds = useMemo(() => kindsOf(catalogue, plan), [catalogue, plan]);
  return (
    <section className="mt-5" data-testid="on-offer">
      <h3 className="text-title">What the shop has</h3>
      <p className="note">
        {catalogue.sellers
          .map(
            (s) =>
              `${s.name}: ${s.days} days, ${money(s.delivery, catalogue.currency)}${s.freeFrom === undefined ? '' : `, free from ${money(s.freeFrom, catalogue.currency)}`}`,
          )
          .join('. ')}
        .
      </p>
      <ul className="mt-1">
        {kinds.map((kind) => (
          <li key={kind.key} className="line py-0.75">
            <details>
              <summary className="text-small">
                {kind.key}
                <span className="note">
                  {' · '}
                  {kind.hair.piecesPerPack} pieces, {kind.hair.packMassG} g, from{' '}
                  {money(Math.min(...kind.offers.map((o) => o.price)), catalogue.currency)}
                </span>
              </summary>
              <Offers offers={kind.offers} catalogue={catalogue} />
            </details>
          </li>
        ))}
      </ul>
    </section>
  );
}

function Offers({ offers, catalogue }: { readonly offers: readonly ShopOffer[]; readonly catalogue: Catalogue }) {
  const show = (v: number) => money(v, catalogue.currency);
  return catalogue.sellers.map((s) => (
    <ul key={s.id} className="note ml-3 pt-1" aria-label={s.name}>
      <li className="text-ink">{s.name}</li>
      {offers
        .filter((o) => o.seller === s.id)
        .map((o) => (
          <li key={o.id}>
            <Swatch shades={shadesIn(o.colour)} className="mr-1.5 inline size-3.5 align-[-2px]" />
            {o.colour}, {show(o.price)}
            {o.multi ? `, ${o.multi.packs} for ${show(o.multi.price)}` : ''}:{' '}
            {o.stock === 0 ? 'sold out' : `${o.stock} left`}
          </li>
        ))}
    </ul>
  ));
}
