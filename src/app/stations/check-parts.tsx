/** The parts of the Check bench that judge one plan: look, size, load, and the guesses all of it rests on. */

import { meetsTheEye } from '../../core/cover/contrast.ts';
import { SIDES, type Side } from '../../core/cover/cover.ts';
import { LINE_INFO } from '../../core/cover/lines.ts';
import { SIZE_VIEWS, type SizeView } from '../../core/cover/size.ts';
import { POSE_NAMES, POSES } from '../../core/fall/poses.ts';
import type { PlanResult } from '../../core/findings/plan-result.ts';
import { directionDeg } from '../../core/head/marks.ts';
import { milliNewton } from '../../core/load/bites.ts';
import type { HairOnHead, Look } from '../../core/plan/look-result.ts';
import { AGE_INFO, AGES } from '../../core/trade/ages.ts';
import { FULLNESS_AIMS, FULLNESS_INFO, OUTLINE_INFO, OUTLINES } from '../../core/trade/finish.ts';
import { FALL_GUESS_NAMES, FALL_GUESSES, type FallGuess, guessRange } from '../../core/trade/guesses.ts';
import { upperFirst } from '../../core/trade/words.ts';
import { setFinish, setGuess } from '../../model/finish.ts';
import { addKnot } from '../../model/rows-by-hand.ts';
import { fingerMm } from '../../model/to-inputs.ts';
import type { Checked } from '../ask/checked.ts';
import { useWhy } from '../ask/look.ts';
import { FindingNote } from '../bench/finding-note.tsx';
import type { PlanSession } from '../state/plan-session.ts';
import { PLAIN_CHECK, TURN_TOOL, useView } from '../state/view-store.ts';
import { Choice } from '../ui/choice.tsx';
import { NumberField, SelectField, TextField } from '../ui/field.tsx';
import { range } from '../ui/format.ts';
import { Figure, ToolButton } from '../ui/tabs.tsx';

export interface CheckProps {
  readonly session: PlanSession;
  readonly result: PlanResult | undefined;
  readonly checked: Checked;
}

const percent = (v: number) => `${Math.round(100 * v)} %`;

