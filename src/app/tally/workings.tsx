/** How each figure of the tally comes about, with her values in it and how sure it is. */

import type { PlanResult } from '../../core/findings/index.ts';
import type { Part } from '../../core/head/index.ts';
import { COUNT_SPREAD } from '../../core/supply/index.ts';
import {
  duration,
  FALL_GUESS_NAMES,
  FALL_GUESSES,
  FAMILY_INFO,
  lowerFirst,
  PACE_FACTOR,
  PACE_NAMES,
  PEOPLE_DIFFER,
  ZONES,
  zoneName,
} from '../../core/trade/index.ts';
import type { PlanDocument } from '../../model/plan.ts';
import type { JudgedFigures } from '../ask/figures.ts';
import { countOf, money, percent, range } from '../ui/format.ts';

interface Props {
  readonly plan: PlanDocument;
  readonly result: PlanResult;
}

function Working(props: {
  readonly title: string;
  readonly rows: ReadonlyArray<readonly [string, string]>;
  readonly sure: string;
}) {
  return (
    <>
      <h3 className="text-title">{props.title}</h3>
      <dl className="mt-3">
        {props.rows.map(([name, value]) => (
          <div key={name} className="line flex justify-between gap-4 py-1.25">
            <dt className="text-ink2">{name}</dt>
            <dd className="text-right">{value}</dd>
          </div>
        ))}
      </dl>
      <p className="note line mt-0 pt-2">{props.sure}</p>
    </>
  );
}

export function PiecesWorking({ plan, result }: Props) {
  const { rowScheme: s } = result;
  return (
    <Working
      title={`${result.supply.pieces} knots, a piece each`}
      rows={[
        ['Scalp inside the hairline', `${Math.round(result.head.areaMm2 / 100)} cm²`],
        ...ZONES.map(
          (z) =>
            [
              zoneName(z, plan.part.kind as Part['kind']),
              `${Math.round(result.spacing.centresMm[z])} mm from knot to knot`,
            ] as const,
        ),
        ['Rows', `${s.wholeRows} whole, ${s.insertedRows} short ones between`],
        ...(s.thinnedOutKnots > 0 ? [['Left out where rows meet', `${s.thinnedOutKnots} knots`] as const] : []),
      ]}
      sure={`Counted knot by knot on your head. Measured by hand and laid by eye, it can come out about ${COUNT_SPREAD * 100} % off (a guess).`}
    />
  );
}

export function PacksWorking({ plan, result }: Props) {
  const { supply } = result;
  return (
    <Working
      title={`${supply.packs} packs`}
      rows={[
        ['Pieces', String(supply.pieces)],
        [`For gaps, ${Math.round(plan.reserveShare * 100)} %`, String(supply.reservePieces)],
        ...result.pieces
          .filter((p) => result.knots.some((k) => k.cut === p.cut))
          .map((p) => {
            const cut = plan.cuts.find((c) => c.id === p.cut);
            const product = plan.products.find((d) => d.id === p.product);
            const pack = product?.test.counted ?? product?.piecesPerPack;
            return [
              `In a pack, ${cut?.name ?? ''}`,
              `${pack} × ${cut?.split} ÷ ${product?.composed} = ${countOf(p.perPack)}`,
            ] as const;
          }),
        ...supply.lines.map(
          (l) =>
            [
              `Rounded up, ${l.name}`,
              `${l.pieces + l.reservePieces} ÷ ${countOf(l.piecesPerPack)} → ${l.packs}`,
            ] as const,
        ),
        ['If the count is off', range(supply.packRange, String)],
      ]}
      sure="Count one opened pack: its number overrides the label. The reserve is common practice, a tenth to a quarter."
    />
  );
}

export function LeftOverWorking({ result }: { readonly result: PlanResult }) {
  const { supply } = result;
  return (
    <Working
      title={`${supply.leftOver} pieces over`}
      rows={[
        [
          'Bought',
          `${supply.packs} × ${countOf(supply.piecesPerPack)} = ${countOf(supply.packs * supply.piecesPerPack)}`,
        ],
        ['Hooked', String(supply.pieces)],
        ['Kept for gaps', String(supply.reservePieces)],
        ['Over', String(supply.leftOver)],
      ]}
      sure="Gaps show after separating and shaking out. Keep the reserve until then."
    />
  );
}

