/** Something hurts, or her own eyes find something: where it is, what to do now, and what follows for what is to come. */
import { useMemo, useState } from 'react';
import type { PlanResult } from '../../../core/findings/index.ts';
import { type DirectionDeg, directionDeg } from '../../../core/head/index.ts';
import {
  HURT_INFO,
  HURT_KINDS,
  type HurtKind,
  OVER_PART_FINGERS,
  SEEN_INFO,
  SEEN_KINDS,
  type SeenKind,
  SORE_FINGERS,
  WHEN_TO_TAKE_OUT,
} from '../../../core/install/index.ts';
import type { PlannedKnot } from '../../../core/knots/index.ts';
import { isOffHead, lowerFirst, rowWords, upperFirst } from '../../../core/trade/index.ts';
import { filledAt, layerAtPart, sparing } from '../../../model/from-here.ts';
import type { PlanDocument } from '../../../model/plan.ts';
import type { PlanChange } from '../../../model/plan-change.ts';
import { fingerMm } from '../../../model/to-inputs.ts';
import { knotAt } from '../../head-view/lines/rows.ts';
import { SelectField } from '../../ui/field.tsx';
import { OneOf } from '../../ui/tabs.tsx';
import { VIEWS } from '../../view/view-store.ts';
import { MirrorDialog } from './mirror-dialog.tsx';
import type { Install } from './use-install.ts';
import { type NewPlan, soFarOf } from './use-new-plan.ts';
import { drawDisc, HeadSoFar, type OnHead } from './where-picture.tsx';

interface Props extends OnHead {
  readonly install: Install;
  readonly newPlan: NewPlan;
  /** The knot in hand, or the last one. */
  readonly near: PlannedKnot | undefined;
  readonly hurts: boolean;
  readonly onWays: () => void;
  readonly onTurn: () => void;
  readonly onClose: () => void;
}

export function Notice(props: Props) {
  const { plan, result, install, newPlan, hurts, onClose } = props;
  const kinds = hurts ? HURT_KINDS : seenKinds(plan);
  const [what, setWhat] = useState<HurtKind | SeenKind>();
  const [knot, setKnot] = useState(props.near);
  const [said, setSaid] = useState<string>();
  const info = what && (HURT_INFO[what as HurtKind] ?? SEEN_INFO[what as SeenKind]);
  const at = knot && placeOf(knot);
  const keep = () => {
    if (!what) return;
    const where = info?.hasPlace && knot ? { knotId: knot.id, ...(at ? { at } : {}) } : {};
    install.add(hurts ? 'hurt' : 'seen', { what, ...where });
  };
  const takeThen = async (change: PlanChange) => {
    keep();
    const why = await newPlan.take(change);
    if (why) setSaid(`${why} What you said is kept.`);
    else onClose();
  };
  return (
    <MirrorDialog
      title={hurts ? 'Stop a moment: what hurts?' : 'What do you see?'}
      onClose={onClose}
      testId="notice-dialog"
    >
      <fieldset className="flex flex-wrap gap-3" aria-label="What it is">
        {kinds.map((kind) => (
          <button
            key={kind}
            type="button"
            className={`min-h-15 rounded-[3px] border-2 border-ink px-5 text-title ${what === kind ? 'bg-ink text-ground' : ''}`}
            aria-pressed={what === kind}
            onClick={() => setWhat(kind)}
            data-testid={`notice-${kind}`}
          >
            {(HURT_INFO[kind as HurtKind] ?? SEEN_INFO[kind as SeenKind]).name}
          </button>
        ))}
      </fieldset>
      {info && (
        <>
          {info.hasPlace && <WhereOnHead {...props} knot={knot} onKnot={setKnot} />}
          <p className="mt-3 text-title font-strong" data-testid="notice-now">
            {info.now}
          </p>
          {hurts && info.hasPlace && knot && <Loosen {...{ plan, result, knot, isIn: props.isIn }} />}
          <p className="mt-2">{info.later}</p>
          {what === 'part' && <OverPart plan={plan} result={result} />}
          {hurts && <p className="mt-2 text-madder">{WHEN_TO_TAKE_OUT}</p>}
          {said && (
            <p role="alert" className="mt-2 text-madder">
              {said}
            </p>
          )}
          <NoticeDeeds {...props} {...{ what, knot, keep, takeThen }} />
        </>
      )}
    </MirrorDialog>
  );
}

