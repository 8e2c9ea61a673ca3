/** Spacing becomes millimetres here, once; every other stage names this one. */
import { ZONES } from '../../trade/index.ts';
import { spacingInMm } from '../spacing.ts';
import { gaps } from './for-hair.ts';
import { pieces } from './pieces.ts';
import { stage } from './stage.ts';

export const spacing = stage(
  'spacing',
  ({ inputs: { spacing: told, fingerMm, pieces: zones }, of }) => {
    const hers = ZONES.filter((z) => told.fingers[z] !== undefined);
    return {
      said: told.said,
      hers,
      // Where she set all of them herself nothing is worked out.
      fingers: hers.length === ZONES.length ? told.fingers : of(gaps).fingers,
      fingerMm,
      zones,
      // Only the clear gap between two knots hangs on how wide they are.
      hooked: told.said === 'clear' ? of(pieces) : undefined,
    };
  },
  spacingInMm,
);
