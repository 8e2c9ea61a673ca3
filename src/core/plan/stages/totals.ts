/** What the knots of a plan add up to: packs, weight, anchors, hours, and the order of work. */
import { anchorSteps, cutAfterKnot } from '../../cap/index.ts';
import { colourIds, nameOfColour } from '../../colours/index.ts';
import { secondPart } from '../../head/index.ts';
import { GROUP_OF, worklist } from '../../install/index.ts';
import { intoFigures, weigh } from '../../load/index.ts';
import {
  ANY_HANDS,
  demandsOf,
  type Hands,
  handsAfter,
  handsLogged,
  planSupply,
  productsInColours,
} from '../../supply/index.ts';
import { estimateTime, takedownMinutes, wholeMinutes } from '../../time/index.ts';
import { isWorn, PACE_FACTOR, type Pace } from '../../trade/index.ts';
import type { PlanInputs } from '../inputs.ts';
import { base, baseWork } from './base.ts';
import { cap, opening } from './cap.ts';
import { head } from './head.ts';
import { knots, plannedRows } from './knots.ts';
import { pieces } from './pieces.ts';
import { spacing } from './spacing.ts';
import { stage } from './stage.ts';

export const demands = stage(
  'demands',
  ({ inputs, of }) => ({ cuts: inputs.cuts, knots: of(knots), pieces: of(pieces), strands: inputs.strands }),
  ({ cuts, knots: decided, pieces: hooked, strands }) =>
    demandsOf(cuts, [...decided.knots, ...strands.flatMap(({ cut, count }) => new Array(count).fill({ cut }))], hooked),
);

/** How close her hands place, against the gap of the top. */
export const hands = stage(
  'hands',
  ({ inputs, of }) => ({
    logged: inputs.logged,
    ...(inputs.testRow
      ? { row: inputs.testRow, plannedMm: of(spacing).centresMm.top }
      : { row: undefined, plannedMm: 0 }),
  }),
  ({ logged, row, plannedMm }): Hands => {
    const known = logged ? handsLogged(logged) : ANY_HANDS;
    return row ? handsAfter(row, plannedMm, known) : known;
  },
);

/** What packs there are to buy: each product in each of its colours. */
export const packsInColours = stage(
  'packsInColours',
  ({ inputs, of }) => ({
    products: inputs.products,
    more: inputs.colours.more,
    main: of(knots).mix?.mainProduct,
  }),
  ({ products, more, main }) => productsInColours(products, { more }, main),
);

export const supply = stage(
  'supply',
  ({ inputs, of }) => ({
    packs: of(packsInColours),
    demands: of(demands),
    reserveShare: inputs.reserveShare,
    hands: of(hands),
  }),
  ({ packs, demands: wanted, reserveShare, hands: hers }) => planSupply(packs, wanted, reserveShare, hers),
);

export const load = stage(
  'load',
  ({ inputs, of }) => ({
    knots: of(knots),
    base: of(base),
    cap: of(cap),
    strands: inputs.strands,
    pieces: inputs.strands.length > 0 ? of(pieces) : undefined,
    worn: isWorn(inputs.madeFor),
  }),
  ({ knots: { knots: decided }, base: sectioned, cap: net, strands, pieces: hooked, worn }) => {
    const load = weigh(
      decided.map((k) => k.section),
      decided.map((k) => k.massG),
      (i) => decided[i].through === 'hair' || decided[i].into !== undefined,
      sectioned,
      net,
      strands.reduce((sum, s) => sum + s.count * (hooked?.get(s.cut)?.massG ?? 0), 0),
    );
    // On a form nothing bears it.
    return worn ? load : { ...load, sections: [] };
  },
);

/** What goes into the base, section by section. */
export const intoLoad = stage(
  'intoLoad',
  ({ inputs, of }) =>
    inputs.rows.intoBase.length === 0
      ? {}
      : {
          entries: inputs.rows.intoBase,
          knots: of(knots),
          rows: of(plannedRows),
          pieces: of(pieces),
          base: of(base),
        },
  ({ entries = [], knots: decided, rows, pieces: hooked, base: sectioned }) => {
    const into = (decided?.knots ?? []).flatMap(({ row, into: way, cut, section }) => {
      const piece = hooked?.get(cut);
      const entry = rows?.[row].entry;
      return way && entry && piece ? [{ entry, way, section, piece }] : [];
    });
    return intoFigures(entries, sectioned?.sections ?? [], into);
  },
);