export function HoursWorking({ plan, result }: Props) {
  const { time } = result;
  return (
    <Working
      title={`About ${duration(time.totalMinutes)}`}
      rows={[
        [`Base: ${lowerFirst(FAMILY_INFO[plan.base.family].name)}`, duration(time.baseMinutes)],
        ['Cap', duration(time.capMinutes)],
        [
          `${result.knots.length} knots, ${Math.round((60 * time.knotMinutes) / Math.max(1, result.knots.length))} s each`,
          duration(time.knotMinutes),
        ],
        ['Separate, trim', duration(time.finishMinutes)],
        ...(time.waitingMinutes > 0
          ? ([['Waiting beside it, hands free', duration(time.waitingMinutes)]] as const)
          : []),
        ...paceRows(plan, result),
        ['Likely', range(time.range, duration)],
      ]}
      sure={
        plan.ownPace
          ? 'Seconds a knot are your own, as far as they were timed, each kind and place for itself; the next style may differ from your usual one.'
          : `Seconds a knot are common practice, no source, and people differ by a factor of ${PEOPLE_DIFFER} to either side, until your own installs say better.`
      }
    />
  );
}

/** Whose pace it is, and what that changed. */
function paceRows({ pace, ownPace }: PlanDocument, { time }: PlanResult): Array<readonly [string, string]> {
  if (!ownPace) return [['Your pace', `${PACE_NAMES[pace]}, × ${PACE_FACTOR[pace]}`]];
  const { knots, styles, factor } = ownPace;
  const from = knots > 0 ? `from ${knots} knots in ${styles} ${styles === 1 ? 'style' : 'styles'}` : 'as you say it';
  return [
    [`Your own pace, ${from}`, `× ${factor}`],
    ...(time.plainMinutes === undefined
      ? []
      : ([['Common practice would tell', duration(time.plainMinutes)]] as const)),
  ];
}

export function PriceWorking({ plan, result }: Props) {
  const { supply } = result;
  const show = (v: number) => money(v, plan.currency);
  return (
    <Working
      title={show(supply.price)}
      rows={[
        ...supply.lines.map(
          (l) => [l.name, l.toBuy > 0 ? `${l.toBuy} × ${show(l.price / l.toBuy)}` : 'none to buy'] as const,
        ),
        ['If the count is off', range(supply.priceRange, show)],
      ]}
      sure="Hair only. Cap, hook, bands and products come on top."
    />
  );
}

export function WeightWorking({ result }: { readonly result: PlanResult }) {
  const { load, piece } = result;
  const grams = (v: number) => `${Math.round(v)} g`;
  const [least, most] = result.cap.shareOfPull;
  const fullest = [...load.sections].sort((a, b) => b.massG - a.massG)[0];
  const name = result.base.sections.find((s) => s.id === fullest.sectionId)?.name ?? '';
  return (
    <Working
      title={grams(load.massG)}
      rows={[
        ['Pieces', `${result.supply.pieces}, on top ${piece.massG.toFixed(2)} g each`],
        ['Likely', range(load.range, grams)],
        ['Wet', range(load.wetG, grams)],
        [`Fullest section (${name})`, `${fullest.pieces} pieces, ${grams(fullest.massG)}`],
        ['carried by its own hair', range(fullest.onHairG, grams)],
        ['over its own weight', range(fullest.timesOwnHair, (v) => `${v.toFixed(1)} ×`)],
      ]}
      sure={`The net takes ${Math.round(least * 100)} to ${Math.round(most * 100)} % (a guess). No figure promises safety: soreness or bumps mean take some out.`}
    />
  );
}

export function CoverWorking({ plan, result, judged }: Props & { readonly judged: JudgedFigures }) {
  const { look, range: open } = judged;
  if (!look) return <p>Being worked out …</p>;
  return (
    <Working
      title={`About ${percent(look.hiddenShare)} hidden`}
      rows={[
        ['A piece', `${result.piece.massG.toFixed(2)} g, ${Math.round(result.piece.lengthMm / 10)} cm as worn`],
        ['Seen from the top, scalp that shows', percent(look.seen.top)],
        ['from behind', percent(look.seen.behind)],
        ...(open
          ? [
              ['If all guesses err one way', range(open.all, percent)] as const,
              ...FALL_GUESS_NAMES.filter((g) => open.by[g][1] > open.by[g][0]).map(
                (g) => [lowerFirst(FALL_GUESSES[g].name), range(open.by[g], percent)] as const,
              ),
            ]
          : []),
      ]}
      sure={`Every strand is followed from its knot over the head; where strands lie over each other what shows multiplies. ${Object.keys(plan.guesses).length > 0 ? 'Some guesses are yours.' : 'Width, opacity and spread of a strand are guesses: set your own in Check.'}`}
    />
  );
}
