/** What the ages of a style are called. */
import type { Age } from './ages.ts';

export const AGE_INFO: Readonly<Record<Age, { readonly name: string; readonly words: string }>> = {
  finished: { name: 'finished', words: 'Opened, dressed and trimmed as planned.' },
  beforeOpening: { name: 'before opening', words: 'Hooked, nothing separated or trimmed yet.' },
  firstWeek: {
    name: 'after a week',
    words: 'Matted a little and slipped: a guess. Strands draw together, smooth hair creeps furthest.',
  },
};
