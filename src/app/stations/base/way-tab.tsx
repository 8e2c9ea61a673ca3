/** The way of sectioning, its settings, and what is advised. */
import type { BaseChoice } from '../../../core/base/choice.ts';
import {
  type BaseSettings,
  BOX_SHAPES,
  FAMILIES,
  FAMILY_INFO,
  FOUND_KINDS,
  ROD_PLACES,
  STRIPS,
  TIE_PLACES,
} from '../../../core/trade/bases.ts';
import { lowerFirst } from '../../../core/trade/words.ts';
import { chooseFamily, setBase } from '../../../model/commands.ts';
import type { PlanSession } from '../../session/plan-session.ts';
import { NumberField, SelectField } from '../../ui/field.tsx';
import { ToolButton } from '../../ui/tabs.tsx';
import { TURN_TOOL, useView } from '../../view/view-store.ts';
import { Advice } from './advice.tsx';
import { BOX_NAMES, COUNT_NAMES, FOUND_NAMES, ROD_NAMES, STRIP_NAMES, TAIL_NAMES, TIE_NAMES } from './names.ts';

export function WayTab({ session }: { readonly session: PlanSession }) {
  const { plan } = session;
  const { base } = plan;
  const set = (change: Partial<BaseChoice>, words: string) => session.apply(setBase(plan, change, words));
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
      <FamilySettings base={base} set={set} />
      <SelectField
        label="A strip left out"
        wide
        testId="strip"
        value={base.leftOut.where}
        options={STRIPS.map((s) => [s, STRIP_NAMES[s]] as const)}
        onChange={(where) => set({ leftOut: { ...base.leftOut, where } }, `Left out: ${STRIP_NAMES[where]}`)}
      />
      {base.leftOut.where !== 'none' && (
        <NumberField
          label="Strip, fingers wide"
          value={base.leftOut.fingers}
          onCommit={(fingers) => set({ leftOut: { ...base.leftOut, fingers } }, `Strip of ${fingers} fingers`)}
          beside="Free a narrow one first and widen it at the end: too much has to be stuffed away again."
        />
      )}
    </>
  );
}

function FamilySettings(props: {
  readonly base: BaseChoice;
  readonly set: (change: Partial<BaseChoice>, words: string) => string | undefined;
}) {
  const { base, set } = props;
  const has = (key: keyof BaseSettings) => FAMILY_INFO[base.family].settings.includes(key);
  return (
    <>
      {has('behind') && (
        <NumberField
          label="Sections behind"
          testId="behind"
          value={base.behind}
          onCommit={(behind) => set({ behind }, `${behind} behind`)}
        />
      )}
      {has('front') && (
        <NumberField
          label="Sections in front"
          testId="front"
          value={base.front}
          onCommit={(front) => set({ front }, `${front} in front`)}
          beside="About four in all for long hair, eight for thick, nine small ones for short (common practice)."
        />
      )}
      {has('count') && (base.family !== 'found' || base.found.lines.length === 0) && (
        <NumberField
          label={COUNT_NAMES[base.family] ?? 'Sections'}
          testId="count"
          value={base.count}
          onCommit={(count) => set({ count }, `${count} ${lowerFirst(COUNT_NAMES[base.family] ?? 'sections')}`)}
          beside={base.family === 'threaded' ? 'Two to three dozen are usual.' : undefined}
        />
      )}
      {has('boxes') && (
        <SelectField
          label="Boxes"
          testId="boxes"
          value={base.boxes}
          options={BOX_SHAPES.map((b) => [b, BOX_NAMES[b]] as const)}
          onChange={(boxes) => set({ boxes }, `Boxes: ${BOX_NAMES[boxes]}`)}
        />
      )}
      {has('boxFingers') && (
        <NumberField
          label="Side of a box, fingers"
          testId="box-fingers"
          value={base.boxFingers}
          onCommit={(boxFingers) => set({ boxFingers }, `Boxes of ${boxFingers} fingers`)}
        />
      )}
      {has('topFingers') && (
        <NumberField
          label="Fingers behind the crown"
          value={base.topFingers}
          onCommit={(topFingers) => set({ topFingers }, `Top ${topFingers} fingers behind the crown`)}
        />
      )}
      {has('tieAt') && (
        <SelectField
          label="Tied"
          value={base.tieAt}
          options={TIE_PLACES.map((t) => [t, TIE_NAMES[t]] as const)}
          onChange={(tieAt) => set({ tieAt, edits: [] }, `Tied ${TIE_NAMES[tieAt]}`)}
        />
      )}
      {has('ringFingers') && (
        <NumberField
          label="Ring of own hair, fingers"
          value={base.ringFingers}
          onCommit={(ringFingers) => set({ ringFingers }, `Ring of ${ringFingers} fingers`)}
        />
      )}
      {has('wrapPitchMm') && (
        <NumberField
          label="Thread every, mm"
          value={base.wrapPitchMm}
          onCommit={(wrapPitchMm) => set({ wrapPitchMm }, `Thread every ${wrapPitchMm} mm`)}
        />
      )}
      {has('rodPieces') && (
        <SelectField
          label="Pieces on a rod"
          value={base.rodPieces}
          options={ROD_PLACES.map((r) => [r, ROD_NAMES[r]] as const)}
          onChange={(rodPieces) => set({ rodPieces }, `Pieces ${ROD_NAMES[rodPieces]}`)}
        />
      )}
      {has('tail') && (
        <SelectField
          label="Tails"
          testId="tail"
          value={base.tail}
          options={(['plait', 'twist', 'smooth'] as const).map((t) => [t, TAIL_NAMES[t]] as const)}
          onChange={(tail) => set({ tail }, `Tails ${TAIL_NAMES[tail]}`)}
        />
      )}
      {base.family === 'found' && <FoundSettings base={base} set={set} />}
    </>
  );
}

function FoundSettings(props: {
  readonly base: BaseChoice;
  readonly set: (change: Partial<BaseChoice>, words: string) => string | undefined;
}) {
  const { found } = props.base;
  const tool = useView((v) => v.tool);
  const hold = useView((v) => v.hold);
  const set = (change: Partial<BaseChoice['found']>, words: string) =>
    props.set({ found: { ...found, ...change } }, words);
  return (
    <>
      <SelectField
        label="What is there"
        wide
        value={found.what}
        options={FOUND_KINDS.map((k) => [k, FOUND_NAMES[k]] as const)}
        onChange={(what) => set({ what }, FOUND_NAMES[what])}
      />
      <NumberField
        label="Days old"
        value={found.ageDays}
        onCommit={(ageDays) => set({ ageDays }, `${ageDays} days old`)}
      />
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
