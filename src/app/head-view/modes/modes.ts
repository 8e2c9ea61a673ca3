/** What the stage shows, by station; what draws it comes with it. */
import type { Mode } from './drawn.ts';

export type Show = 'rows' | 'opening' | 'sections' | 'tape' | 'look';

export const MODES: Readonly<Record<Show, () => Promise<Mode>>> = {
  rows: () => import('./rows.ts').then((m) => m.rows),
  opening: () => import('./opening.ts').then((m) => m.opening),
  sections: () => import('./sections.ts').then((m) => m.sections),
  tape: () => import('./tape.ts').then((m) => m.tape),
  look: () => import('./look.ts').then((m) => m.look),
};
