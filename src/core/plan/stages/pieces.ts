/** Every preparation as it is hooked. */
import { hookedPieces } from '../../hair/index.ts';
import { stage } from './stage.ts';

export const pieces = stage(
  'pieces',
  ({ inputs: { products, cuts } }) => ({ products, cuts }),
  (hair) => hookedPieces(hair),
);
