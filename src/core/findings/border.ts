/** What can go wrong with a row along the border: it lies where hair is finest and breaks first. */
import { lowerFirst, PIECE_ZONE_NAMES } from '../trade/index.ts';
import type { Check } from './check.ts';

const ROW = `the ${lowerFirst(PIECE_ZONE_NAMES.border)}`;
const LEAVE_OUT = (borderRow: Parameters<Check>[0]['rows']['borderRow']) => ({
  deed: 'Leave that row out',
  change: { kind: 'setRows', change: { borderRow: { ...borderRow, where: 'none' } } } as const,
});

const tenderEdge: Check = (inputs, { knots }) => {
  const on = knots.filter((k) => k.pieceZone === 'border' && k.tenderOrThin);
  if (on.length === 0) return undefined;
  const throughHair = on.filter((k) => k.through !== 'net').length;
  const pulls =
    throughHair > 0
      ? `${throughHair} of them pull at own hair there. `
      : 'The net carries them, and its edge still rubs. ';
  return {
    code: 'border.tender',
    severity: 'caution',
    station: 'rows',
    what: `${on.length} ${on.length === 1 ? 'piece' : 'pieces'} of ${ROW} lie where you marked tender or thin.`,
    why: `${pulls}Edges are finest and thin out first: leave the row out there, mark no-go where it hurts, and let it be if a sore or a rash shows.`,
    knotIds: on.map((k) => k.id),
    fix: LEAVE_OUT(inputs.rows.borderRow),
  };
};

const bareEdge: Check = (inputs, { borderRow }) => {
  if (!borderRow || inputs.cap.dome !== 'none') return undefined;
  return {
    code: 'border.ownHair',
    severity: 'caution',
    station: 'rows',
    what: `Without a cap ${ROW} hangs on your hairline alone.`,
    why: `${borderRow.knots} bites of the finest hair you have, with nothing to share the pull. Keep them loose and the pieces light, take it out first of all when anything aches, and rest the edge after it.`,
    fix: { deed: 'Put a closed cap over the base', change: { kind: 'setCap', change: { dome: 'closed' } } },
    otherwise: LEAVE_OUT(inputs.rows.borderRow),
  };
};

const cannotBe: Check = (inputs, { knots, pieces }) => {
  const { borderRow } = inputs.rows;
  const wanted = { oneLeg: 'canOneLeg', lock: 'canLock', ordinary: undefined, byHair: undefined } as const;
  const needs = wanted[borderRow.knot];
  if (borderRow.where === 'none' || needs === undefined) return undefined;
  const on = knots.filter((k) => k.pieceZone === 'border' && !pieces.find((p) => p.cut === k.cut)?.[needs]);
  if (on.length === 0) return undefined;
  return {
    code: 'border.cannot',
    severity: 'caution',
    station: 'rows',
    what:
      borderRow.knot === 'lock' ? `Pieces of ${ROW} have nothing to lock with.` : `Pieces of ${ROW} can’t be one-leg.`,
    why:
      borderRow.knot === 'lock'
        ? 'A lock needs a band or ring that stays with the piece as it is cut; they are planned with wraps.'
        : 'Both sides have to be free, and this loop stays on; they are planned as ordinary knots.',
    knotIds: on.map((k) => k.id),
    fix: {
      deed: 'Let the hair decide there',
      change: { kind: 'setRows', change: { borderRow: { ...borderRow, knot: 'byHair' } } },
    },
  };
};

const noRoom: Check = (inputs, { borderRow, knots }) => {
  if (inputs.rows.borderRow.where === 'none' || borderRow || knots.length === 0) return undefined;
  return {
    code: 'border.noRoom',
    severity: 'note',
    station: 'rows',
    what: `There is no place for ${ROW}.`,
    why: 'All of the edge is own hair in sight, a no-go spot, a fringe of short pieces or a part.',
    fix: LEAVE_OUT(inputs.rows.borderRow),
  };
};

export const BORDER_CHECKS: readonly Check[] = [tenderEdge, bareEdge, cannotBe, noRoom];
