/** Her own fingers as a measure: so many laid side by side on a ruler, and lengths that are counted in them. */

import { DEFAULT_FINGER_MM } from '../core/trade/index.ts';
import { type LengthUnit, parseLength } from './lengths.ts';

/** Fingers laid side by side on a ruler, and what the ruler says. */
export interface Fingers {
  readonly count: number;
  readonly width: string;
}

/** Width of one finger, mm; undefined where what is written is no length. */
export function fingerOf(fingers: Fingers | undefined, unit: LengthUnit): number | undefined {
  if (typeof fingers?.width !== 'string') return undefined;
  const parsed = parseLength(fingers.width, unit === 'finger' ? 'cm' : unit, DEFAULT_FINGER_MM);
  return parsed.ok ? parsed.value / (fingers.count === 4 ? 4 : 1) : undefined;
}

/** A length of the plan; fingers are counted in her own finger width. */
export function readLength(text: string, unit: LengthUnit, fingers?: Fingers) {
  return parseLength(text, unit, fingerOf(fingers, unit) ?? DEFAULT_FINGER_MM);
}