export const anchors = stage(
  'anchors',
  ({ inputs, of }) => ({ cap: inputs.cap, knots: of(knots), head: of(head), worn: isWorn(inputs.madeFor) }),
  ({ cap: told, knots: { knots: decided }, head: hers, worn }) => {
    if (!worn) return { steps: [], cutAfterKnot: 0 };
    const held = decided.flatMap((k, i) => (k.anchorPlace ? [{ id: k.id, place: k.anchorPlace, number: i + 1 }] : []));
    const steps = anchorSteps(told, held, hers);
    return { steps, cutAfterKnot: cutAfterKnot(steps) };
  },
);

/** Names of the colours that are mixed. */
function namesOf({
  colours: { more },
  products,
}: Pick<PlanInputs, 'colours' | 'products'>): ReadonlyMap<string, string> {
  if (more.length === 0) return new Map();
  return new Map(colourIds({ more }).map((id) => [id, nameOfColour({ more }, products[0].colours[0], id)]));
}

/** Steps of the list as they are made, before they are timed. */
const steps = stage(
  'steps',
  ({ inputs, of }) => ({
    cap: inputs.cap,
    knotsToCloseTop: of(cap).knotsToCloseTop,
    opening: of(opening).onHead,
    anchors: of(anchors),
    cuts: inputs.cuts,
    pieces: of(pieces),
    rowChoice: inputs.rows,
    outline: inputs.finish.outline,
    setMinutes: inputs.finish.setMinutes,
    leftOut: inputs.base.leftOut,
    strands: inputs.strands,
    hasPart: inputs.part.kind === 'line',
    parting: { two: secondPart(inputs.part, inputs.parting) !== undefined, onlyWorn: inputs.parting.onlyWorn },
    isWorn: isWorn(inputs.madeFor),
    schools: inputs.schools,
    rows: of(plannedRows),
    knots: of(knots),
    fingerMm: inputs.fingerMm,
    colourNames: namesOf(inputs),
  }),
  ({ anchors: { steps: held, cutAfterKnot: cutAfter }, knots: { knots: decided }, ...told }) =>
    worklist({ ...told, anchors: held, cutAfterKnot: cutAfter, knots: decided }),
);

/** What common practice tells for the same work: knots by their own seconds, the rest by the one factor of all. */
function plainMinutes(
  all: ReadonlyArray<{ readonly seconds: number; readonly plainSeconds: number }>,
  minutes: readonly number[],
  factor: number,
  said: Pace,
): number {
  const hers = all.reduce((sum, k) => sum + k.seconds, 0) / 60;
  const plain = all.reduce((sum, k) => sum + k.plainSeconds, 0) / 60;
  const rest = minutes.reduce((sum, m) => sum + m, 0) - hers;
  return Math.round(PACE_FACTOR[said] * (plain + rest / factor));
}

/** Base and list at her pace, in whole minutes that add up to the one total there is. */
export const schedule = stage(
  'schedule',
  ({ inputs, of }) => ({
    base: of(baseWork).work,
    bands: of(base).sections,
    steps: of(steps),
    knots: of(knots),
    hasCap: inputs.cap.dome !== 'none',
    pace: inputs.pace,
    hers: inputs.ownPace,
    knotsTimed: inputs.testRow?.pieces ?? 0,
  }),
  ({ base: baseSteps, bands, steps: list, knots: { knots: decided }, hasCap, pace, hers, knotsTimed }) => {
    const factor = hers?.factor ?? PACE_FACTOR[pace];
    // Knots are told at her pace already.
    const whole = wholeMinutes([
      ...baseSteps.map((s) => factor * s.minutes),
      ...list.map((s) => (s.knots ? s.minutes : factor * s.minutes)),
    ]);
    const timedBase = baseSteps.map((s, i) => ({ ...s, minutes: whole[i] }));
    const timed = list.map((s, i) => ({ ...s, minutes: whole[baseSteps.length + i] }));
    const takedown = takedownMinutes(
      decided,
      bands.reduce((sum, s) => sum + s.bands, 0),
      hasCap,
    );
    return {
      base: timedBase,
      list: timed,
      time: estimateTime(
        timedBase.map((s) => s.minutes),
        timed.map((s) => ({ group: GROUP_OF[s.kind], minutes: s.minutes, waitMinutes: s.waitMinutes })),
        factor * takedown,
        { knotsTimed, paceSd: hers?.sd, plainMinutes: hers && plainMinutes(decided, whole, hers.factor, pace) },
      ),
    };
  },
);
