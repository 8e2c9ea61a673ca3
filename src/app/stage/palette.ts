import type { PlanDocument } from '../../model/plan.ts';
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
