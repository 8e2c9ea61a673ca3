/** What is done to the hair between knots and after the last of them. */
import { FINISH, type Schools } from '../trade/index.ts';
import { forWhomItIs, wigCheck, wornAfterBlock } from './putting-on.ts';
import { leaveOutAtEnd, openingAtEnd, settingStep, surplusCut } from './stages.ts';
import { strandSteps } from './strands.ts';
import type { WorkContext, WorklistStep } from './work-step.ts';

export function finishing(g: WorkContext): WorklistStep[] {
  return [
    ...surplusCut(g),
    ...openingAtEnd(g),
    {
      kind: 'finish',
      what: 'Separate, shake out, fill the gaps',
      how: 'Gaps show now. Fill them from the reserve, one piece at a time.',
      minutes: shakingMinutes(g),
    },
    ...partedAtEnd(g),
    ...wornAfterBlock(g),
    ...strandSteps(g, 'wrapTie'),
    ...leaveOutAtEnd(g),
    ...settingStep(g),
    { kind: 'trim', what: 'Trim', how: trimWords(g), minutes: trimMinutes(g) },
    ...(g.cap.wig ? [g.isWorn ? wigCheck(g.cap) : forWhomItIs(g.cap)] : []),
  ];
}

/** A part that is only there when worn is combed in, a second one tried. */
function partedAtEnd({ hasPart, parting }: WorkContext): WorklistStep[] {
  if (!hasPart) return [];
  return [
    ...(parting.onlyWorn
      ? [
          {
            kind: 'finish' as const,
            what: 'Comb the part in',
            how: 'With the tail of a comb, from the hairline back; hair of both sides lies over the knots beside it. Tomorrow it may be elsewhere.',
            minutes: 2,
            wrong: 'Drawn to the scalp: no row was laid for it, so what opens under it is net and knots.',
          },
        ]
      : []),
    ...(parting.two
      ? [
          {
            kind: 'finish' as const,
            what: 'Flip it to the second part and look',
            how: 'Comb it over, part it there, look from the front and from above; then back again. Knots that show get a piece or a bit of back-combing.',
            minutes: 3,
          },
        ]
      : []),
  ];
}

function shakingMinutes(g: WorkContext): number {
  const seconds = g.knots.reduce((sum, k) => {
    const metres = (g.pieces.get(k.cut)?.lengthMm ?? 0) / 1000;
    return sum + FINISH.secondsAPiece + FINISH.secondsAMetre * metres;
  }, 0);
  return FINISH.minutes + seconds / 60;
}

function trimMinutes(g: WorkContext): number {
  const fringe = g.rowChoice.fringe.how === 'cutAfter' ? FINISH.fringeMinutes : 0;
  if (g.outline === 'none' || g.schools.trim === 'before') return FINISH.strayMinutes + fringe;
  return FINISH.outlineMinutes + (g.knots.length * FINISH.outlineSecondsAPiece) / 60 + fringe;
}

function trimWords(g: WorkContext): string {
  const trims: Readonly<Record<Schools['trim'], string>> = {
    before: 'Only what sticks out: it was cut before it was hooked.',
    sameDay:
      g.outline === 'none'
        ? 'Only what sticks out, in small cuts.'
        : 'At a slant, in small cuts, head tipped so that the outline becomes an arc.',
    later: 'Little now, more next day: it settles overnight, and what is cut is gone.',
  };
  const fringe = g.rowChoice.fringe.how === 'cutAfter' ? ' The fringe last, longer than you think.' : '';
  return trims[g.schools.trim] + fringe;
}
