/** Under which id a thing of a stash is found again. */

import { lotKey } from '../model/lot-key.ts';
import type { ProductAsWritten } from '../model/plan.ts';
import type { StashRecord } from './records.ts';

/** Whose stash: a wearer's id; of a plan that is nobody's, everybody's. */
export type Of = string | undefined;

export const idOf = (of: Of, kind: StashRecord['kind'], name: string) => [...(of ? [of] : []), kind, name].join(' ');
export const hairId = (of: Of, product: ProductAsWritten, cut?: 'upper' | 'lower') =>
  idOf(of, 'hair', [lotKey(product), ...(cut ? [cut] : [])].join(' · '));
