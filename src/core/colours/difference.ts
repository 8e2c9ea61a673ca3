/**
 * How far two hair colours lie apart, as eyes see it: CIEDE2000 (CIE 142:2001), by culori. Where a difference is seen is a rule of
 * thumb of the trade of colours: from about 2 side by side, from about 10 at a glance (common practice, no source).
 */
import { type Color, differenceCiede2000 } from 'culori';
import { litHair, shadesIn } from '../trade/index.ts';

export const difference: (a: Color | string, b: Color | string) => number = differenceCiede2000();

/** Both in the words of the pack; where one is shaded, at root, middle or tip, wherever they are farthest apart. */
export const hairDifference = (a: string, b: string): number =>
  Math.max(...[0, 0.5, 1].map((share) => difference(shadeAt(a, share), shadeAt(b, share))));

function shadeAt(words: string, share: number): string {
  const shades = shadesIn(words);
  return litHair(shades[Math.round(share * (shades.length - 1))] ?? words);
}

const SIDE_BY_SIDE = 2;
const AT_A_GLANCE = 10;

export function differenceWords(difference: number): string {
  if (difference < SIDE_BY_SIDE) return 'as good as the same';
  return difference < AT_A_GLANCE ? 'seen side by side' : 'seen at a glance';
}
