/** From zones and scheme to rows: the field whose levels they are, the brush, closed places, changes by hand. */
import { closedToPieces } from '../../base/index.ts';
import { netAt } from '../../cap/index.ts';
import { distanceFromMask, seenInMirror } from '../../geometry/index.ts';
import { laidPart } from '../../head/index.ts';
import { laidAsAsked } from '../../knots/index.ts';
import {
  brushField,
  faceEdgeFactors,
  factorsOnHead,
  followedLines,
  fringeMask,
  fromLocked,
  isFieldScheme,
  laySchemeRows,
  linesThere,
  NO_ROWS,
  passesLumps,
  rowOptions,
  rowSlopes,
  schemeField,
  tieOf,
  turnedBrush,
  turnedHand,
  whyNot,
} from '../../rows/index.ts';
import { isWorn } from '../../trade/index.ts';
import { base, masks, sections } from './base.ts';
import { opening } from './cap.ts';
import { head, rowsHead, side } from './head.ts';
import { rowsPart } from './part.ts';
import { spacing } from './spacing.ts';
import { stage } from './stage.ts';

/** Where the hair of a base is drawn together, on the rows' head, and how wide its coil is. */
const tie = stage(
  'tie',
  ({ inputs, of }) => ({ head: of(head), base: of(base), family: inputs.base.family, turned: of(side).turned }),
  ({ head: { mark }, base: laid, family, turned }) => {
    const { at, coilMm } = tieOf(mark.crown, family, laid);
    return { at: turned ? ([0 - at[0], at[1], at[2]] as const) : at, coilMm };
  },
);

/** The field whose levels are the rows, where the scheme has one; zones in any case. */
export const field = stage(
  'field',
  ({ inputs: { rows: choice }, of }) => ({
    head: of(rowsHead),
    part: of(rowsPart),
    // The face edge acts along a row only.
    zones: { ...of(spacing).zones, faceEdge: 1 },
    scheme: isFieldScheme(choice.scheme) ? choice.scheme : undefined,
    tie: choice.scheme === 'fromTie' ? of(tie).at : undefined,
  }),
  ({ head: rowed, part: { fromPart }, zones, scheme, tie: at }) => {
    if (!scheme) {
      const spacingFactor = factorsOnHead(rowed.mesh, rowed.scalp, fromPart, zones);
      return { spacingFactor, field: undefined, slopes: undefined, mismatch: 0 };
    }
    const laid = schemeField(scheme, rowed, fromPart, zones, at ?? rowed.mark.crown);
    return {
      spacingFactor: laid.spacingFactor,
      field: laid,
      slopes: rowSlopes(rowed.mesh, laid),
      mismatch: laid.mismatch,
    };
  },
);

/** Factor along a row at every vertex. */
export const faceEdge = stage(
  'faceEdge',
  ({ of }) => ({ head: of(rowsHead), faceEdge: of(spacing).zones.faceEdge }),
  ({ head: { scalp }, faceEdge: factor }) => faceEdgeFactors(factor, scalp.fromFrontHairline),
);

/**
 * How many whole rows, and how close along them: counted on the plain scalp, so that no stroke of the brush, no mark and
 * no change by hand moves a row elsewhere. Rows that follow what is there are as many as there are.
 */
export const counted = stage(
  'counted',
  ({ inputs, of }) => {
    const { scheme, offset } = inputs.rows;
    const { mm } = of(spacing);
    return {
      head: of(rowsHead),
      laid: of(field),
      faceEdge: of(faceEdge),
      spacing: mm,
      options: {
        ...rowOptions(
          { ...inputs, part: laidPart(inputs.part, inputs.parting) },
          mm,
          scheme === 'fromTie' ? of(tie).coilMm : 0,
        ),
        offset,
      },
    };
  },
  ({ head: { mesh, line, scalp }, laid: { field: levels, slopes, spacingFactor: plain }, faceEdge: edge, ...d }) => {
    const { spacing: told, options } = d;
    if (!levels || !slopes) return { options, spacing: told, plain: undefined };
    const context = { mesh, line, scalp, field: levels, slopes, spacing: told, spacingFactor: plain };
    const laidPlain = laidAsAsked(context, options, { spacingFactor: plain, faceEdge: edge });
    const { plan, spacing: held } = laidPlain;
    return { options: { ...options, wholeRows: plan.wholeRows }, spacing: held, plain: laidPlain };
  },
);

/** Zones with what the brush made of them, a factor a vertex. */
export const spacingFactor = stage(
  'spacingFactor',
  ({ inputs, of }) => ({
    head: of(rowsHead),
    plain: of(field).spacingFactor,
    brush: inputs.rows.brush,
    turned: of(side).turned,
  }),
  ({ head: rowed, plain, brush, turned }) => {
    const factor = brushField(rowed, turned ? turnedBrush(brush) : brush);
    return factor ? plain.map((z, v) => z * factor[v]) : plain;
  },
);

