/** Sections: chosen, cut, merged, evened, told with their figures. */

import { LEAST_TAIL_MM } from '../../../core/base/index.ts';
import type { PlanResult } from '../../../core/findings/index.ts';
import { duration } from '../../../core/trade/index.ts';
import { lockLine } from '../../../model/base-commands.ts';
import { formatLength } from '../../../model/lengths.ts';
import { fingerMm } from '../../../model/to-inputs.ts';
import { planner } from '../../ask/clients.ts';
import { inputsOf } from '../../ask/fineness.ts';
import { useBaseEdit } from '../../session/base-edit.ts';
import type { PlanSession } from '../../session/plan-session.ts';
import type { LaidProps } from '../../ui/bench-props.ts';
import { SelectField } from '../../ui/field.tsx';

import { Figure, ToolButton } from '../../ui/tabs.tsx';
import { TURN_TOOL, useView } from '../../view/view-store.ts';

export function SectionsTab({ session, result }: LaidProps) {
  const { plan } = session;
  const view = useView();
  const { tryEdit } = useBaseEdit(session);
  const { sections } = result.base;
  const section = sections.find((s) => s.id === view.sectionId);
  const cutBy = async (way: 'across' | 'along') => {
    if (!section) return;
    const asked = { inputs: inputsOf(session.history.present.plan), section: section.id, way };
    const outcome = await planner.call('middleCut', asked);
    if (outcome.state === 'done') await tryEdit({ op: 'cut', section: section.id, line: outcome.value }, 'Section cut');
  };
  return (
    <>
      <p className="note">Tap a section on the head, or take it here. {evennessWords(sections)}</p>
      <div className="mt-2 grid grid-cols-2 gap-2">
        <ToolButton
          testId="cut"
          held={view.tool.kind === 'cut'}
          onPress={() => view.hold(view.tool.kind === 'cut' ? TURN_TOOL : { kind: 'cut' })}
        >
          Cut by a stroke
        </ToolButton>
        <button
          type="button"
          className="button"
          data-testid="even"
          onClick={() => void tryEdit({ op: 'even', locked: plan.base.locked }, 'Even bites')}
        >
          Even bites
        </button>
      </div>
      {section && (
        <SectionDetail session={session} result={result} section={section} onCut={(way) => void cutBy(way)} />
      )}
      <SectionList sections={sections} />
      <p className="note mt-2">
        Named from your left. Thickness is hairs × strand over a packing of a half, from memory: feel yours. Firmness
        comes from a larger section, flat hair and a tied root, not from twisting the root tighter.
      </p>
    </>
  );
}

export type Section = PlanResult['base']['sections'][number];

function evennessWords(sections: readonly Section[]): string {
  const masses = sections.filter((s) => s.role === 'base').map((s) => s.massG);
  if (masses.length < 2) return `${masses.length} tied.`;
  const mean = masses.reduce((a, b) => a + b, 0) / masses.length;
  const off = Math.max(...masses.map((m) => Math.abs(m / mean - 1)));
  return `${masses.length} tied, the most uneven ${Math.round(100 * off)} % off the mean.`;
}

function SectionList({ sections }: { readonly sections: readonly Section[] }) {
  const view = useView();
  return (
    <ul className="mt-3" data-testid="sections">
      {sections.map((s) => (
        <li key={s.id}>
          <button
            type="button"
            className="pick"
            aria-pressed={s.id === view.sectionId}
            data-section={s.id}
            onClick={() => view.selectSection(s.id === view.sectionId ? undefined : s.id)}
          >
            <span className="truncate">{s.name.replace(', from your left', '')}</span>
            <span className="fig">{Math.round(s.areaMm2 / 100)} cm²</span>
            <span className="fig">{s.role === 'inSight' ? 'in sight' : `${Math.round(s.tailThicknessMm)} mm`}</span>
          </button>
        </li>
      ))}
    </ul>
  );
}

const counted = (n: number, what: string) => `${n} ${what}${n === 1 ? '' : 's'}`;

