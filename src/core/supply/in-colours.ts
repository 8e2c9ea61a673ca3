/** Packs hold one colour: a product that comes in several is bought as several. */
import { type ColourChoice, OWN } from '../colours/index.ts';
import type { Product } from '../hair/index.ts';

/** A product in one of the colours that are mixed. */
export interface ProductInColour extends Product {
  readonly colour?: string;
}

/** Under which id it is bought. */
export const inColour = (product: string, colour: string) => (colour === OWN ? product : `${product} ${colour}`);

/** @param main the product that most is hooked of: packs of a mixed colour that she has are of it */
export function productsInColours(
  products: readonly Product[],
  { more }: Pick<ColourChoice, 'more'>,
  main: string | undefined,
): readonly ProductInColour[] {
  if (more.length === 0) return products;
  return products.flatMap((product): ProductInColour[] => [
    { ...product, name: `${product.name}, ${product.colours[0]}`, colour: OWN },
    ...more.map(({ id, name, packsAtHand }) => ({
      ...product,
      id: inColour(product.id, id),
      name: `${product.name}, ${name}`,
      colour: id,
      packsAtHand: product.id === main ? packsAtHand : 0,
      ...(product.lowerHalfOf === undefined ? {} : { lowerHalfOf: inColour(product.lowerHalfOf, id) }),
    })),
  ]);
}
