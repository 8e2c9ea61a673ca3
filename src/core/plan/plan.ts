/** The whole plan: what every stage says, as plain values. Throws RangeError where an input is outside what its stage can take. */
import { spacingsOnForm } from '../cap/index.ts';
import { type HookedPiece, mainCut } from '../hair/index.ts';
import { directionOf, type HeadShape, hairlinePoints, onSurface, type Point, standings } from '../head/index.ts';
import type { ToldStep } from '../install/index.ts';
import type { PlannedRow } from '../knots/index.ts';
import { type HandChange, tieOf } from '../rows/index.ts';
import type { BorderFigures, Plan } from './result.ts';
import { base, baseWork, masks, ownHair } from './stages/base.ts';
import { cap, combs, opening, openingLine } from './stages/cap.ts';
import { head } from './stages/head.ts';
import { knots, layout, paceOfHers, plannedRows } from './stages/knots.ts';
import { partLine } from './stages/part.ts';
import { pieces } from './stages/pieces.ts';
import { field, rows, there } from './stages/rows.ts';
import { borderSpacing, spacing } from './stages/spacing.ts';
import { stage } from './stages/stage.ts';
import { anchors, hands, intoLoad, load, schedule, supply } from './stages/totals.ts';

const headTold = stage(
  'headTold',
  ({ of }) => ({ head: of(head), marks: of(masks) }),
  ({ head: { fit, areaMm2, mark, shape, mesh, line, girthMm }, marks }): Plan['head'] => ({
    fit,
    areaMm2,
    landmarks: mark,
    sizeMm: shape.sizeMm,
    meshVertices: mesh.vertexCount,
    hairlinePoints: hairlinePoints(shape, line),
    // While nothing is measured nothing is ranked.
    standings: fit.measures.some((m) => m.givenMm !== undefined) ? standings(shape, girthMm) : [],
    marks,
  }),
);

const baseTold = stage(
  'baseTold',
  ({ of }) => ({ base: of(base), work: of(baseWork) }),
  ({ base: laid, work: worked }): Plan['base'] => ({
    sections: laid.sections,
    sectionOf: laid.map.labels,
    lines: worked.lines,
    bumps: { ...laid.bumps, heightMm: Float32Array.from(laid.bumps.heightMm) },
    lostEdits: laid.lostEdits,
    work: worked.work,
    consumables: worked.consumables,
    tieMoves: worked.tieMoves,
    // At her pace it is told with everything else that takes time.
    minutes: worked.minutes,
  }),
);

const capTold = stage(
  'capTold',
  ({ inputs, of }) => ({
    cap: of(cap),
    opening: of(opening).onHead,
    line: of(openingLine),
    anchors: of(anchors),
    centresMm: of(spacing).centresMm,
    fingerMm: inputs.fingerMm,
    combsMm: of(combs).hers,
  }),
  ({ cap: fitted, opening: onHead, line, anchors: held, centresMm, fingerMm, combsMm }): Plan['cap'] => ({
    ...fitted,
    opening: { ...onHead, lineMm: line.lineMm },
    anchors: held.steps,
    combsMm,
    cutAfterKnot: held.cutAfterKnot,
    onForm: { ...fitted.onForm, spacing: spacingsOnForm(centresMm, fitted, fingerMm) },
  }),
);

const rowsTold = stage(
  'rowsTold',
  ({ inputs, of }) => ({
    shape: of(head).shape,
    rows: of(rows),
    layout: of(layout),
    mismatch: of(field).mismatch,
    lostWishes: of(knots).lostWishes,
    hand: inputs.rows.hand,
  }),
  ({ shape, rows: laid, layout: { thinnedOut, brickScore, lost }, mismatch, lostWishes, hand }): Plan['rowScheme'] => ({
    wholeRows: laid.wholeRows,
    insertedRows: laid.insertedRows,
    shortenedRows: laid.shortenedRows,
    thinnedOutKnots: thinnedOut,
    droppedPieces: laid.droppedPieces,
    mismatch,
    brickScore,
    lostChanges: lost.map((l) => ({ ...l, atMm: placeOf(shape, hand, l.id) })),
    lostWishes,
    cannotLay: laid.cannotLay,
  }),
);

/** Where on her head a change by hand was made. */
function placeOf(shape: HeadShape, hand: readonly HandChange[], id: string): Point {
  const change = hand.find((h) => h.id === id) as HandChange;
  const at = change.op === 'lock' ? change.line[change.line.length >> 1] : change.at;
  return onSurface(shape, directionOf(at));
}

const thereTold = stage(
  'thereTold',
  ({ inputs, of }) => ({ lines: of(there), off: inputs.rows.off }),
  ({ lines, off }): Plan['linesThere'] =>
    lines.map((l) => ({ ...l, isOn: !off.includes(l.id), pointsMm: Float32Array.from(l.pointsMm) })),
);

/** A puff is braced and a tie wrapped where most of her hair is tied, a top closed at the crown. */
const strandsTold = stage(
  'strandsTold',
  ({ inputs, of }) => ({ strands: inputs.strands, family: inputs.base.family, base: of(base), head: of(head) }),
  ({ strands, family, base: laid, head: { mark } }): Plan['strands'] => {
    const tie = tieOf(mark.crown, family, laid).at;
    return strands.map((s) => ({ ...s, atMm: s.job === 'closeTop' ? mark.crown : tie }));
  },
);

function borderFigures(
  all: readonly PlannedRow[],
  knotCount: number,
  list: readonly ToldStep[],
  centresMm: number,
): BorderFigures | undefined {
  const along = all.filter((r) => r.kind === 'border');
  const count = along.reduce((sum, r) => sum + r.knotCount, 0);
  if (count === 0) return undefined;
  const minutes = list
    .filter((s) => along.some((r) => s.knots?.[0] === r.firstKnot))
    .reduce((sum, s) => sum + s.minutes, 0);
  return { knots: count, share: count / knotCount, centresMm, minutes };
}

export const plan = stage(
  'plan',
  ({ inputs, of }) => ({
    head: of(headTold),
    ownHair: of(ownHair),
    base: of(baseTold),
    cap: of(capTold),
    part: of(partLine),
    spacing: of(spacing),
    rowScheme: of(rowsTold),
    linesThere: of(thereTold),
    strands: of(strandsTold),
    rows: of(plannedRows),
    knots: of(knots),
    pieces: of(pieces),
    mainCut: mainCut(inputs).id,
    schedule: of(schedule),
    borderMm: of(borderSpacing),
    intoBase: of(intoLoad),
    supply: of(supply),
    ownRow: inputs.testRow || inputs.logged ? { hands: of(hands), pace: of(paceOfHers) } : undefined,
    load: of(load),
  }),
  ({
    part,
    knots: decided,
    pieces: hooked,
    mainCut: main,
    base: laid,
    schedule: { base: work, list, time },
    borderMm,
    ...told
  }): Plan => ({
    ...told,
    base: { ...laid, work, minutes: time.baseMinutes },
    worklist: list,
    borderRow: borderFigures(told.rows, decided.knots.length, list, borderMm),
    time,
    part: {
      ...part,
      pointsMm: Float32Array.from(part.pointsMm),
      second: part.second && { ...part.second, pointsMm: Float32Array.from(part.second.pointsMm) },
    },
    knots: decided.knots,
    mix: decided.mix,
    piece: hooked.get(main) as HookedPiece,
    pieces: [...hooked.values()],
  }),
);