export function LookPart({ session, result, checked }: CheckProps) {
  const { lookAs, findings } = checked;
  const look = checked.looked?.value;
  const view = useView((v) => v.check);
  const setCheck = useView((v) => v.setCheck);
  const tool = useView((v) => v.tool);
  const hold = useView((v) => v.hold);
  const { plan } = session;
  if (!result) return null;
  return (
    <>
      <h2>Before any hair is bought</h2>
      <fieldset className="views" aria-label="What is drawn">
        {(['hair', 'cover', 'plain'] as const).map((p) => (
          <button
            key={p}
            type="button"
            className="word"
            aria-pressed={view.picture === p}
            data-testid={`picture-${p}`}
            onClick={() => setCheck({ picture: p })}
          >
            <span>{{ hair: 'Hair', cover: 'Where light comes through', plain: 'Rows' }[p]}</span>
          </button>
        ))}
      </fieldset>
      {lookAs && <SeenBySide look={lookAs} rest={look} />}
      <WhyHere session={session} result={result} look={look} />
      <div className="mt-3">
        <SelectField
          label="Head"
          wide
          value={view.pose}
          testId="pose"
          options={POSE_NAMES.map((p) => [p, POSES[p].name] as const)}
          onChange={(pose) => setCheck({ pose })}
        />
        <SelectField
          label="When"
          wide
          value={view.age}
          testId="age"
          options={AGES.map((a) => [a, AGE_INFO[a].name] as const)}
          onChange={(age) => setCheck({ age })}
        />
        <p className="note mt-1">{AGE_INFO[view.age].words}</p>
        <SelectField
          label="How far"
          wide
          value={view.soFar ? 'soFar' : 'all'}
          testId="so-far"
          options={[
            ['all', 'all of it'],
            ['soFar', 'up to the bead'],
          ]}
          onChange={(v) => setCheck({ soFar: v === 'soFar' })}
        />
        {view.soFar && (
          <p className="note mt-1">
            Half-done it looks bald: that is how it is meant to look then. Move the bead on the cloth and it grows.
          </p>
        )}
        <SelectField
          label="Over"
          wide
          value={view.onBlock ? 'block' : 'head'}
          testId="ground"
          options={[
            ['head', 'your head'],
            ['block', 'a white block'],
          ]}
          onChange={(v) => setCheck({ onBlock: v === 'block' })}
        />
        {lookAs && (
          <p className="note mt-1">
            From above {percent(lookAs.seen.top)} shows. Over{' '}
            {plan.cap.dome === 'none' ? 'your own hair' : 'a dark cap'} about{' '}
            {percent(meetsTheEye(lookAs.seen.top, lookAs.ground.hair, lookAs.ground.worn))} of it meets the eye, over a
            white block {percent(meetsTheEye(lookAs.seen.top, lookAs.ground.hair, lookAs.ground.block))}.
          </p>
        )}
      </div>
      <div className="mt-3 grid gap-2">
        <ToolButton
          held={tool.kind === 'finger'}
          testId="finger"
          onPress={() => hold(tool.kind === 'finger' ? TURN_TOOL : { kind: 'finger' })}
        >
          Part it with a finger
        </ToolButton>
        {look?.patches[0] && !view.finger && (
          <button
            type="button"
            className="button"
            data-testid="finger-worst"
            onClick={() => setCheck({ finger: fingerThrough(look.patches[0].atMm) })}
          >
            Part it at the thinnest place
          </button>
        )}
        {view.finger && (
          <button
            type="button"
            className="button"
            data-testid="finger-away"
            onClick={() => setCheck({ finger: undefined })}
          >
            Let it fall back
          </button>
        )}
        {(view.pose !== 'rest' || view.age !== 'finished' || view.soFar || view.onBlock) && (
          <button
            type="button"
            className="word text-[13px]"
            onClick={() => setCheck({ ...PLAIN_CHECK, picture: view.picture, whyAt: view.whyAt })}
          >
            Back to at rest and finished
          </button>
        )}
      </div>
      {look && <HiddenBy look={look} />}
      <h3 className="mt-6 text-[19px]">What was found</h3>
      {findings.length === 0 && (
        <p className="mt-3">Nothing speaks against this plan. Hook two pieces and look before you buy the rest.</p>
      )}
      {findings.map((f) => (
        <FindingNote key={f.code} finding={f} more={0} session={session} />
      ))}
    </>
  );
}

/** A finger's length up and down through a place, mm. */
const FINGER_LENGTH_MM = 70;

function fingerThrough([x, y, z]: readonly [number, number, number]): number[] {
  const l = Math.sqrt(x * x + y * y + z * z);
  // Along the head, up and down where that has a meaning, to the back on top.
  const steep = Math.abs(y / l) > 0.9;
  const up = steep ? [0, 0, 1] : [(-x * y) / (l * l), 1 - (y * y) / (l * l), (-z * y) / (l * l)];
  return [-0.5, 0, 0.5].flatMap((s) => {
    const p = [x + s * FINGER_LENGTH_MM * up[0], y + s * FINGER_LENGTH_MM * up[1], z + s * FINGER_LENGTH_MM * up[2]];
    const pl = Math.sqrt(p[0] ** 2 + p[1] ** 2 + p[2] ** 2);
    return p.map((c) => (c * l) / pl);
  });
}

const SIDE_WORDS: Readonly<Record<Side, string>> = {
  top: 'top',
  front: 'front',
  left: 'left',
  right: 'right',
  behind: 'behind',
};

/** Share that shows from each side; where she moved or it aged, the share at rest beside it. */
function SeenBySide({ look, rest }: { readonly look: Look; readonly rest: Look | undefined }) {
  return (
    <table className="mt-3 w-full text-[14px]" data-testid="seen">
      <caption className="sr-only">Scalp that shows, seen from each side</caption>
      <tbody>
        {[...SIDES]
          .sort((a, b) => look.seen[b] - look.seen[a])
          .map((side) => (
            <tr key={side} className="line">
              <th scope="row" className="w-[64px] py-[5px] text-left font-normal">
                {SIDE_WORDS[side]}
              </th>
              <td className="w-full px-2">
                <Bar now={look.seen[side]} was={rest?.seen[side]} />
              </td>
              <td className="fig whitespace-nowrap text-right text-[17px]">
                {rest && Math.round(100 * rest.seen[side]) !== Math.round(100 * look.seen[side]) && (
                  <span className="font-normal text-ink2">{Math.round(100 * rest.seen[side])} → </span>
                )}
                {percent(look.seen[side])}
              </td>
            </tr>
          ))}
      </tbody>
    </table>
  );
}

