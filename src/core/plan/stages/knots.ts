/** Knots decided one by one, from where they lie. */
import { LUMP_MM } from '../../base/index.ts';
import { verticesUnder } from '../../geometry/index.ts';
import { secondsOfHers } from '../../hands/index.ts';
import { laidPart } from '../../head/index.ts';
import { decideKnots, type Laid, planRows, turnedKnots } from '../../knots/index.ts';
import { turnedRows } from '../../rows/index.ts';
import { demandsOf, leftFor } from '../../supply/index.ts';
import { ownPace } from '../../trade/index.ts';
import { base, masks } from './base.ts';
import { combs, opening } from './cap.ts';
import { type Dealt, inColours, leftInColours } from './colours.ts';
import { head, rowsHead, side } from './head.ts';
import { layoutWith, schoolMasks } from './layout.ts';
import { partLine, rowsPart } from './part.ts';
import { pieces } from './pieces.ts';
import { counted } from './rows.ts';
import { stage } from './stage.ts';

type LayoutStage = ReturnType<typeof layoutWith>;

/** Rows and knots on the side where they belong. */
const laidOf = (name: string, layoutOf: LayoutStage) =>
  stage(
    `${name}laid`,
    ({ of }) => ({ layout: of(layoutOf), turned: of(side).turned }),
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

type LaidStage = ReturnType<typeof laidOf>;

const plannedRowsOf = (name: string, laid: LaidStage) =>
  stage(
    `${name}plannedRows`,
    ({ of }) => ({ head: of(rowsHead), laid: of(laid) }),
    ({ head: { mesh, scalp }, laid: all }) => planRows(mesh, all, scalp.fromMidline),
  );

/** Vertex of her own head under each laid knot. */
const underOf = (name: string, laid: LaidStage) =>
  stage(
    `${name}under`,
    ({ of }) => ({ mesh: of(head).mesh, laid: of(laid) }),
    ({ mesh, laid: { knots: all, turned } }) => (turned ? verticesUnder(mesh, all) : all.map((k) => k.vertex)),
  );

const NO_LINE = { pointsMm: new Float64Array(0), second: undefined };

const knotsOf = (
  name: string,
  {
    laid,
    plannedRows,
    under,
  }: { laid: LaidStage; plannedRows: ReturnType<typeof plannedRowsOf>; under: ReturnType<typeof underOf> },
) =>
  stage(
    `${name}knots`,
    ({ inputs, of }) => ({
      told: {
        cap: inputs.cap,
        part: laidPart(inputs.part, inputs.parting),
        rows: { scheme: inputs.rows.scheme, borderRow: { knot: inputs.rows.borderRow.knot } },
        base: { family: inputs.base.family, found: inputs.base.found },
        schools: {
          schools: inputs.schools,
          secondPass: inputs.rows.secondPass,
          places: inputs.places,
          partKind: laidPart(inputs.part, inputs.parting).kind,
        },
        products: inputs.products,
        cuts: inputs.cuts,
        pieces: inputs.pieces,
        fillCut: inputs.fill.cut,
        overrides: inputs.knotWishes,
        fingerMm: inputs.fingerMm,
        pace: inputs.pace,
        ownHair: { strand: inputs.ownHair.strand },
      },
      head: of(rowsHead),
      fromPart: of(rowsPart).fromPart,
      // Where no row follows it nothing lies beside it.
      line: inputs.parting.onlyWorn ? NO_LINE : of(partLine),
      base: of(base),
      opening: of(opening),
      combs: of(combs).hers,
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
          part: { fromPart, pointsMm: line.pointsMm, second: line.second },
          base: sectioned,
          opening: open.onHead,
          combs: d.combs,
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

/** From a layout to what each knot is. @param name stands before the names of its stages */
function decided(name: string, layoutOf: LayoutStage) {
  const laid = laidOf(name, layoutOf);
  const [plannedRows, under] = [plannedRowsOf(name, laid), underOf(name, laid)];
  return { laid, plannedRows, under, knots: knotsOf(name, { laid, plannedRows, under }) };
}

/** Rows and passes as they are without what is left over. */
const unfilledLayout = layoutWith('unfilledLayout', () => 0);
const unfilled = decided('unfilled ', unfilledLayout);

/** How many pieces are filled in: as many as she says, or as many as there are. */
const fillCount = stage(
  'fillCount',
  ({ inputs, of }) => {
    const { where, pieces: wanted, cut } = inputs.fill;
    if (where === 'none' || wanted > 0) return { wanted: where === 'none' ? 0 : wanted };
    return {
      wanted,
      left: {
        cut,
        cuts: inputs.cuts,
        products: inputs.products,
        strands: inputs.strands,
        reserveShare: inputs.reserveShare,
        knots: of(unfilled.knots),
        pieces: of(pieces),
        colours: inputs.colours,
        places: inputs.places,
      },
    };
  },
  ({ wanted, left }) => {
    if (!left) return wanted;
    if (left.colours.more.length > 0) return leftInColours(left.knots, left);
    const hooked = [...left.knots.knots, ...left.strands.flatMap(({ cut, count }) => new Array(count).fill({ cut }))];
    return leftFor(left.cut, left.products, demandsOf(left.cuts, hooked, left.pieces), left.pieces, left.reserveShare);
  },
);

export const layout = layoutWith('layout', (of, inputs) => (inputs.fill.where === 'none' ? 0 : of(fillCount)));

const final = decided('', layout);
export const { laid, plannedRows, under } = final;

/** Knots with the seconds that they take in her hands, as far as her earlier styles say. */
const atHerPace = stage(
  'atHerPace',
  ({ inputs, of }) => ({ decided: of(final.knots), hers: inputs.ownPace }),
  ({ decided: plain, hers }) => {
    if (!hers) return plain;
    const seconds = secondsOfHers(plain.knots, hers);
    return { ...plain, knots: plain.knots.map((k, i) => ({ ...k, seconds: seconds[i] })) };
  },
);

/** Her seconds over those told, as far as a test row says. */
export const paceOfHers = stage(
  'paceOfHers',
  ({ inputs, of }) => (inputs.testRow ? { row: inputs.testRow, knots: of(atHerPace).knots } : {}),
  ({ row, knots: all = [] }) => {
    if (!row) return 1;
    const told = all.reduce((sum, k) => sum + k.seconds, 0) / Math.max(1, all.length);
    return ownPace((60 * row.minutes) / row.pieces, row.pieces, told);
  },
);

/** Knots with the colours that are dealt to them, at her pace. */
export const knots = stage(
  'dealt',
  ({ inputs, of }) => ({
    decided: of(atHerPace),
    mixed:
      inputs.colours.more.length === 0
        ? undefined
        : {
            colours: inputs.colours,
            places: inputs.places.map(({ id, colours }) => ({ id, colours })),
            pieces: of(pieces),
            products: inputs.products,
          },
    pace: of(paceOfHers),
  }),
  ({ decided: plain, mixed, pace }): Dealt => {
    const timed =
      pace === 1 ? plain : { ...plain, knots: plain.knots.map((k) => ({ ...k, seconds: pace * k.seconds })) };
    return mixed ? inColours(timed, mixed) : { ...timed, mix: undefined };
  },
);
