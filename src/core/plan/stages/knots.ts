/** Knots laid along the rows in bricks, changed by hand, and decided one by one. */
import { LUMP_MM } from '../../base/index.ts';
import { combPoints, netAt, waitsForOpening } from '../../cap/index.ts';
import { seenInMirror, verticesUnder } from '../../geometry/index.ts';
import { type Head, paintPlace } from '../../head/index.ts';
import {
  changeByHand,
  decideKnots,
  exposure,
  holdsCap,
  inOrderOfWork,
  inPasses,
  isLeftOfPart,
  type Laid,
  type LaidKnot,
  layKnots,
  type Passes,
  type PassGround,
  planRows,
  schoolsByPlace,
  turnedKnots,
  whereContext,
  withBorder,
  zoneOf,
} from '../../knots/index.ts';
import { borderRows, fringeMask, type Row, type RowSpacing, turnedRows } from '../../rows/index.ts';
import { type BorderWhen, MOST_KNOTS, type Scheme } from '../../trade/index.ts';
import type { PlanInputs } from '../inputs.ts';
import { base, masks } from './base.ts';
import { opening } from './cap.ts';
import { head, rowsHead, side } from './head.ts';
import { partLine, rowsPart } from './part.ts';
import { counted, faceEdge, fromClosed, hand, rows, spacingFactor } from './rows.ts';
import { borderSpacing, spacing } from './spacing.ts';
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

/** The row along the border, on the head that rows are worked out on; it leaves room for the part and for a fringe of short pieces. */
const border = stage(
  'border',
  ({ inputs, of }) => {
    const { borderRow, fringe } = inputs.rows;
    if (borderRow.where === 'none') return {};
    return {
      told: { where: borderRow.where, fringe, hasPart: inputs.part.kind === 'line', fingerMm: inputs.fingerMm },
      head: of(rowsHead),
      fromPart: of(rowsPart).fromPart,
      borderMm: of(borderSpacing),
      spacing: { ...of(spacing).mm, partMm: of(spacing).centresMm.part },
      fromClosed: of(fromClosed),
    };
  },
  ({ told, head: rowed, fromPart, borderMm, spacing: mm, fromClosed: away }) => {
    if (!told) return [];
    const inFringe = fringeMask(rowed.mesh, rowed.scalp, told.fringe, told.fingerMm, mm);
    const isBesidePart = (v: number) => told.hasPart && fromPart[v] < BESIDE_PART * mm.partMm;
    return borderRows(rowed, told.where, borderMm, (v) => away?.[v] === 0 || inFringe?.[v] === 1 || isBesidePart(v));
  },
);
/** The first row beside a part lies half a gap from it; nothing along the border comes nearer than nearly that. */
const BESIDE_PART = 0.4;

/** Both passes with what was changed by hand, on the head that rows are worked out on. */
export const layout = stage(
  'layout',
  ({ inputs, of }) => ({
    head: of(rowsHead),
    spacingFactor: of(spacingFactor),
    faceEdge: of(faceEdge),
    spacing: of(counted).spacing,
    rows: of(rows),
    bricks: of(bricks),
    fromClosed: of(fromClosed),
    hand: of(hand).filter((h) => h.op !== 'pull' && h.op !== 'lock'),
    passAt: of(passAt),
    opening: of(opening),
    border: of(border),
    borderMm: of(borderSpacing),
    ...(inputs.rows.borderRow.where === 'none' ? {} : { held: { cap: inputs.cap, part: inputs.part } }),
    scheme: inputs.rows.scheme,
    borderWhen: whenOf(inputs),
  }),
  (d) => {
    const { shape, mesh, scalp } = d.head;
    const context = {
      shape,
      mesh,
      fromHairline: scalp.fromHairline,
      spacingAt: (v: number) => d.spacing.pitchMm * d.spacingFactor[v] * Math.min(1, d.faceEdge[v]),
      isClosed: (v: number) => d.fromClosed !== undefined && d.fromClosed[v] === 0,
      ...d.passAt,
    };
    const plain = inPasses(d.rows.rows, d.bricks.knots, context);
    const passes = withBorder(plain, d.border, {
      mesh,
      fromHairline: scalp.fromHairline,
      borderMm: d.borderMm,
      gapAt: (v) => d.spacing.gapMm * d.spacingFactor[v],
      isHold: d.held ? holdsIn(d.held, plain, d.head, d.spacing, d.scheme) : () => false,
    });
    const changed = changeByHand(context, passes.rows, passes.knots, d.hand);
    const { kind, onHead, fromMiddle } = d.opening;
    const waits = (k: { readonly vertex: number }) =>
      fromMiddle !== undefined && waitsForOpening(kind, netAt(onHead, fromMiddle[k.vertex]));
    return {
      ...inOrderOfWork({ ...passes, knots: changed.knots }, waits, d.borderWhen),
      thinnedOut: d.bricks.thinnedOut,
      brickScore: d.bricks.brickScore,
      lost: [...d.rows.lost, ...changed.lost],
    };
  },
);

