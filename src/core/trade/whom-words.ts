/** Whom a wig is for, and how its head is known, in words. */
import type { SizedBy, Whom } from './made-for.ts';

export const WHOM_INFO: Readonly<Record<Whom, { readonly name: string; readonly reason: string }>> = {
  me: { name: 'For me', reason: 'On your own head and base, or on a block for them.' },
  head: {
    name: 'For a head, not for me',
    reason: 'A wig of which only the size is known; base, own hair and tender spots are not asked.',
  },
};

export const SIZED_BY_INFO: Readonly<Record<SizedBy, { readonly name: string; readonly reason: string }>> = {
  tape: { name: 'by tape', reason: 'One measure or six, of that head or of the block.' },
  size: { name: 'by a size', reason: 'As caps are sold; the rest of the head is that of most people of that size.' },
  known: { name: 'as a head you know', reason: 'With the tape of another of your plans.' },
};
