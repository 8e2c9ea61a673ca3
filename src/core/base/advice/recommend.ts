/**
 * Which base for her hair, her skill, her time and what the style must do. What workers advise is a table of
 * rules, each with its points and its reason; on top of that every candidate is really laid on her head, and
 * what does not reach, makes a lump or takes too long counts against it. All rules: common practice, no source;
 * the points are a weighing of ours.
 */

import type { OwnHair } from '../../hair/index.ts';
import {
  FAMILY_INFO,
  type Family,
  type HairCurl,
  type HairFullness,
  type Pace,
  type Requirement,
} from '../../trade/index.ts';
import { type BaseWork, baseWork, editSections, type LaidBase, layBase } from '../base.ts';
import { type BaseChoice, DEFAULT_BASE } from '../choice.ts';
import type { BaseContext } from '../context.ts';
import type { PartOnHead } from '../sections/fields.ts';

export interface Wearer {
  readonly lengthMm: number;
  readonly fullness: HairFullness;
  readonly curl: HairCurl;
  readonly freshEnds: boolean;
  readonly girthMm: number;
  readonly pace: Pace;
  readonly capped: boolean;
  readonly requirements: readonly Requirement[];
  /** Minutes that she has for the base, if she said. */
  readonly minutes?: number;
}

export interface BaseWay {
  readonly id: string;
  readonly name: string;
  readonly choice: Partial<BaseChoice>;
  /** What those who work this way say, and when it fits. */
  readonly says: string;
}

/** Hair counts as long from here, as short below there, mm stretched: where workers' words change (common practice). */
export const LONG_MM = 280;
export const SHORT_MM = 130;
/** A big head, mm round (common practice: beyond the largest cap label). */
const BIG_GIRTH_MM = 590;

const family = (f: Family, change: Partial<BaseChoice> = {}): Partial<BaseChoice> => ({
  family: f,
  ...FAMILY_INFO[f].start,
  ...change,
});

export const BASE_WAYS: readonly BaseWay[] = [
  {
    id: 'four',
    name: 'Quarters',
    choice: family('tied', { behind: 2, front: 2 }),
    says: 'Four large plaits. For long hair: few lines, quick, and each plait is long enough to be laid round the head.',
  },
  {
    id: 'six',
    name: 'Three over three',
    choice: family('tied', { behind: 3, front: 3 }),
    says: 'Six plaits. Between the two: for hair of middling length and thickness.',
  },
  {
    id: 'eight',
    name: 'Four and four',
    choice: family('tied', { behind: 4, front: 4 }),
    says: 'Eight plaits. For thick hair or a big head: each stays thin enough to lie flat.',
  },
  {
    id: 'nine',
    name: 'About nine small ones',
    choice: family('tied', { behind: 5, front: 4 }),
    says: 'Small plaits. For short hair: what is short holds only in little, and every root is near its tie.',
  },
  {
    id: 'smooth',
    name: 'Three smooth tails',
    choice: family('tied', { behind: 2, front: 1, tail: 'smooth' }),
    says: 'Brushed, tied, not plaited. Quick and flat under a net; without one it creeps.',
  },
  {
    id: 'allOver',
    name: 'Small plaits all over',
    choice: family('allOver'),
    says: 'Two dozen little plaits. The flattest that own hair gives, and it carries everywhere; takes patience.',
  },
  {
    id: 'crossed',
    name: 'Two low tails, crossed',
    choice: family('crossed'),
    says: 'Two plaits low at the nape, crossed and pinned: half the height of one coil.',
  },
  {
    id: 'behindPart',
    name: 'Two twists behind the part',
    choice: family('behindPart'),
    says: 'For a part that stays where it is: both sides are drawn away from it.',
  },
  {
    id: 'intoCoil',
    name: 'Front tails into one coil',
    choice: family('intoCoil'),
    says: 'Smooth front, one coil behind. Quick; the coil makes a lump that the style has to go round.',
  },
  {
    id: 'flatTwists',
    name: 'Flat twists',
    choice: family('flatTwists'),
    says: 'Rows on the scalp for those who can’t cornrow. Very flat; the tail tucks up along its own twist.',
  },
  {
    id: 'halfUp',
    name: 'Half up, half down',
    choice: family('halfUp'),
    says: 'Own hair in sight on top; its front opens again to be renewed.',
  },
  {
    id: 'puff',
    name: 'Puff',
    choice: family('puff'),
    says: 'All tied high, pieces round it. Needs hair that reaches the tie.',
  },
  {
    id: 'laidFlat',
    name: 'Laid back flat',
    choice: family('laidFlat'),
    says: 'Nothing tied. Under a snug net only; nothing to take down.',
  },
  {
    id: 'grid',
    name: 'Rubber-band grid',
    choice: family('grid'),
    says: 'Little banded boxes with pieces on the bands. For short hair and no net.',
  },
  {
    id: 'threaded',
    name: 'Threaded rods',
    choice: family('threaded'),
    says: 'Two to three dozen rods wrapped with thread. Holds any texture, stretches coils, no heat.',
  },
];

