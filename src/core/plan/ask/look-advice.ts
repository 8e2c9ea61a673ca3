/** What is asked of a look now and then: what the guesses leave open, and why a place is covered as it is. */
import { placeWords } from '../../base/index.ts';
import { rowsOver } from '../../cover/index.ts';
import type { Root } from '../../fall/index.ts';
import { nearestVertex, type SurfaceMesh } from '../../geometry/index.ts';
import { type DirectionDeg, directionDeg, directionOf, onSurface, type Point } from '../../head/index.ts';
import { FALL_GUESS_NAMES, type FallGuesses, guessRange as rangeOf } from '../../trade/index.ts';
import type { PlanInputs } from '../inputs.ts';
import { hidden } from '../look.ts';
import type { GuessRange, LookAsked, WhyHere } from '../look-result.ts';
import { baseContext } from '../stages/base.ts';
import { prints, shows, worn, wornKnots } from '../stages/fall.ts';
import { head } from '../stages/head.ts';
import { layout, plannedRows } from '../stages/knots.ts';
import { spacing } from '../stages/spacing.ts';
import type { PlanGraph } from '../stages/stage.ts';
import { load } from '../stages/totals.ts';

/** What the guesses leave open. */
export function guessRange(graph: PlanGraph, asked: LookAsked): GuessRange {
  const guesses = asked.guesses ?? asked.inputs.guesses;
  const at = (change: Partial<FallGuesses>) => graph.ask({ ...asked, guesses: { ...guesses, ...change } }).of(hidden);
  const ends = (end: 0 | 1) =>
    Object.fromEntries(FALL_GUESS_NAMES.map((g) => [g, rangeOf(g, guesses[g])[end]])) as unknown as FallGuesses;
  const by = Object.fromEntries(
    FALL_GUESS_NAMES.map((g) => {
      // How loosely hair lies moves the outline, not the cover.
      if (g === 'loft') return [g, [0, 0]];
      const two = rangeOf(g, guesses[g]).map((v) => at({ [g]: v }));
      return [g, [Math.min(...two), Math.max(...two)]];
    }),
  ) as unknown as GuessRange['by'];
  // Where nearly all is hidden, a guess that covers less may leave a hair more: low stands before high all the same.
  const all = [at(ends(0)), at(ends(1))];
  return { all: [Math.min(...all), Math.max(...all)], by };
}

/** Id of the piece that is only tried: no id of hers is empty. */
const ONE_MORE = '';
/** A piece more goes within this share of a gap of the place asked about. */
const ROOM_WITHIN = 0.5;

/** What lies over one place, and what a piece more there would do. */
export function whyHere(graph: PlanGraph, asked: LookAsked & { readonly at: DirectionDeg }): WhyHere {
  const { inputs, at } = asked;
  const now = graph.ask(asked);
  const { shape, mesh } = now.of(head);
  const place = onSurface(shape, directionOf(at));
  const vertex = nearestVertex(mesh, ...place);
  const hanging = now.of(wornKnots);
  const rows = now.of(plannedRows);
  const over = rowsOver(vertex, now.of(prints).prints, (i) => hanging[i].row);
  const room = mostRoom(mesh, place, now.of(worn).roots, ROOM_WITHIN * now.of(spacing).mm.gapMm);
  return {
    words: placeWords(now.of(baseContext), place),
    vertex,
    shows: now.of(shows)[vertex],
    rows: over.map((r) => ({ ...r, label: rows[r.row].label })),
    onePieceMore: onePieceMore(graph, asked, inputs, room, vertex),
  };
}

function onePieceMore(
  graph: PlanGraph,
  asked: LookAsked,
  inputs: PlanInputs,
  room: DirectionDeg,
  vertex: number,
): WhyHere['onePieceMore'] {
  const hand = [...inputs.rows.hand, { id: ONE_MORE, op: 'add' as const, at: room }];
  const more = graph.ask({ ...asked, inputs: { ...inputs, rows: { ...inputs.rows, hand } } });
  const refused = more.of(layout).lost.find((l) => l.id === ONE_MORE)?.why;
  if (refused !== undefined) return { refused };
  return {
    at: room,
    shows: more.of(shows)[vertex],
    hiddenShare: more.of(hidden),
    massG: more.of(load).massG - graph.ask(asked).of(load).massG,
  };
}

/** The place within reach that lies furthest from all knots: between bricks, not on them. */
function mostRoom({ positionsMm: p, vertexCount }: SurfaceMesh, place: Point, roots: readonly Root[], reachMm: number) {
  let best = place;
  let most = Number.NEGATIVE_INFINITY;
  for (let v = 0; v < vertexCount; v++) {
    const away = (p[3 * v] - place[0]) ** 2 + (p[3 * v + 1] - place[1]) ** 2 + (p[3 * v + 2] - place[2]) ** 2;
    if (away > reachMm * reachMm) continue;
    let nearest = Number.POSITIVE_INFINITY;
    for (const r of roots)
      nearest = Math.min(nearest, (p[3 * v] - r.xMm) ** 2 + (p[3 * v + 1] - r.yMm) ** 2 + (p[3 * v + 2] - r.zMm) ** 2);
    if (nearest > most) {
      most = nearest;
      best = [p[3 * v], p[3 * v + 1], p[3 * v + 2]];
    }
  }
  return directionDeg(best);
}
