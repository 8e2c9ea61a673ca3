/** The cap over the parked base, and its opening on the head that rows are worked out on. */
import { combPoints, fitCap, girthOver, openingOnHead } from '../../cap/index.ts';
import { distanceFrom } from '../../geometry/index.ts';
import { tapeReading, turnedPoints } from '../../head/index.ts';
import { isWorn } from '../../trade/index.ts';
import { base } from './base.ts';
import { head, rowsHead, side } from './head.ts';
import { spacing } from './spacing.ts';
import { stage } from './stage.ts';

/** What a tape reads round the head with the base on it, mm. */
const overBase = stage(
  'overBase',
  ({ of }) => ({ head: of(head), base: of(base) }),
  ({ head: { shape, mesh }, base: { bumps } }) => girthOver(shape, mesh, bumps.heightMm),
);

export const cap = stage(
  'cap',
  ({ inputs, of }) => ({
    cap: inputs.cap,
    head: of(head),
    girthOverMm: of(overBase),
    worn: isWorn(inputs.madeFor),
  }),
  ({ cap: told, head: { shape, mark, girthMm }, girthOverMm, worn }) =>
    fitCap(told, girthMm, girthOverMm, tapeReading(shape, 'frontToNape', mark), worn),
);

export const opening = stage(
  'opening',
  ({ inputs: { cap: told }, of }) => ({
    head: of(rowsHead),
    part: of(side).part,
    cap: {
      dome: told.dome,
      opening: told.opening,
      openingMm: told.openingMm,
      openingWidthMm: told.openingWidthMm,
    },
    pitchMm: of(spacing).centresMm.part,
  }),
  ({ head: { shape, line, mesh }, part, cap: told, pitchMm }) => {
    const onHead = openingOnHead(shape, line, told, part, pitchMm);
    const isCut = onHead.lengthMm > 0 && onHead.marginMm > 0;
    // From its middle at every vertex, where there is a margin to be told from net and cut-out.
    return {
      kind: told.opening,
      onHead,
      fromMiddle: isCut ? distanceFrom(mesh, { pointsMm: onHead.lineMm }) : undefined,
    };
  },
);

/** The opening's middle line on her own head. */
export const openingLine = stage(
  'openingLine',
  ({ of }) => ({ opening: of(opening).onHead, turned: of(side).turned }),
  ({ opening: { lineMm }, turned }) => ({ lineMm: turned ? turnedPoints(lineMm) : lineMm }),
);

/** Where combs are sewn in: on her own head, and on the one that rows are worked out on. */
export const combs = stage(
  'combs',
  ({ inputs: { cap: told }, of }) => ({
    cap: { dome: told.dome, combs: told.combs, combsAt: told.combsAt },
    head: of(head),
    opening: { widthMm: of(opening).onHead.widthMm, lineMm: of(openingLine).lineMm },
    turned: of(side).turned,
  }),
  ({ cap: told, head: hers, opening: opened, turned }) => {
    const onHers = combPoints(told, hers, opened);
    return { hers: onHers, onRows: turned ? onHers.map(([x, y, z]) => [0 - x, y, z] as const) : onHers };
  },
);
