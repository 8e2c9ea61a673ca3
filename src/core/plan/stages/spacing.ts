/** Spacing becomes millimetres here, once; every other stage names this one. */
import { ZONES } from '../../trade/index.ts';
import { centresMm, spacingInMm } from '../spacing.ts';
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

/** From knot to knot along the border, mm. */
export const borderSpacing = stage(
  'borderSpacing',
  ({ inputs: { spacing: told, rows, fingerMm, pieces: zones }, of }) => ({
    fingers: rows.borderRow.fingers,
    fingerMm,
    knotWidthMm: told.said === 'clear' ? of(pieces).get(zones.border.cut)?.knotWidthMm : 0,
  }),
  ({ fingers, fingerMm, knotWidthMm }) => centresMm(fingers, fingerMm, knotWidthMm),
);

/** From piece to piece of those that go into the base, mm, by the id of what she chose. */
export const intoSpacing = stage(
  'intoSpacing',
  ({ inputs: { spacing: told, rows, fingerMm, pieces: zones }, of }) => ({
    entries: rows.intoBase,
    fingerMm,
    zone: zones.top.cut,
    hooked: told.said === 'clear' && rows.intoBase.length > 0 ? of(pieces) : undefined,
  }),
  ({ entries, fingerMm, zone, hooked }): ReadonlyMap<string, number> =>
    new Map(
      entries.map(({ id, fingers, cut }) => [
        id,
        centresMm(fingers, fingerMm, (hooked?.get(cut ?? zone) ?? hooked?.get(zone))?.knotWidthMm),
      ]),
    ),
);
