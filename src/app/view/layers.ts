/** What the stage shows, said in one row of words; each station begins with what is worked on there. */
import type { StationId } from '../thread/stations.ts';
import type { Tool } from './view-store.ts';

/** Own hair and base, cap with rows and knots, hair as it hangs, where light comes through. */
export const LAYERS = ['base', 'rows', 'hair', 'light'] as const;
export type Layer = (typeof LAYERS)[number];

export const LAYER_INFO: Readonly<Record<Layer, { readonly name: string; readonly more: string }>> = {
  base: { name: 'own hair', more: 'and base' },
  rows: { name: 'rows', more: 'and knots on the cap' },
  hair: { name: 'hair', more: 'as it will hang' },
  light: { name: 'light', more: 'where it comes through' },
};

export const FIRST_LAYER: Readonly<Record<StationId, Layer>> = {
  aim: 'hair',
  measure: 'base',
  base: 'base',
  cap: 'rows',
  hair: 'hair',
  rows: 'rows',
  check: 'hair',
  supply: 'hair',
  install: 'rows',
  wear: 'hair',
  takedown: 'rows',
  log: 'hair',
  practice: 'rows',
};

/** A tool works on what it works on: while it is in hand one of these is shown, the first where she had chosen none of them. */
const SHOWN_WITH: Readonly<Partial<Record<Tool['kind'], readonly Layer[]>>> = {
  hairline: ['base'],
  cut: ['base'],
  row: ['base', 'rows'],
  density: ['rows', 'light'],
  place: ['rows'],
  comb: ['rows'],
  tie: ['base', 'rows'],
  moveKnot: ['rows'],
  addKnot: ['rows', 'light'],
  pullRow: ['rows'],
  finger: ['hair', 'light'],
};

export function layerWith(tool: Tool, chosen: Layer): Layer {
  const shown = SHOWN_WITH[tool.kind];
  return !shown || shown.includes(chosen) ? chosen : shown[0];
}

/** How it is drawn: own hair as sections or under the tape, rows with or without the opening in hand. */
export type Show = 'rows' | 'opening' | 'sections' | 'tape' | 'hair' | 'light';

export function showOf(station: StationId, layer: Layer): Show {
  if (layer === 'base') return station === 'measure' ? 'tape' : 'sections';
  if (layer === 'rows') return station === 'cap' ? 'opening' : 'rows';
  return layer;
}

/** Whether hair is laid for it. */
export const isLook = (show: Show): show is 'hair' | 'light' => show === 'hair' || show === 'light';