interface Rule {
  readonly schools: readonly string[];
  readonly when: (w: Wearer) => boolean;
  readonly points: number;
  readonly because: string;
}

const isLong = (w: Wearer) => w.lengthMm >= LONG_MM;
const isShort = (w: Wearer) => w.lengthMm < SHORT_MM;
const must = (m: Requirement) => (w: Wearer) => w.requirements.includes(m);
const TIED = ['four', 'six', 'eight', 'nine'];

export const RULES: readonly Rule[] = [
  {
    schools: ['four'],
    when: (w) => isLong(w) && w.fullness !== 'thick',
    points: 4,
    because: 'Long hair gets about four: every plait is long enough to lie round the head.',
  },
  {
    schools: ['eight'],
    when: (w) => w.fullness === 'thick' && !isShort(w),
    points: 4,
    because: 'Thick hair gets about eight, so that no plait stands up.',
  },
  { schools: ['eight'], when: (w) => w.girthMm > BIG_GIRTH_MM, points: 1, because: 'A big head spreads eight easily.' },
  {
    schools: ['nine'],
    when: isShort,
    points: 4,
    because: 'Short hair gets about nine small ones: large plaits would not hold it.',
  },
  {
    schools: ['six'],
    when: (w) => !isLong(w) && !isShort(w) && w.fullness !== 'thick',
    points: 3,
    because: 'Hair of middling length and thickness: three over three is enough.',
  },
  { schools: TIED, when: () => true, points: 2, because: 'Plaits tied at the root don’t shift.' },
  {
    schools: TIED,
    when: (w) => w.pace === 'firstTime',
    points: 1,
    because: 'Nothing to learn first: a plait and a band.',
  },
  { schools: ['four', 'smooth'], when: isShort, points: -4, because: 'Large sections of short hair slide out.' },
  {
    schools: ['flatTwists'],
    when: (w) => w.pace === 'firstTime',
    points: -2,
    because: 'Flat twists want practice before they are even.',
  },
  {
    schools: ['flatTwists', 'threaded'],
    when: (w) => w.curl === 'coily' || w.curl === 'curly',
    points: 1,
    because: 'Hair that curls stays twisted or wrapped by itself.',
  },
  {
    schools: ['flatTwists', 'behindPart', 'crossed', 'four'],
    when: (w) => w.freshEnds,
    points: -1,
    because: 'Fresh ends slide out: clip, wax or band them.',
  },
  {
    schools: ['threaded', 'grid'],
    when: (w) => w.freshEnds,
    points: 1,
    because: 'Thread and root bands hold fresh ends too.',
  },
  { schools: ['threaded', 'grid'], when: isShort, points: 1.5, because: 'It holds hair that is too short to plait.' },
  {
    schools: ['threaded', 'grid', 'allOver', 'flatTwists'],
    when: (w) => !w.capped,
    points: 2,
    because: 'Without a net there is something to hook onto everywhere.',
  },
  {
    schools: ['threaded', 'grid'],
    when: (w) => w.capped,
    points: -2.5,
    because: 'Under a net its many places to hook are wasted.',
  },
  {
    schools: ['laidFlat', 'smooth'],
    when: (w) => !w.capped,
    points: -8,
    because: 'Without a net it has nothing to hold it.',
  },
  {
    schools: ['laidFlat'],
    when: (w) => w.capped,
    points: -0.5,
    because: 'It shifts more easily than anything tied.',
  },
  {
    schools: ['laidFlat', 'flatTwists'],
    when: must('comesOff'),
    points: 3,
    because: 'Flat enough to sleep on when the style is off.',
  },
  {
    schools: ['halfUp'],
    when: must('renewFront'),
    points: 7,
    because: 'Its front opens again to be renewed without undoing the rest.',
  },
  {
    schools: ['halfUp', 'puff'],
    when: (w) => !w.requirements.includes('renewFront') && !w.requirements.includes('tieUp'),
    points: -3,
    because: 'A look of its own: own hair stays in sight.',
  },
  { schools: ['puff'], when: must('tieUp'), points: 3, because: 'It is tied up to begin with.' },
  {
    schools: ['eight', 'nine', 'allOver'],
    when: (w) => w.requirements.includes('tieUp') || w.requirements.includes('plaitBack'),
    points: 1.5,
    because: 'Small ties up to the edge hold when the style is tied up.',
  },
  {
    schools: ['crossed', 'intoCoil', 'laidFlat'],
    when: (w) => w.requirements.includes('tieUp') || w.requirements.includes('plaitBack'),
    points: -1.5,
    because: 'A lump low behind is in the way of a tail.',
  },
  { schools: ['behindPart'], when: must('flip'), points: -6, because: 'It is laid for one part and can’t flip.' },
  {
    schools: ['eight', 'six', 'four'],
    when: must('flip'),
    points: 1,
    because: 'A second part on the other side finds a line there too.',
  },
  {
    schools: ['flatTwists', 'allOver', 'threaded'],
    when: must('swim'),
    points: 1.5,
    because: 'Thin everywhere, so that the roots dry.',
  },
  { schools: ['intoCoil', 'puff'], when: must('swim'), points: -2, because: 'A coil stays damp inside.' },
  {
    schools: ['crossed', 'behindPart'],
    when: (w) => isLong(w) && w.fullness !== 'thick',
    points: 1,
    because: 'Two plaits of long hair are enough when they are spread.',
  },
  {
    schools: ['allOver', 'threaded'],
    when: (w) => w.pace === 'firstTime',
    points: -1.5,
    because: 'Many small sections make a long first evening.',
  },
];

