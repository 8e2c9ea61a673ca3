/** One example plan for every kind of base: the invented wearer's head, her hair as each base needs it. */
import type { BaseChoice } from '../core/base/index.ts';
import type { DirectionDeg } from '../core/head/index.ts';
import { DEFAULT_ROWS, type RowChoice } from '../core/rows/index.ts';
import type { Family } from '../core/trade/index.ts';
import { START_CAP, startBase } from '../model/defaults.ts';
import type { PlanDocument } from '../model/plan.ts';
import { shoulderCurls } from './plans.ts';

interface BaseExample {
  readonly id: string;
  readonly name: string;
  readonly family: Family;
  readonly base?: Partial<BaseChoice>;
  readonly plan?: Partial<PlanDocument>;
}

const hair = (length: string, change: Partial<PlanDocument['ownHair']> = {}): Partial<PlanDocument> => ({
  ownHair: { ...shoulderCurls.ownHair, fullness: 'medium', length, ...change },
});
const uncapped: Partial<PlanDocument> = { cap: { ...START_CAP, dome: 'none' } };
/** Rows that follow what the base gives to hook onto. */
const laid = (scheme: RowChoice['scheme']): Partial<PlanDocument> => ({ rows: { ...DEFAULT_ROWS, scheme } });
/** A line that somebody else laid, as she felt and entered it: from the front back to the nape. */
const rowAt = (front: number, back: number): DirectionDeg[] => [
  [front, 42],
  [front * 1.6, 66],
  [Math.sign(front || 1) * (180 - Math.abs(back)), 35],
  [Math.sign(front || 1) * (180 - Math.abs(back) * 0.8), -22],
];

const EXAMPLES: readonly BaseExample[] = [
  { id: 'quarters', name: 'Quarters', family: 'tied', base: { behind: 2, front: 2 }, plan: hair('34 cm') },
  {
    id: 'three-over-three',
    name: 'Three over three',
    family: 'tied',
    base: { behind: 3, front: 3 },
    plan: hair('20 cm'),
  },
  {
    id: 'four-and-four',
    name: 'Four and four',
    family: 'tied',
    base: { behind: 4, front: 4 },
    plan: hair('24 cm', { fullness: 'thick' }),
  },
  { id: 'nine-small', name: 'Nine small ones', family: 'tied', base: { behind: 5, front: 4 }, plan: hair('12 cm') },
  { id: 'all-over', name: 'Small plaits all over', family: 'allOver', plan: hair('16 cm') },
  {
    id: 'smooth',
    name: 'Three smooth tails',
    family: 'tied',
    base: { behind: 2, front: 1, tail: 'smooth' },
    plan: hair('28 cm', { curl: 'wavy' }),
  },
  { id: 'crossed', name: 'Two low tails, crossed', family: 'crossed', plan: hair('36 cm') },
  { id: 'behind-part', name: 'Two twists behind the part', family: 'behindPart', plan: hair('32 cm') },
  { id: 'into-coil', name: 'Front tails into one coil', family: 'intoCoil', plan: hair('30 cm') },
  { id: 'flat-twists', name: 'Flat twists', family: 'flatTwists', plan: hair('22 cm') },
  {
    id: 'half-up',
    name: 'Half up, half down',
    family: 'halfUp',
    plan: { ...hair('26 cm'), part: { kind: 'swept' }, wishes: { musts: ['renewFront'] } },
  },
  {
    id: 'puff',
    name: 'High puff',
    family: 'puff',
    base: { tieAt: 'high' },
    plan: { ...hair('26 cm'), ...uncapped, ...laid('fromTie'), part: { kind: 'crown' } },
  },
  { id: 'laid-flat', name: 'Laid back flat', family: 'laidFlat', plan: hair('14 cm', { curl: 'wavy' }) },
  {
    id: 'strip-left-out',
    name: 'Quarters, a strip left out',
    family: 'tied',
    base: { behind: 2, front: 2, leftOut: { where: 'front', fingers: 0.75, atEnd: 'stay' } },
    plan: hair('34 cm'),
  },
  {
    id: 'found-rows',
    name: 'Rows that were there',
    family: 'found',
    base: {
      found: {
        what: 'rows',
        ageDays: 18,
        lines: [rowAt(34, 62), rowAt(20, 40), rowAt(7, 14), rowAt(-7, 14), rowAt(-20, 40), rowAt(-34, 62)],
      },
    },
    plan: hair('22 cm'),
  },
  {
    id: 'grid-square',
    name: 'Rubber bands, square boxes',
    family: 'grid',
    base: { boxes: 'square', boxFingers: 2 },
    plan: { ...hair('9 cm'), ...uncapped, ...laid('grid') },
  },
  {
    id: 'grid-brick',
    name: 'Rubber bands, bricks',
    family: 'grid',
    base: { boxes: 'brick', boxFingers: 2 },
    plan: { ...hair('9 cm'), ...uncapped, ...laid('grid') },
  },
  {
    id: 'grid-diamond',
    name: 'Rubber bands, diamonds',
    family: 'grid',
    base: { boxes: 'diamond', boxFingers: 2 },
    plan: { ...hair('9 cm'), ...uncapped, ...laid('grid') },
  },
  {
    id: 'threaded',
    name: 'Threaded rods',
    family: 'threaded',
    plan: { ...hair('18 cm', { curl: 'coily' }), ...uncapped, ...laid('rods') },
  },
];

export const basePlans: readonly PlanDocument[] = EXAMPLES.map(
  ({ id, name, family, base, plan }): PlanDocument => ({
    ...shoulderCurls,
    id: `base-${id}`,
    name,
    marks: [],
    settled: [],
    ...plan,
    base: { ...startBase(family), ...base },
  }),
);
