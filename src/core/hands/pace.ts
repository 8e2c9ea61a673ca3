/** How quick she is, by kind of knot, by place and by how long she has been at it: learned from knots that were timed. */
import { exp, log } from '../numerics/index.ts';
import {
  KIND_DIFFERS,
  KNOT_KINDS,
  KNOT_SPREAD,
  KNOT_ZONES,
  type KnotKind,
  type KnotZone,
  MOST_HOURS_ON,
  PACE_FACTOR,
  type Pace,
  PEOPLE_VARIANCE,
  PERSON_SHARE,
  PHONE_CALL,
  PLACE_DIFFERS,
  TIRES_AN_HOUR,
} from '../trade/index.ts';
import type { PaceInPlan } from './at-her-pace.ts';
import { type Learned, learn, type Observation, type Posterior, type Prior, spreadOf, toldOf } from './mixed.ts';

/** Knots that were timed together. */
export interface TimedKnots {
  readonly kind: KnotKind;
  readonly zone: KnotZone;
  /** How many, what they took, and what common practice tells for them, s. */
  readonly knots: number;
  readonly seconds: number;
  readonly plainSeconds: number;
  /** At work since the last long rest, h. */
  readonly hoursOn: number;
}

/** The same of a whole style, column by column: forty thousand of them are kept and handed over in no time. */
export interface TimedColumns {
  /** Indexes into the kinds and the zones. */
  readonly kind: Uint8Array;
  readonly zone: Uint8Array;
  readonly knots: Uint16Array;
  readonly seconds: Float32Array;
  readonly plainSeconds: Float32Array;
  readonly hoursOn: Float32Array;
}

export const inColumns = (timed: readonly TimedKnots[]): TimedColumns => ({
  kind: Uint8Array.from(timed, (t) => KNOT_KINDS.indexOf(t.kind)),
  zone: Uint8Array.from(timed, (t) => KNOT_ZONES.indexOf(t.zone)),
  knots: Uint16Array.from(timed, (t) => t.knots),
  seconds: Float32Array.from(timed, (t) => t.seconds),
  plainSeconds: Float32Array.from(timed, (t) => t.plainSeconds),
  hoursOn: Float32Array.from(timed, (t) => t.hoursOn),
});

/** What is no kind or zone that is known by now is left out. */
export function fromColumns(c: TimedColumns): TimedKnots[] {
  return Array.from(c.kind, (k, i) => ({
    kind: KNOT_KINDS[k],
    zone: KNOT_ZONES[c.zone[i]],
    knots: c.knots[i],
    seconds: c.seconds[i],
    plainSeconds: c.plainSeconds[i],
    hoursOn: c.hoursOn[i],
  })).filter((t) => t.kind !== undefined && t.zone !== undefined);
}

/** Her seconds over those of common practice. */
export interface PaceOfHers {
  readonly knots: number;
  readonly styles: number;
  readonly all: Learned;
  readonly byKind: Readonly<Partial<Record<KnotKind, PaceOfKind>>>;
  readonly byZone: Readonly<Partial<Record<KnotZone, PaceOfKind>>>;
  /** Slower by so much an hour, as a logarithm. */
  readonly tires: Learned;
  /** Of a style that is still to come. */
  readonly anew: Learned;
  /** One knot against the next, standard deviation of the logarithm. */
  readonly uneven: number;
}

export interface PaceOfKind extends Learned {
  readonly knots: number;
  /** What common practice tells for one of these on the whole, s. */
  readonly plainSeconds: number;
}

/** What a person and a style differ by: together as much as people do. */
const PERSON_SD = Math.sqrt(PERSON_SHARE * PEOPLE_VARIANCE);
const STYLE_SD = Math.sqrt((1 - PERSON_SHARE) * PEOPLE_VARIANCE);
/** Knots that the guess of how uneven hands are is worth (guess). */
const SPREAD_KNOWN = 20;

const kindAt = (kind: KnotKind) => 1 + KNOT_KINDS.indexOf(kind);
const zoneAt = (zone: KnotZone) => 1 + KNOT_KINDS.length + KNOT_ZONES.indexOf(zone);
const TIRED = 1 + KNOT_KINDS.length + KNOT_ZONES.length;

