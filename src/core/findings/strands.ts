/** Strands whose job is not there, and left-over pieces for which there is no place. */
import { FAMILY_INFO, lowerFirst, type StrandJob } from '../trade/index.ts';
import type { Check } from './check.ts';

type Inputs = Parameters<Check>[0];

/** Bases whose hair is drawn to one place that can be braced. */
const DRAWN_TOGETHER = ['puff', 'intoCoil', 'halfUp'];

/** What each job needs. */
const NEEDS: Readonly<Record<StrandJob, { isThere(inputs: Inputs): boolean; readonly words: string }>> = {
  closeTop: { isThere: ({ cap }) => cap.dome === 'openTop', words: 'This cap has no open top to close.' },
  bracePuff: {
    isThere: ({ base }) => DRAWN_TOGETHER.includes(base.family),
    words: 'There is no puff or coil to brace.',
  },
  wrapTie: { isThere: ({ base }) => base.family !== 'laidFlat', words: 'Nothing is tied, so there is no tie to wrap.' },
};

const noJob: Check = (inputs) => {
  const idle = inputs.strands.find((s) => !NEEDS[s.job].isThere(inputs));
  if (!idle) return undefined;
  return {
    code: 'strands.noJob',
    severity: 'caution',
    station: 'rows',
    what: NEEDS[idle.job].words,
    why: `${idle.count === 1 ? 'A piece is' : `${idle.count} pieces are`} set aside for it, with ${lowerFirst(FAMILY_INFO[inputs.base.family].name)} as the base. Take it out in Order, or change what it is for.`,
  };
};

const nothingFilled: Check = (inputs, { rows, knots, rowScheme }) => {
  if (inputs.fill.where === 'none' || knots.length === 0 || rowScheme.cannotLay) return undefined;
  if (rows.some((r) => r.pass === 'fill')) return undefined;
  return {
    code: 'fill.none',
    severity: 'note',
    station: 'rows',
    what: 'Nothing is filled in.',
    why:
      inputs.fill.pieces > 0
        ? 'No place has room for another piece there: knots lie as near as they may.'
        : 'Nothing is left over of that hair once all is hooked and the reserve kept, or no place has room.',
  };
};

export const STRAND_CHECKS: readonly Check[] = [noJob, nothingFilled];
