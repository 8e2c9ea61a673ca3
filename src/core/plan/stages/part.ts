/** The part, or both of them, on the head that rows are worked out on, and on hers. */
import { partsOnHead, secondPart } from '../../head/index.ts';
import { head, rowsHead, side } from './head.ts';
import { stage } from './stage.ts';

export const rowsPart = stage(
  'rowsPart',
  ({ of }) => ({ head: of(rowsHead), part: of(side).part, second: of(side).second }),
  ({ head: rows, part, second }) => partsOnHead(rows, part, second),
);

/** Both on her own head, as they are worn: that of the rows unless those are worked out on its mirror image, or follow no part. */
export const herPart = stage(
  'herPart',
  ({ inputs: { part, parting }, of }) => ({
    head: of(head),
    part,
    second: secondPart(part, parting),
    same: of(side).turned || parting.onlyWorn ? undefined : of(rowsPart),
  }),
  ({ head: hers, part, second, same }) => same ?? partsOnHead(hers, part, second),
);

/** Their lines on her own head, whichever side they are on; xyz interleaved, mm. */
export const partLine = stage(
  'partLine',
  ({ of }) => ({ part: of(herPart) }),
  ({ part: { pointsMm, lengthMm, movedInMm, second } }) => ({
    pointsMm,
    lengthMm,
    movedInMm,
    second: second && {
      pointsMm: second.pointsMm,
      lengthMm: second.lengthMm ?? 0,
      movedInMm: second.movedInMm ?? 0,
    },
  }),
);

/** The line that hair falls away from: the second where it is flipped. */
export const partAsWorn = stage(
  'partAsWorn',
  ({ of, state }) => ({ part: of(herPart), flipped: state?.flipped === true }),
  ({ part, flipped }) => (flipped && part.second ? part.second : { pointsMm: part.pointsMm, fromPart: part.fromFirst }),
  2,
);
