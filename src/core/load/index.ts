/** What hair weighs on what bears it. */
export { BITE_WORDS, type BiteGroup, biteGroups } from './bites.ts';
export { type IntoFigures, intoFigures } from './into.ts';
export { type Load, weigh } from './weight.ts';
