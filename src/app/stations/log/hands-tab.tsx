/** What is learned of her hands: each quantity with what it comes from and how sure it is; used, left out, forgotten, or said by herself. */
import {
  type HandsOfHers,
  handsUsed,
  type LearnedChoice,
  type LearnedName,
  paceInPlan,
} from '../../../core/hands/index.ts';
import {
  duration,
  FALL_GUESS_NAMES,
  FALL_GUESSES,
  KIND_NAMES,
  KNOT_KINDS,
  KNOT_ZONE_WORDS,
  KNOT_ZONES,
  type KnotKind,
  PLAIN_GUESSES,
  upperFirst,
} from '../../../core/trade/index.ts';
import { paceSaid, setLogged, setOwnPace } from '../../../model/hands.ts';
import { chooseHands } from '../../../store/hands.ts';
import { db } from '../../session/database.ts';
import type { PlanSession } from '../../session/plan-session.ts';
import type { LaidProps } from '../../ui/bench-props.ts';
import { NumberField } from '../../ui/field.tsx';

import { Ledger } from '../../ui/ledger.tsx';
import { Trouble, useTrouble } from '../../ui/trouble.tsx';
import { type Hands, useHands } from './use-hands.ts';

export function HandsTab({ session, result }: LaidProps) {
  const hands = useHands(session.plan.id, session.plan.pace);
  if (!hands?.found) return <p aria-busy="true">Reading your styles …</p>;
  const { found } = hands;
  const used = handsUsed(found, hands.choices);
  return (
    <section data-testid="hands">
      <p className="note">
        Learned from your installs and test rows. One style says little, five say much; ranges hold four times in five.
      </p>
      <PacePart {...{ session, result, hands, found }} />
      <Quantity
        name="spacing"
        title="How close you hook"
        hands={hands}
        isThere={found.spacing !== undefined}
        own="times the gap that is planned"
      >
        {found.spacing && <SpacingWords spacing={found.spacing} />}
      </Quantity>
      <Quantity name="reserve" title="How many pieces you take" hands={hands} isThere={found.reserve !== undefined}>
        {used.reserve && (
          <ReservePart reserve={used.reserve} session={session} isOff={hands.choices.reserve?.isOff === true} />
        )}
      </Quantity>
      <Quantity
        name="enough"
        title="What is enough for you"
        hands={hands}
        isThere={found.enough !== undefined}
        own="times the hair that is planned"
      >
        {found.enough && (
          <p>
            From {countOf(found.enough.styles, 'style')}: {percentWords(found.enough)} of the hair that was planned.
          </p>
        )}
      </Quantity>
      <Quantity name="strands" title="Your strands" hands={hands} isThere={Object.keys(found.strands).length > 0}>
        <Strands strands={found.strands} />
      </Quantity>
    </section>
  );
}

const countOf = (n: number, what: string) => `${n} ${what}${n === 1 ? '' : 's'}`;
const whole = (v: number) => Math.round(100 * v);
const percentWords = ({ middle, low, high }: { middle: number; low: number; high: number }) =>
  `${whole(middle)} %, ${whole(low)} to ${whole(high)},`;

interface Part {
  readonly session: PlanSession;
  readonly result: LaidProps['result'];
  readonly hands: Hands;
  readonly found: HandsOfHers;
}

