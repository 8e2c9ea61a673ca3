/** Knots laid along the rows in bricks, changed by hand, and decided one by one. */
import { LUMP_MM } from '../../base/index.ts';
import { netAt, waitsForOpening } from '../../cap/index.ts';
import { verticesUnder } from '../../geometry/index.ts';
import {
  changeByHand,
  decideKnots,
  inOrderOfWork,
  inPasses,
  type Laid,
  layKnots,
  planRows,
  turnedKnots,
} from '../../knots/index.ts';
import { turnedRows } from '../../rows/index.ts';
import { MOST_KNOTS } from '../../trade/index.ts';
import { base, masks } from './base.ts';
import { opening } from './cap.ts';
import { head, rowsHead, side } from './head.ts';
import { partLine, rowsPart } from './part.ts';
import { counted, faceEdge, fromClosed, hand, rows, spacingFactor } from './rows.ts';
import { stage } from './stage.ts';

/** Knots in bricks, before anything is changed by hand. */
const bricks = stage(
  'bricks',
  ({ of }) => ({
    mesh: of(rowsHead).mesh,
    // The result itself: what lies inside it would be compared number by number.
    rows: of(rows),
    spacingFactor: of(spacingFactor),
    faceEdge: of(faceEdge),
    counted: of(counted),
  }),
  ({ mesh, rows: { rows: laid }, spacingFactor: factor, faceEdge: edge, counted: { plain, spacing } }) => {
    const layout =
      plain?.plan.rows === laid
        ? plain.layout
        : layKnots(mesh, laid, { spacingFactor: factor, faceEdge: edge }, spacing);
    if (layout.knots.length > MOST_KNOTS)
      throw new RangeError(
        `it would take ${layout.knots.length} knots, and nobody hooks more than ${MOST_KNOTS}: set wider gaps.`,
      );
    return layout;
  },
);

/** Both passes with what was changed by hand, on the head that rows are worked out on. */
export const layout = stage(
  'layout',
  ({ inputs, of }) => ({
    head: of(rowsHead),
    spacingFactor: of(spacingFactor),
    faceEdge: of(faceEdge),
    pitchMm: of(counted).spacing.pitchMm,
    rows: of(rows),
    bricks: of(bricks),
    fromClosed: of(fromClosed),
    hand: of(hand).filter((h) => h.op !== 'pull' && h.op !== 'lock'),
    secondPass: inputs.rows.secondPass,
    opening: of(opening),
  }),
  (d) => {
    const { shape, mesh, scalp } = d.head;
    const context = {
      shape,
      mesh,
      fromHairline: scalp.fromHairline,
      spacingAt: (v: number) => d.pitchMm * d.spacingFactor[v] * Math.min(1, d.faceEdge[v]),
      isClosed: (v: number) => d.fromClosed !== undefined && d.fromClosed[v] === 0,
    };
    const passes = inPasses(d.rows.rows, d.bricks.knots, d.secondPass, context);
    const changed = changeByHand(context, passes.rows, passes.knots, d.hand);
    const { kind, onHead, fromMiddle } = d.opening;
    const waits = (k: { readonly vertex: number }) =>
      fromMiddle !== undefined && waitsForOpening(kind, netAt(onHead, fromMiddle[k.vertex]));
    return {
      ...inOrderOfWork({ ...passes, knots: changed.knots }, waits),
      secondPass: d.secondPass,
      thinnedOut: d.bricks.thinnedOut,
      brickScore: d.bricks.brickScore,
      lost: [...d.rows.lost, ...changed.lost],
    };
  },
);

/** Rows and knots on the side where they belong. */
export const laid = stage(
  'laid',
  ({ of }) => ({ layout: of(layout), turned: of(side).turned }),
  ({ layout: { rows: all, secondOf, isOpened: opened, secondPass, knots: places }, turned }): Laid => ({
    rows: turned ? turnedRows(all) : all,
    secondOf,
    isOpened: opened,
    secondPass,
    knots: turned ? turnedKnots(places, all) : places,
    turned,
  }),
);

export const plannedRows = stage(
  'plannedRows',
  ({ of }) => ({ head: of(rowsHead), laid: of(laid) }),
  ({ head: { mesh, scalp }, laid: all }) => planRows(mesh, all, scalp.fromMidline),
);

/** Vertex of her own head under each laid knot. */
export const under = stage(
  'under',
  ({ of }) => ({ mesh: of(head).mesh, laid: of(laid) }),
  ({ mesh, laid: { knots: all, turned } }) => (turned ? verticesUnder(mesh, all) : all.map((k) => k.vertex)),
);

export const knots = stage(
  'knots',
  ({ inputs, of }) => ({
    told: {
      cap: inputs.cap,
      part: inputs.part,
      rows: { scheme: inputs.rows.scheme },
      base: { family: inputs.base.family, found: inputs.base.found },
      schools: inputs.schools,
      products: inputs.products,
      cuts: inputs.cuts,
      pieces: inputs.pieces,
      overrides: inputs.knotWishes,
      fingerMm: inputs.fingerMm,
      pace: inputs.pace,
      ownHair: { strand: inputs.ownHair.strand },
    },
    head: of(rowsHead),
    fromPart: of(rowsPart).fromPart,
    line: of(partLine),
    base: of(base),
    opening: of(opening),
    spacing: of(counted).spacing,
    under: of(under),
    masks: of(masks),
    laid: of(laid),
    planned: of(plannedRows),
  }),
  ({ told, head: rowed, fromPart, line, base: sectioned, opening: open, masks: marked, laid: all, ...d }) =>
    decideKnots(
      told,
      {
        head: rowed,
        part: { fromPart, pointsMm: line.pointsMm },
        base: sectioned,
        opening: open.onHead,
        fromOpening: open.fromMiddle,
        spacing: d.spacing,
        under: d.under,
        isSore: (v) => marked.tender[v] === 1 || marked.thin[v] === 1,
        isLump: (v) => sectioned.bumps.heightMm[v] > LUMP_MM,
      },
      all,
      d.planned,
    ),
);
