/** A purchase in plain sentences: what each pack stands in for, and what would have to be given up. */
import { differenceWords } from '../colours/index.ts';
import type { WayOut } from './buy.ts';
import type { Fit } from './fits.ts';
import type { HairKind } from './offer.ts';

const TIMES = ['', '', 'two', 'three', 'four'];

/** Why a pack is not quite what was wanted; nothing where it is. */
export function standsIn(wanted: HairKind, offered: HairKind, { colourOff, longerMm, split }: Fit): string {
  return [
    offered.name === wanted.name ? '' : `in place of ${wanted.name}`,
    offered.colour === wanted.colour ? '' : `${offered.colour} for ${wanted.colour}: ${differenceWords(colourOff)}`,
    longerMm > 0 ? `${Math.round(longerMm / 10)} cm longer, to be cut down` : '',
    split > 1 ? `each piece split in ${TIMES[split]}` : '',
    split < 1 ? `${TIMES[Math.round(1 / split)]} hooked as one` : '',
  ]
    .filter(Boolean)
    .join('; ');
}

const SURE: Readonly<Record<string, string>> = { '0.5': 'half of installs', '0.8': 'four in five installs' };

/** "€7.50 more would do it." */
export function wayInWords({ give, amount, wish }: WayOut, money: (amount: number) => string): string {
  switch (give) {
    case 'money':
      return `${money(amount)} more than you want to spend`;
    case 'time':
      return `${amount} ${amount === 1 ? 'day' : 'days'} later`;
    case 'colour':
      return `a colour farther off, ${differenceWords(wish.colourWithin)}`;
    case 'sure':
      return `packs that last in ${SURE[String(amount)] ?? 'fewer installs'}, not more`;
    case 'length':
      return 'longer hair, cut down to its length';
  }
}