/** Regions and painted places that have schools of their own, by id, at every vertex of the rows' head. */
const schoolMasks = stage(
  'schoolMasks',
  ({ inputs, of }) => {
    const drawn = inputs.places.filter(({ where }) => !('zone' in where)).map(({ id, where }) => ({ id, where }));
    return drawn.length === 0 ? {} : { drawn, hers: of(head), rowed: of(rowsHead).mesh, turned: of(side).turned };
  },
  ({ drawn = [], hers, rowed, turned }): ReadonlyMap<string, Uint8Array> =>
    new Map(
      hers === undefined
        ? []
        : drawn.map(({ id, where }) => {
            const mask = new Uint8Array(hers.mesh.vertexCount);
            if ('region' in where) paintPlace(hers, where, mask, 1);
            if ('painted' in where) for (const stroke of where.painted) paintPlace(hers, { stroke }, mask, 1);
            return [id, turned ? seenInMirror(hers.mesh, rowed, mask) : mask] as const;
          }),
    ),
);

/** Which second pass a place of the rows' head gets. */
const passAt = stage(
  'passAt',
  ({ inputs: { rows: choice, schools, places, fingerMm }, of }) => {
    const told = { schools, secondPass: choice.secondPass, places: places.filter((p) => p.secondPass !== undefined) };
    if (told.places.length === 0) return { everywhere: choice.secondPass };
    return {
      byPlace: {
        told,
        head: of(rowsHead),
        part: of(rowsPart),
        fingerMm,
        masks: of(schoolMasks),
        opening: of(opening),
        turned: of(side).turned,
      },
    };
  },
  ({ everywhere = 'none', byPlace: d }): Pick<PassGround, 'hasThin' | 'passAt'> => {
    if (!d) return { hasThin: everywhere === 'thin', passAt: () => everywhere };
    const where = whereContext(d.head, d.part, d.fingerMm);
    const said = schoolsByPlace(d.told, d.masks);
    const { onHead, fromMiddle } = d.opening;
    return {
      hasThin: [d.told, ...d.told.places].some((p) => p.secondPass === 'thin'),
      passAt: (k, besidePart) =>
        said({
          zone: zoneOf(k, besidePart, where),
          isLeft: isLeftOfPart(k, where) !== d.turned,
          isMargin: fromMiddle !== undefined && netAt(onHead, fromMiddle[k.vertex]) === 'margin',
          vertex: k.vertex,
        }).secondPass,
    };
  },
);

/** With the border pushed back at once, or none to push, it lies where it will from the start. */
function whenOf({ cap: told, schools, rows: { borderRow } }: PlanInputs): BorderWhen {
  if (borderRow.when !== 'border') return borderRow.when;
  if (told.dome === 'none' || told.filledOn === 'block') return 'last';
  return schools.border === 'late' ? 'border' : 'first';
}

/** Ends of rows that hold the cap. */
function holdsIn(
  { cap: told, part }: Pick<PlanInputs, 'cap' | 'part'>,
  { rows: all, knots: places }: Passes,
  { scalp, mark }: Pick<Head, 'scalp' | 'mark'>,
  mm: RowSpacing,
  scheme: Scheme,
): (k: LaidKnot, row: Row) => boolean {
  const combs = combPoints(told, mark);
  const deepest = Math.max(...places.map((k) => all[k.row].quarter));
  const ends = new Set(
    all.flatMap((row, i) => {
      const inRow = places.filter((k) => k.row === i && k.second !== true);
      return row.curve.closed ? [] : [inRow[0], inRow[inRow.length - 1]];
    }),
  );
  const context = { scalp, spacing: mm, combs, deepest };
  return (k, row) =>
    ends.has(k) && exposure({ part, rows: { scheme } }, context, row, k) === false && holdsCap(told, context, row, k);
}

/** Rows and knots on the side where they belong. */
export const laid = stage(
  'laid',
  ({ of }) => ({ layout: of(layout), turned: of(side).turned }),
  ({ layout: { rows: all, secondOf, isOpened: opened, passOf, deepest, knots: places }, turned }): Laid => ({
    rows: turned ? turnedRows(all) : all,
    secondOf,
    isOpened: opened,
    passOf,
    deepest,
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
      rows: { scheme: inputs.rows.scheme, borderRow: { knot: inputs.rows.borderRow.knot } },
      base: { family: inputs.base.family, found: inputs.base.found },
      schools: { schools: inputs.schools, secondPass: inputs.rows.secondPass, places: inputs.places },
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
    schoolMasks: of(schoolMasks),
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
        schoolMasks: d.schoolMasks,
        isSore: (v) => marked.tender[v] === 1 || marked.thin[v] === 1,
        isLump: (v) => sectioned.bumps.heightMm[v] > LUMP_MM,
      },
      all,
      d.planned,
    ),
);