/** A whole bar is so much scalp that nobody would call it covered. */
const WHOLE_BAR = 0.25;

function Bar({ now, was }: { readonly now: number; readonly was: number | undefined }) {
  const at = (v: number) => `${Math.min(100, (100 * v) / WHOLE_BAR)}%`;
  return (
    <svg width="100%" height="10" aria-hidden="true" className="overflow-hidden">
      <line x1="0" x2="100%" y1="5" y2="5" stroke="var(--hair)" strokeWidth="2" />
      {was !== undefined && was > now && (
        <line x1={at(now)} x2={at(was)} y1="5" y2="5" stroke="var(--brass)" strokeWidth="2.4" strokeDasharray="2 3" />
      )}
      <line x1="0" x2={at(now)} y1="5" y2="5" stroke="var(--brass)" strokeWidth="5" />
      <line x1="0" x2={at(now)} y1="8.4" y2="8.4" stroke="var(--ink)" strokeWidth="1" />
    </svg>
  );
}

const HIDER_WORDS = {
  hair: 'under hair of rows above',
  ownHair: 'by your own hair laid over',
  swept: 'by hair swept over the line',
  spring: 'by hair that springs',
  ownLeg: 'by their own free leg',
  backcomb: 'by a back-combed root',
  nothing: 'seen',
} as const;

function HiddenBy({ look }: { readonly look: Look }) {
  const of = (by: keyof typeof HIDER_WORDS) => look.knots.filter((k) => k.by === by).length;
  const kinds = (Object.keys(HIDER_WORDS) as Array<keyof typeof HIDER_WORDS>).filter((by) => of(by) > 0);
  return (
    <>
      <h3 className="mt-6 text-[19px]">What hides the knots</h3>
      <dl className="mt-2 text-[14px]" data-testid="hidden-by">
        {kinds.map((by) => (
          <Figure key={by} name={upperFirst(HIDER_WORDS[by])}>
            {of(by)}
          </Figure>
        ))}
      </dl>
      <h3 className="mt-6 text-[19px]">Lines that give it away</h3>
      <dl className="mt-2 text-[14px]" data-testid="lines">
        {look.lines.map((l) => (
          <Figure
            key={l.kind}
            name={
              <>
                {LINE_INFO[l.kind].name}
                {l.shows > LINE_SHOWS && <span className="note block">{LINE_INFO[l.kind].hides}</span>}
              </>
            }
          >
            {percent(l.shows)}
          </Figure>
        ))}
      </dl>
    </>
  );
}

/** A line of which less shows needs nothing. */
const LINE_SHOWS = 0.25;

/** Why a place is covered as it is, and what one more piece would do there. */
function WhyHere(props: {
  readonly session: PlanSession;
  readonly result: PlanResult;
  readonly look: Look | undefined;
}) {
  const { session, result, look } = props;
  const selectedId = useView((v) => v.selectedId);
  const knot = result.knots.find((k) => k.id === selectedId);
  const place = knot ? ([knot.xMm, knot.yMm, knot.zMm] as const) : look?.patches[0]?.atMm;
  const whyAt = useView((v) => v.check.whyAt);
  const setCheck = useView((v) => v.setCheck);
  const why = useWhy(session.plan, whyAt);
  if (!whyAt || !why) {
    return (
      <>
        <p className="note mt-2">Touch any place of the head, and it tells which rows cover it.</p>
        {place && (
          <button
            type="button"
            className="word text-[13px]"
            data-testid="ask"
            onClick={() => setCheck({ whyAt: directionDeg(place) })}
          >
            {knot ? 'Ask at the selected knot' : 'Ask at the thinnest place'}
          </button>
        )}
      </>
    );
  }
  const { onePieceMore: more } = why;
  return (
    <section className="mt-3" aria-label="Why here" data-testid="why" aria-live="polite">
      <h3 className="text-[19px]">{upperFirst(why.words)}</h3>
      <p className="mt-1 text-[14px]">
        {percent(why.shows)} of the scalp shows here.{' '}
        {why.rows.length === 0
          ? 'No hair falls over it.'
          : `Most is hidden by ${why.rows
              .slice(0, 3)
              .map((r) => `row ${r.label} (${r.pieces} ${r.pieces === 1 ? 'piece' : 'pieces'}, ${percent(r.hides)})`)
              .join(', ')}.`}
      </p>
      {'refused' in more ? (
        <p className="mt-1 text-[14px]">No piece more can go in here: {more.refused}.</p>
      ) : (
        <>
          <p className="mt-1 text-[14px]">
            One more piece where there is most room beside it, {more.massG.toFixed(1)} g: {percent(more.shows)} would
            show here.
          </p>
          <button
            type="button"
            className="button mt-2"
            data-testid="one-more"
            onClick={() => useView.getState().refuse(session.apply(addKnot(session.plan, more.at)))}
          >
            Put it in
          </button>
        </>
      )}
      <button type="button" className="word text-[13px]" onClick={() => setCheck({ whyAt: undefined })}>
        Leave it
      </button>
    </section>
  );
}

