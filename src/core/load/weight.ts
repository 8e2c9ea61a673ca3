/** What the style weighs and what each section of own hair carries. Never a promise of safety. */

import type { LaidBase } from '../base/index.ts';
import type { CapFit } from '../cap/index.ts';
import { WET } from './bites.ts';

export interface SectionLoad {
  readonly sectionId: string;
  readonly pieces: number;
  readonly massG: number;
  /** Carried by own hair once the net has taken its share, low and high, g. */
  readonly onHairG: readonly [low: number, high: number];
  /** The same, over the mass of the section's own hair. */
  readonly timesOwnHair: readonly [low: number, high: number];
}

export interface Load {
  readonly massG: number;
  readonly range: readonly [low: number, high: number];
  /** Wet, 1.5 to 2 times (from memory). */
  readonly wetG: readonly [low: number, high: number];
  readonly sections: readonly SectionLoad[];
}

/** Pieces of one pack differ, and counts too (guess). */
const MASS_SPREAD = 0.1;

export function weigh(
  /** Index of the section that bears each piece. */
  bearing: ArrayLike<number>,
  /** Mass of the piece at each of them, g. */
  massesG: ArrayLike<number>,
  /** Whether own hair alone carries it: no net there, as in a cut-out. */
  isBare: (piece: number) => boolean,
  base: Pick<LaidBase, 'sections'>,
  cap: Pick<CapFit, 'shareOfPull'>,
  /** What is worn beside it, bound to no section, g. */
  besideG = 0,
): Load {
  const pieces = new Uint32Array(base.sections.length);
  const masses = new Float64Array(base.sections.length);
  const bare = new Float64Array(base.sections.length);
  let massG = besideG;
  for (let i = 0; i < bearing.length; i++) {
    const section = bearing[i];
    pieces[section]++;
    masses[section] += massesG[i];
    if (isBare(i)) bare[section] += massesG[i];
    massG += massesG[i];
  }
  const [least, most] = cap.shareOfPull;
  return {
    massG,
    range: [massG * (1 - MASS_SPREAD), massG * (1 + MASS_SPREAD)],
    wetG: [massG * WET[0], massG * WET[1]],
    sections: base.sections.map((section, i): SectionLoad => {
      const mass = masses[i];
      const onNet = mass - bare[i];
      const onHairG = [bare[i] + onNet * (1 - most), bare[i] + onNet * (1 - least)] as const;
      const own = Math.max(section.massG, 1e-6);
      return {
        sectionId: section.id,
        pieces: pieces[i],
        massG: mass,
        onHairG,
        timesOwnHair: [onHairG[0] / own, onHairG[1] / own],
      };
    }),
  };
}
