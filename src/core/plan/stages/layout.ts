/** Knots laid along the rows in bricks, in passes, along the border, filled and changed by hand: where they lie. */
import { netAt, waitsForOpening } from '../../cap/index.ts';
import { resampled, seenInMirror } from '../../geometry/index.ts';
import { type Head, laidPart, type Point, paintPlace } from '../../head/index.ts';
import {
  changeByHand,
  exposure,
  holdsCap,
  inOrderOfWork,
  inPasses,
  isLeftOfPart,
  type LaidKnot,
  layKnots,
  offLines,
  type Passes,
  type PassGround,
  schoolsByPlace,
  whereContext,
  withBorder,
  withFill,
  withIntoBase,
  zoneOf,
} from '../../knots/index.ts';
import { borderRows, fringeMask, type Row, type RowSpacing } from '../../rows/index.ts';
import { type BorderWhen, isOffHead, isWorn, LEAST_SHARE, MOST_KNOTS, type Scheme } from '../../trade/index.ts';
import type { PlanInputs } from '../inputs.ts';
import { baseWork } from './base.ts';
import { combs, opening } from './cap.ts';
import { head, rowsHead, side } from './head.ts';
import { intoBase } from './into-base.ts';
import { rowsPart } from './part.ts';
import { counted, faceEdge, fromClosed, hand, rows, spacingFactor } from './rows.ts';
import { borderSpacing, spacing } from './spacing.ts';
import { type FromPlan, stage } from './stage.ts';

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
      told: {
        where: borderRow.where,
        fringe,
        hasPart: laidPart(inputs.part, inputs.parting).kind === 'line',
        fingerMm: inputs.fingerMm,
      },
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

/** What every later step of the layout looks at. */
const grounds = stage(
  'grounds',
  ({ of }) => ({
    head: of(rowsHead),
    spacingFactor: of(spacingFactor),
    faceEdge: of(faceEdge),
    pitchMm: of(counted).spacing.pitchMm,
    fromClosed: of(fromClosed),
  }),
  ({ head: { shape, mesh, scalp }, spacingFactor: factor, faceEdge: edge, pitchMm, fromClosed: away }) => ({
    shape,
    mesh,
    fromHairline: scalp.fromHairline,
    spacingAt: (v: number) => pitchMm * factor[v] * Math.min(1, edge[v]),
    isClosed: (v: number) => away !== undefined && away[v] === 0,
  }),
);

/** Lines of the base that stay free, on the head that rows are worked out on; none where they may be crossed. */
const keptLines = stage(
  'keptLines',
  ({ inputs, of }) =>
    inputs.rows.keepLines && isWorn(inputs.madeFor) ? { lines: of(baseWork).lines, turned: of(side).turned } : {},
  ({ lines = [], turned }): Float64Array => {
    const all = lines.flatMap((l) => [...resampled(Float64Array.from(l.pointsMm), pointsOf(l.lengthMm))]);
    return Float64Array.from(all, (c, i) => (turned && i % 3 === 0 ? 0 - c : c));
  },
);
/** A point every mm: nearer than half of that a knot on the line is on a point of it. */
const pointsOf = (lengthMm: number) => Math.max(2, Math.ceil(lengthMm) + 1);

/** Both passes with the row along the border, on the head that rows are worked out on. */
const passes = stage(
  'passes',
  ({ inputs, of }) => ({
    head: of(rowsHead),
    ground: of(grounds),
    spacing: of(counted).spacing,
    spacingFactor: of(spacingFactor),
    rows: of(rows),
    bricks: of(bricks),
    passAt: of(passAt),
    border: of(border),
    borderMm: of(borderSpacing),
    into: of(intoBase),
    lines: of(keptLines),
    ...(inputs.rows.borderRow.where === 'none' && inputs.rows.intoBase.length === 0
      ? {}
      : { held: { cap: inputs.cap, part: laidPart(inputs.part, inputs.parting), combs: of(combs).onRows } }),
    scheme: inputs.rows.scheme,
  }),
  (d) => {
    const laid = inPasses(d.rows.rows, d.bricks.knots, { ...d.ground, ...d.passAt });
    const plain = offLines(laid, {
      mesh: d.ground.mesh,
      shape: d.ground.shape,
      linesMm: d.lines,
      leastAt: (v) => LEAST_SHARE * d.ground.spacingAt(v),
    });
    const isHold = d.held ? holdsIn(d.held, plain, d.head, d.held.combs, d.spacing, d.scheme) : () => false;
    const gapAt = (v: number) => d.spacing.gapMm * d.spacingFactor[v];
    const { mesh, fromHairline } = d.ground;
    return withBorder(withIntoBase(plain, d.into, { mesh, gapAt, isHold }), d.border, {
      mesh,
      fromHairline,
      borderMm: d.borderMm,
      gapAt,
      // What she puts into the base stays where it is.
      stays: (k, row) => row.kind === 'base' || isHold(k, row),
    });
  },
);

