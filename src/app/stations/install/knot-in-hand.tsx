/** The knot in hand at the mirror: what it is, where it goes, and the two great buttons. */
import type { PlanResult } from '../../../core/findings/index.ts';
import { type PlannedKnot, shortWhere } from '../../../core/knots/index.ts';
import { isOffHead, knotName, lowerFirst, rowWords, THROUGH_WORDS } from '../../../core/trade/index.ts';
import { colourName } from '../../../model/colours.ts';
import type { PlanDocument } from '../../../model/plan.ts';
import { CardTitle } from './card-title.tsx';
import type { Mirrors } from './mirror-settings.ts';
import { fromRowBefore, hookWay, mirrorWords } from './mirror-words.ts';

/** Its place in its row, and its name. */
export function KnotTitle(props: {
  readonly plan: PlanDocument;
  readonly result: PlanResult;
  readonly knot: PlannedKnot;
  readonly paused: boolean;
  readonly onPause: () => void;
}) {
  const { plan, result, knot, paused, onPause } = props;
  const row = result.rows[knot.row];
  return (
    <CardTitle
      number={knot.place}
      what={knotName(knot)}
      testIds={['knot-place', 'knot-kind']}
      paused={paused}
      onPause={onPause}
    >
      of {row.knotCount} in {rowWords(row.label)}, {THROUGH_WORDS[knot.through]}
      {plan.cuts.length > 1 && `, ${lowerFirst(plan.cuts.find((c) => c.id === knot.cut)?.name ?? '')}`}
      {result.mix && (
        <span data-testid="knot-colour">
          , <b className="font-strong text-ink">{colourName(plan, knot.colour)}</b>
          {coloursToCome(plan, result, knot)}
        </span>
      )}
    </CardTitle>
  );
}

/** "; then 3 dark": the colour after this one in its row. */
function coloursToCome(plan: PlanDocument, { knots, rows }: PlanResult, knot: PlannedKnot): string {
  const { firstKnot, knotCount } = rows[knot.row];
  const rest = knots.slice(knots.indexOf(knot) + 1, firstKnot + knotCount).map((k) => k.colour);
  if (rest.length === 0) return '';
  const run = rest.findIndex((c) => c !== rest[0]);
  return `; then ${run < 0 ? rest.length : run} ${colourName(plan, rest[0])}`;
}

/** Fingers from what she feels, in words, and how the hook goes in. */
export function WhereItGoes(props: {
  readonly plan: PlanDocument;
  readonly knot: PlannedKnot;
  readonly mirrors: Mirrors;
  readonly forHelper: boolean;
  /** Of its row: there it is said what every knot has to stand. */
  readonly isFirst: boolean;
}) {
  const { plan, knot, mirrors, forHelper, isFirst } = props;
  return (
    <div className="min-w-[min(300px,100%)] flex-1 max-phone:min-w-0">
      <p className="fig text-far-kind" data-testid="knot-fingers" style={{ fontStretch: '80%' }}>
        {shortWhere(knot.where)}
      </p>
      <p className="mt-2.5 text-far-text leading-tight" data-testid="knot-where">
        {knot.where.words}.
      </p>
      <p className="mt-2 text-far-note leading-tight text-ink2">
        {fromRowBefore(knot, plan)}
        {hookWay(knot, forHelper)} {mirrorWords(knot, mirrors, forHelper)}
        {isFirst && ` ${tugWords(plan)}`}
      </p>
    </div>
  );
}

/** What hurts tomorrow is felt today. */
const tugWords = (plan: PlanDocument) =>
  `Then a light tug: it doesn’t slide, ${isOffHead(plan.cap) ? 'the net doesn’t pucker' : 'the skin doesn’t lift'}.`;

export function WordButton(props: {
  readonly onClick: () => void;
  readonly children: React.ReactNode;
  readonly pressed?: boolean;
  readonly testId?: string;
}) {
  return (
    <button
      type="button"
      className="word text-title max-phone:text-small"
      aria-pressed={props.pressed}
      onClick={props.onClick}
      data-testid={props.testId}
    >
      {props.children}
    </button>
  );
}

/** Large enough for an elbow. */
export function NextAndBack(props: {
  readonly next: () => void;
  readonly back: () => void;
  readonly words: string;
  readonly then: string;
  readonly canNext: boolean;
  readonly canBack: boolean;
}) {
  const { next, back, words, then, canNext, canBack } = props;
  return (
    <div
      className="grid min-h-[clamp(112px,16vh,200px)] grid-cols-[1fr_clamp(110px,24vw,196px)]"
      style={{ background: 'var(--touch)', color: 'var(--yarn)' }}
    >
      <button
        type="button"
        className="px-10 py-5.5 beside:py-3 max-phone:px-5 max-phone:py-2"
        onClick={next}
        disabled={!canNext}
        data-testid="next"
      >
        <span className="fig block text-far-button" style={{ letterSpacing: '-.02em' }}>
          {words}
        </span>
        <span className="mt-3 block text-far-text text-yarn2 max-phone:mt-1 max-phone:text-far-note beside:mt-1.5 beside:text-far-note">
          {then}
        </span>
      </button>
      <button
        type="button"
        className="border-l-2 border-dotted border-yarn2 text-center text-far-text"
        onClick={back}
        disabled={!canBack}
        data-testid="back"
      >
        <svg width="56" height="44" viewBox="0 0 56 44" className="mx-auto mb-3" aria-hidden="true">
          <path
            d="M50,34C50,16 40,10 12,14M22,3L10,14L23,24"
            fill="none"
            stroke="currentColor"
            strokeWidth="3.5"
            strokeLinecap="round"
            strokeLinejoin="round"
          />
        </svg>
        One back
      </button>
    </div>
  );
}