/** Rows keep away from closed places by a share of their gap; no gap is wider than this, mm. */
const CLOSED_REACH_MM = 40;

/** How far the places of the rows' head lie from where no piece goes; none where nothing is marked and all is base. */
export const fromClosed = stage(
  'fromClosed',
  ({ inputs, of }) => {
    const { map } = of(sections);
    const hasSight = map.sections.some((s) => s.role === 'inSight');
    const hasNoGo = inputs.marks.some((m) => m.kind === 'noGo' && !m.erase);
    const bumps = passesLumps(inputs) ? undefined : of(base).bumps;
    // Inside an opening only own hair holds a piece.
    const open = isWorn(inputs.madeFor) ? undefined : of(opening);
    if (!hasSight && !hasNoGo && !bumps?.lumps.length && !open?.fromMiddle) return {};
    const closing = { map, masks: of(masks), bumps };
    return { closing, hers: of(head).mesh, rowed: of(rowsHead).mesh, turned: of(side).turned, open };
  },
  ({ closing, hers, rowed, turned, open }): Float64Array | undefined => {
    if (!closing) return undefined;
    const places = closedToPieces(closing, closing.map, closing.bumps);
    const mask = turned ? seenInMirror(hers, rowed, places) : places;
    const { fromMiddle, onHead } = open ?? {};
    if (fromMiddle && onHead)
      for (let v = 0; v < mask.length; v++) if (netAt(onHead, fromMiddle[v]) === 'cutOut') mask[v] = 1;
    return distanceFromMask(rowed, mask, CLOSED_REACH_MM);
  },
);

/** Changes by hand on the rows' head. */
export const hand = stage(
  'hand',
  ({ inputs, of }) => ({ hand: inputs.rows.hand, turned: of(side).turned }),
  ({ hand: changes, turned }) => (turned ? turnedHand(changes) : changes),
);

/** Rows that are there already, for pieces to follow. */
export const there = stage(
  'there',
  ({ inputs, of }) =>
    inputs.rows.scheme === 'found'
      ? {
          head: of(rowsHead),
          sections: of(base).sections,
          ownRows: inputs.cap.dome === 'none' ? ('none' as const) : inputs.cap.ownRows,
          fingerMm: inputs.fingerMm,
          follow: inputs.rows.follow,
        }
      : {},
  ({ head: rowed, sections: all, ownRows, fingerMm, follow }) =>
    rowed ? linesThere(rowed, { sections: all, ownRows, fingerMm, follow }) : [],
);

/** Those that pieces follow. */
const followed = stage(
  'followed',
  ({ inputs, of }) => ({ lines: of(there), off: inputs.rows.off, gapMm: of(spacing).mm.gapMm }),
  ({ lines, off, gapMm }) => followedLines(lines, off, gapMm),
);

export const rows = stage(
  'rows',
  ({ inputs, of }) => {
    const { scheme, fringe } = inputs.rows;
    const { mm } = of(spacing);
    const given = isFieldScheme(scheme) ? undefined : of(base);
    return {
      head: of(rowsHead),
      field: of(field),
      spacingFactor: of(spacingFactor),
      spacing: mm,
      fromClosed: of(fromClosed),
      hand: of(hand).filter((h) => h.op === 'pull' || h.op === 'lock'),
      cannotLay: whyNot(inputs, of(base)),
      counted: of(counted),
      choice: { scheme, fringe, rodPieces: inputs.base.rodPieces },
      sections: given?.sections,
      followed: of(followed),
      keepLines: inputs.rows.keepLines,
      isAllOff: inputs.rows.scheme === 'found' && of(there).length > 0 && of(followed).length === 0,
      fingerMm: inputs.fingerMm,
    };
  },
  (d) => {
    const cannotLay = d.cannotLay ?? (d.isAllOff ? 'Every row that is there is switched off.' : undefined);
    if (cannotLay !== undefined) return { ...NO_ROWS, cannotLay };
    const { head: rowed, fromClosed: away, fingerMm, choice } = d;
    const fringe = fringeMask(rowed.mesh, rowed.scalp, choice.fringe, fingerMm, d.spacing);
    const locked = fromLocked(rowed, d.hand, 3 * d.spacing.gapMm);
    const isPlain = !away && !fringe && !locked && d.spacingFactor === d.field.spacingFactor;
    return laySchemeRows(choice, {
      head: rowed,
      field: d.field.field,
      slopes: d.field.slopes,
      spacingFactor: d.spacingFactor,
      spacing: d.spacing,
      plain: isPlain ? d.counted.plain?.plan : undefined,
      options: {
        ...d.counted.options,
        ...(away ? { fromClosedMm: away } : {}),
        ...(fringe ? { fringe } : {}),
        ...(locked ? { fromLockedMm: locked } : {}),
      },
      sections: d.sections ?? [],
      linesMm: d.followed.map((l) => l.pointsMm),
      keepLines: d.keepLines,
      hand: d.hand,
      fingerMm,
      isClosed: (v) => away !== undefined && away[v] === 0,
    });
  },
);