/** With so many pieces filled in beyond rows and passes, what was changed by hand, and in the order of work. */
export function layoutWith(name: string, count: (of: FromPlan['of'], inputs: PlanInputs) => number) {
  return stage(
    name,
    ({ inputs, of }) => {
      const filled = count(of, inputs);
      return {
        ground: of(grounds),
        rows: of(rows),
        bricks: of(bricks),
        passes: of(passes),
        hand: of(hand).filter((h) => h.op !== 'pull' && h.op !== 'lock'),
        opening: of(opening),
        borderWhen: whenOf(inputs),
        fill: filled > 0 ? { count: filled, where: inputs.fill.where, zones: of(fillZones) } : undefined,
      };
    },
    ({ ground, rows: laidRows, bricks: inBricks, passes: all, hand: changes, fill, ...d }) => {
      const filled = fill ? withFill(all, fill.count, { ...ground, isMeant: fill.zones }) : all;
      const changed = changeByHand(ground, filled.rows, filled.knots, changes);
      const { kind, onHead, fromMiddle } = d.opening;
      const waits = (k: { readonly vertex: number }) =>
        fromMiddle !== undefined && waitsForOpening(kind, netAt(onHead, fromMiddle[k.vertex]));
      return {
        ...inOrderOfWork({ ...filled, knots: changed.knots }, waits, d.borderWhen),
        thinnedOut: inBricks.thinnedOut,
        brickScore: inBricks.brickScore,
        lost: [...laidRows.lost, ...changed.lost],
      };
    },
  );
}

/** Where what is left over may go: wherever gaps are widest, or only behind, where rows above fall over it. */
const fillZones = stage(
  'fillZones',
  ({ inputs, of }) => ({
    where: inputs.fill.where,
    head: of(rowsHead),
    part: of(rowsPart),
    fingerMm: inputs.fingerMm,
  }),
  ({ where, head: rowed, part, fingerMm }): ((v: number) => boolean) => {
    if (where === 'thin') return () => true;
    const context = whereContext(rowed, part, fingerMm);
    const p = rowed.mesh.positionsMm;
    return (v) => {
      const zone = zoneOf({ xMm: p[3 * v], yMm: p[3 * v + 1], zMm: p[3 * v + 2], vertex: v }, false, context);
      return zone === 'back' || zone === 'nape';
    };
  },
);

/** Regions and painted places that have schools of their own, by id, at every vertex of the rows' head. */
export const schoolMasks = stage(
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
  ({ inputs: { rows: choice, schools, places, part, parting, fingerMm }, of }) => {
    const told = {
      schools,
      secondPass: choice.secondPass,
      places: places.filter((p) => p.secondPass !== undefined),
      partKind: laidPart(part, parting).kind,
    };
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
          isLeft: () => isLeftOfPart(k, where) !== d.turned,
          isMargin: fromMiddle !== undefined && netAt(onHead, fromMiddle[k.vertex]) === 'margin',
          vertex: k.vertex,
        }).secondPass,
    };
  },
);

/** With the border pushed back at once, or none to push, it lies where it will from the start. */
function whenOf({ cap: told, schools, rows: { borderRow } }: PlanInputs): BorderWhen {
  if (borderRow.when !== 'border') return borderRow.when;
  if (told.dome === 'none' || isOffHead(told)) return 'last';
  return schools.border === 'late' ? 'border' : 'first';
}

/** Ends of rows that hold the cap. */
function holdsIn(
  { cap: told, part }: Pick<PlanInputs, 'cap' | 'part'>,
  { rows: all, knots: places }: Passes,
  { scalp }: Pick<Head, 'scalp'>,
  combs: readonly Point[],
  mm: RowSpacing,
  scheme: Scheme,
): (k: LaidKnot, row: Row) => boolean {
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
