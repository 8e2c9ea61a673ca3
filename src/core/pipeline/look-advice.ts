/** What is asked of a look now and then: what the guesses leave open, and why a place is covered as it is. */
import { placeWords } from '../base/lines.ts';
import { rowsOver } from '../cover/why.ts';
import { FALL_GUESS_NAMES, type FallGuesses, guessRange as rangeOf } from '../fall/guesses.ts';
import { nearestVertex } from '../geometry/surface-mesh.ts';
import type { Point } from '../head/landmarks.ts';
import { type DirectionDeg, directionDeg, directionOf, onSurface } from '../head/marks.ts';
import type { Worn } from './fall-stages.ts';
import type { PlanInputs } from './inputs.ts';
import type { Atelier } from './look.ts';
import type { GuessRange, LookAsked, WhyHere } from './look-result.ts';

/** What the guesses leave open. */
export function guessRange(atelier: Atelier, asked: LookAsked): GuessRange {
  const guesses = asked.guesses ?? asked.inputs.guesses;
  const at = (change: Partial<FallGuesses>) => atelier.hidden({ ...asked, guesses: { ...guesses, ...change } });
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
  return { all: [at(ends(0)), at(ends(1))], by };
}

/** Id of the piece that is only tried: no id of hers is empty. */
const ONE_MORE = '';

/** What lies over one place, and what a piece more there would do. */
export function whyHere(atelier: Atelier, asked: LookAsked & { readonly at: DirectionDeg }): WhyHere {
  const { inputs, at } = asked;
  const head = atelier.head(inputs);
  const place = onSurface(head.shape, directionOf(at));
  const vertex = nearestVertex(head.mesh, ...place);
  const worn = atelier.worn(asked);
  const prints = atelier.footprints(asked, worn);
  const { rows } = atelier.plan(inputs);
  const { hand } = inputs.rows;
  const room = mostRoom(atelier, inputs, place, worn);
  const more = { ...inputs, rows: { ...inputs.rows, hand: [...hand, { id: ONE_MORE, op: 'add' as const, at: room }] } };
  const withOne = atelier.plan(more);
  const refused = withOne.rowScheme.lostChanges.find((l) => l.id === ONE_MORE)?.why;
  const over = rowsOver(vertex, prints, (i) => worn.knots[i].row);
  return {
    words: placeWords(atelier.ground(inputs), place),
    vertex,
    shows: atelier.showing(asked)[vertex],
    rows: over.map((r) => ({ ...r, label: rows[r.row].label })),
    onePieceMore:
      refused === undefined
        ? {
            at: room,
            shows: atelier.showing({ ...asked, inputs: more })[vertex],
            hiddenShare: atelier.hidden({ ...asked, inputs: more }),
            massG: withOne.load.massG - atelier.plan(inputs).load.massG,
          }
        : { refused },
  };
}

/** The place within half a gap that lies furthest from all knots: between bricks, not on them. */
function mostRoom(atelier: Atelier, inputs: PlanInputs, place: Point, { roots }: Worn): DirectionDeg {
  const { mesh } = atelier.head(inputs);
  const p = mesh.positionsMm;
  const reach = 0.5 * atelier.plan(inputs).spacing.mm.gapMm;
  let best = place;
  let most = Number.NEGATIVE_INFINITY;
  for (let v = 0; v < mesh.vertexCount; v++) {
    const away = (p[3 * v] - place[0]) ** 2 + (p[3 * v + 1] - place[1]) ** 2 + (p[3 * v + 2] - place[2]) ** 2;
    if (away > reach * reach) continue;
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