const VIEW_WORDS: Readonly<Record<SizeView, readonly [name: string, across: string]>> = {
  front: ['From the front', 'beyond the head, right and left'],
  left: ['From the side', 'beyond the head, behind and in front'],
  top: ['From above', 'beyond the head, right and left'],
};

export function SizePart({ session, result, checked: { hair } }: CheckProps) {
  const { plan } = session;
  const finger = fingerMm(plan);
  const fingers = (mm: number) => `${(Math.round((2 * mm) / finger) / 2).toString().replace('.5', '½')}`;
  const { outline } = plan.finish;
  return (
    <>
      <h2>How big it is</h2>
      <p className="quiet mt-[5px]">How full you want it; too thin and too big are both told against that.</p>
      <Choice
        label="Fullness"
        value={plan.finish.fullness}
        options={FULLNESS_AIMS.map((f) => ({
          value: f,
          name: upperFirst(FULLNESS_INFO[f].name),
          reason: FULLNESS_INFO[f].words,
        }))}
        onChange={(fullness) => session.apply(setFinish(plan, { fullness }))}
      />
      <div className="mt-3">
        <SelectField
          label="Trimmed to"
          value={outline}
          testId="outline"
          options={OUTLINES.map((o) => [o, OUTLINE_INFO[o].name] as const)}
          onChange={(o) => session.apply(setFinish(plan, { outline: o }))}
        />
        {outline !== 'none' && (
          <TextField
            label={outline === 'round' ? 'From the head at most' : 'Below the nape line'}
            value={plan.finish.reach}
            testId="reach"
            onCommit={(reach) => session.apply(setFinish(plan, { reach }))}
          />
        )}
        <p className="note mt-1">{OUTLINE_INFO[outline].reason}</p>
      </div>
      {hair && (
        <table className="mt-4 w-full text-[14px]" data-testid="size">
          <caption className="note pb-1 text-left">
            Fingers, wide × high{hair.untrimmed ? '; before trimming beside it' : ''}
          </caption>
          <tbody>
            {SIZE_VIEWS.map((v) => (
              <tr key={v} className="line">
                <th scope="row" className="py-[6px] text-left font-normal">
                  {VIEW_WORDS[v][0]}
                  <span className="note block">
                    {fingers(hair.size[v].beyondMm[0])} and {fingers(hair.size[v].beyondMm[1])} {VIEW_WORDS[v][1]}
                  </span>
                </th>
                <td className="fig whitespace-nowrap text-right text-[17px]">
                  {hair.untrimmed && (
                    <span className="font-normal text-ink2">
                      {fingers(hair.untrimmed[v].widthMm)} × {fingers(hair.untrimmed[v].heightMm)} →{' '}
                    </span>
                  )}
                  {fingers(hair.size[v].widthMm)} × {fingers(hair.size[v].heightMm)}
                </td>
              </tr>
            ))}
          </tbody>
        </table>
      )}
      {hair && <Outlines hair={hair} crownMm={result?.head.landmarks.crown[1] ?? 0} />}
      <p className="note mt-2">
        {hair &&
          `Over the scalp it lies ${Math.round(hair.meanThicknessMm)} mm thick on the whole: a guess by texture. `}
        Trim in small steps with the head upright, less on the first day: it settles overnight, and what is cut is gone.
        Blunt tips, a mirror, a finger between blade and skin.
      </p>
    </>
  );
}

