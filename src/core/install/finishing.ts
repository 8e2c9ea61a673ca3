/** What is done to the hair between knots and after the last of them. */
import { DRESSING_INFO, lowerFirst, type Schools } from '../trade/index.ts';
import { wigCheck } from './putting-on.ts';
import type { WorkContext, WorklistStep } from './work-step.ts';

export function smoothing(g: WorkContext): Array<{ at: 'pack' | 'half' | 'end'; step: WorklistStep }> {
  const where = { afterOnePack: 'pack', middle: 'half', end: 'end' } as const;
  return g.cuts.flatMap((cut) => {
    const count = g.knots.filter((k) => k.cut === cut.id).length;
    const info = DRESSING_INFO[cut.dressed];
    if (count === 0 || cut.dressed === 'asItIs' || info.before) return [];
    const step: WorklistStep = {
      kind: 'smooth',
      what: `${cut.name}: ${info.name}`,
      how: `${info.why} Judge it only then; what comes later is done the same way.`,
      minutes: (g.paceFactor * count * info.secondsAPiece) / 60,
    };
    return [{ at: where[g.schools.smoothing], step }];
  });
}

export function finishing(g: WorkContext): WorklistStep[] {
  const steps: WorklistStep[] = [];
  for (const cut of g.cuts) {
    const knots = g.knots.filter((k) => k.cut === cut.id).length;
    const { opened } = cut;
    if (knots === 0 || opened.when !== 'after') continue;
    const strands = g.pieces.get(cut.id)?.strands ?? 0;
    steps.push({
      kind: 'open',
      what: `Open the strands of ${lowerFirst(cut.name)}`,
      how: `About ${Math.max(1, Math.round(opened.strands * strands))} of each piece, ${Math.round(opened.reach * 100)} % of the way up. Half, look, then the rest: an opened coil won’t go back through a net.`,
      minutes: (g.paceFactor * knots * (g.pieces.get(cut.id)?.secondsAfter ?? 0)) / 60,
    });
  }
  const trims: Readonly<Record<Schools['trim'], string>> = {
    before: 'Only what sticks out: it was cut before it was hooked.',
    sameDay: 'At a slant, in small cuts, head tipped so that the outline becomes an arc.',
    later: 'Little now, more next day: it settles overnight, and what is cut is gone.',
  };
  const fringe = g.rowChoice.fringe.how === 'cutAfter' ? ' The fringe last, longer than you think.' : '';
  return [
    ...steps,
    {
      kind: 'finish',
      what: 'Separate, shake out, fill the gaps',
      how: 'Gaps show now. Fill them from the reserve, one piece at a time.',
      minutes: 15,
    },
    { kind: 'trim', what: 'Trim', how: trims[g.schools.trim] + fringe, minutes: 10 },
    ...(g.cap.wig ? [wigCheck(g.cap)] : []),
  ];
}
