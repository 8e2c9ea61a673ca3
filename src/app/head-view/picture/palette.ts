/** Which tokens of the style sheet a head is drawn in. */
import type { PlanDocument } from '../../../model/plan.ts';
import { token } from '../../ui/tokens.ts';
import type { Palette } from './head-picture.ts';

/** The part is a flat strip of scalp in her skin's own tone. */
export const scalpColour = (skin: PlanDocument['skin']) => token(`scalp-${skin}`);

/** Below the cap the base is looked at, and her head is measured, with her own hair in sight. */
export function paletteOf(plan: Pick<PlanDocument, 'skin' | 'cap'>, dark: boolean, capOff = false): Palette {
  const bare = capOff || plan.cap.dome === 'none';
  return {
    skin: token(`lit-${plan.skin}`),
    cap: token(bare ? 'own-hair' : 'cap'),
    net: token('cap-net'),
    band: token('cap-band'),
    dark,
    bare,
    picked: token('light'),
  };
}

/** A head of white foam in place of hers. */
/** A block under the cap as it is. */
export const formPalette = () => ({ skin: token('foam'), edge: token('foam'), bare: false });

export const blockPalette = () => ({
  skin: token('foam'),
  cap: token('foam'),
  net: token('foam-net'),
  band: token('foam-band'),
  bare: false,
});