export interface Candidate {
  readonly schoolId: string;
  readonly name: string;
  readonly choice: BaseChoice;
  readonly says: string;
  readonly score: number;
  readonly reasons: readonly string[];
  readonly against: readonly string[];
  readonly minutes: number;
  readonly highestBumpMm: number;
  readonly sections: number;
  /** Of her base sections, the share whose hair reaches where it is parked. */
  readonly reaches: number;
}

/** Every school laid on her head, the best first. `minutesFactor` is her pace. */
export function recommendBases(
  ground: BaseContext,
  part: PartOnHead,
  own: OwnHair,
  wearer: Wearer,
  minutesFactor: number,
): Candidate[] {
  return BASE_WAYS.map((school): Candidate => {
    const choice: BaseChoice = { ...DEFAULT_BASE, ...school.choice };
    const base = layBase(ground, choice, editSections(ground, choice, part));
    const work = baseWork(ground, choice, base, part, own);
    const rules = RULES.filter((r) => r.schools.includes(school.id) && r.when(wearer));
    const laid = laidFigures(base, work, minutesFactor);
    const onHead = headRules(laid, wearer);
    const all = [...rules, ...onHead];
    const sorted = [...all].sort((a, b) => Math.abs(b.points) - Math.abs(a.points));
    return {
      schoolId: school.id,
      name: school.name,
      choice,
      says: school.says,
      score: all.reduce((sum, r) => sum + r.points, 0),
      reasons: sorted.filter((r) => r.points > 0).map((r) => r.because),
      against: sorted.filter((r) => r.points < 0).map((r) => r.because),
      ...laid,
    };
  }).sort((a, b) => b.score - a.score);
}

function laidFigures(base: LaidBase, work: BaseWork, minutesFactor: number) {
  const tied = base.sections.filter((s) => s.role === 'base');
  return {
    minutes: work.minutes * minutesFactor,
    highestBumpMm: base.bumps.highestMm,
    sections: tied.length,
    reaches: tied.filter((s) => s.hairLengthMm >= s.neededToReachMm).length / Math.max(1, tied.length),
  };
}

/** Height from which a bump is hard to hide, and points per mm beyond it. */
const HIGH_MM = 14;
const POINTS_A_MM = 0.12;

function headRules(laid: ReturnType<typeof laidFigures>, wearer: Wearer): Array<Pick<Rule, 'points' | 'because'>> {
  const rules: Array<Pick<Rule, 'points' | 'because'>> = [];
  if (laid.reaches < 1) {
    rules.push({
      points: -5 * (1 - laid.reaches),
      because: `On your head the hair of ${Math.round((1 - laid.reaches) * laid.sections)} of ${laid.sections} sections doesn’t reach.`,
    });
  }
  if (laid.highestBumpMm > HIGH_MM) {
    rules.push({
      points: -Math.min(4, POINTS_A_MM * (laid.highestBumpMm - HIGH_MM)),
      because: `It would stand ${Math.round(laid.highestBumpMm)} mm high at its highest.`,
    });
  }
  if (wearer.minutes !== undefined && laid.minutes > wearer.minutes) {
    rules.push({
      points: -Math.min(6, 4 * (laid.minutes / wearer.minutes - 1) + 1),
      because: `About ${Math.round(laid.minutes)} minutes; you have ${Math.round(wearer.minutes)}.`,
    });
  }
  return rules;
}
