/** Spacing becomes millimetres here, once; every other stage names this one. */
import { hookedPieces } from '../../hair/index.ts';
import { spacingInMm } from '../spacing.ts';
import { stage } from './stage.ts';

/** Every preparation as it is hooked. */
export const pieces = stage(
  'pieces',
  ({ inputs: { products, cuts } }) => ({ products, cuts }),
  (hair) => hookedPieces(hair),
);

export const spacing = stage(
  'spacing',
  ({ inputs, of }) => ({
    spacing: inputs.spacing,
    fingerMm: inputs.fingerMm,
    zones: inputs.pieces,
    // Only the clear gap between two knots hangs on how wide they are.
    hooked: inputs.spacing.said === 'clear' ? of(pieces) : undefined,
  }),
  spacingInMm,
);