const OUTLINE_BOX = { width: 96, height: 118, mmAPx: 4.6 };

/** The outline from each side: solid as trimmed, dashed before, and the bare head in it. */
function Outlines({ hair, crownMm }: { readonly hair: HairOnHead; readonly crownMm: number }) {
  const { width, height, mmAPx } = OUTLINE_BOX;
  const path = (outline: Float32Array) =>
    Array.from(
      { length: outline.length / 2 },
      (_, i) => `${outline[2 * i] / mmAPx} ${-outline[2 * i + 1] / mmAPx}`,
    ).join('L');
  return (
    <div className="mt-3 flex justify-between" aria-hidden="true">
      {SIZE_VIEWS.map((v) => (
        <svg
          key={v}
          aria-hidden="true"
          width={width}
          height={height}
          viewBox={`${-width / 2} ${-height * 0.4} ${width} ${height}`}
        >
          <ellipse
            rx={(v === 'left' ? 99 : 79) / mmAPx}
            ry={(v === 'top' ? 99 : crownMm) / mmAPx}
            fill="none"
            stroke="var(--hair)"
          />
          {hair.untrimmed && (
            <path d={`M${path(hair.untrimmed[v].outlineMm)}Z`} fill="none" stroke="var(--ink2)" strokeDasharray="3 3" />
          )}
          <path d={`M${path(hair.size[v].outlineMm)}Z`} fill="none" stroke="var(--ink)" strokeWidth="1.6" />
          <text y={height * 0.6 - 3} textAnchor="middle" fontSize="12.5" fill="var(--ink2)">
            {v === 'left' ? 'side' : v}
          </text>
        </svg>
      ))}
    </div>
  );
}

/** A grid has a hundred sections: the heaviest are told. */
const MOST_ROWS = 12;
const BITE_NAMES = { all: 'All of them', edge: 'At the edge', tender: 'Tender or thin' } as const;

export function LoadPart({ result, checked }: CheckProps) {
  const look = checked.looked?.value;
  const select = useView((v) => v.select);
  if (!result) return null;
  const { load, cap } = result;
  const carrying = load.sections
    .filter((s) => s.pieces > 0)
    .sort((a, b) => b.timesOwnHair[1] - a.timesOwnHair[1])
    .slice(0, MOST_ROWS);
  const nameOf = (id: string) =>
    result.base.sections.find((s) => s.id === id)?.name.replace(', from your left', '') ?? id;
  const grams = (v: number) => `${Math.round(v)} g`;
  const bare = result.knots.filter((k) => k.through !== 'net' && (k.onNet === 'none' || k.onNet === 'cutOut')).length;
  return (
    <>
      <h2>What it weighs</h2>
      <dl className="mt-2 text-[14px]">
        <Figure name="Dry">{range(load.range, grams)}</Figure>
        <Figure name="Wet">{range(load.wetG, grams)}</Figure>
        <Figure name="The net takes">{range(cap.shareOfPull, percent)}</Figure>
        <Figure name="Pieces on own hair alone">{bare}</Figure>
        <Figure name="Highest bump of the base under it">{Math.round(result.base.bumps.highestMm)} mm</Figure>
      </dl>
      {look && look.bites[0].bites > 0 && (
        <>
          <h3 className="mt-5 text-[19px]">Bites of own hair</h3>
          <table className="mt-2 w-full text-[13px]" data-testid="bites">
            <caption className="note pb-1 text-left">Times the weight of the hair in the bite, dry</caption>
            <thead>
              <tr className="note text-left">
                <th className="font-normal" scope="col">
                  Where
                </th>
                <th className="text-right font-normal" scope="col">
                  bites
                </th>
                <th className="text-right font-normal" scope="col">
                  middle
                </th>
                <th className="text-right font-normal" scope="col">
                  worst
                </th>
              </tr>
            </thead>
            <tbody>
              {look.bites
                .filter((b) => b.worst)
                .map((b) => (
                  <tr key={b.name} className="line">
                    <th scope="row" className="py-[5px] text-left font-normal">
                      <button
                        type="button"
                        className="word"
                        onClick={() => b.worst && select(result.knots[b.worst.knot].id)}
                      >
                        {BITE_NAMES[b.name]}
                      </button>
                    </th>
                    <td className="text-right">{b.bites}</td>
                    <td className="text-right">{Math.round(b.median)} ×</td>
                    <td className="text-right">{b.worst && range(b.worst.timesOwn, (v) => String(Math.round(v)))} ×</td>
                  </tr>
                ))}
            </tbody>
          </table>
          {look.bites[0].worst && (
            <p className="note mt-1">
              The worst is {range(look.bites[0].worst.mgAHair, (v) => String(Math.round(v)))} mg a hair,{' '}
              {range(look.bites[0].worst.mgAHair.map(milliNewton) as [number, number], (v) => v.toFixed(1))} mN. A hair
              breaks at a thousand times that (from memory); what harms is a tight knot, wet weight and time.
            </p>
          )}
        </>
      )}
      <h3 className="mt-5 text-[19px]">What each section carries</h3>
      <table className="mt-2 w-full text-[13px]">
        <caption className="sr-only">Load of each section, dry, against its own hair</caption>
        <tbody>
          {carrying.map((s) => (
            <tr key={s.sectionId} className="line">
              <th scope="row" className="py-[5px] text-left font-normal">
                {nameOf(s.sectionId)}
              </th>
              <td className="text-right">{s.pieces} pieces</td>
              <td className="text-right">{range(s.timesOwnHair, (v) => v.toFixed(1))} ×</td>
            </tr>
          ))}
        </tbody>
      </table>
      {load.sections.length > carrying.length && (
        <p className="note mt-1">
          The {carrying.length} that carry most of {load.sections.length}.
        </p>
      )}
      <p className="note mt-2">
        Times the weight of the section’s own hair, once the net has taken its share. To lower it: thinner pieces, wider
        gaps, shorter hair, more of it on the net. Pain, bumps, headache or shiny skin at the hairline mean too tight:
        take it out, and see a professional if it stays. No figure promises safety.
      </p>
    </>
  );
}

