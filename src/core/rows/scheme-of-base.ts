/** The row scheme that belongs to a base, as long as she has not chosen one (common practice, no source). */
import type { BaseChoice } from '../base/index.ts';
import type { Cap, Family, Scheme } from '../trade/index.ts';

/** Without a cap pieces go where the base gives them something to hook onto. */
const SCHEME_OF: Readonly<Partial<Record<Family, Scheme>>> = {
  grid: 'grid',
  threaded: 'rods',
  puff: 'fromTie',
  flatTwists: 'found',
  found: 'found',
};

export function schemeOfBase(
  { family, found }: Pick<BaseChoice, 'family' | 'found'>,
  { dome, ownRows }: Pick<Cap, 'dome' | 'ownRows'>,
): Scheme {
  if (dome !== 'none') return ownRows === 'none' ? 'joined' : 'found';
  const hasNoLines = family === 'found' && found.lines.length === 0;
  return hasNoLines ? 'joined' : (SCHEME_OF[family] ?? 'joined');
}
