/** What is wanted and what is offered, as it is told. */
import type { BoughtLine, BuyingAsked } from '../../../core/buying/index.ts';
import { isLoose } from '../../../model/buying.ts';

export const nameOf = (asked: BuyingAsked, need: string) => {
  const kind = asked.needs.find((n) => n.id === need)?.kind;
  return kind ? `${kind.name}, ${kind.colour}` : need;
};

/** "3 × Quillow loop curl, black, 33 cm"; pieces that lie about are told as pieces. */
export function lineName(asked: BuyingAsked, line: BoughtLine): string {
  const kind = asked.offers.find((o) => o.id === line.offer)?.kind;
  return kind && isLoose(line.offer)
    ? `${kind.piecesPerPack} loose pieces of ${offerName(asked, line)}`
    : `${line.packs} × ${offerName(asked, line)}`;
}

export const offerName = (asked: BuyingAsked, { offer }: BoughtLine) => {
  const kind = asked.offers.find((o) => o.id === offer)?.kind;
  return kind ? `${kind.name}, ${kind.colour}, ${Math.round(kind.lengthMm / 10)} cm` : offer;
};
