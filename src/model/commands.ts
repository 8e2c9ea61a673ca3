/**
 * What she can do to a plan, each a named function from plan to plan with the words for the deed. The words
 * are what undo shows; the plan that comes out is validated before it is kept.
 */
import type { Mend } from '../core/findings/finding.ts';
import type { TapeMeasure } from '../core/head/tape.ts';
import { TAPE_INFO } from '../core/head/tape.ts';
import { SCHOOL_NAMES, SCHOOL_OPTIONS, type SchoolName } from '../core/knots/schools.ts';
import { type SpacingZone, zoneName } from '../core/pipeline/inputs.ts';
import { type Part, partInWords } from '../core/rows/part.ts';
import { formatLength } from './lengths.ts';
import type { PlanDocument } from './plan.ts';
import { fingerMm } from './to-inputs.ts';

export interface Deed {
  readonly words: string;
  readonly plan: PlanDocument;
}

export function setMeasure(plan: PlanDocument, measure: TapeMeasure, text: string): Deed {
  return {
    words: text.trim() === '' ? `${TAPE_INFO[measure].name} cleared` : `${TAPE_INFO[measure].name} ${text.trim()}`,
    plan: { ...plan, tape: { ...plan.tape, [measure]: text.trim() } },
  };
}

export function setSpacing(plan: PlanDocument, fingers: Partial<Record<SpacingZone, number>>): Deed {
  const zones = Object.keys(fingers) as SpacingZone[];
  const [first] = zones;
  const words =
    zones.length === 1
      ? `${zoneName(first, plan.part.kind as Part['kind'])} ${fingersFigure(fingers[first] as number)}`
      : 'Spacing changed';
  return { words, plan: { ...plan, spacing: { ...plan.spacing, fingers: { ...plan.spacing.fingers, ...fingers } } } };
}

/** Says spacing the other way without moving a knot would need odd fractions; the counts stay, the meaning changes. */
export function setSaid(plan: PlanDocument, said: PlanDocument['spacing']['said']): Deed {
  return {
    words: said === 'clear' ? 'Spacing is the clear gap' : 'Spacing from knot to knot',
    plan: { ...plan, spacing: { ...plan.spacing, said } },
  };
}

export function setPart(plan: PlanDocument, part: Part, words?: string): Deed {
  const name = partInWords(part);
  return {
    words: words ?? name.charAt(0).toUpperCase() + name.slice(1),
    plan: { ...plan, part: part as PlanDocument['part'] },
  };
}

export function setSchool(plan: PlanDocument, school: SchoolName, value: string): Deed {
  const option = SCHOOL_OPTIONS[school].find((o) => o.value === value);
  return {
    words: `${SCHOOL_NAMES[school]}: ${option?.name ?? value}`,
    plan: { ...plan, schools: { ...plan.schools, [school]: value } as PlanDocument['schools'] },
  };
}

export function setProduct(plan: PlanDocument, change: Partial<PlanDocument['product']>, words: string): Deed {
  return { words, plan: { ...plan, product: { ...plan.product, ...change } } };
}

export function setOwnHair(plan: PlanDocument, change: Partial<PlanDocument['ownHair']>, words: string): Deed {
  return { words, plan: { ...plan, ownHair: { ...plan.ownHair, ...change } } };
}

export function setField<
  K extends 'name' | 'wearer' | 'unit' | 'currency' | 'skin' | 'fingerWidth' | 'cap' | 'reserveShare' | 'pace' | 'base',
>(plan: PlanDocument, field: K, value: PlanDocument[K], words: string): Deed {
  return { words, plan: { ...plan, [field]: value } };
}

/** A bare number means her unit: changing the unit spells the old one out, so that no length changes. */
export function setUnit(plan: PlanDocument, unit: PlanDocument['unit']): Deed {
  const spell = (text: string) =>
    /^[\d\s.,/¼½¾⅓⅔⅛⅜⅝⅞]+$/.test(text.trim()) && text.trim() !== ''
      ? `${text.trim()} ${plan.unit === 'finger' ? 'fingers' : plan.unit}`
      : text;
  const tape = Object.fromEntries(Object.entries(plan.tape).map(([k, v]) => [k, spell(v)])) as PlanDocument['tape'];
  return {
    words: `Lengths in ${unit === 'in' ? 'inches' : unit === 'finger' ? 'fingers' : unit}`,
    plan: {
      ...plan,
      unit,
      tape,
      fingerWidth: spell(plan.fingerWidth),
      ownHair: { ...plan.ownHair, length: spell(plan.ownHair.length) },
      product: { ...plan.product, length: spell(plan.product.length) },
    },
  };
}

export function settle(plan: PlanDocument, station: string): Deed {
  const has = plan.settled.includes(station);
  return {
    words: has ? 'Station opened again' : 'Station settled',
    plan: { ...plan, settled: has ? plan.settled.filter((s) => s !== station) : [...plan.settled, station] },
  };
}

/** A finding's mend as a deed. */
export function applyMend(plan: PlanDocument, deed: string, mend: Mend): Deed {
  switch (mend.kind) {
    case 'setMeasure':
      return setMeasure(plan, mend.measure, formatLength(mend.mm, plan.unit === 'in' ? 'in' : 'cm', fingerMm(plan)));
    case 'setSpacing':
      return { ...setSpacing(plan, mend.fingers), words: deed };
    case 'setSchool':
      return setSchool(plan, mend.school, mend.value);
    case 'setCap':
      return setField(plan, 'cap', mend.cap, 'Closed cap');
    case 'setReserve':
      return setField(plan, 'reserveShare', mend.share, `${Math.round(mend.share * 100)} % kept for gaps`);
    case 'setSplit':
      return setProduct(plan, { split: mend.split }, 'Whole pieces');
  }
}

/** "1¼ fingers": quarters as real fractions. */
export function fingersFigure(fingers: number): string {
  const quarters = Math.round(fingers * 4);
  const whole = Math.floor(quarters / 4);
  const rest = ['', '¼', '½', '¾'][quarters % 4];
  const exact = Math.abs(quarters / 4 - fingers) < 1e-6;
  if (!exact) return fingers.toFixed(2);
  return whole === 0 ? rest || '0' : `${whole}${rest}`;
}