/** What follows from it: one tap, and the plan does. */
function NoticeDeeds(
  props: Props & {
    readonly what: HurtKind | SeenKind | undefined;
    readonly knot: PlannedKnot | undefined;
    readonly keep: () => void;
    readonly takeThen: (change: PlanChange) => void;
  },
) {
  const { plan, result, install, newPlan, hurts, what, knot, keep, takeThen, onClose } = props;
  const at = knot && placeOf(knot);
  const main = (testId: string, words: string, run: () => void) => (
    <button type="button" className="button primary" disabled={newPlan.isWorking} data-testid={testId} onClick={run}>
      {words}
    </button>
  );
  const soFar = () => soFarOf(result, install.now());
  return (
    <div className="mt-4 flex flex-wrap gap-4">
      {hurts &&
        what !== 'headache' &&
        at &&
        main('spare', 'Spare this place from here on', () =>
          takeThen(sparing(plan, soFar(), at, SORE_FINGERS * fingerMm(plan))),
        )}
      {what === 'gap' && at && main('fill-gap', 'One piece goes there', () => takeThen(filledAt(plan, soFar(), at)))}
      {what === 'part' && main('part-layer', 'Another layer beside it', () => takeThen(layerAtPart(plan, soFar())))}
      {what === 'short' &&
        main('see-ways', 'See the ways on', () => {
          keep();
          props.onWays();
        })}
      {what === 'slips' &&
        main('hold-again', 'Hold it again', () => {
          keep();
          props.onTurn();
          onClose();
        })}
      <button
        type="button"
        className="button"
        data-testid="keep-notice"
        onClick={() => {
          keep();
          onClose();
        }}
      >
        Keep it for the record
      </button>
    </div>
  );
}

/** Whether hair of either side can be laid over the part. */
function OverPart({ plan, result }: { readonly plan: PlanDocument; readonly result: PlanResult }) {
  const needed = OVER_PART_FINGERS * fingerMm(plan);
  const lengths = new Map(result.pieces.map((p) => [p.cut, p.lengthMm]));
  const beside = result.knots.filter((k) => k.zone === 'part').map((k) => lengths.get(k.cut) ?? 0);
  if (beside.length === 0) return null;
  const longest = Math.max(...beside);
  return (
    <p className="mt-2" data-testid="over-part">
      The pieces beside it hang {Math.round(longest / 10)} cm; to be laid over it they need about{' '}
      {Math.round(needed / 10)} cm.{' '}
      {longest >= needed
        ? 'That is enough: comb one side over, and pin it until it stays.'
        : 'That is too short to be laid over: another layer, then.'}
    </p>
  );
}

/** Without a part none displeases, and on a block the cap is pinned. */
const seenKinds = ({ part, cap }: PlanDocument) =>
  SEEN_KINDS.filter((k) => (k !== 'part' || part.kind === 'line') && (k !== 'slips' || !isOffHead(cap)));

const placeOf = (k: PlannedKnot): DirectionDeg => directionDeg([k.xMm, k.yMm, k.zMm]);

/** Knots round the place that are in: these are looked at first. */
function Loosen(props: {
  readonly plan: PlanDocument;
  readonly result: PlanResult;
  readonly knot: PlannedKnot;
  readonly isIn: ReadonlySet<string>;
}) {
  const { plan, result, knot, isIn } = props;
  const reach = (SORE_FINGERS * fingerMm(plan)) ** 2;
  const near = result.knots.filter(
    (k) => isIn.has(k.id) && (k.xMm - knot.xMm) ** 2 + (k.yMm - knot.yMm) ** 2 + (k.zMm - knot.zMm) ** 2 <= reach,
  );
  if (near.length === 0)
    return <p className="mt-2">Nothing is in there yet: look at the section under it, and the border.</p>;
  const rows = [...new Set(near.map((k) => result.rows[k.row].label))];
  const inHair = near.filter((k) => k.through !== 'net').length;
  return (
    <p className="mt-2" data-testid="loosen">
      {near.length === 1 ? 'One knot is' : `${near.length} knots are`} in within two fingers of it, in{' '}
      {rows.map((r) => rowWords(r)).join(' and ')}
      {inHair > 0 && `; ${inHair} of them ${inHair === 1 ? 'goes' : 'go'} through your hair: these first`}.
    </p>
  );
}

