/** What she decides about one knot, a row or a zone, laid on the knots that she means. */
import { distance } from '../../geometry/index.ts';
import { type DirectionDeg, directionOf, type HeadShape, onSurface } from '../../head/index.ts';
import { pieceZoneOf, type SpacingZone } from '../../trade/index.ts';
import { isHooked, type LaidKnot } from '../layout/measure.ts';
import type { KnotOverride } from '../rules/situation.ts';
import type { Laid } from './planned-rows.ts';
import type { WhereContext } from './where.ts';
import { zoneOf } from './zone.ts';

/** Found again by its place, whatever changes elsewhere. */
export interface Override {
  readonly id: string;
  readonly of: { readonly knot: DirectionDeg } | { readonly row: DirectionDeg } | { readonly zone: SpacingZone };
  readonly wish: KnotOverride & { readonly cut?: string };
}

export const MOST_OVERRIDES = 200;

/** What of her overrides holds for one knot. */
export interface Hers {
  readonly wish: KnotOverride;
  readonly cut: string | undefined;
  /** Id of each override that is in it. */
  readonly ids: readonly string[];
}

export interface OverridesLaid {
  of(knot: number): Hers;
  /** Those that met no knot. */
  readonly lost: ReadonlyArray<{ readonly id: string; readonly why: string }>;
}

const NONE: Hers = { wish: {}, cut: undefined, ids: [] };
/** A knot or row is meant when it lies within this share of the spacing of the place told. */
const MEANT_WITHIN = 0.75;

/** A knot's own comes after its row's, a row's after its zone's. @param pitchMm between knots where the zone factor is 1 */
export function layOverrides(
  overrides: readonly Override[],
  shape: HeadShape,
  laid: Laid,
  context: WhereContext,
  pitchMm: number,
): OverridesLaid {
  const hers = new Map<number, { wish: Override['wish']; ids: readonly string[] }>();
  const lost: { id: string; why: string }[] = [];
  const rank = ({ of }: Override) => ('zone' in of ? 0 : 'row' in of ? 1 : 2);
  for (const { id, of, wish } of [...overrides].sort((a, b) => rank(a) - rank(b))) {
    const meant = knotsMeant(of, shape, laid, context, MEANT_WITHIN * pitchMm);
    if (meant.length === 0) lost.push({ id, why: 'there is no knot at that place any more' });
    for (const knot of meant) {
      const old = hers.get(knot);
      hers.set(knot, { wish: { ...old?.wish, ...wish }, ids: [...(old?.ids ?? []), id] });
    }
  }
  return {
    lost,
    of(knot) {
      const found = hers.get(knot);
      if (!found) return NONE;
      const { cut, ...wish } = found.wish;
      return { wish, cut, ids: found.ids };
    },
  };
}

function knotsMeant(
  of: Override['of'],
  shape: HeadShape,
  { rows, knots }: Laid,
  context: WhereContext,
  reachMm: number,
): number[] {
  const all = Array.from(knots.keys());
  if ('zone' in of) {
    return all.filter((i) => pieceZoneOf(zoneOf(knots[i], rows[knots[i].row].besidePart, context)) === of.zone);
  }
  const found = nearestKnot(shape, knots, 'row' in of ? of.row : of.knot, reachMm);
  if (found < 0) return [];
  return 'row' in of ? all.filter((i) => knots[i].row === knots[found].row) : [found];
}

function nearestKnot(shape: HeadShape, knots: readonly LaidKnot[], at: DirectionDeg, reachMm: number): number {
  const place = onSurface(shape, directionOf(at));
  let best = -1;
  let away = reachMm;
  knots.forEach((k, i) => {
    if (!isHooked(k)) return;
    const d = distance([k.xMm, k.yMm, k.zMm], place);
    if (d >= away) return;
    away = d;
    best = i;
  });
  return best;
}
