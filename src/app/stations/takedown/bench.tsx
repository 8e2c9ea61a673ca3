/** Takedown: the order from what is really in, what comes back, what was shed, and the rest before the next. */
import { hairMassG } from '../../../core/hair/index.ts';
import { daysFrom, daysLater } from '../../../core/time/index.ts';
import { isWorn, REST_WORDS } from '../../../core/trade/index.ts';
import { hurtsSince, restDays } from '../../../core/wear/index.ts';
import { planInputs } from '../../../model/to-inputs.ts';
import type { Wearing } from '../../../store/wear.ts';
import { today as todayIs } from '../../session/today.ts';
import type { BenchProps } from '../../ui/bench-props.ts';
import { weekday } from '../../ui/format.ts';
import { useFollowed } from '../wear/use-followed.ts';
import { dayOf, useWear, type Wear } from '../wear/use-wear.ts';
import { ComesBack } from './comes-back.tsx';
import { Edges } from './edges.tsx';
import { TakedownOrder } from './order.tsx';
import { Shed } from './shed.tsx';
import { TakenOut } from './taken-out.tsx';

/** A wig that is nobody's yet: only the net has to stay whole. */
const OFF_HEAD = [
  'Snip each piece just outside its knot, blunt tips, on whatever it was filled on: the net stays whole.',
  'Pull the pieces out. What has a ring or is human hair is unringed and kept.',
  'Wash the cap, let it dry on a form, and count one more time that it was worn.',
];

export function TakedownBench({ session, result }: BenchProps) {
  const { plan } = session;
  const wear = useWear(plan.id);
  if (!isWorn(plan.madeFor)) return <OffHead />;
  if (!result || wear.wearing === undefined) return <h2>Taking it out</h2>;
  if (wear.wearing) return <OfWorn wear={wear} wearing={wear.wearing} planId={plan.id} />;
  return (
    <>
      <h2>Taking it out</h2>
      <Snip />
      <TakedownOrder {...{ plan, result }} />
    </>
  );
}

function OffHead() {
  return (
    <>
      <h2>Taking it out</h2>
      <ol className="mt-3 text-small">
        {OFF_HEAD.map((line, i) => (
          <li key={line} className="line grid grid-cols-tick py-1.75">
            <span className="fig text-lead">{i + 1}</span>
            {line}
          </li>
        ))}
      </ol>
    </>
  );
}

const Snip = () => (
  <p className="note mt-1">
    Snip each piece just outside its knot: blunt tips, a finger between blade and scalp, a mirror. Then it pulls out.
  </p>
);

/** By the plan that was followed, and what of it is in. */
function OfWorn({
  wear,
  wearing,
  planId,
}: {
  readonly wear: Wear;
  readonly wearing: Wearing;
  readonly planId: string;
}) {
  const followed = useFollowed(wearing);
  if (!followed) return <h2>Taking it out</h2>;
  const { plan, result, isIn, pieces } = followed;
  const first = dayOf(wearing.sinceMs);
  const { takenOutAtMs } = wearing.session;
  const last = takenOutAtMs === undefined ? todayIs() : dayOf(takenOutAtMs);
  const onStep = (id: string, isOut: boolean) => {
    const kept = wear.out.get(id);
    if (isOut) void wear.add({ day: todayIs(), what: 'out', text: id });
    else if (kept) void wear.undo(kept);
  };
  return (
    <>
      <h2>Taking it out</h2>
      <Snip />
      <TakedownOrder {...{ plan, result, isIn, onStep }} out={new Set(wear.out.keys())} />
      <TakenOut planId={planId} />
      <ComesBack {...{ plan, result, wearing }} pieces={pieces} />
      <Shed days={Math.max(1, daysFrom(first, last))} hairG={meanHairG(planInputs(plan).ownHair)} />
      <Edges wear={wear} />
      <Rest from={last} hurt={hurtsSince(wear.notes ?? [], last) !== undefined} isOut={takenOutAtMs !== undefined} />
    </>
  );
}

const meanHairG = ({ strand, lengthMm }: ReturnType<typeof planInputs>['ownHair']) => hairMassG(strand, lengthMm);

function Rest({ from, hurt, isOut }: { readonly from: string; readonly hurt: boolean; readonly isOut: boolean }) {
  const [least, most] = restDays(hurt);
  return (
    <section className="mt-5" aria-label="Rest" data-testid="rest">
      <h3 className="text-title">Rest</h3>
      <p className="mt-1">
        {least} to {most} days before the next{isOut ? `: ${weekday(daysLater(from, least))} at the earliest` : ''}
        {hurt ? ', because it hurt. Where it still does, a doctor looks at it first' : ''}.
      </p>
      <ul className="mt-1">
        {REST_WORDS.map((line) => (
          <li key={line} className="line note py-1.5">
            {line}
          </li>
        ))}
      </ul>
    </section>
  );
}
