/** What the knots of a plan add up to: packs, weight, anchors, hours, and the order of work. */
import { anchorSteps, cutAfterKnot } from '../../cap/index.ts';
import { worklist } from '../../install/index.ts';
import { weigh } from '../../load/index.ts';
import { demandsOf, planSupply } from '../../supply/index.ts';
import { estimateTime } from '../../time/index.ts';
import { PACE_FACTOR } from '../../trade/index.ts';
import { base, baseWork } from './base.ts';
import { cap, opening } from './cap.ts';
import { knots, laid, plannedRows, under } from './knots.ts';
import { pieces } from './pieces.ts';
import { stage } from './stage.ts';

export const demands = stage(
  'demands',
  ({ inputs, of }) => ({ cuts: inputs.cuts, knots: of(knots), pieces: of(pieces) }),
  ({ cuts, knots: decided, pieces: hooked }) => demandsOf(cuts, decided.knots, hooked),
);

export const supply = stage(
  'supply',
  ({ inputs, of }) => ({ products: inputs.products, demands: of(demands), reserveShare: inputs.reserveShare }),
  ({ products, demands: wanted, reserveShare }) => planSupply(products, wanted, reserveShare),
);

export const load = stage(
  'load',
  ({ of }) => ({ knots: of(knots), laid: of(laid), under: of(under), base: of(base), cap: of(cap) }),
  ({ knots: { knots: decided }, laid: all, under: vertices, base: sectioned, cap: net }) => {
    const kept = vertices.filter((_, i) => all.knots[i].hand !== 'removed');
    // Laid knots lie row by row from her left, decided ones in the order of work.
    const inRowOrder = [...decided].sort((a, b) => a.row - b.row || a.place - b.place);
    return weigh(
      kept,
      inRowOrder.map((k) => k.massG),
      (i) => inRowOrder[i].through === 'hair',
      sectioned,
      net,
    );
  },
);

export const anchors = stage(
  'anchors',
  ({ inputs, of }) => ({ cap: inputs.cap, knots: of(knots) }),
  ({ cap: told, knots: { knots: decided } }) => {
    const held = decided.flatMap((k, i) => (k.anchorPlace ? [{ id: k.id, place: k.anchorPlace, number: i + 1 }] : []));
    const steps = anchorSteps(told, held);
    return { steps, cutAfterKnot: cutAfterKnot(steps) };
  },
);

export const time = stage(
  'time',
  ({ inputs, of }) => ({
    baseMinutes: of(baseWork).minutes,
    capMinutes: of(cap).minutes,
    demands: of(demands),
    knots: of(knots),
    pace: inputs.pace,
    // Prepared as each comes, it is in the seconds of its knot.
    preparedAtOnce: inputs.schools.prepare !== 'pieceByPiece',
  }),
  (d) => {
    const minutes = (of: 'secondsBefore' | 'secondsAfter') =>
      d.demands.reduce((sum, { knots: count, piece }) => sum + count * piece[of], 0) / 60;
    return estimateTime(
      {
        base: d.baseMinutes,
        cap: d.capMinutes,
        prepare: d.preparedAtOnce ? minutes('secondsBefore') : 0,
        after: minutes('secondsAfter'),
      },
      d.knots.knots.reduce((sum, k) => sum + k.seconds, 0),
      d.pace,
    );
  },
);

export const work = stage(
  'work',
  ({ inputs, of }) => ({
    cap: inputs.cap,
    knotsToCloseTop: of(cap).knotsToCloseTop,
    opening: of(opening).onHead,
    anchors: of(anchors),
    cuts: inputs.cuts,
    pieces: of(pieces),
    rowChoice: inputs.rows,
    hasPart: inputs.part.kind === 'line',
    schools: inputs.schools,
    rows: of(plannedRows),
    knots: of(knots),
    pace: inputs.pace,
    fingerMm: inputs.fingerMm,
  }),
  ({ anchors: { steps, cutAfterKnot: cutAfter }, knots: { knots: decided }, pace, ...told }) =>
    worklist({ ...told, anchors: steps, cutAfterKnot: cutAfter, knots: decided, paceFactor: PACE_FACTOR[pace] }),
);