/** Seconds a knot by kind and by place, and what they make of this plan. */
function PacePart({ session, result, hands, found: { pace } }: Part) {
  const { plan } = session;
  const { time } = result;
  const isOff = hands.choices.pace?.isOff === true;
  const own = hands.choices.pace?.own;
  const inPlan = plan.ownPace;
  const use = () => {
    if (own !== undefined) session.apply(setOwnPace(plan, paceSaid(own)));
    else if (pace) session.apply(setOwnPace(plan, paceInPlan(pace)));
  };
  const isNewer =
    own !== undefined ? inPlan?.factor !== own || inPlan.knots !== 0 : pace && inPlan?.knots !== pace.knots;
  return (
    <Quantity
      name="pace"
      title="Pace"
      hands={hands}
      isThere={pace !== undefined}
      own="times what common practice tells"
    >
      {pace && (
        <>
          <Ledger
            caption={`From ${pace.knots} knots in ${countOf(pace.styles, 'style')}, s a knot`}
            testId="pace-learned"
            lines={[
              ...KNOT_KINDS.flatMap((k) => line(upperFirst(KIND_NAMES[k as KnotKind]), pace.byKind[k])),
              ...KNOT_ZONES.flatMap((z) => line(upperFirst(KNOT_ZONE_WORDS[z]), pace.byZone[z])),
            ]}
          />
          <p className="mt-1 text-small">
            {tiresWords(pace.tires.middle)} One knot differs from the next by about {whole(pace.uneven)} %.
          </p>
        </>
      )}
      <p className="mt-1 text-small" data-testid="pace-in-plan">
        {inPlan
          ? `This plan counts it in: ${duration(time.totalMinutes)}; common practice would tell ${duration(time.plainMinutes ?? time.totalMinutes)}.`
          : 'This plan tells the hours of common practice.'}
      </p>
      {!isOff && isNewer && (
        <button type="button" className="button mt-1" onClick={use} data-testid="use-pace">
          Count it into this plan
        </button>
      )}
      {inPlan && (
        <button
          type="button"
          className="word"
          onClick={() => session.apply(setOwnPace(plan, undefined))}
          data-testid="drop-pace"
        >
          Common practice in this plan
        </button>
      )}
    </Quantity>
  );
}

const line = (name: string, of: NonNullable<HandsOfHers['pace']>['byKind'][KnotKind]) =>
  of
    ? [
        {
          key: name,
          name: `${name}, ${of.knots}`,
          cells: [
            <>
              <b>{Math.round(of.middle * of.plainSeconds)} s</b>{' '}
              <span className="text-ink2">
                {Math.round(of.low * of.plainSeconds)}–{Math.round(of.high * of.plainSeconds)}
              </span>
            </>,
          ],
        },
      ]
    : [];

function tiresWords(anHour: number): string {
  const by = whole(Math.exp(anHour) - 1);
  return by > 0 ? `You get ${by} % slower by the hour.` : 'You don’t get slower by the hour.';
}

function SpacingWords({ spacing }: { readonly spacing: NonNullable<HandsOfHers['spacing']> }) {
  const { all, left, right } = spacing;
  const side = right.middle - left.middle;
  const sideWords =
    Math.abs(side) < 0.02
      ? 'Both sides alike.'
      : `On your ${side < 0 ? 'right' : 'left'} ${whole(Math.abs(side))} % closer than on the other.`;
  return (
    <p data-testid="spacing-learned">
      From {countOf(spacing.rows, 'row')} in {countOf(spacing.styles, 'style')}: {percentWords(all)} of the gap that is
      planned. {sideWords} One gap differs from the next by about {whole(spacing.uneven)} %.
    </p>
  );
}

function ReservePart(props: {
  readonly reserve: NonNullable<HandsOfHers['reserve']>;
  readonly session: PlanSession;
  readonly isOff: boolean;
}) {
  const { reserve, session, isOff } = props;
  const { plan } = session;
  const usedOverPlanned = Math.round(1000 * Math.min(3, Math.max(0.3, reserve.usedOverPlanned))) / 1000;
  const isIn = plan.logged?.usedOverPlanned === usedOverPlanned && plan.logged.installs === reserve.styles;
  return (
    <>
      <p>
        From {countOf(reserve.styles, 'style')}: {whole(reserve.usedOverPlanned)} pieces for 100 that were planned;{' '}
        {whole(reserve.factor)} are counted on.
      </p>
      {!isOff && !isIn && (
        <button
          type="button"
          className="button mt-1"
          data-testid="use-reserve"
          onClick={() => session.apply(setLogged(plan, { installs: Math.min(200, reserve.styles), usedOverPlanned }))}
        >
          Count it into this plan’s packs
        </button>
      )}
      {plan.logged && (
        <button type="button" className="word" onClick={() => session.apply(setLogged(plan, undefined))}>
          Leave it out of this plan
        </button>
      )}
    </>
  );
}

