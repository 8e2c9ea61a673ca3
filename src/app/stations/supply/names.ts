/** What is wanted and what is offered, as it is told. */
import { formatISO } from 'date-fns';
import type { BoughtLine, BuyingAsked } from '../../../core/supply/buy/index.ts';

export const nameOf = (asked: BuyingAsked, need: string) => {
  const kind = asked.needs.find((n) => n.id === need)?.kind;
  return kind ? `${kind.name}, ${kind.colour}` : need;
};

export const offerName = (asked: BuyingAsked, { offer }: BoughtLine) => {
  const kind = asked.offers.find((o) => o.id === offer)?.kind;
  return kind ? `${kind.name}, ${kind.colour}, ${Math.round(kind.lengthMm / 10)} cm` : offer;
};

/** Where she is. */
export const today = () => formatISO(new Date(), { representation: 'date' });
