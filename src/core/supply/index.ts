/** Pieces, packs, price, and what is left over. */
export { demandsOf } from './demands.ts';
export { COUNT_SPREAD } from './enough.ts';
export { leftFor, planSupply, type Supply } from './packs.ts';