const shownGuess = (g: FallGuess, v: number) => {
  const { unit } = FALL_GUESSES[g];
  return unit === '%'
    ? Math.round(100 * v)
    : unit === '°'
      ? Math.round((180 * v) / Math.PI)
      : Math.round(100 * v) / 100;
};
const readGuess = (g: FallGuess, v: number) => {
  const { unit } = FALL_GUESSES[g];
  return unit === '%' ? v / 100 : unit === '°' ? (v * Math.PI) / 180 : v;
};

export function GuessesPart({ session, checked }: CheckProps) {
  const { range: open } = checked;
  const look = checked.looked?.value;
  const { plan } = session;
  return (
    <>
      <h2>What is a guess</h2>
      <p className="quiet mt-[5px]">
        Cover is right in its order before it is right in its figure: these were never measured. Set yours from a photo
        or a first row.
      </p>
      {open && look && (
        <p className="mt-2">
          <b>{percent(look.hiddenShare)} hidden</b>, {range(open.all, percent)} over all that may be.
        </p>
      )}
      <div className="mt-3">
        {FALL_GUESS_NAMES.map((g) => {
          const info = FALL_GUESSES[g];
          const value = plan.guesses[g] ?? info.value;
          const [low, high] = guessRange(g, value);
          return (
            <div key={g}>
              <NumberField
                label={`${info.name}, ${info.unit}`}
                testId={`guess-${g}`}
                value={shownGuess(g, value)}
                onCommit={(v) => session.apply(setGuess(plan, g, readGuess(g, v)))}
                beside={
                  <>
                    {info.why} May be {shownGuess(g, low)} to {shownGuess(g, high)} {info.unit}
                    {open && open.by[g][1] > open.by[g][0] ? `: ${range(open.by[g], percent)} hidden` : ''}. {info.how}
                  </>
                }
              />
              {plan.guesses[g] !== undefined && (
                <button
                  type="button"
                  className="word text-[13px]"
                  onClick={() => session.apply(setGuess(plan, g, undefined))}
                >
                  Back to the table’s {shownGuess(g, info.value)} {info.unit}
                </button>
              )}
            </div>
          );
        })}
      </div>
    </>
  );
}
