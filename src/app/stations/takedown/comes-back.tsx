/** Pieces that are kept, and the cap worn once more: into the stash, once. */
import { useState } from 'react';
import type { PlanResult } from '../../../core/findings/index.ts';
import type { PlanDocument } from '../../../model/plan.ts';
import { type KeptAfter, keepAfterWear } from '../../../store/after-wear.ts';
import type { Wearing } from '../../../store/wear.ts';
import { db } from '../../session/database.ts';
import { useWearerOf } from '../../session/use-wearer-of.ts';
import { NumberField } from '../../ui/field.tsx';
import { Trouble, useTrouble } from '../../ui/trouble.tsx';

interface Props {
  readonly plan: PlanDocument;
  readonly result: PlanResult;
  readonly wearing: Wearing;
  readonly pieces: number;
}

export function ComesBack({ plan, result, wearing, pieces }: Props) {
  const of = useWearerOf(plan.id);
  const lots = lotsIn(plan, result, pieces);
  const [kept, setKept] = useState<Readonly<Record<string, number>>>({});
  const [trouble, tried] = useTrouble();
  const hasCap = plan.cap.dome !== 'none';
  const count = (id: string, likely: number) => kept[id] ?? likely;
  if (wearing.session.keptAtMs !== undefined)
    return (
      <p className="mt-5" data-testid="kept-back">
        What was worth keeping is in your stash.
      </p>
    );
  const keep = () => {
    const back: KeptAfter = {
      hair: lots.map((l) => ({ product: l.product, pieces: count(l.product.id, l.likely) })),
      cap: hasCap ? { name: plan.name, cap: plan.cap } : undefined,
    };
    void tried(keepAfterWear(db, wearing.session.id, back, of, Date.now()));
  };
  return (
    <section className="mt-5" aria-label="What comes back">
      <h3 className="text-title">What comes back</h3>
      <p className="note mt-1">
        Human hair and what has a ring is unringed and kept; synthetic pieces that were snipped are done. Whatever you
        keep is kept as worn.
      </p>
      {lots.map(({ product, likely, most }) => (
        <NumberField
          key={product.id}
          label={`${product.name}, pieces kept`}
          value={count(product.id, likely)}
          onCommit={(n) => {
            if (!(Number.isInteger(n) && n >= 0 && n <= most)) return `It has to be from 0 to ${most}.`;
            setKept({ ...kept, [product.id]: n });
            return undefined;
          }}
          testId={`back-${product.id}`}
        />
      ))}
      <button type="button" className="button mt-2" onClick={keep} data-testid="keep-back">
        {hasCap ? 'Into the stash, and the cap worn once more' : 'Into the stash'}
      </button>
      <Trouble why={trouble} />
    </section>
  );
}

/** Of each product how many pieces are in, and how many of them are worth keeping: all of human hair, of the rest none. */
function lotsIn(plan: PlanDocument, { knots }: PlanResult, pieces: number) {
  const cutOf = new Map(plan.cuts.map((c) => [c.id, c.product]));
  const share = knots.length > 0 ? pieces / knots.length : 0;
  return plan.products
    .filter((p) => p.lowerHalfOf === undefined)
    .map((product) => {
      const most = Math.round(share * knots.filter((k) => cutOf.get(k.cut) === product.id).length);
      return { product, most, likely: product.fibre === 'human' ? most : 0 };
    })
    .filter((l) => l.most > 0);
}
