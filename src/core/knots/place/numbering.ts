/** Which pack a piece comes from: one pack after the other, each product and colour by itself. */
import type { PlannedKnot } from './planned.ts';

/** Packs that are hooked already, a share of one included, by what they hold. */
export type PacksUsed = Map<string, number>;

/** A pack is empty when shares of it add up to it, however they were rounded. */
const PACK_ROUNDING = 1e-9;

/** @param perPack hooked pieces that a pack gives @param held what the packs hold, where a product comes in several colours */
export function nextPiece(used: PacksUsed, product: string, perPack: number, held = product): PlannedKnot['piece'] {
  const packs = used.get(held) ?? 0;
  used.set(held, packs + 1 / perPack);
  const whole = Math.floor(packs + PACK_ROUNDING);
  return { product, pack: whole + 1, number: Math.floor((packs - whole) * perPack + PACK_ROUNDING) + 1 };
}
