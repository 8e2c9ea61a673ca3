import {
  AS_FITTED,
  HAIRLINE_LIMIT_MM,
  HAIRLINE_POINT_NAMES,
  type Mark,
  type SideOffsets,
  type SidePoint,
} from '../core/head/index.ts';
import {
  MARK_NAMES,
  type MarkKind,
  REGION_NAMES,
  type Region,
  TAPE_INFO,
  TAPE_MEASURES,
  type TapeMeasure,
  upperFirst,
} from '../core/trade/index.ts';
import type { PlanDocument } from './plan.ts';
import type { PlanChange } from './plan-change.ts';

/** The readings of one measure as she wrote them; empty ones are dropped. */
export function setReadings(plan: PlanDocument, measure: TapeMeasure, texts: readonly string[]): PlanChange {
  const readings = texts.map((t) => t.trim()).filter((t) => t !== '');
  const name = TAPE_INFO[measure].name;
  return {
    words: readings.length === 0 ? `${name} cleared` : `${name} ${readings.join(', ')}`,
    plan: {
      ...plan,
      tape: { ...plan.tape, [measure]: readings },
      // A new reading stands on its own again.
      trusted: plan.trusted.filter((m) => m !== measure),
    },
  };
}

/** She measured it again: the head follows this reading, whatever the others say. */
export function trustMeasure(plan: PlanDocument, measure: TapeMeasure): PlanChange {
  return {
    words: `${TAPE_INFO[measure].name} kept`,
    plan: { ...plan, trusted: [...plan.trusted.filter((m) => m !== measure), measure] },
  };
}

/** Moves a point of the hairline to so many mm from where the tape puts it; both sides where they are mirrored. */
export function setHairlinePoint(
  plan: PlanDocument,
  point: SidePoint | 'front' | 'nape',
  side: 'left' | 'right' | 'middle',
  mm: number,
): PlanChange {
  const { hairline: line } = plan;
  const limited = Math.round(Math.min(HAIRLINE_LIMIT_MM, Math.max(-HAIRLINE_LIMIT_MM, mm)) * 10) / 10;
  const where = side === 'middle' || line.mirrored ? '' : `, ${side}`;
  const words = `${upperFirst(HAIRLINE_POINT_NAMES[point])}${where} ${Math.abs(limited)} mm ${limited >= 0 ? 'higher' : 'lower'}`;
  if (point === 'front' || point === 'nape') {
    return { words, plan: { ...plan, hairline: { ...line, [point]: limited } } };
  }
  const moved = (s: SideOffsets): SideOffsets => ({ ...s, [point]: limited });
  const next = line.mirrored
    ? { ...line, left: moved(line.left), right: moved(line.left) }
    : { ...line, [side]: moved(line[side as 'left' | 'right']) };
  return { words, plan: { ...plan, hairline: next } };
}

export function mirrorHairline(plan: PlanDocument, mirrored: boolean): PlanChange {
  const { hairline: line } = plan;
  return {
    words: mirrored ? 'Both sides of the hairline alike' : 'Sides of the hairline apart',
    plan: { ...plan, hairline: { ...line, mirrored, right: mirrored ? line.left : line.right } },
  };
}

export function resetHairline(plan: PlanDocument): PlanChange {
  return {
    words: 'Hairline as the tape has it',
    plan: { ...plan, hairline: { ...AS_FITTED, mirrored: plan.hairline.mirrored } },
  };
}

export function addMark(plan: PlanDocument, mark: Mark): PlanChange {
  const where = 'region' in mark.place ? `: ${REGION_NAMES[mark.place.region]}` : '';
  return {
    words: `${upperFirst(MARK_NAMES[mark.kind])} ${mark.erase ? 'wiped out' : 'marked'}${where}`,
    plan: { ...plan, marks: [...plan.marks, mark] },
  };
}

/** Whole regions by name: what was marked of them is replaced, strokes stay. */
export function setRegions(plan: PlanDocument, kind: MarkKind, regions: readonly Region[]): PlanChange {
  const isRegionOf = (m: Mark) => m.kind === kind && 'region' in m.place;
  const named = regions.map((region): Mark => ({ kind, erase: false, place: { region } }));
  return {
    words: `${upperFirst(MARK_NAMES[kind])}: ${regions.map((r) => REGION_NAMES[r]).join(', ') || 'none by name'}`,
    plan: { ...plan, marks: [...named, ...plan.marks.filter((m) => !isRegionOf(m))] },
  };
}

export function clearMarks(plan: PlanDocument, kind: MarkKind): PlanChange {
  return {
    words: `${upperFirst(MARK_NAMES[kind])} cleared`,
    plan: { ...plan, marks: plan.marks.filter((m) => m.kind !== kind) },
  };
}

export function setOwnHair(plan: PlanDocument, change: Partial<PlanDocument['ownHair']>, words: string): PlanChange {
  return { words, plan: { ...plan, ownHair: { ...plan.ownHair, ...change } } };
}

/** A bare number means her unit: changing the unit spells the old one out, so that no length changes. */
export function setUnit(plan: PlanDocument, unit: PlanDocument['unit']): PlanChange {
  const spell = (text: string) =>
    /^[\d\s.,/¼½¾⅓⅔⅛⅜⅝⅞]+$/.test(text.trim()) && text.trim() !== ''
      ? `${text.trim()} ${plan.unit === 'finger' ? 'fingers' : plan.unit}`
      : text;
  const tape = Object.fromEntries(TAPE_MEASURES.map((m) => [m, plan.tape[m].map(spell)])) as Record<
    TapeMeasure,
    string[]
  >;
  const { ownHair } = plan;
  const byRegion = Object.fromEntries(
    Object.entries(ownHair.byRegion).map(([r, h]) => [r, h?.length ? { ...h, length: spell(h.length) } : h]),
  ) as typeof ownHair.byRegion;
  return {
    words: `Lengths in ${unit === 'in' ? 'inches' : unit === 'finger' ? 'fingers' : unit}`,
    plan: {
      ...plan,
      unit,
      tape,
      fingers: { ...plan.fingers, width: spell(plan.fingers.width) },
      ownHair: { ...ownHair, length: spell(ownHair.length), ponytail: spell(ownHair.ponytail), byRegion },
      products: plan.products.map((p) => ({ ...p, length: spell(p.length), drawnOut: spell(p.drawnOut) })),
      finish: { ...plan.finish, reach: spell(plan.finish.reach) },
      cap: {
        ...plan.cap,
        girth: spell(plan.cap.girth),
        depth: spell(plan.cap.depth),
        block: { girth: spell(plan.cap.block.girth), depth: spell(plan.cap.block.depth) },
      },
    },
  };
}