/** Before anything is known of her: what she says of herself, and how people differ. */
export function pacePrior(said: Pace): Prior {
  const mean = new Float64Array(TIRED + 1);
  const sd = new Float64Array(TIRED + 1).fill(KIND_DIFFERS);
  mean[0] = log(PACE_FACTOR[said]);
  sd[0] = PERSON_SD;
  for (const zone of KNOT_ZONES) sd[zoneAt(zone)] = PLACE_DIFFERS;
  mean[TIRED] = TIRES_AN_HOUR.usual;
  sd[TIRED] = TIRES_AN_HOUR.sd;
  return { mean, sd, styleSd: STYLE_SD, spread: KNOT_SPREAD, spreadKnown: SPREAD_KNOWN };
}

/** The effects that knots of a kind at a place have after so many hours. */
export const paceEffects = (kind: KnotKind, zone: KnotZone, hoursOn: number): Observation['effects'] => [
  [0, 1],
  [kindAt(kind), 1],
  [zoneAt(zone), 1],
  [TIRED, Math.min(MOST_HOURS_ON, hoursOn)],
];

function observed({ kind, zone, knots, seconds, plainSeconds, hoursOn }: TimedKnots): Observation[] {
  if (seconds <= 0 || plainSeconds <= 0 || seconds > PHONE_CALL * plainSeconds) return [];
  // Seconds that are told are a mean: half of all knots are quicker than that. Of many together that evens out.
  const y = log(seconds / plainSeconds) + KNOT_SPREAD ** 2 / 2 / knots;
  return [{ y, effects: paceEffects(kind, zone, hoursOn), of: knots }];
}

export const paceFrom = (styles: ReadonlyArray<readonly TimedKnots[]>, said: Pace): Posterior =>
  learn(
    pacePrior(said),
    styles.map((style) => style.flatMap(observed)),
  );

/** @param said how practised she says she is @returns undefined where nothing of hers was timed */
export function paceLearned(styles: ReadonlyArray<readonly TimedKnots[]>, said: Pace): PaceOfHers | undefined {
  const timed = styles.filter((s) => s.length > 0);
  const posterior = paceFrom(timed, said);
  if (posterior.observations === 0) return undefined;
  const all = timed.flat();
  const asFactor = (l: Learned): Learned => ({ middle: exp(l.middle), low: exp(l.low), high: exp(l.high), sd: l.sd });
  const of = <K extends string>(each: readonly K[], is: (t: TimedKnots) => K, at: (k: K) => number) =>
    Object.fromEntries(
      each.flatMap((k) => {
        const [knots, plain] = sums(all.filter((t) => is(t) === k));
        if (knots === 0) return [];
        const told = toldOf(posterior, [
          [0, 1],
          [at(k), 1],
        ]);
        return [[k, { ...asFactor(told), knots, plainSeconds: plain / knots }]];
      }),
    ) as Partial<Record<K, PaceOfKind>>;
  return {
    knots: sums(all)[0],
    styles: timed.length,
    all: asFactor(toldOf(posterior, [[0, 1]])),
    byKind: of(KNOT_KINDS, (t) => t.kind, kindAt),
    byZone: of(KNOT_ZONES, (t) => t.zone, zoneAt),
    tires: toldOf(posterior, [[TIRED, 1]]),
    anew: asFactor(toldOf(posterior, [[0, 1]], true)),
    uneven: spreadOf(posterior),
  };
}

const sums = (timed: readonly TimedKnots[]) =>
  timed.reduce(([knots, plain], t) => [knots + t.knots, plain + t.plainSeconds], [0, 0]);

const rounded = (v: number) => Math.round(1000 * v) / 1000;

/** Kinds and places as factors beside the one of all. */
export function paceInPlan(pace: PaceOfHers): PaceInPlan {
  const beside = <K extends string>(of: Readonly<Partial<Record<K, PaceOfKind>>>) =>
    Object.fromEntries(
      Object.entries(of).map(([k, l]) => [k, rounded((l as PaceOfKind).middle / pace.all.middle)]),
    ) as Partial<Record<K, number>>;
  return {
    knots: pace.knots,
    styles: pace.styles,
    factor: rounded(pace.all.middle),
    byKind: beside(pace.byKind),
    byZone: beside(pace.byZone),
    tiresAnHour: rounded(Math.max(0, pace.tires.middle)),
    sd: rounded(pace.anew.sd),
  };
}
