/** What is shown on the scalp at each station: marks everywhere, the held section and the bumps at the base. */
import type { PlanResult } from '../../../core/findings/index.ts';
import type { Layers } from './head-picture.ts';

/** Height at which the light comes through fully, mm. */
export const BRIGHTEST_MM = 24;

/** What of a plan is shown so. */
export interface Layered {
  readonly marks: PlanResult['head']['marks'];
  readonly base: Pick<PlanResult['base'], 'sections' | 'sectionOf' | 'bumps'>;
}

export const layered = ({ head: { marks }, base }: PlanResult): Layered => ({ marks, base });

/** Whether two results show the same on the scalp: each comes from the worker as a copy of its own. */
export function showsSame(a: Layered, b: Layered): boolean {
  return (
    sameNumbers(a.base.sectionOf, b.base.sectionOf) &&
    sameNumbers(a.base.bumps.heightMm, b.base.bumps.heightMm) &&
    sameNumbers(a.marks.tender, b.marks.tender) &&
    sameNumbers(a.marks.thin, b.marks.thin) &&
    sameNumbers(a.marks.noGo, b.marks.noGo) &&
    a.base.sections.length === b.base.sections.length &&
    a.base.sections.every((s, i) => s.id === b.base.sections[i].id && s.role === b.base.sections[i].role)
  );
}

function sameNumbers(a: ArrayLike<number>, b: ArrayLike<number>): boolean {
  if (a.length !== b.length) return false;
  for (let i = 0; i < a.length; i++) if (a[i] !== b[i]) return false;
  return true;
}

export function layersOf(
  result: Layered | undefined,
  shown: {
    readonly bumps: boolean;
    readonly sectionId: string | undefined;
    readonly atBase: boolean;
    /** Share of the scalp that shows at every vertex, where the light comes through. */
    readonly shows?: ArrayLike<number> | undefined;
  },
): Layers {
  if (!result) return { marks: [[], [], [], []] };
  const { marks, base } = result;
  const { sections, sectionOf, bumps } = base;
  const ownHairInSight = Uint8Array.from(sections, (s) => (s.role === 'inSight' ? 1 : 0));
  const held = shown.atBase ? sections.findIndex((s) => s.id === shown.sectionId) : -1;
  return {
    marks: [marks.tender, marks.thin, marks.noGo, Uint8Array.from(sectionOf, (label) => ownHairInSight[label])],
    ...(held >= 0 ? { pick: Uint8Array.from(sectionOf, (label) => (label === held ? 1 : 0)) } : {}),
    ...(shown.atBase && shown.bumps ? { heat: bumps.heightMm.map((h) => h / BRIGHTEST_MM) } : {}),
    ...(shown.shows ? { heat: shown.shows } : {}),
  };
}
