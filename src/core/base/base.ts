/** The base, worked out: sections as generated and edited, their figures, lines, bumps, order of work, consumables. */
import type { OwnHair } from '../hair/index.ts';
import { type BumpMap, bumpMap, depositTail, lyingVolume } from './bumps/bumps.ts';
import { LUMP_MM } from './bumps/lumps.ts';
import type { BaseChoice, Laying } from './choice.ts';
import type { BaseContext } from './context.ts';
import { borders } from './sections/borders.ts';
import { applyEdit, type EditedSections, replayEdits } from './sections/edit.ts';
import type { PartOnHead } from './sections/fields.ts';
import { generateSections } from './sections/generate.ts';
import { type BaseLine, baseLines, workLines } from './sections/lines.ts';
import { type Section, sectionFigures } from './sections/section-figures.ts';
import type { SectionMap } from './sections/section-map.ts';
import { type ParkedTail, parkTails } from './tails/parking.ts';
import { sectionTails, type Tail } from './tails/tails.ts';
import { type TieMoves, tieMoves } from './tails/ties.ts';
import { type Consumable, consumables, type WorkStep, workSteps } from './work/work.ts';

/** What hangs on her head, her hair and her choice. */
export interface LaidBase {
  readonly map: SectionMap;
  readonly tails: readonly Tail[];
  readonly parked: readonly ParkedTail[];
  readonly sections: readonly Section[];
  readonly bumps: BumpMap;
  readonly lostEdits: EditedSections['lost'];
}

/** What also hangs on where the part is: which lines show, and with them the order of work. */
export interface BaseWork {
  readonly lines: readonly BaseLine[];
  readonly work: readonly WorkStep[];
  readonly minutes: number;
  readonly consumables: readonly Consumable[];
  readonly tieMoves: TieMoves;
}

export function layBase(ground: BaseContext, choice: Laying, { map, lost }: EditedSections): LaidBase {
  const tails = sectionTails(ground, map, choice);
  const parked = parkTails(ground, map, tails, choice);
  const deposits = parked.map((tail, i) => depositTail(ground, map, tails[i], tail, choice));
  return {
    map,
    tails,
    parked,
    sections: sectionFigures(ground, map, tails, parked, choice),
    bumps: bumpMap(ground, map, lyingVolume(ground, map, tails, parked, choice), deposits),
    lostEdits: lost,
  };
}

export function baseWork(
  ground: BaseContext,
  choice: Laying & Pick<BaseChoice, 'locked'>,
  { map, sections, tails }: LaidBase,
  part: PartOnHead,
  own: OwnHair,
): BaseWork {
  const lines = baseLines(ground, map, borders(ground.mesh, map), part, new Set(choice.locked));
  const work = workSteps(choice, sections, workLines(ground, map, lines), own);
  return {
    lines,
    work,
    minutes: work.reduce((sum, step) => sum + step.minutes, 0),
    consumables: consumables(choice, sections, lines),
    tieMoves: tieMoves(ground, map, tails, part),
  };
}

/** Where nobody's hair is under it nothing stands up and nothing is borne. */
export function withoutHair(laid: LaidBase): LaidBase {
  const { heightMm } = laid.bumps;
  return {
    ...laid,
    bumps: { ...laid.bumps, heightMm: new Float64Array(heightMm.length), highestMm: 0, highestVertex: 0, lumps: [] },
  };
}

/** Nothing is sectioned, tied or bought for it. */
export const NO_BASE_WORK: BaseWork = {
  lines: [],
  work: [],
  minutes: 0,
  consumables: [],
  tieMoves: { offTender: [], besidePart: [], offPart: [] },
};

/** Sections as generated and then edited. */
export function editSections(ground: BaseContext, choice: BaseChoice, part: PartOnHead): EditedSections {
  return replayEdits(generateSections(ground, choice, part), choice.edits, (map, deed) => applyEdit(ground, map, deed));
}

/** Places where no piece goes: own hair in sight, also that of the base, no-go spots, and lumps where they can't be passed. */
export function closedToPieces(
  ground: Pick<BaseContext, 'masks'>,
  map: SectionMap,
  bumps?: Pick<BumpMap, 'heightMm'>,
): Uint8Array {
  const ownHairInSight = inSight(map);
  return ground.masks.noGo.map((no, v) => (no || ownHairInSight[v] || (bumps && bumps.heightMm[v] > LUMP_MM) ? 1 : 0));
}

/** Own hair in sight: no cover is owed there. */
export function inSight(map: SectionMap): Uint8Array {
  return Uint8Array.from(map.labels, (label) => (map.sections[label].role === 'inSight' ? 1 : 0));
}
