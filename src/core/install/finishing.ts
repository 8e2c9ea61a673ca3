/** What is done to the hair between knots and after the last of them. */
import { DRESSING_INFO, FINISH, lowerFirst, type Schools } from '../trade/index.ts';
import { wigCheck, wornAfterBlock } from './putting-on.ts';
import type { WorkContext, WorklistStep } from './work-step.ts';

export function smoothing(g: WorkContext): Array<{ at: 'pack' | 'half' | 'end'; step: WorklistStep }> {
  const where = { afterOnePack: 'pack', middle: 'half', end: 'end' } as const;
  return g.cuts.flatMap((cut) => {
    const count = g.knots.filter((k) => k.cut === cut.id).length;
    const info = DRESSING_INFO[cut.dressed];
    const piece = g.pieces.get(cut.id);
    if (count === 0 || !piece || cut.dressed === 'asItIs' || info.before) return [];
    const step: WorklistStep = {
      kind: 'smooth',
      what: `${cut.name}: ${info.name}`,
      how: `${info.why} Judge it only then; what comes later is done the same way.`,
      minutes: (count * piece.secondsDressing) / 60,
    };
    return [{ at: where[g.schools.smoothing], step }];
  });
}

export function finishing(g: WorkContext): WorklistStep[] {
  return [
    ...opening(g),
    {
      kind: 'finish',
      what: 'Separate, shake out, fill the gaps',
      how: 'Gaps show now. Fill them from the reserve, one piece at a time.',
      minutes: shakingMinutes(g),
    },
    ...wornAfterBlock(g),
    { kind: 'trim', what: 'Trim', how: trimWords(g), minutes: trimMinutes(g) },
    ...(g.cap.wig ? [wigCheck(g.cap)] : []),
  ];
}

function opening(g: WorkContext): WorklistStep[] {
  return g.cuts.flatMap((cut): WorklistStep[] => {
    const knots = g.knots.filter((k) => k.cut === cut.id).length;
    const piece = g.pieces.get(cut.id);
    const { opened } = cut;
    if (knots === 0 || !piece || opened.when !== 'after' || piece.secondsOpening === 0) return [];
    return [
      {
        kind: 'open',
        what: `Open the strands of ${lowerFirst(cut.name)}`,
        how: `About ${Math.max(1, Math.round(opened.strands * piece.strands))} of each piece, ${Math.round(opened.reach * 100)} % of the way up. Half, look, then the rest: an opened coil won’t go back through a net.`,
        minutes: (knots * piece.secondsOpening) / 60,
      },
    ];
  });
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
