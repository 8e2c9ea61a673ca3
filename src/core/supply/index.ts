/** Pieces, packs, price, and what is left over. */
export { demandsOf } from './demands.ts';
export { COUNT_SPREAD, leftFor, planSupply, type Supply } from './packs.ts';
