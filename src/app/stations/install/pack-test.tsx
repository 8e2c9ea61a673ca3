/** The first pack, opened at the mirror: what she finds in it changes the plan at once. */
import { useState } from 'react';
import type { PlanDocument } from '../../../model/plan.ts';
import { refusalOf } from '../../../model/read-plan.ts';
import { OpenedPack } from '../hair/opened-pack.tsx';
import type { NewPlan } from './use-new-plan.ts';

export function PackTest(props: { readonly plan: PlanDocument; readonly newPlan: NewPlan }) {
  const { plan, newPlan } = props;
  const [said, setSaid] = useState<string>();
  return (
    <div className="mt-2 text-lead" data-testid="pack-test">
      {plan.products.map((product, i) => (
        <fieldset key={product.id}>
          <legend className="pt-1 font-strong">{product.name}</legend>
          <OpenedPack
            product={product}
            change={(change, words = 'The pack tested') => {
              const products = plan.products.map((p, at) => (at === i ? { ...p, ...change } : p));
              const next = { ...plan, products };
              const refusal = refusalOf(next);
              if (refusal) return refusal;
              void newPlan.take({ words, plan: next }).then((why) => setSaid(why ?? `${words}. The plan follows.`));
              return undefined;
            }}
          />
        </fieldset>
      ))}
      {said && (
        <p role="status" className="mt-1" data-testid="pack-said">
          {said}
        </p>
      )}
    </div>
  );
}
