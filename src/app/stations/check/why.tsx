/** Why a place is covered as it is. */
import type { PlanResult } from '../../../core/findings/index.ts';
import { directionDeg } from '../../../core/head/index.ts';
import type { Look, WhyHere as Reason } from '../../../core/plan/index.ts';
import { rowWords, upperFirst } from '../../../core/trade/index.ts';
import { addKnot } from '../../../model/rows-by-hand.ts';
import { useWhy } from '../../ask/look.ts';
import type { PlanSession } from '../../session/plan-session.ts';
import { percent } from '../../ui/format.ts';
import { useView } from '../../view/view-store.ts';

/** Why a place is covered as it is, and what one more piece would do there. */
export function WhyHere(props: {
  readonly session: PlanSession;
  readonly result: PlanResult;
  readonly look: Look | undefined;
}) {
  const { session, result, look } = props;
  const whyAt = useView((v) => v.check.whyAt);
  const why = useWhy(session.plan, whyAt);
  return whyAt && why ? <Reasons session={session} why={why} /> : <Ask result={result} look={look} />;
}

function Ask({ result, look }: { readonly result: PlanResult; readonly look: Look | undefined }) {
  const { selectedId, setCheck } = useView();
  const knot = result.knots.find((k) => k.id === selectedId);
  const place = knot ? ([knot.xMm, knot.yMm, knot.zMm] as const) : look?.patches[0]?.atMm;
  return (
    <>
      <p className="note mt-2">Touch any place of the head, and it tells which rows cover it.</p>
      {place && (
        <button
          type="button"
          className="word text-note"
          data-testid="ask"
          onClick={() => setCheck({ whyAt: directionDeg(place) })}
        >
          {knot ? 'Ask at the selected knot' : 'Ask at the thinnest place'}
        </button>
      )}
    </>
  );
}

function Reasons({ session, why }: { readonly session: PlanSession; readonly why: Reason }) {
  const { refuse, setCheck } = useView.getState();
  const { onePieceMore: more } = why;
  return (
    <section className="mt-3" aria-label="Why here" data-testid="why" aria-live="polite">
      <h3 className="text-title">{upperFirst(why.words)}</h3>
      <p className="mt-1 text-small">
        {percent(why.shows)} of the scalp shows here.{' '}
        {why.rows.length === 0
          ? 'No hair falls over it.'
          : `Most is hidden by ${why.rows
              .slice(0, 3)
              .map(
                (r) => `${rowWords(r.label)} (${r.pieces} ${r.pieces === 1 ? 'piece' : 'pieces'}, ${percent(r.hides)})`,
              )
              .join(', ')}.`}
      </p>
      {'refused' in more ? (
        <p className="mt-1 text-small">No piece more can go in here: {more.refused}.</p>
      ) : (
        <>
          <p className="mt-1 text-small">
            One more piece where there is most room beside it, {more.massG.toFixed(1)} g: {percent(more.shows)} would
            show here.
          </p>
          <button
            type="button"
            className="button mt-2"
            data-testid="one-more"
            onClick={() => refuse(session.apply(addKnot(session.plan, more.at)))}
          >
            Put it in
          </button>
        </>
      )}
      <button type="button" className="word text-note" onClick={() => setCheck({ whyAt: undefined })}>
        Leave it
      </button>
    </section>
  );
}
