/** Base: which way of sectioning, the sections themselves, where their tails lie, and the order of work. */

import { useEffect, useState } from 'react';
import { Link } from 'react-router';
import type { Candidate } from '../../core/base/advice/recommend.ts';
import { LUMP_MM } from '../../core/base/bumps/bumps.ts';
import type { BaseChoice } from '../../core/base/choice.ts';
import type { Flattening } from '../../core/base/tails/flatten.ts';
import { LEAST_TAIL_MM } from '../../core/base/tails/tails.ts';
import type { PlanResult } from '../../core/findings/plan-result.ts';
import type { BaseSettings } from '../../core/trade/bases.ts';
import {
  BOX_SHAPES,
  FAMILIES,
  FAMILY_INFO,
  FOUND_KINDS,
  PARKING_NAMES,
  PARKINGS,
  type ParkingHow,
  ROD_PLACES,
  STRIPS,
  TIE_PLACES,
} from '../../core/trade/bases.ts';
import { MUST_NAMES, MUSTS } from '../../core/trade/requirements.ts';
import { lowerFirst } from '../../core/trade/words.ts';
import { chooseFamily, lockLine, park, parkAll, setBase, setField } from '../../model/commands.ts';
import { formatLength } from '../../model/lengths.ts';
import { fingerMm } from '../../model/to-inputs.ts';
import { inputsOf } from '../ask/fineness.ts';
import { useRecommended } from '../ask/plan.ts';
import { useBaseEdit } from '../state/base-edit.ts';
import { painter, planner } from '../state/clients.ts';
import type { PlanSession } from '../state/plan-session.ts';
import { TURN_TOOL, useView } from '../state/view-store.ts';
import { Several } from '../ui/choice.tsx';
import { NumberField, SelectField } from '../ui/field.tsx';
import { duration } from '../ui/format.ts';
import { Figure, Parts, ToolButton } from '../ui/tabs.tsx';
import type { WithFinding } from './planning.tsx';

const PARTS = ['way', 'sections', 'tails', 'work'] as const;
const NAMES = { way: 'Way', sections: 'Sections', tails: 'Tails', work: 'Work' };

export function BaseBench({ session, result, finding }: WithFinding) {
  const [open, setOpen] = useState<string>('way');
  const { hold, setShowBumps, selectLine, refuse, refusal } = useView();
  const part = (id: string) => {
    setOpen(id);
    hold(TURN_TOOL);
    selectLine(undefined);
    refuse(undefined);
    setShowBumps(id === 'tails');
  };
  useEffect(
    () => () => {
      hold(TURN_TOOL);
      setShowBumps(false);
      refuse(undefined);
    },
    [hold, setShowBumps, refuse],
  );
  const contents: Readonly<Record<(typeof PARTS)[number], React.ReactNode>> = {
    way: <WayPart session={session} />,
    sections: result && <SectionsPart session={session} result={result} />,
    tails: result && <TailsPart session={session} result={result} />,
    work: result && <WorkPart session={session} result={result} />,
  };
  return (
    <>
      <h2>{FAMILY_INFO[session.plan.base.family].name}</h2>
      {open === 'way' && finding}
      {refusal && (
        <p role="alert" className="mt-2 text-[14px] text-madder" data-testid="refusal">
          {refusal} Nothing was changed.
        </p>
      )}
      <Parts
        label="What of the base"
        open={open}
        onOpen={part}
        parts={PARTS.map((id) => ({ id, name: NAMES[id], content: contents[id] }))}
      />
      {open !== 'way' && finding}
    </>
  );
}

interface PartProps {
  readonly session: PlanSession;
  readonly result: PlanResult;
}

