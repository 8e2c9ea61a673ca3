/** Hours by what is done: each kind of knot for itself, and by where they are. They add up to what the plan tells. */
import { wholeMinutes } from '../../time/index.ts';
import { KNOT_ZONE_WORDS, type KnotZone, knotsCounted, likelyAround } from '../../trade/index.ts';
import type { Plan } from '../result.ts';

export interface HoursLine {
  readonly key: string;
  readonly name: string;
  readonly minutes: number;
  readonly range: readonly [low: number, high: number];
}

/** @returns nothing that takes no time */
export function hoursBy(plan: Pick<Plan, 'time' | 'knots' | 'worklist' | 'ownRow'>, knotsTimed = 0) {
  const { time } = plan;
  const line = (key: string, name: string, minutes: number): HoursLine => ({
    key,
    name,
    minutes,
    range: likelyAround(minutes, { knotsTimed, paceSd: time.paceSd }),
  });
  return {
    steps: [
      line('base', 'the base', time.baseMinutes),
      line('cap', 'cap, border, part and anchors', time.capMinutes),
      line('prepare', 'hair made ready', time.prepareMinutes),
      line('knots', `${plan.knots.length} knots`, time.knotMinutes),
      line('finish', 'opened, smoothed, separated, trimmed', time.finishMinutes),
    ].filter((l) => l.minutes > 0),
    kinds: shared(
      plan,
      (k) => `${k.kind} ${k.wraps} ${k.lock}`,
      (of) => knotsCounted(of.length, of[0]),
      line,
    ),
    zones: shared(
      plan,
      (k) => k.zone,
      (of) => KNOT_ZONE_WORDS[of[0].zone as KnotZone],
      line,
    ),
  };
}

type Knots = Plan['knots'];

/** Minutes of the knots, by what they have in common. */
function shared(
  { knots, time }: Pick<Plan, 'knots' | 'time'>,
  keyOf: (knot: Knots[number]) => string,
  nameOf: (knots: Knots) => string,
  line: (key: string, name: string, minutes: number) => HoursLine,
): HoursLine[] {
  const groups = new Map<string, Array<Knots[number]>>();
  for (const knot of knots) {
    const key = keyOf(knot);
    const group = groups.get(key);
    if (group) group.push(knot);
    else groups.set(key, [knot]);
  }
  const all = knots.reduce((sum, k) => sum + k.seconds, 0);
  const minutes = wholeMinutes(
    [...groups.values()].map((g) =>
      all > 0 ? (time.knotMinutes * g.reduce((sum, k) => sum + k.seconds, 0)) / all : 0,
    ),
  );
  return [...groups].map(([key, g], i) => line(key, nameOf(g), minutes[i])).sort((a, b) => b.minutes - a.minutes);
}
