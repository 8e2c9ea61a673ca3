/** What she marks on her scalp. */
import { useState } from 'react';
import { MARK_KINDS, MARK_NAMES, type MarkKind, REGION_NAMES, REGIONS } from '../../../core/trade/index.ts';
import { setField } from '../../../model/commands.ts';
import { clearMarks, setRegions } from '../../../model/measure-commands.ts';
import { SKIN_TONES } from '../../../model/plan.ts';
import type { PlanSession } from '../../session/plan-session.ts';
import { Several } from '../../ui/choice.tsx';
import { SelectField } from '../../ui/field.tsx';
import { ToolButton } from '../../ui/tabs.tsx';
import { TURN_TOOL, useView } from '../../view/view-store.ts';

const BRUSH_MM = { small: 8, medium: 14, wide: 24 } as const;

const MARK_WORDS: Readonly<Record<MarkKind, string>> = {
  tender: 'It hurts here, or has been pulled before. Knots go through the net only, if you say so, and ties keep away.',
  thin: 'Little hair. It carries half.',
  noGo: 'Nothing is hooked here. Hair may fall over it.',
  inSight: 'Your own hair stays visible. No piece goes here and no cover is owed.',
};

const WIDTHS = [
  ['small', '1 finger'],
  ['medium', '1½ fingers'],
  ['wide', '2½ fingers'],
] as const;

export function MarksTab({ session }: { readonly session: PlanSession }) {
  const { plan } = session;
  const [kind, setKind] = useState<MarkKind>('tender');
  const named = plan.marks.flatMap((m) => (m.kind === kind && 'region' in m.place && !m.erase ? [m.place.region] : []));
  return (
    <>
      <Brush kind={kind} onKind={setKind} />
      <Several
        label="Whole regions"
        values={named}
        options={REGIONS.map((r) => [r, REGION_NAMES[r]] as const)}
        onChange={(regions) => session.apply(setRegions(plan, kind, regions))}
      />
      {plan.marks.some((m) => m.kind === kind) && (
        <button type="button" className="word" onClick={() => session.apply(clearMarks(plan, kind))}>
          Clear all {MARK_NAMES[kind]}
        </button>
      )}
      <p className="note mt-2">
        After recent hair loss, surgery or chemotherapy, with a sore or diseased scalp, or for a child: ask a
        professional before anything is hooked.
      </p>
      <div className="mt-3">
        <SelectField
          label="Skin tone on the screen"
          value={plan.skin}
          options={SKIN_TONES.map((s) => [s, s] as const)}
          onChange={(skin) => session.apply(setField(plan, 'skin', skin, `Skin tone ${skin}`))}
        />
      </div>
    </>
  );
}

/** What is painted, how wide, and the two brushes. */
function Brush({ kind, onKind }: { readonly kind: MarkKind; readonly onKind: (kind: MarkKind) => void }) {
  const { tool, hold } = useView();
  const brush = tool.kind === 'brush' ? tool : undefined;
  const [width, setWidth] = useState<keyof typeof BRUSH_MM>('medium');
  const take = (mark: MarkKind, radius: keyof typeof BRUSH_MM, erase: boolean) =>
    hold({ kind: 'brush', mark, radiusMm: BRUSH_MM[radius], erase });
  const brushes = [
    ['paint', 'Paint', false],
    ['erase', 'Wipe out', true],
  ] as const;
  return (
    <>
      <SelectField
        label="Mark"
        testId="mark-kind"
        value={kind}
        options={MARK_KINDS.map((k) => [k, MARK_NAMES[k]] as const)}
        onChange={(k) => {
          onKind(k);
          if (brush) take(k, width, brush.erase);
        }}
      />
      <p className="note">{MARK_WORDS[kind]}</p>
      <SelectField
        label="Brush, across"
        testId="brush-width"
        value={width}
        options={WIDTHS}
        onChange={(w) => {
          setWidth(w);
          if (brush) take(kind, w, brush.erase);
        }}
      />
      <div className="mt-2 grid grid-cols-2 gap-2">
        {brushes.map(([id, words, erase]) => {
          const held = brush?.erase === erase;
          const press = () => (held ? hold(TURN_TOOL) : take(kind, width, erase));
          return (
            <ToolButton key={id} testId={`brush-${id}`} held={held} onPress={press}>
              {words}
            </ToolButton>
          );
        })}
      </div>
      {brush && (
        <p className="note mt-2">
          Draw on the head. To turn it meanwhile use the words under the head. By keyboard: the brush is a bead on the
          head; arrows move it, Enter paints.
        </p>
      )}
    </>
  );
}
