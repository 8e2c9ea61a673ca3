/** What the stage shows, by station; what draws it comes with it. */
import type { Show } from '../../view/layers.ts';
import type { Mode } from './drawn.ts';

export const MODES: Readonly<Record<Show, () => Promise<Mode>>> = {
  rows: () => import('./rows.ts').then((m) => m.rows),
  opening: () => import('./opening.ts').then((m) => m.opening),
  sections: () => import('./sections.ts').then((m) => m.sections),
  tape: () => import('./tape.ts').then((m) => m.tape),
  hair: () => import('./look.ts').then((m) => m.hair),
  light: () => import('./look.ts').then((m) => m.light),
};
