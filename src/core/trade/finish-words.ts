/** What outlines are called, and why one takes them. Common practice, no source. */
import type { Outline } from './finish.ts';

export const OUTLINE_INFO: Readonly<Record<Outline, { readonly name: string; readonly reason: string }>> = {
  none: { name: 'as it falls', reason: 'Nothing is cut. What is cut is gone.' },
  level: { name: 'level', reason: 'All tips end at one height.' },
  slant: { name: 'longer at the face', reason: 'Cut at a slant with the head tipped.' },
  round: { name: 'an arc', reason: 'Nothing stands further from the head than that.' },
  layers: { name: 'layers', reason: 'Shorter from the crown, longest at the nape: moves, and stands fuller on top.' },
};
