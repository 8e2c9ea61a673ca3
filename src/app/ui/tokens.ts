/** What canvas and shaders draw with, read from the style sheet: a colour or a size stands once, in theme.css. */

export const TOKENS = [
  'ink',
  'ground',
  'cloth',
  'skin',
  'nail',
  'brass',
  'w-ink2',
  'yarn',
  'light',
  'sign',
  'caution',
  'under',
  'glow',
  'glow-out',
  'tail',
  'tail-light',
  'lit-light',
  'lit-brown',
  'lit-deep',
  'scalp-light',
  'scalp-brown',
  'scalp-deep',
  'cap',
  'cap-net',
  'cap-band',
  'own-hair',
  'own-strand',
  'foam',
  'foam-net',
  'foam-band',
  'heat-0',
  'heat-1',
  'heat-2',
  'heat-3',
  'heat-4',
  'heat-5',
  'less',
  'halo',
  'plait',
  'net-thread',
  'lock',
  'lock-light',
  'text-note',
  'font-text',
  'font-display',
] as const;
export type Token = (typeof TOKENS)[number];

let known = new Map<Token, string>();
let knownFor: string | undefined;

/** @throws when the style sheet has no such token: a picture in the wrong colours would not be noticed. */
export function token(name: Token): string {
  const root = document.documentElement;
  const { theme, skin } = root.dataset;
  if (knownFor !== `${theme} ${skin}`) {
    known = new Map();
    knownFor = `${theme} ${skin}`;
  }
  let value = known.get(name);
  if (value === undefined) {
    value = getComputedStyle(root).getPropertyValue(`--${name}`).trim();
    if (value === '') throw new Error(`theme.css has no --${name}`);
    known.set(name, value);
  }
  return value;
}

/** The face of running text for a canvas, in the size of a note. */
export const noteFont = () => `${token('text-note')} ${token('font-text')}`;
