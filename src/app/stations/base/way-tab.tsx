/** The way of sectioning, its settings, and what is advised. */
import type { BaseChoice } from '../../../core/base/index.ts';
import { FAMILIES, FAMILY_INFO } from '../../../core/trade/index.ts';
import { chooseFamily, setBase } from '../../../model/commands.ts';
import type { PlanSession } from '../../session/plan-session.ts';
import { SelectField } from '../../ui/field.tsx';
import { Fields, type TakeChange } from '../../ui/fields.tsx';
import { ToolButton } from '../../ui/tabs.tsx';
import { TURN_TOOL, useView } from '../../view/view-store.ts';
import { Advice } from './advice.tsx';
import { FOUND, LEFT_OUT, settingsOf } from './fields.ts';

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
      {base.family === 'found' && <FoundSettings base={base} set={set} />}
      <Fields
        record={base.leftOut}
        of={LEFT_OUT}
        set={(c, words) => set({ leftOut: { ...base.leftOut, ...c } }, words)}
      />
    </>
  );
}

function FoundSettings(props: { readonly base: BaseChoice; readonly set: TakeChange<BaseChoice> }) {
  const { found } = props.base;
  const tool = useView((v) => v.tool);
  const hold = useView((v) => v.hold);
  const set: TakeChange<BaseChoice['found']> = (change, words) => props.set({ found: { ...found, ...change } }, words);
  return (
    <>
      <Fields record={found} of={FOUND} set={set} />
      <p className="note mt-2">
        {found.lines.length === 0
          ? 'Laid as rows straight back until you draw yours.'
          : `${found.lines.length} rows entered.`}
      </p>
      <div className="mt-2 grid grid-cols-2 gap-2">
        <ToolButton
          testId="draw-row"
          held={tool.kind === 'row'}
          onPress={() => hold(tool.kind === 'row' ? TURN_TOOL : { kind: 'row' })}
        >
          Draw a row
        </ToolButton>
        <button
          type="button"
          className="button"
          disabled={found.lines.length === 0}
          onClick={() => set({ lines: found.lines.slice(0, -1) }, 'Last row taken out')}
        >
          Last one out
        </button>
      </div>
      <p className="note mt-2">Draw each from where it begins to where it ends. Where the ends lie is set in Tails.</p>
    </>
  );
}