function SectionDetail(
  props: LaidProps & { readonly section: Section; readonly onCut: (way: 'across' | 'along') => void },
) {
  const { session, result, section } = props;
  const { plan } = session;
  const { tryEdit } = useBaseEdit(session);
  const { lineKey, selectLine } = useView();
  const { base } = result;
  const lines = base.lines.filter((l) => l.a === section.id || l.b === section.id);
  const nameOf = (id: string) => base.sections.find((s) => s.id === id)?.name.replace(', from your left', '') ?? id;
  const other = (l: (typeof lines)[number]) => (l.a === section.id ? l.b : l.a);
  const neighbours = [...new Set(lines.map(other))];
  const line = lines.find((l) => l.key === lineKey);
  return (
    <section className="mt-4" aria-label={section.name} data-testid="section-detail">
      <h3 className="text-title">{section.name}</h3>
      <SectionFigures section={section} result={result} plan={plan} />
      <div className="mt-2 grid grid-cols-2 gap-2">
        <button type="button" className="button" data-testid="cut-across" onClick={() => props.onCut('across')}>
          Cut across
        </button>
        <button type="button" className="button" data-testid="cut-along" onClick={() => props.onCut('along')}>
          Cut along
        </button>
      </div>
      <SelectField
        label="Merge with"
        wide
        testId="merge"
        value=""
        options={[['', 'choose'] as const, ...neighbours.map((id) => [id, nameOf(id)] as const)]}
        onChange={(id) => {
          if (id) void tryEdit({ op: 'merge', a: section.id, b: id }, 'Sections merged');
        }}
      />
      <SelectField
        label="Line with"
        wide
        testId="line"
        value={line?.key ?? ''}
        options={[['', 'none'] as const, ...lines.map((l) => [l.key, nameOf(other(l))] as const)]}
        onChange={(key) => selectLine(key || undefined)}
      />
      {line && (
        <>
          <p className="note">
            {line.shown ? 'It shows. ' : 'It is covered. '}
            {line.words}
          </p>
          <button type="button" className="word text-small" onClick={() => session.apply(lockLine(plan, line.key))}>
            {line.locked ? 'Unlock this line' : 'Lock this line'}
          </button>
          {!line.locked && <p className="note">Drag its beads on the head; by keyboard with Tab and the arrows.</p>}
        </>
      )}
    </section>
  );
}

function SectionFigures(props: {
  readonly section: Section;
  readonly result: PlanResult;
  readonly plan: PlanSession['plan'];
}) {
  const { section: s, result, plan } = props;
  const show = (mm: number) => formatLength(mm, plan.unit === 'in' ? 'in' : 'cm', fingerMm(plan));
  const pieceG = result.piece.massG;
  if (s.role === 'inSight') {
    return (
      <p className="note mt-1">
        {Math.round(s.areaMm2 / 100)} cm², {Math.round(s.massG)} g of your own hair. No piece goes here; it may be laid
        over what lies beside it and has to match.
      </p>
    );
  }
  const load = result.load.sections.find((l) => l.sectionId === s.id);
  return (
    <>
      <dl className="mt-1">
        <Figure name="Hair">
          {Math.round(s.massG)} g, {Math.round(s.hairs / 1000)} thousand
        </Figure>
        <Figure name="Tail">
          {Math.round(s.tailThicknessMm)} mm thick, {show(s.tailLengthMm)}
        </Figure>
        <Figure name="Hair it needs">
          {show(s.neededToReachMm)} of {show(s.hairLengthMm)}
        </Figure>
        <Figure name="Takes">
          {[
            s.bands > 0 && counted(s.bands, 'band'),
            s.pins > 0 && counted(s.pins, 'pin'),
            s.threadMm > 0 && `${(s.threadMm / 1000).toFixed(1)} m`,
            duration(result.base.work.find((w) => w.sectionId === s.id)?.minutes ?? 0),
          ]
            .filter(Boolean)
            .join(', ')}
        </Figure>
        <Figure name="May carry">
          {Math.round(s.carriesG[0])} to {Math.round(s.carriesG[1])} g
        </Figure>
        {load && (
          <Figure name="Hangs on it">
            {Math.round(load.onHairG[0])} to {Math.round(load.onHairG[1])} g
          </Figure>
        )}
      </dl>
      <SectionWorking section={s} pieceG={pieceG} show={show} />
    </>
  );
}

/** How the figures of a section come about, with its values in them. */
function SectionWorking(props: {
  readonly section: Section;
  readonly pieceG: number;
  readonly show: (mm: number) => string;
}) {
  const { section: s, show } = props;
  const perCm2 = Math.round((100 * s.hairs) / s.areaMm2);
  const [least, most] = s.carriesG;
  return (
    <details className="line">
      <summary className="min-h-11 cursor-pointer py-2.5">How these come about</summary>
      <ul className="note grid gap-1 pb-2">
        <li>
          Hair: {Math.round(s.areaMm2 / 100)} cm² × {perCm2} hairs a cm² (from memory, or by your ponytail), each of{' '}
          {show(s.hairLengthMm)}.
        </li>
        <li>
          Tail: their sections over the packing of a {s.tail === 'smooth' ? 'smooth tail' : s.tail} (a guess); what is
          left of the hair beyond the tie, less what is taken up.
        </li>
        <li>
          Needs: half of the roots lie within {show(Math.max(0, s.neededToBindMm - LEAST_TAIL_MM[s.tail]))} of the tie,
          then {show(LEAST_TAIL_MM[s.tail])} to bind it (common practice), or as far as it is led.
        </li>
        <li>
          May carry: {Math.round((1000 * least) / s.hairs / 0.1) / 10} to{' '}
          {Math.round((1000 * most) / s.hairs / 0.1) / 10} mg a hair
          {s.tenderShare > 0 && `, less for the ${Math.round(100 * s.tenderShare)} % that is tender or thin`}. A guess
          and no promise.
        </li>
        <li>Bite: one hair for 50 mg (a guess) of a piece of {props.pieceG.toFixed(2)} g, without a net.</li>
      </ul>
    </details>
  );
}
