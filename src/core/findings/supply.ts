/** What is wrong, risky or worth knowing of the packs. */
import type { Check } from './check.ts';

/** Fillers after separating are usually a tenth to a quarter (common practice). */
const LEAST_RESERVE = 0.1;

const USUAL_RESERVE = 0.15;

export const noReserve: Check = (_, { supply }) => {
  const over = supply.leftOver + supply.reservePieces;
  if (over >= LEAST_RESERVE * supply.pieces) return undefined;
  return {
    code: 'supply.noReserve',
    severity: 'caution',
    station: 'supply',
    what: 'Nothing is kept for gaps.',
    why: `${over} of ${supply.pieces + over} pieces would be over. Gaps show after separating; fillers of a tenth to a quarter are usual.`,
    fix: {
      deed: `Keep ${Math.round(USUAL_RESERVE * 100)} % for gaps`,
      change: { kind: 'setReserve', share: USUAL_RESERVE },
    },
  };
};
