import {
  type Dome,
  FULLNESS_AIMS,
  FULLNESS_INFO,
  isWorn,
  PACE_NAMES,
  PACES,
  WHOM_INFO,
  WHOMS,
} from '../../../core/trade/index.ts';
import { setCap } from '../../../model/cap-and-hair.ts';
import { setFinish } from '../../../model/finish.ts';
import { setMadeFor } from '../../../model/made-for.ts';
import type { PlanDocument } from '../../../model/plan.ts';
import type { WithFinding } from '../../ui/bench-props.ts';
import { Choice } from '../../ui/choice.tsx';
import { type FieldEntry, Fields, named, type TakeChange } from '../../ui/fields.tsx';
import { PartBench } from '../rows/part-fields.tsx';

export function AimBench({ session, finding }: WithFinding) {
  const { plan } = session;
  const about: TakeChange<PlanDocument> = (change, words = '') =>
    session.apply({ words, plan: { ...plan, ...change } });
  return (
    <>
      <h2>What it is to be</h2>
      <p className="note mt-1.25">
        What the hair is hooked through. Bands, rods, puffs and rows that are there are chosen as the base.
      </p>
      {finding}
      <div className="mt-3">
        <Fields record={plan} of={ABOUT} set={about} />
        <Fields record={plan.finish} of={HOW_FULL} set={(change) => session.apply(setFinish(plan, change))} />
        <Fields record={plan} of={PACE_AND_MONEY} set={about} />
      </div>
      <h3 className="mt-5 text-title">For whom</h3>
      <Choice
        label="For whom"
        value={plan.madeFor.whom}
        options={WHOMS.map((value) => ({ value, ...WHOM_INFO[value] }))}
        onChange={(whom) => session.apply(setMadeFor(plan, { whom }))}
      />
      {plan.madeFor.whom === 'head' && <p className="note mt-1">Its size is set in Measure.</p>}
      <h3 className="mt-5 text-title">Route</h3>
      <div className="mt-2">
        <Choice
          label="Route"
          value={plan.cap.dome}
          // A wig for nobody's base is hooked on a net.
          options={isWorn(plan.madeFor) ? ROUTES : ON_A_NET}
          onChange={(dome) =>
            session.apply(setCap(plan, dome === 'openTop' ? { dome, filledOn: 'block', wig: true } : { dome }))
          }
        />
      </div>
      <PartBench session={session} />
    </>
  );
}

type Table<R> = ReadonlyArray<FieldEntry<R>>;

const ABOUT: Table<PlanDocument> = [
  {
    key: 'name',
    kind: 'text',
    label: 'Plan’s name',
    wide: true,
    testId: 'plan-name',
    words: (name) => `Named ${name}`,
  },
  { key: 'wearer', kind: 'text', label: 'Wearer', placeholder: 'you', words: (name) => `Wearer ${name}` },
];

const HOW_FULL: Table<PlanDocument['finish']> = [
  { key: 'fullness', kind: 'choice', label: 'How full', options: named(FULLNESS_AIMS, (f) => FULLNESS_INFO[f].name) },
];

const CURRENCIES = ['€', '£', '$', '₦', 'R', 'CHF'];

const PACE_AND_MONEY: Table<PlanDocument> = [
  {
    key: 'pace',
    kind: 'choice',
    label: 'How often you did this',
    options: named(PACES, (p) => PACE_NAMES[p]),
    words: (pace) => `Pace: ${PACE_NAMES[pace]}`,
  },
  {
    key: 'currency',
    kind: 'choice',
    label: 'Money in',
    options: ({ currency }) => named([...new Set([...CURRENCIES, currency])], (c) => c),
    words: (c) => `Money in ${c}`,
  },
];

const ROUTES: ReadonlyArray<{ readonly value: Dome; readonly name: string; readonly reason: string }> = [
  {
    value: 'closed',
    name: 'Closed cap over the base',
    reason: 'The net shares the pull, gives places to hook, and comes off fast. Warmer, and one more thing to hide.',
  },
  {
    value: 'none',
    name: 'Own hair only, no cap',
    reason: 'Nothing to hide and cooler; every knot pulls on your own hair and takedown is long.',
  },
  {
    value: 'openTop',
    name: 'Open-topped cap, filled on a block',
    reason: 'Filled off the head and worn as a wig; a handful of knots draws its top shut.',
  },
];

const ON_A_NET = ROUTES.filter((r) => r.value !== 'none').map((r) =>
  r.value === 'closed'
    ? { ...r, name: 'Closed cap', reason: 'Its dome is whole; it is filled off the head and worn as a wig.' }
    : r,
);
