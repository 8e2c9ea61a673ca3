/** From the tape to her head; rows are worked out on its mirror image where the part is on her right. */
import { dequal } from 'dequal';
import { icosphere } from '../../geometry/index.ts';
import { fitHead, laidPart, layHead, onHerLeft, secondPart, turnedOffsets, turnedPart } from '../../head/index.ts';
import { isFieldScheme } from '../../rows/index.ts';
import { stage } from './stage.ts';

const sphere = stage(
  'sphere',
  ({ inputs }) => ({ frequency: inputs.meshFrequency }),
  ({ frequency }) => icosphere(frequency),
);

const fit = stage(
  'fit',
  ({ inputs: { tape, tapeSpreadsMm, trusted } }) => ({ tape, tapeSpreadsMm, trusted }),
  ({ tape, tapeSpreadsMm, trusted }) => fitHead(tape, tapeSpreadsMm, trusted),
);

export const head = stage(
  'head',
  ({ inputs, of }) => ({ fit: of(fit), relief: inputs.relief, offsets: inputs.hairline, sphere: of(sphere) }),
  layHead,
);

/** The part as rows are worked out from it. Rows that follow the base lie where the base lies. */
export const side = stage(
  'side',
  ({ inputs: { part, parting, rows } }) => ({
    part: laidPart(part, parting),
    second: parting.onlyWorn ? undefined : secondPart(part, parting),
    byField: isFieldScheme(rows.scheme),
  }),
  ({ part, second, byField }) => {
    const side = byField ? onHerLeft(part) : { part, turned: false };
    return { ...side, second: second && side.turned ? turnedPart(second) : second };
  },
);

/** The head on which rows are worked out. */
export const rowsHead = stage(
  'rowsHead',
  ({ inputs, of }) => ({
    head: of(head),
    turned: of(side).turned,
    fit: of(fit),
    relief: inputs.relief,
    offsets: inputs.hairline,
    sphere: of(sphere),
  }),
  ({ head: hers, turned, fit: fitted, relief, offsets, sphere: round }) => {
    const over = turnedOffsets(offsets);
    return !turned || dequal(over, offsets) ? hers : layHead({ fit: fitted, relief, offsets: over, sphere: round });
  },
);
