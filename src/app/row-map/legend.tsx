/** What the signs on the cloth mean, and how many there are of each. */
import type { PlanResult } from '../../core/findings/index.ts';
import { knotName, lowerFirst } from '../../core/trade/index.ts';
import { signKey } from '../../formats/signs.ts';
import { Sign } from '../ui/sign.tsx';
import { Telling } from '../ui/telling.tsx';

/** At Check: what is open shows, what is filled does not. */
interface Seen {
  readonly seen: number;
  readonly hooked: number;
  readonly of: number;
  /** What the ringed ones are, and the others. */
  readonly words?: readonly [ringed: string, others: string];
}

export function SeenLegend(props: Seen) {
  const [ringed, others] = props.words ?? ['seen', 'hidden'];
  return (
    <ul className="weave-legend pointer-events-none absolute bottom-2 left-8 grid gap-y-0.25 text-note text-yarn">
      <li className="flex items-center gap-2">
        <svg width="14" height="14" viewBox="-7 -7 14 14" aria-hidden="true">
          <circle r="4.2" fill="none" stroke="var(--light)" strokeWidth="1.8" />
        </svg>
        {ringed} {props.seen}
      </li>
      <li className="flex items-center gap-2">
        <svg width="14" height="14" viewBox="-7 -7 14 14" aria-hidden="true">
          <circle r="4.6" fill="var(--yarn)" />
        </svg>
        {others} {props.hooked - props.seen}
      </li>
      {props.hooked < props.of && <li className="pl-5.5">not hooked yet {props.of - props.hooked}</li>}
    </ul>
  );
}

/** Of so many kinds each has room to be touched. */
const MOST_OPEN = 6;

export function Legend({ result }: { readonly result: PlanResult }) {
  const entries = new Map<string, { knot: PlanResult['knots'][number]; count: number }>();
  for (const knot of result.knots) {
    const entry = entries.get(signKey(knot));
    if (entry) entry.count++;
    else entries.set(signKey(knot), { knot, count: 1 });
  }
  return (
    <ul className="weave-legend pointer-events-none absolute bottom-2 left-8 grid text-note text-yarn">
      {[...entries.values()].map(({ knot, count }) => (
        <li key={signKey(knot)} className="flex min-h-6 items-center gap-2">
          <Sign knot={knot} size={4.8} colour="var(--yarn)" />
          <span className="pointer-events-auto">
            {entries.size <= MOST_OPEN ? <Telling text={lowerFirst(knotName(knot))} /> : lowerFirst(knotName(knot))}{' '}
            {count}
          </span>
        </li>
      ))}
    </ul>
  );
}