type ViewWord = 'behind' | 'left' | 'right' | 'top' | 'front';
const VIEW_WORDS: ReadonlyArray<readonly [ViewWord, string]> = [
  ['behind', 'behind'],
  ['left', 'left'],
  ['right', 'right'],
  ['top', 'top'],
  ['front', 'front'],
];

/** A tap on the head, or a row and a place in it. */
function WhereOnHead(
  props: Props & { readonly knot: PlannedKnot | undefined; readonly onKnot: (k: PlannedKnot) => void },
) {
  const { plan, result, isIn, knot, onKnot } = props;
  const [view, setView] = useState<ViewWord>(() => viewWordOf(knot));
  const drawOver = useMemo(
    () =>
      knot &&
      ((ctx: CanvasRenderingContext2D, seen: Parameters<typeof drawDisc>[1]) => {
        drawDisc(ctx, seen, knot);
      }),
    [knot],
  );
  const rows = result.rows.filter((r) => r.knotCount > 0);
  return (
    <div className="mt-3 flex flex-wrap items-start gap-x-6 gap-y-2">
      <HeadSoFar
        {...{ plan, result, isIn }}
        scene={props.scene}
        view={VIEWS[view]}
        {...(drawOver ? { drawOver } : {})}
        className="cursor-pointer"
        onTap={(x, y, seen) => {
          const found = knotAt(seen, result, x, y, 60);
          if (found) onKnot(found);
        }}
      />
      <div className="min-w-64 flex-1">
        <OneOf label="Seen from" value={view} options={VIEW_WORDS} onChange={setView} testId="notice-view" />
        <SelectField
          label="Row"
          testId="notice-row"
          value={String(knot?.row ?? result.rows.indexOf(rows[0]))}
          options={rows.map((r) => [String(result.rows.indexOf(r)), upperFirst(rowWords(r.label))] as const)}
          onChange={(row) => pick(Number(row), 0.5)}
        />
        <SelectField
          label="Place in it"
          testId="notice-place"
          value={placeIn(result, knot)}
          options={[
            ['0', 'at your left end'],
            ['0.25', 'on your left'],
            ['0.5', 'in the middle'],
            ['0.75', 'on your right'],
            ['1', 'at your right end'],
          ]}
          onChange={(share) => pick(knot?.row ?? 0, Number(share))}
        />
        <p className="note mt-1" data-testid="notice-where">
          {knot
            ? `${knot.where.words}; ${lowerFirst(rowWords(result.rows[knot.row].label))}.`
            : 'Tap the place on the head.'}
        </p>
      </div>
    </div>
  );
  function pick(row: number, share: number) {
    const { firstKnot, knotCount } = result.rows[row];
    const inRow = result.knots.slice(firstKnot, firstKnot + knotCount).sort((a, b) => a.place - b.place);
    const found = inRow[Math.round(share * (inRow.length - 1))];
    onKnot(found);
    setView(viewWordOf(found));
  }
}

function placeIn({ rows, knots }: PlanResult, knot: PlannedKnot | undefined): string {
  if (!knot) return '0.5';
  const { firstKnot, knotCount } = rows[knot.row];
  const places = knots.slice(firstKnot, firstKnot + knotCount).map((k) => k.place);
  const [low, high] = [Math.min(...places), Math.max(...places)];
  return String(high > low ? Math.round((4 * (knot.place - low)) / (high - low)) / 4 : 0.5);
}

function viewWordOf(knot: PlannedKnot | undefined): ViewWord {
  if (!knot) return 'behind';
  const [x, y, z] = knot.normal;
  if (y > 0.75) return 'top';
  if (Math.abs(x) > Math.abs(z)) return x > 0 ? 'left' : 'right';
  return z < 0 ? 'behind' : 'front';
}
