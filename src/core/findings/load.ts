/** What is wrong, risky or worth knowing of the weight. */
import { ZONES } from '../trade/index.ts';
import type { Check } from './check.ts';

/** From here a head of hair is felt by evening (guess). */
const HEAVY_G = 300;

export const heavy: Check = (inputs, { load }) => {
  if (load.massG <= HEAVY_G) return undefined;
  const worst = Math.max(...load.sections.map((s) => s.timesOwnHair[1]));
  const fingers = Object.fromEntries(ZONES.map((z) => [z, inputs.spacing.fingers[z] + 0.25]));
  return {
    code: 'load.heavy',
    severity: 'caution',
    station: 'check',
    what: `${Math.round(load.massG)} g is heavy.`,
    why: `Wet it is ${Math.round(load.wetG[0])} to ${Math.round(load.wetG[1])} g; the fullest section carries up to ${worst.toFixed(1)} times the weight of its own hair. No figure promises safety: headache or sore roots mean take some out.`,
    fix: { deed: 'A quarter finger wider everywhere', change: { kind: 'setSpacing', fingers } },
  };
};
