/** Her own hair put away: sections, tails, bumps, which way is advised and how it is done. */
export { type Candidate, recommendBases } from './advice/recommend.ts';
export {
  type BaseWork,
  baseWork,
  closedToPieces,
  inSight,
  type LaidBase,
  layBase,
  NO_BASE_WORK,
  withoutHair,
} from './base.ts';
export { LUMP_MM, type Lump } from './bumps/lumps.ts';
export { type BaseChoice, DEFAULT_BASE, type Parking } from './choice.ts';
export { baseContext } from './context.ts';
export { type BaseEdit, type Edit, type EditedSections, LONGEST_MOVE_MM } from './sections/edit.ts';
export { EditTree } from './sections/edit-tree.ts';
export { NO_PART } from './sections/fields.ts';
export { generateSections } from './sections/generate.ts';
export { placeWords } from './sections/lines.ts';
export { middleCut } from './sections/middle-cut.ts';
export type { Section } from './sections/section-figures.ts';
export { type Flattening, flatten } from './tails/flatten.ts';
export { LEAST_TAIL_MM } from './tails/tails.ts';
export type { WorkStep } from './work/work.ts';