function WayPart({ session }: { readonly session: PlanSession }) {
  const { plan } = session;
  const { base } = plan;
  const set = (change: Partial<BaseChoice>, words: string) => session.apply(setBase(plan, change, words));
  return (
    <>
      <Advice session={session} />
      <h3 className="mt-5 text-[19px]">Your choice</h3>
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

const STRIP_NAMES = {
  none: 'none',
  front: 'along the front',
  sides: 'at the sides',
  nape: 'along the nape',
  around: 'all round',
} as const;
const TAIL_NAMES = { plait: 'plaited', twist: 'twisted', smooth: 'brushed smooth' } as const;
const TIE_NAMES = { high: 'high in front', crown: 'at the crown', back: 'behind' } as const;
const BOX_NAMES = { square: 'squares', brick: 'bricks', diamond: 'diamonds' } as const;
const ROD_NAMES = { root: 'at the root', along: 'all along', tip: 'near the tip' } as const;
const FOUND_NAMES = {
  rows: 'rows plaited on the scalp',
  flatTwists: 'flat twists',
  plaits: 'loose plaits',
  looseTwists: 'loose twists',
} as const;
const COUNT_NAMES: Partial<Record<BaseChoice['family'], string>> = {
  allOver: 'Plaits',
  intoCoil: 'Tails in front',
  flatTwists: 'Rows',
  found: 'Rows',
  threaded: 'Rods',
};

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
      <p className="quiet mt-2">
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

function Advice({ session }: { readonly session: PlanSession }) {
  const { plan } = session;
  const candidates = useRecommended(session.history.present.plan, session.isDraft);
  const [showAll, setShowAll] = useState(false);
  const wish = (change: Partial<typeof plan.wishes>, words: string) =>
    session.apply(setField(plan, 'wishes', { ...plan.wishes, ...change }, words));
  return (
    <>
      {candidates ? (
        <div data-testid="advice">
          <AdviceLine candidate={candidates[0]} session={session} first />
          <AdviceLine candidate={candidates[1]} session={session} />
          <button
            type="button"
            className="word text-[13px]"
            onClick={() => setShowAll(!showAll)}
            aria-expanded={showAll}
          >
            {showAll ? 'Only the two' : 'What every way says'}
          </button>
          {showAll && candidates.slice(2).map((c) => <AdviceLine key={c.schoolId} candidate={c} session={session} />)}
        </div>
      ) : (
        <p className="quiet" aria-busy="true">
          Laying every way on your head …
        </p>
      )}
      <details className="line mt-2">
        <summary className="min-h-[44px] cursor-pointer py-[10px]">What it has to do</summary>
        <Several
          label="It must"
          values={[...plan.wishes.musts]}
          options={MUSTS.map((m) => [m, MUST_NAMES[m]] as const)}
          onChange={(musts) =>
            wish({ musts }, musts.length === 0 ? 'No wishes' : `It must ${musts.map((m) => MUST_NAMES[m]).join(', ')}`)
          }
        />
        <NumberField
          label="Minutes for the base"
          value={plan.wishes.baseMinutes ?? 0}
          onCommit={(minutes) =>
            minutes === 0
              ? session.apply(setField(plan, 'wishes', { musts: plan.wishes.musts }, 'As long as it takes'))
              : wish({ baseMinutes: minutes }, `${minutes} minutes for the base`)
          }
          beside="0 means as long as it takes."
        />
      </details>
    </>
  );
}

function AdviceLine(props: { readonly candidate: Candidate; readonly session: PlanSession; readonly first?: boolean }) {
  const { candidate: c, session, first } = props;
  const { plan } = session;
  return (
    <section className="line py-2" data-school={c.schoolId}>
      <p>
        <b className="font-[650]">{first ? `For you: ${c.name}.` : c.name}</b>{' '}
        <span className="text-[14px]">{c.reasons[0] ?? c.says}</span>
      </p>
      {first &&
        c.reasons.slice(1, 3).map((r) => (
          <p key={r} className="note mt-1">
            {r}
          </p>
        ))}
      {!first && <p className="note mt-1">{c.reasons[0] ? c.says : ''}</p>}
      {c.against[0] && <p className="note mt-1">But: {c.against[0]}</p>}
      <p className="note mt-1">
        {c.sections} {c.sections === 1 ? 'section' : 'sections'}, about {duration(c.minutes)}, highest{' '}
        {Math.round(c.highestBumpMm)} mm.
      </p>
      {isLaid(plan.base, c.choice) ? (
        <p className="note mt-1">It is what you have.</p>
      ) : (
        <button
          type="button"
          className={first ? 'button mt-2' : 'word text-[13px]'}
          onClick={() => session.apply(chooseFamily(plan, c.choice.family, shownChoice(c.choice)))}
        >
          Lay {first ? 'it' : 'this'}
        </button>
      )}
    </section>
  );
}

const isLaid = (base: BaseChoice, choice: BaseChoice) =>
  base.family === choice.family && JSON.stringify(shownChoice(base)) === JSON.stringify(shownChoice(choice));
const shownChoice = ({ behind, front, count, tail }: BaseChoice) => ({ behind, front, count, tail });

function SectionsPart({ session, result }: PartProps) {
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
  const masses = sections.filter((s) => s.role === 'base').map((s) => s.massG);
  const mean = masses.reduce((a, b) => a + b, 0) / Math.max(1, masses.length);
  const off = Math.max(...masses.map((m) => Math.abs(m / mean - 1)));
  return (
    <>
      <p className="quiet">
        Tap a section on the head, or take it here. {masses.length} tied
        {masses.length > 1 && <>, the most uneven {Math.round(100 * off)} % off the mean</>}.
      </p>
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
      <ul className="sections mt-3" data-testid="sections">
        {sections.map((s) => (
          <li key={s.id}>
            <button
              type="button"
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
      <p className="note mt-2">
        Named from your left. Thickness is hairs × strand over a packing of a half, from memory: feel yours. Firmness
        comes from a larger section, flat hair and a tied root, not from twisting the root tighter.
      </p>
    </>
  );
}

type Section = PlanResult['base']['sections'][number];
const counted = (n: number, what: string) => `${n} ${what}${n === 1 ? '' : 's'}`;

function SectionDetail(
  props: PartProps & { readonly section: Section; readonly onCut: (way: 'across' | 'along') => void },
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
      <h3 className="text-[19px]">{section.name}</h3>
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
          <button type="button" className="word text-[14px]" onClick={() => session.apply(lockLine(plan, line.key))}>
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
            duration(s.minutes),
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
        <Figure name="Least bite for a piece">{Math.ceil(s.biteMm2PerG * pieceG)} mm²</Figure>
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
      <summary className="min-h-[44px] cursor-pointer py-[10px]">How these come about</summary>
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

function TailsPart({ session, result }: PartProps) {
  const { plan } = session;
  const view = useView();
  const { bumps, sections } = result.base;
  const section = sections.find((s) => s.id === view.sectionId && s.role === 'base');
  return (
    <>
      <dl>
        <Figure name="Highest bump">{bumps.highestMm.toFixed(0)} mm</Figure>
        <Figure name={`Lumps over ${LUMP_MM} mm`}>{bumps.lumps.length}</Figure>
        <Figure name="Round the base">
          +
          {formatLength(
            Math.max(0, result.cap.girthOverBaseMm - result.cap.girthBareMm),
            plan.unit === 'in' ? 'in' : 'cm',
            fingerMm(plan),
          )}
        </Figure>
      </dl>
      <p className="note">
        The brighter, the higher: mm above the scalp under a net. Volumes are counted; how flat hair is pressed is a
        guess.
      </p>
      <FlattenTool session={session} />
      <SelectField
        label="All tails"
        wide
        testId="park-all"
        value={plan.base.parking.all ?? ''}
        options={[
          ['', 'as is usual'] as const,
          ...PARKINGS.filter((p) => p !== 'laid').map((p) => [p, PARKING_NAMES[p]] as const),
        ]}
        onChange={(how) => session.apply(parkAll(plan, how === '' ? undefined : (how as ParkingHow)))}
      />
      {section ? (
        <ParkingFields session={session} section={section} sections={sections} />
      ) : (
        <p className="quiet mt-2">Tap a section on the head to park its tail alone.</p>
      )}
      <Several
        label="Tips"
        values={plan.base.tipsWaxed ? ['waxed'] : []}
        options={[['waxed', 'waxed, banded twice'] as const]}
        onChange={(v) =>
          session.apply(setBase(plan, { tipsWaxed: v.length > 0 }, v.length > 0 ? 'Tips waxed' : 'Tips plain'))
        }
      />
      <p className="note mt-2">
        Bulk stands up: everything coiled in one place makes a lump; spread tails lie flat. A bent pin follows the
        skull.
      </p>
    </>
  );
}

function FlattenTool({ session }: { readonly session: PlanSession }) {
  const [state, setState] = useState<Flattening | 'busy'>();
  const kept = session.history.present.plan;
  // biome-ignore lint/correctness/useExhaustiveDependencies: a proposal is for the plan it was made for
  useEffect(() => setState(undefined), [kept.base, kept.ownHair]);
  const ask = async () => {
    setState('busy');
    const outcome = await painter.call('flatten', inputsOf(kept));
    setState(outcome.state === 'done' ? outcome.value : undefined);
  };
  if (state === undefined || state === 'busy') {
    return (
      <button
        type="button"
        className="button mt-2"
        disabled={state === 'busy'}
        onClick={() => void ask()}
        data-testid="flatten"
      >
        {state === 'busy' ? 'Trying ways to lay them …' : 'Flatten'}
      </button>
    );
  }
  const lower = state.afterMm < state.beforeMm;
  return (
    <div className="mt-3" data-testid="flattened">
      {lower ? (
        <>
          <p>
            Highest bump <span className="fig text-[19px]">{state.beforeMm.toFixed(0)}</span> →{' '}
            <span className="fig text-[25px]">{state.afterMm.toFixed(0)} mm</span>; lumps {state.lumpsBefore} →{' '}
            {state.lumpsAfter}, with {Object.keys(state.parking).length} tails laid otherwise.
          </p>
          <button
            type="button"
            className="button mt-2"
            onClick={() => session.apply(park(kept, state.parking, `Flattened to ${state.afterMm.toFixed(0)} mm`))}
          >
            Lay them so
          </button>
        </>
      ) : (
        <p className="quiet">No way to lay them was found that is flatter than {state.beforeMm.toFixed(0)} mm.</p>
      )}
    </div>
  );
}

function ParkingFields(props: {
  readonly session: PlanSession;
  readonly section: Section;
  readonly sections: readonly Section[];
}) {
  const { session, section, sections } = props;
  const { plan } = session;
  const others = sections.filter((s) => s.role === 'base' && s.id !== section.id);
  return (
    <section className="mt-3" aria-label={section.name}>
      <h3 className="text-[19px]">{section.name}</h3>
      <SelectField
        label="Its tail"
        wide
        testId="park"
        value={section.parking.how}
        options={PARKINGS.map((p) => [p, PARKING_NAMES[p]] as const)}
        onChange={(how) =>
          session.apply(
            park(
              plan,
              { [section.id]: how === 'fed' && others[0] ? { how, into: others[0].id } : { how } },
              `${section.name.replace(', from your left', '')}: ${PARKING_NAMES[how]}`,
            ),
          )
        }
      />
      {section.parking.how === 'fed' && (
        <SelectField
          label="Into"
          wide
          value={section.parking.into ?? ''}
          options={others.map((s) => [s.id, s.name.replace(', from your left', '')] as const)}
          onChange={(into) => session.apply(park(plan, { [section.id]: { how: 'fed', into } }, 'Fed into another'))}
        />
      )}
      <p className="note mt-1">The bead at its end leads it elsewhere; the one at its root moves the tie.</p>
    </section>
  );
}

function WorkPart({ session, result }: PartProps) {
  const { work, consumables, minutes } = result.base;
  return (
    <>
      <p className="quiet">
        {minutes > 0 ? `About ${duration(result.time.baseMinutes)} at your pace.` : 'Nothing to make: it is there.'}{' '}
        Only lines that will show have to be straight.
      </p>
      <ol className="mt-2" data-testid="work">
        {work.map((step) => (
          <li key={step.id} className="line py-[7px]">
            <span className="flex justify-between gap-2">
              <b className="font-[650]">{step.what}</b>
              <span className="fig shrink-0">{step.minutes > 0 ? duration(Math.max(1, step.minutes)) : ''}</span>
            </span>
            <span className="note block">{step.how}</span>
          </li>
        ))}
      </ol>
      <h3 className="mt-4 text-[19px]">Have ready</h3>
      <ul className="mt-1">
        {consumables.map((c) => (
          <li key={c.name} className="line py-[6px]">
            <span className="fig">
              {c.count}
              {c.unit ? ` ${c.unit}` : ''}
            </span>{' '}
            {c.name} <span className="note block">{c.because}</span>
          </li>
        ))}
      </ul>
      <Link className="button mt-3 text-center" to={`/plan/${session.plan.id}/base/sheet`} data-testid="sheet">
        Sheet to print
      </Link>
      <p className="note mt-3">
        Pain, bumps, a headache or shiny skin at the hairline mean too tight: take it out. Small bands are oiled first
        and cut off later, never dragged off; latex can cause allergy, so try one at the wrist.
      </p>
    </>
  );
}
