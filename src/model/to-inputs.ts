/** From the document to what the core takes: every length in mm. The document has been validated before. */

import { DEFAULT_BASE } from '../core/base/index.ts';
import type { HairOfPlace, OwnHair, Product } from '../core/hair/index.ts';
import { type HairlineOffsets, meanReading, type Part, reliefOf } from '../core/head/index.ts';
import { FINE_MESH, type HeadInputs, type PlanInputs } from '../core/plan/index.ts';
import { schemeOfBase } from '../core/rows/index.ts';
import {
  type Cap,
  DEFAULT_FINGER_MM,
  type HairRegion,
  isBySize,
  isWorn,
  onForm,
  PLAIN_GUESSES,
  type Scheme,
  SIZE_GIRTH_MM,
  TAPE_INFO,
  TAPE_MEASURES,
  type TapeMeasure,
} from '../core/trade/index.ts';
import { fingerOf, readLength } from './fingers.ts';
import type { PlanDocument, ProductAsWritten } from './plan.ts';

export function planInputs(plan: PlanDocument, meshFrequency = FINE_MESH): PlanInputs {
  const mm = lengthReader(plan);
  const inputs = hersInputs(plan, mm, meshFrequency);
  return isWorn(plan.madeFor) ? inputs : onAForm(inputs);
}

/** Nobody's hair and base are under it: they are not asked, and nothing of them is counted. */
function onAForm(inputs: PlanInputs): PlanInputs {
  const { cap, rows } = inputs;
  return {
    ...inputs,
    marks: [],
    base: { ...DEFAULT_BASE, family: 'laidFlat' },
    wishes: { musts: inputs.wishes.musts },
    rows: { ...rows, intoBase: [] },
    cap: { ...onForm(cap), blending: 'none' },
  };
}

function hersInputs(plan: PlanDocument, mm: (text: string) => number, meshFrequency: number): PlanInputs {
  return {
    madeFor: plan.madeFor,
    ...headInputs(plan, meshFrequency),
    fingerMm: fingerMm(plan),
    ownHair: ownHair(plan),
    marks: plan.marks,
    base: plan.base,
    wishes: plan.wishes,
    cap: capInputs(plan, mm),
    part: plan.part as Part,
    parting: plan.parting,
    products: plan.products.map((p) => productInputs(p, mm)),
    cuts: plan.cuts,
    pieces: plan.pieces,
    rows: { ...plan.rows, scheme: schemeOf(plan) },
    knotWishes: plan.knotWishes,
    spacing: plan.spacing,
    schools: plan.schools,
    places: plan.places,
    colours: plan.colours,
    strands: plan.strands,
    fill: plan.fill,
    finish: {
      fullness: plan.finish.fullness,
      outline: plan.finish.outline,
      reachMm: mm(plan.finish.reach),
      setMinutes: plan.finish.setMinutes,
    },
    guesses: { ...PLAIN_GUESSES, ...plan.guesses },
    reserveShare: plan.reserveShare,
    pace: plan.pace,
    logged: plan.logged,
    ownPace: plan.ownPace,
    testRow: plan.testRow && { ...plan.testRow, spanMm: mm(plan.testRow.span) },
  };
}

/** Hers, or the one that belongs to the base. */
export function schemeOf({
  rows,
  base,
  cap,
  madeFor,
}: Pick<PlanDocument, 'rows' | 'base' | 'cap' | 'madeFor'>): Scheme {
  const under = isWorn(madeFor) ? base : { ...DEFAULT_BASE, family: 'laidFlat' as const };
  const over = isWorn(madeFor) || cap.dome !== 'none' ? cap : { ...cap, dome: 'closed' as const };
  return rows.scheme ?? schemeOfBase(under, over);
}

function capInputs({ cap }: PlanDocument, mm: (text: string) => number): Cap {
  const { girth, depth, block, ...features } = cap;
  return {
    ...features,
    girthMm: mm(girth),
    depthMm: mm(depth),
    block: { girthMm: mm(block.girth), depthMm: mm(block.depth) },
  };
}

/** A piece that was not measured drawn out is as long drawn out as it hangs. */
export function productInputs({ length, drawnOut, ...made }: ProductAsWritten, mm: (text: string) => number): Product {
  const lengthMm = mm(length);
  return { ...made, lengthMm, drawnOutMm: drawnOut.trim() === '' ? lengthMm : mm(drawnOut) };
}

/** What her head is made of. */
export function headInputs(plan: PlanDocument, meshFrequency = FINE_MESH): HeadInputs {
  return {
    ...tapeInputs(plan),
    trusted: isBySize(plan.madeFor) ? [] : plan.trusted,
    relief: reliefInputs(plan),
    hairline: hairlineOffsets(plan.hairline),
    meshFrequency,
  };
}

/** Nobody's shape is known where only a size is. */
function reliefInputs({ scan, madeFor }: PlanDocument) {
  return scan === undefined || isBySize(madeFor) ? undefined : reliefOf(scan.relief);
}

export function lengthReader(plan: PlanDocument): (text: string) => number {
  return (text) => {
    const parsed = readLength(text, plan.unit, plan.fingers);
    if (!parsed.ok) throw new RangeError(parsed.why);
    return parsed.value;
  };
}

/** A measure that she insists on counts this much more surely. */
const TRUST = 1 / 3;

function tapeInputs(plan: PlanDocument): Pick<PlanInputs, 'tape' | 'tapeSpreadsMm'> {
  if (isBySize(plan.madeFor)) return { tape: { girth: SIZE_GIRTH_MM[plan.madeFor.size] }, tapeSpreadsMm: {} };
  const mm = lengthReader(plan);
  const tape: Partial<Record<TapeMeasure, number>> = {};
  const tapeSpreadsMm: Partial<Record<TapeMeasure, number>> = {};
  for (const m of TAPE_MEASURES) {
    const readings = plan.tape[m].map(mm);
    if (readings.length === 0) continue;
    const { meanMm, sdMm } = meanReading(readings, TAPE_INFO[m].readingSdMm);
    const trusted = plan.trusted.includes(m);
    tape[m] = meanMm;
    if (readings.length > 1 || trusted) tapeSpreadsMm[m] = sdMm * (trusted ? TRUST : 1);
  }
  return { tape, tapeSpreadsMm };
}

/** Where both sides are alike, hers is the left one. */
export function hairlineOffsets(line: PlanDocument['hairline']): HairlineOffsets {
  const { front, nape, left, right } = line;
  return { front, nape, left, right: line.mirrored ? left : right };
}

function ownHair(plan: PlanDocument): OwnHair {
  const mm = lengthReader(plan);
  const { length, ponytail, byRegion, ...own } = plan.ownHair;
  const regions = Object.entries(byRegion).flatMap(([region, hair]) => {
    if (!hair) return [];
    const { length: text, ...rest } = hair;
    const told = Object.fromEntries(Object.entries(rest).filter(([, v]) => v !== undefined && v !== null));
    const lengths = text === undefined || text.trim() === '' ? {} : { lengthMm: mm(text) };
    return [[region as HairRegion, { ...told, ...lengths } as Partial<HairOfPlace>] as const];
  });
  return {
    ...own,
    lengthMm: mm(length),
    byRegion: Object.fromEntries(regions),
    ...(ponytail.trim() === '' ? {} : { ponytailGirthMm: mm(ponytail) }),
  };
}

export function fingerMm(plan: Pick<PlanDocument, 'unit' | 'fingers'>): number {
  return fingerOf(plan.fingers, plan.unit) ?? DEFAULT_FINGER_MM;
}
