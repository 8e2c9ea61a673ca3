/**
 * What she can do to a plan, each a named function from plan to plan with the words for the deed. The words
 * are what undo shows; the plan that comes out is validated before it is kept.
 */

import type { BaseChoice, BaseEdit, Edit, Parking } from '../core/base/index.ts';
import {
  AS_FITTED,
  HAIRLINE_LIMIT_MM,
  HAIRLINE_POINT_NAMES,
  type Mark,
  type Part,
  type Parting,
  partInWords,
  type SideOffsets,
  type SidePoint,
} from '../core/head/index.ts';
import {
  FAMILY_INFO,
  type Family,
  fingersFigure,
  MARK_NAMES,
  type MarkKind,
  PARKING_NAMES,
  type ParkingHow,
  REGION_NAMES,
  type Region,
  type SpacingZone,
  TAPE_INFO,
  TAPE_MEASURES,
  type TapeMeasure,
  upperFirst,
  zoneName,
} from '../core/trade/index.ts';
import { startBase } from './defaults.ts';
import { freshId } from './ids.ts';
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
  const words = `${sentenceCase(HAIRLINE_POINT_NAMES[point])}${where} ${Math.abs(limited)} mm ${limited >= 0 ? 'higher' : 'lower'}`;
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
    words: `${sentenceCase(MARK_NAMES[mark.kind])} ${mark.erase ? 'wiped out' : 'marked'}${where}`,
    plan: { ...plan, marks: [...plan.marks, mark] },
  };
}

/** Whole regions by name: what was marked of them is replaced, strokes stay. */
export function setRegions(plan: PlanDocument, kind: MarkKind, regions: readonly Region[]): PlanChange {
  const isRegionOf = (m: Mark) => m.kind === kind && 'region' in m.place;
  const named = regions.map((region): Mark => ({ kind, erase: false, place: { region } }));
  return {
    words: `${sentenceCase(MARK_NAMES[kind])}: ${regions.map((r) => REGION_NAMES[r]).join(', ') || 'none by name'}`,
    plan: { ...plan, marks: [...named, ...plan.marks.filter((m) => !isRegionOf(m))] },
  };
}

export function clearMarks(plan: PlanDocument, kind: MarkKind): PlanChange {
  return {
    words: `${sentenceCase(MARK_NAMES[kind])} cleared`,
    plan: { ...plan, marks: plan.marks.filter((m) => m.kind !== kind) },
  };
}

/** Another family starts afresh; undo brings the edits of the old one back. */
export function chooseFamily(plan: PlanDocument, family: Family, change: Partial<BaseChoice> = {}): PlanChange {
  const { leftOut, found } = plan.base;
  return {
    words: FAMILY_INFO[family].name,
    plan: { ...plan, base: { ...startBase(family), leftOut, found, ...change } },
  };
}

export function setBase(plan: PlanDocument, change: Partial<BaseChoice>, words: string): PlanChange {
  return { words, plan: { ...plan, base: { ...plan.base, ...change } } };
}

export function editBase(plan: PlanDocument, edits: readonly BaseEdit[], words: string): PlanChange {
  const named: Edit[] = [...plan.base.edits];
  for (const edit of edits) named.push({ id: freshId('e', named), ...edit });
  return setBase(plan, { edits: named }, words);
}

export function park(plan: PlanDocument, parking: Readonly<Record<string, Parking>>, words: string): PlanChange {
  const { parking: old } = plan.base;
  return setBase(plan, { parking: { ...old, bySection: { ...old.bySection, ...parking } } }, words);
}

/** All tails parked alike: what was said of single ones is forgotten. */
export function parkAll(plan: PlanDocument, how: ParkingHow | undefined): PlanChange {
  const words = how === undefined ? 'Tails parked as is usual' : `All tails ${PARKING_NAMES[how]}`;
  return setBase(plan, { parking: { ...(how ? { all: how } : {}), bySection: {} } }, words);
}

export function lockLine(plan: PlanDocument, key: string): PlanChange {
  const isLocked = plan.base.locked.includes(key);
  return setBase(
    plan,
    { locked: isLocked ? plan.base.locked.filter((k) => k !== key) : [...plan.base.locked, key] },
    isLocked ? 'Line unlocked' : 'Line locked',
  );
}

function sentenceCase(words: string): string {
  return upperFirst(words);
}

export function setSpacing(plan: PlanDocument, fingers: Partial<Record<SpacingZone, number>>): PlanChange {
  const zones = Object.keys(fingers) as SpacingZone[];
  const [first] = zones;
  const words =
    zones.length === 1
      ? `${zoneName(first, plan.part.kind as Part['kind'])} ${fingersFigure(fingers[first] as number)}`
      : 'Spacing changed';
  return { words, plan: { ...plan, spacing: { ...plan.spacing, fingers: { ...plan.spacing.fingers, ...fingers } } } };
}

/** One gap by hand: the others stay where they are, so that none moves under her finger. @param shown gaps of all zones as they are */
export function setGap(
  plan: PlanDocument,
  shown: Readonly<Record<SpacingZone, number>>,
  zone: SpacingZone,
  fingers: number,
): PlanChange {
  return { ...setSpacing(plan, { ...shown, [zone]: fingers }), words: setSpacing(plan, { [zone]: fingers }).words };
}

/** All gaps left to the hair: they follow it from then on. */
export function leaveGapsToHair(plan: PlanDocument): PlanChange {
  return { words: 'Gaps left to the hair', plan: { ...plan, spacing: { ...plan.spacing, fingers: {} } } };
}

/** Says spacing the other way without moving a knot would need odd fractions; the counts stay, the meaning changes. */
export function setSaid(plan: PlanDocument, said: PlanDocument['spacing']['said']): PlanChange {
  return {
    words: said === 'clear' ? 'Spacing is the clear gap' : 'Spacing from knot to knot',
    plan: { ...plan, spacing: { ...plan.spacing, said } },
  };
}

export function setPart(plan: PlanDocument, part: Part, words?: string): PlanChange {
  const name = partInWords(part);
  return {
    words: words ?? upperFirst(name),
    plan: { ...plan, part: part as PlanDocument['part'] },
  };
}

/** A second line, taken away, or the part only combed in when it is worn. */
export function setParting(plan: PlanDocument, change: Partial<Parting>): PlanChange {
  const parting = { ...plan.parting, ...change };
  const { second, ...rest } = parting;
  const words =
    change.onlyWorn === undefined
      ? second
        ? `Second part: ${partInWords(second)}`
        : 'One part'
      : change.onlyWorn
        ? 'The part only when worn'
        : 'Rows follow the part';
  return { words, plan: { ...plan, parting: second ? { ...rest, second } : rest } };
}

export function setOwnHair(plan: PlanDocument, change: Partial<PlanDocument['ownHair']>, words: string): PlanChange {
  return { words, plan: { ...plan, ownHair: { ...plan.ownHair, ...change } } };
}

export function setField<
  K extends 'name' | 'wearer' | 'unit' | 'currency' | 'skin' | 'fingers' | 'reserveShare' | 'pace' | 'wishes',
>(plan: PlanDocument, field: K, value: PlanDocument[K], words: string): PlanChange {
  return { words, plan: { ...plan, [field]: value } };
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

export function settle(plan: PlanDocument, station: string): PlanChange {
  const has = plan.settled.includes(station);
  return {
    words: has ? 'Station opened again' : 'Station settled',
    plan: { ...plan, settled: has ? plan.settled.filter((s) => s !== station) : [...plan.settled, station] },
  };
}
