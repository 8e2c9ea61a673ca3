/** Which hair is the same. */
import type { ProductAsWritten } from './plan.ts';

/** The same name, colours, length as written, and condition: such pieces are told from each other by nobody. */
export const lotKey = ({ name, colours, length, condition }: ProductAsWritten): string =>
  [name, colours.join('>'), length, condition].join(' · ');
