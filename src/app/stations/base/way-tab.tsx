/** The way of sectioning, its settings, and what is advised. */
import type { BaseChoice } from '../../../core/base/index.ts';
import { FAMILIES, FAMILY_INFO } from '../../../core/trade/index.ts';
import { chooseFamily, setBase } from '../../../model/base-commands.ts';
import type { PlanSession } from '../../session/plan-session.ts';
import { SelectField } from '../../ui/field.tsx';
import { Fields, type TakeChange } from '../../ui/fields.tsx';
import { Advice } from './advice.tsx';
import { LEFT_OUT, settingsOf } from './fields.ts';
import { FoundRows } from './found-rows.tsx';

export function WayTab({ session }: { readonly session: PlanSession }) {
  const { plan } = session;
  const { base } = plan;
  const set: TakeChange<BaseChoice> = (change, words) => session.apply(setBase(plan, change, words ?? ''));
  return (
    <>
      <Advice session={session} />
      <h3 className="mt-5 text-title">Your choice</h3>
      <SelectField
        label="Way"
        wide
        testId="family"
        value={base.family}
        options={FAMILIES.map((f) => [f, FAMILY_INFO[f].name] as const)}
        onChange={(f) => session.apply(chooseFamily(plan, f))}
      />
      <p className="note">{FAMILY_INFO[base.family].what}</p>
      <Fields record={base} of={settingsOf(base)} set={set} />
      {base.family === 'found' && <FoundRows session={session} />}
      <Fields
        record={base.leftOut}
        of={LEFT_OUT}
        set={(c, words) => set({ leftOut: { ...base.leftOut, ...c } }, words)}
      />
    </>
  );
}
