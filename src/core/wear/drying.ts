/**
 * How long roots take to dry: the water that own hair, the roots of the pieces and the net hold, over what leaves a wet
 * scalp in an hour. From a wet surface into air (25 + 19 v) (xs - x) kg an m2 and hour evaporate, v in m/s, x the humidity
 * ratio (the usual engineering formula for wet surfaces, after Carrier 1918; from memory). What hair and net hold back of it is a guess.
 */
import { TEXTURE_INFO, type Texture } from '../trade/index.ts';

export interface Wet {
  readonly texture: Texture;
  readonly isSynthetic: boolean;
  readonly lengthMm: number;
  /** Of all added hair, g. */
  readonly hairG: number;
  /** Of own hair under it, g. */
  readonly ownHairG: number;
  /** A net with holes lets through more than one that is closed. */
  readonly net: 'none' | 'holes' | 'closed';
  /** Scalp under it, mm2. */
  readonly scalpMm2: number;
}

/** Water in towelled hair, g for each g. Keratin alone takes up about 0.3 g (Robbins, Chemical and Physical Behavior of Human Hair; from memory); the rest clings between hairs (guess). */
const HELD_HUMAN = 0.5;
/** Acrylic fibre itself takes up next to nothing (ASTM D1909: modacrylic 0.4 in 100; from memory): what clings between hairs (guess). */
const HELD_SYNTHETIC = 0.25;
/** A net that was wetted, g (guess). */
const NET_WATER_G = 8;
/** What of a piece lies at its root, mm (guess). */
const ROOT_MM = 60;

/** kg of water in a kg of air: saturated at the 28 degrees of a scalp under hair, and in a room at 20 degrees and half saturated. */
export const SATURATED = 0.0242;
export const ROOM = 0.00726;
/** Air that stands still in a room, and a dryer at its cool setting a hand away, m/s. */
const STILL = 0.1;
const DRYER = 2;

const OPEN: Readonly<Record<Wet['net'], number>> = { none: 0.6, holes: 0.45, closed: 0.3 };
/** So much hair over it halves what gets out, g (guess). */
const HALVES_G = 220;
/** Heads, rooms and hands with a towel differ (guess). */
const LEAST = 0.65;
const MOST = 1.7;

/** Water near the scalp after a full wash and a towel, g. */
export function waterG({ texture, isSynthetic, lengthMm, hairG, ownHairG, net }: Wet): number {
  const held = (isSynthetic ? HELD_SYNTHETIC : HELD_HUMAN) * (TEXTURE_INFO[texture].springy ? 1.3 : 1);
  const atRoot = Math.min(1, ROOT_MM / Math.max(ROOT_MM, lengthMm));
  return HELD_HUMAN * ownHairG + held * atRoot * hairG + (net === 'none' ? 0 : NET_WATER_G);
}

/** What leaves an open wet scalp in an hour, g. */
export const leavesGAnHour = (scalpMm2: number, metresASecond: number): number =>
  1000 * (25 + 19 * metresASecond) * (SATURATED - ROOM) * (scalpMm2 / 1e6);

/** Hours in a room by themselves, and with a dryer at its cool setting: each least and most. @param share of the water of a full wash */
export function dryingHours(wet: Wet, share: number) {
  const through = OPEN[wet.net] / (1 + wet.hairG / HALVES_G);
  const hours = (metresASecond: number) => {
    const middle = (share * waterG(wet)) / (through * leavesGAnHour(wet.scalpMm2, metresASecond));
    return [LEAST * middle, MOST * middle] as const;
  };
  return { byItself: hours(STILL), withDryer: hours(DRYER) };
}
