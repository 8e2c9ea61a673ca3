import type { Dome } from '../../../core/trade/caps.ts';
import { FULLNESS_AIMS, FULLNESS_INFO } from '../../../core/trade/finish.ts';
import { PACE_NAMES, PACES } from '../../../core/trade/pace.ts';
import { setCap } from '../../../model/cap-and-hair.ts';
import { setField } from '../../../model/commands.ts';
import { setFinish } from '../../../model/finish.ts';
import type { WithFinding } from '../../ui/bench-props.ts';
import { Choice } from '../../ui/choice.tsx';
import { SelectField, TextField } from '../../ui/field.tsx';
import { PartBench } from '../rows/part-fields.tsx';

export function AimBench({ session, finding }: WithFinding) {
  const { plan } = session;
  return (
    <>
      <h2>What it is to be</h2>
      <p className="note mt-1.25">
        What the hair is hooked through. Bands, rods, puffs and rows that are there are chosen as the base.
      </p>
      {finding}
      <div className="mt-3">
        <TextField
          label="Plan’s name"
          wide
          value={plan.name}
          testId="plan-name"
          onCommit={(name) => session.apply(setField(plan, 'name', name.trim(), `Named ${name.trim()}`))}
        />
        <TextField
          label="Wearer"
          value={plan.wearer}
          placeholder="you"
          onCommit={(name) => session.apply(setField(plan, 'wearer', name.trim(), `Wearer ${name.trim()}`))}
        />
        <SelectField
          label="How full"
          value={plan.finish.fullness}
          options={FULLNESS_AIMS.map((f) => [f, FULLNESS_INFO[f].name] as const)}
          onChange={(fullness) => session.apply(setFinish(plan, { fullness }))}
        />
        <SelectField
          label="How often you did this"
          value={plan.pace}
          options={PACES.map((p) => [p, PACE_NAMES[p]] as const)}
          onChange={(pace) => session.apply(setField(plan, 'pace', pace, `Pace: ${PACE_NAMES[pace]}`))}
        />
        <SelectField
          label="Money in"
          value={plan.currency}
          options={[...new Set(['€', '£', '$', '₦', 'R', 'CHF', plan.currency])].map((c) => [c, c] as const)}
          onChange={(c) => session.apply(setField(plan, 'currency', c, `Money in ${c}`))}
        />
      </div>
      <h3 className="mt-5 text-title">Route</h3>
      <div className="mt-2">
        <Choice
          label="Route"
          value={plan.cap.dome}
          options={[
            {
              value: 'closed' as Dome,
              name: 'Closed cap over the base',
              reason:
                'The net shares the pull, gives places to hook, and comes off fast. Warmer, and one more thing to hide.',
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
          ]}
          onChange={(dome) =>
            session.apply(setCap(plan, dome === 'openTop' ? { dome, filledOn: 'block', wig: true } : { dome }))
          }
        />
      </div>
      <PartBench session={session} />
    </>
  );
}
