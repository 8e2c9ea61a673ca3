/** Colours that don't last, or that fewer pieces have than was asked for. */
import { nameOfColour } from '../colours/index.ts';
import type { Check } from './check.ts';

export const noHairLeft: Check = (_, { mix }) => {
  if (!mix || mix.missing === 0) return undefined;
  return {
    code: 'colours.noHairLeft',
    severity: 'caution',
    station: 'hair',
    what: `There is no hair for ${mix.missing} ${mix.missing === 1 ? 'piece' : 'pieces'} in any colour.`,
    why: 'No more of these colours can be had, and what is at hand is less than the plan takes: wider gaps behind, a finer split, or a colour that can be bought.',
  };
};

/** Fewer by so much is not told: shares are whole pieces. */
const TOLD_FROM = 1;

export const dealtThinner: Check = (inputs, { mix }) => {
  const thin = mix?.colours.find((c) => inputs.colours.noMore.includes(c.id) && c.asked - c.pieces >= TOLD_FROM);
  if (!thin || mix?.missing) return undefined;
  return {
    code: 'colours.dealtThinner',
    severity: 'note',
    station: 'hair',
    what: `${nameOfColour(inputs.colours, inputs.products[0].colours[0], thin.id)} has ${thin.pieces} pieces where ${Math.round(thin.asked)} were asked for.`,
    why: 'No more of it can be had, so it is spread thinner over all of its places: it lasts to the end, and no block of another colour comes last.',
  };
};
