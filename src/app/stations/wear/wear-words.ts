/** Words of what is due, and of the day by which it comes off. */
import { TEXTURE_INFO } from '../../../core/trade/index.ts';
import type { Care, ComesOff, WhyOff, Worn } from '../../../core/wear/index.ts';

export const careWords = ({ isOnHead }: Pick<Worn, 'isOnHead'>): Readonly<Record<Care, string>> => ({
  dry: 'Dry the roots before you sleep',
  wash: isOnHead ? 'Wash the scalp: a nozzle between the rows' : 'Wash the wig, on its block',
  tidy: 'Tidy the fuzz: mousse, pull gently, trim',
  edges: 'Look at your edges, in daylight',
  hold: 'Look where it slipped, and hold it again',
  night: isOnHead ? 'Tonight a bonnet and an edge wrap' : 'Tonight the wig off, on its block',
});

const BECAUSE: Readonly<Record<WhyOff, (worn: Worn) => string>> = {
  meant: ({ meantDays }) => `You meant to wear it for ${meantDays} days.`,
  matted: ({ texture }) => `Hair like this, ${TEXTURE_INFO[texture].name}, mats by about then: a guess.`,
  crept: () => 'By then it has crept so far that it no longer holds as it was laid: a guess.',
  grownOut: () => 'By then your own hair has grown out of its base: six weeks are the longest.',
  mattedNow: () => 'It is matted: later it only comes out with scissors.',
  itches: () => 'It has itched on three days of one week: your scalp wants to be seen.',
  hurts: () => 'It hurts, or the skin shows it. It doesn’t get better under a style.',
};

export const because = (off: ComesOff, worn: Worn) => BECAUSE[off.why](worn);
