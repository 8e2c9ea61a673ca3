/** What the invented wearer has lying about. */
import type { ProductAsWritten } from '../model/plan.ts';
import { deepPartStraight, shoulderCurls, sweptCoils } from './plans.ts';

export interface DemoStash {
  readonly hair: ReadonlyArray<{ readonly product: ProductAsWritten; readonly loose: number }>;
  readonly things: ReadonlyArray<{
    readonly name: string;
    readonly count: number;
    readonly inBag: number;
    readonly bagPrice: number;
  }>;
}

const [curl] = shoulderCurls.products;
const [coil] = sweptCoils.products;
const [sleek] = deepPartStraight.products;

export const demoStash: DemoStash = {
  hair: [
    { product: { ...curl, packsAtHand: 2 }, loose: 19 },
    { product: { ...curl, colours: ['off black'], packsAtHand: 1 }, loose: 0 },
    { product: { ...coil, packsAtHand: 0, condition: 'worn', timesWorn: 1 }, loose: 46 },
    { product: { ...sleek, colours: ['copper'], packsAtHand: 0 }, loose: 8 },
  ],
  things: [
    { name: 'latch hook', count: 2, inBag: 1, bagPrice: 3.2 },
    { name: 'blunt scissors', count: 1, inBag: 1, bagPrice: 6 },
    { name: 'hand mirror', count: 1, inBag: 1, bagPrice: 7.5 },
    { name: 'tail comb', count: 1, inBag: 1, bagPrice: 2.4 },
    { name: 'small rubber bands', count: 30, inBag: 250, bagPrice: 2.9 },
    { name: 'scalp oil', count: 0, inBag: 1, bagPrice: 5.5 },
  ],
};