function Strands({ strands }: { readonly strands: HandsOfHers['strands'] }) {
  return (
    <ul>
      {FALL_GUESS_NAMES.flatMap((g) => {
        const of = strands[g];
        if (!of) return [];
        const show = (factor: number) => inUnit(g, factor * PLAIN_GUESSES[g]);
        return [
          <li key={g} className="line py-1">
            {FALL_GUESSES[g].name}: <b>{show(of.middle)}</b>, {show(of.low)} to {show(of.high)}, from{' '}
            {countOf(of.styles, 'style')}
          </li>,
        ];
      })}
    </ul>
  );
}

function inUnit(g: keyof typeof FALL_GUESSES, v: number): string {
  const { unit } = FALL_GUESSES[g];
  if (unit === '%') return `${whole(v)} %`;
  return unit === '°' ? `${Math.round((180 * v) / Math.PI)}°` : `${v.toFixed(1)} ${unit}`;
}

/** One quantity, with what she may decide of it. */
function Quantity(props: {
  readonly name: LearnedName;
  readonly title: string;
  readonly hands: Hands;
  readonly isThere: boolean;
  /** She may say a factor of her own: what it is a factor of. */
  readonly own?: string;
  readonly children: React.ReactNode;
}) {
  const { name, title, hands, isThere } = props;
  const choice: LearnedChoice = hands.choices[name] ?? {};
  const [trouble, tried] = useTrouble();
  const choose = (change: Partial<LearnedChoice>) => {
    const { isOff, sinceMs, own } = { ...choice, ...change };
    const kept = {
      ...(isOff ? { isOff } : {}),
      ...(sinceMs === undefined ? {} : { sinceMs }),
      ...(own === undefined ? {} : { own }),
    };
    void tried(chooseHands(db, hands.of, name, Object.keys(kept).length > 0 ? kept : undefined));
  };
  return (
    <section className="mt-4" data-quantity={name}>
      <h3 className="text-title">{title}</h3>
      {choice.isOff ? (
        <p className="note">Left out: nothing proposes it, and no new plan counts it in.</p>
      ) : isThere || props.own ? (
        props.children
      ) : null}
      {!isThere && !choice.isOff && (
        <p className="note">
          {choice.sinceMs === undefined
            ? 'Nothing is known of it yet.'
            : 'Forgotten; learned anew from your next style on.'}
        </p>
      )}
      {props.own && !choice.isOff && (
        <NumberField
          label="As you say it"
          value={choice.own ?? 1}
          beside={
            choice.own === undefined
              ? `A factor of your own: ${props.own}.`
              : `${choice.own} ${props.own}, in place of what is learned.`
          }
          testId={`own-${name}`}
          onCommit={(v) => {
            if (!(v >= 0.2 && v <= 5)) return 'It has to be from 0.2 to 5.';
            choose({ own: v });
            return undefined;
          }}
        />
      )}
      <div className="flex flex-wrap gap-x-4">
        <button
          type="button"
          className="word"
          onClick={() => choose({ isOff: !choice.isOff })}
          data-testid={`off-${name}`}
        >
          {choice.isOff ? 'Use it again' : 'Leave it out'}
        </button>
        {choice.own !== undefined && (
          <button type="button" className="word" onClick={() => choose({ own: undefined })}>
            As it is learned
          </button>
        )}
        {(isThere || choice.sinceMs !== undefined) && !choice.isOff && (
          <button
            type="button"
            className="word"
            data-testid={`forget-${name}`}
            onClick={() => choose({ sinceMs: choice.sinceMs === undefined ? Date.now() : undefined })}
          >
            {choice.sinceMs === undefined ? 'Forget it' : 'Remember all of it again'}
          </button>
        )}
      </div>
      <Trouble why={trouble} />
    </section>
  );
}
