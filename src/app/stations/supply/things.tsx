/** Things besides hair: what this plan takes, what she has of it, what the rest costs. */
import { useLiveQuery } from 'dexie-react-hooks';
import { useMemo, useState } from 'react';
import type { PlanResult } from '../../../core/findings/index.ts';
import { type Missing, missingOf, neededBeside, neededWords } from '../../../core/plan/index.ts';
import { capName } from '../../../model/cap-name.ts';
import type { PlanDocument } from '../../../model/plan.ts';
import { storageSentence } from '../../../store/plans.ts';
import { keepThing, type StashThing, stashCaps, stashThings } from '../../../store/stash.ts';
import { db } from '../../session/database.ts';
import type { PlanSession } from '../../session/plan-session.ts';
import { NumberField } from '../../ui/field.tsx';
import { money } from '../../ui/format.ts';

/** What is needed, and what of it she has. */
export function useMissing(plan: PlanDocument, result: PlanResult, of: string | undefined): readonly Missing[] {
  const kept = useLiveQuery(() => stashThings(db, of), [of]);
  const caps = useLiveQuery(() => stashCaps(db, of), [of]);
  return useMemo(() => {
    const cap = capName(plan, result);
    const needed = neededBeside(result, cap);
    // A cap of the same dome that is kept does for it.
    const count = (caps ?? []).filter((c) => c.cap.dome === plan.cap.dome).length;
    const asThing = cap !== undefined && count > 0 ? [{ name: cap, count, inBag: 1, bagPrice: 0 }] : [];
    return missingOf(needed, [...asThing, ...(kept ?? [])]);
  }, [plan, result, kept, caps]);
}

export function Things(props: {
  readonly session: PlanSession;
  readonly result: PlanResult;
  readonly of: string | undefined;
}) {
  const { session, result, of } = props;
  const missing = useMissing(session.plan, result, of);
  const { currency } = session.plan;
  const toBuy = missing.filter((m) => m.bags > 0);
  const priced = toBuy.reduce((sum, m) => sum + m.price, 0);
  const unpriced = toBuy.filter((m) => m.price === 0).length;
  return (
    <section className="mt-6" data-testid="things">
      <h3 className="text-title">Besides hair</h3>
      <p className="note mt-1">
        {toBuy.length === 0
          ? 'You have all that this plan takes.'
          : `${toBuy.length} to get, ${money(priced, currency)}${unpriced > 0 ? `; ${unpriced} without a price yet` : ''}.`}
      </p>
      <ul className="mt-1">
        {missing.map((m) => (
          <Thing key={m.name} of={of} missing={m} currency={currency} />
        ))}
      </ul>
    </section>
  );
}

function Thing({
  of,
  missing,
  currency,
}: {
  readonly of: string | undefined;
  readonly missing: Missing;
  readonly currency: string;
}) {
  const [open, setOpen] = useState(false);
  const { name, because, have, bags, inBag, price } = missing;
  return (
    <li className="line py-0.75">
      <details open={open} onToggle={(e) => setOpen(e.currentTarget.open)}>
        <summary className="text-small">
          {neededWords(missing)}
          <span className="note">
            {' · '}
            {bags === 0
              ? 'there'
              : `${bags === 1 ? '' : inBag === 1 ? `${bags} ` : `${bags} bags `}to get${price > 0 ? `, ${money(price, currency)}` : ''}`}
          </span>
        </summary>
        {open && <ThingFields of={of} name={name} have={have} because={because} currency={currency} />}
      </details>
    </li>
  );
}

function ThingFields(props: {
  readonly of: string | undefined;
  readonly name: string;
  readonly have: number;
  readonly because: string;
  readonly currency: string;
}) {
  const { of, name, because, currency } = props;
  const kept = useLiveQuery(async () => (await stashThings(db, of)).find((t) => t.name === name), [of, name]);
  const [trouble, setTrouble] = useState<string>();
  const thing: Pick<StashThing, 'name' | 'count' | 'inBag' | 'bagPrice'> = kept ?? {
    name,
    count: 0,
    inBag: 1,
    bagPrice: 0,
  };
  const put = (change: Partial<typeof thing>) => {
    const { count, inBag, bagPrice } = { ...thing, ...change };
    keepThing(db, of, { name, count, inBag, bagPrice }, Date.now()).then(
      () => setTrouble(undefined),
      (error) => setTrouble(storageSentence(error)),
    );
    return undefined;
  };
  const within = (value: number, least: number, most: number) =>
    value >= least && value <= most ? undefined : `That should be from ${least} to ${most}.`;
  return (
    <div className="ml-3">
      <p className="note">{because}</p>
      <NumberField
        label="You have"
        testId={`have-${name}`}
        value={thing.count}
        onCommit={(count) => within(count, 0, 10_000) ?? put({ count })}
      />
      <NumberField
        label="Come in a bag"
        value={thing.inBag}
        onCommit={(inBag) => within(inBag, 1, 10_000) ?? put({ inBag })}
      />
      <NumberField
        label={`Price of a bag, ${currency}`}
        value={thing.bagPrice}
        onCommit={(bagPrice) => within(bagPrice, 0, 10_000) ?? put({ bagPrice })}
      />
      {trouble && (
        <p role="alert" className="note text-madder">
          {trouble}
        </p>
      )}
    </div>
  );
}
