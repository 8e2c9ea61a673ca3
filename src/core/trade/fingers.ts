/** Fingers as a measure: what a plan may hold of them, and how they are said. */
import type { PartKind } from './parts.ts';
import { lowerFirst } from './words.ts';
import { type SpacingZone, ZONES, zoneName } from './zones.ts';

const NUMBER_WORDS = [
  'no',
  'one',
  'two',
  'three',
  'four',
  'five',
  'six',
  'seven',
  'eight',
  'nine',
  'ten',
  'eleven',
  'twelve',
];

/** @param fingers in halves, or in quarters: "a finger and a quarter" */
export function fingersInWords(fingers: number): string {
  if (fingers === 0) return 'no finger';
  const whole = Math.floor(fingers);
  const rest = fingers - whole;
  const word = NUMBER_WORDS[whole] ?? String(whole);
  if (rest === 0) return whole === 1 ? 'one finger' : `${word} fingers`;
  if (whole === 0) return PARTS_OF_ONE.get(rest) ?? 'half a finger';
  if (rest === 0.5) return `${word} and a half fingers`;
  const part = rest < 0.5 ? 'a quarter' : 'three quarters';
  return whole === 1 ? `a finger and ${part}` : `${word} fingers and ${part}`;
}
const PARTS_OF_ONE: ReadonlyMap<number, string> = new Map([
  [0.25, 'a quarter of a finger'],
  [0.75, 'three quarters of a finger'],
]);

/** "1¼ fingers": quarters as real fractions. */
export function fingersFigure(fingers: number): string {
  const quarters = Math.round(fingers * 4);
  const whole = Math.floor(quarters / 4);
  const rest = ['', '¼', '½', '¾'][quarters % 4];
  const exact = Math.abs(quarters / 4 - fingers) < 1e-6;
  if (!exact) return fingers.toFixed(2);
  return whole === 0 ? rest || '0' : `${whole}${rest}`;
}

/** "part 1, top 1¼ fingers": the gap of each zone, for a button or a sentence. */
export function gapsInWords(fingers: Readonly<Partial<Record<SpacingZone, number>>>, partKind: PartKind): string {
  const told = ZONES.filter((z) => fingers[z] !== undefined);
  const words = told.map((z) => `${lowerFirst(zoneName(z, partKind))} ${fingersFigure(fingers[z] as number)}`);
  const isOne = told.length === 1 && (fingers[told[0]] as number) <= 1;
  return `${words.join(', ')} ${isOne ? 'finger' : 'fingers'}`;
}

export const FINGER_COUNTS = [1, 4] as const;

export const DEFAULT_FINGER_MM = 18;

export const FINGER_LIMITS_MM = [10, 30] as const;

export const SPACING_LIMITS_FINGERS = [0.25, 4] as const;
