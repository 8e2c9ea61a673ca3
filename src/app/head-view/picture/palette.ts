import type { PlanDocument } from '../../../model/plan.ts';
import type { Palette } from './head-picture.ts';

const SKIN: Readonly<Record<PlanDocument['skin'], string>> = { light: '#915f40', brown: '#6a412b', deep: '#43281b' };
/** The part is a flat strip of scalp in her skin's own tone. */
export const SCALP: Readonly<Record<PlanDocument['skin'], string>> = {
  light: '#c08a66',
  brown: '#a9744f',
  deep: '#7d5138',
};

/** Below the cap the base is looked at, and her head is measured, with her own hair in sight. */
export function paletteOf(plan: Pick<PlanDocument, 'skin' | 'cap'>, dark: boolean, capOff = false): Palette {
  const bare = capOff || plan.cap.dome === 'none';
  return {
    skin: SKIN[plan.skin],
    cap: bare ? '#1d1413' : '#211d31',
    net: '#575270',
    band: '#141221',
    dark,
    bare,
    picked: '#eeb04a',
  };
}

/** Words that products use for colours, as lit hair; the first that fits counts. */
const HAIR_COLOURS: ReadonlyArray<readonly [word: RegExp, colour: string]> = [
  [/off.?black|natural/, '#2a211d'],
  [/black|jet|1b?$/, '#221d1e'],
  [/white|platinum/, '#d8d0c2'],
  [/silver|grey|gray/, '#8f8c8c'],
  [/honey|gold/, '#a4743a'],
  [/blond/, '#b08a55'],
  [/copper|ginger|orange/, '#8f4723'],
  [/auburn|mahogany/, '#552519'],
  [/burgundy|wine|plum/, '#43161f'],
  [/red/, '#76201a'],
  [/caramel|chestnut/, '#6b4426'],
  [/light brown/, '#644630'],
  [/dark brown/, '#33231a'],
  [/brown/, '#46301f'],
  [/pink/, '#a9576b'],
  [/blue/, '#26355e'],
  [/green/, '#2b4433'],
  [/purple|violet/, '#3d2752'],
];
const DARK_HAIR = '#2a211d';

export function hairColour(word: string): string {
  const lower = word.toLowerCase().trim();
  return HAIR_COLOURS.find(([w]) => w.test(lower))?.[1] ?? DARK_HAIR;
}

/** A head of white foam in place of hers. */
export const BLOCK_PALETTE = { skin: '#e6e2d8', cap: '#e6e2d8', net: '#d8d3c6', band: '#d0cabc' } as const;
