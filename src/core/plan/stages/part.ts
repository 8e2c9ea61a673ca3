/** The part on the head that rows are worked out on, and on hers. */
import { partOnHead, turnedPoints } from '../../head/index.ts';
import { head, rowsHead, side } from './head.ts';
import { stage } from './stage.ts';

export const rowsPart = stage(
  'rowsPart',
  ({ of }) => ({ head: of(rowsHead), part: of(side).part }),
  ({ head: rows, part }) => partOnHead(rows, part),
);

/** Its line on her own head, whichever side it is on; xyz interleaved, mm. */
export const partLine = stage(
  'partLine',
  ({ of }) => ({ part: of(rowsPart), turned: of(side).turned }),
  ({ part: { pointsMm, lengthMm, movedInMm }, turned }) => ({
    pointsMm: turned ? turnedPoints(pointsMm) : pointsMm,
    lengthMm,
    movedInMm,
  }),
);

/** The distance from it on her own head: that of the rows unless they are worked out on its mirror image. */
export const herPart = stage(
  'herPart',
  ({ inputs, of }) => ({
    head: of(head),
    part: inputs.part,
    same: of(side).turned ? undefined : of(rowsPart),
  }),
  ({ head: hers, part, same }) => same ?? partOnHead(hers, part),
);
