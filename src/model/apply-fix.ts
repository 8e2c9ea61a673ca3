/** A finding's mend as a deed. Comes when one is taken. */
import type { Fix } from '../core/findings/index.ts';
import { chooseFamily, editBase, setBase } from './base-commands.ts';
import { setCap, setCut, splitZones } from './cap-and-hair.ts';
import { park, setField } from './commands.ts';
import { formatLength } from './lengths.ts';
import { setReadings, trustMeasure } from './measure-commands.ts';
import type { PlanDocument } from './plan.ts';
import type { PlanChange } from './plan-change.ts';
import { brushRows, setRows } from './rows-by-hand.ts';
import { setSchoolEverywhere } from './school-choice.ts';
import { setSpacing } from './spacing-commands.ts';
import { fingerMm } from './to-inputs.ts';

/** A mend that has to be worked out first is no plain change of the plan. */
export type PlainFix = Exclude<Fix, { kind: 'flattenBase' }>;

export function applyFix(plan: PlanDocument, deed: string, fix: PlainFix): PlanChange {
  switch (fix.kind) {
    case 'setMeasure': {
      const text = formatLength(fix.mm, plan.unit === 'in' ? 'in' : 'cm', fingerMm(plan));
      return setReadings(plan, fix.measure, [text]);
    }
    case 'trustMeasure':
      return trustMeasure(plan, fix.measure);
    case 'resetHairline':
      return {
        words: 'Hairline ends back on the tape',
        plan: { ...plan, hairline: { ...plan.hairline, front: 0, nape: 0 } },
      };
    case 'setSpacing':
      return { ...setSpacing(plan, fix.fingers), words: deed };
    case 'setSchool':
      return setSchoolEverywhere(plan, fix.school, fix.value);
    case 'setCap': {
      const { girthMm, depthMm, block: _, ...change } = fix.change;
      const written = (mm: number | undefined, key: 'girth' | 'depth') =>
        mm === undefined ? {} : { [key]: formatLength(mm, plan.unit === 'in' ? 'in' : 'cm', fingerMm(plan)) };
      return setCap(plan, { ...change, ...written(girthMm, 'girth'), ...written(depthMm, 'depth') }, deed);
    }
    case 'setCut':
      return setCut(plan, fix.cut, fix.change, deed);
    case 'splitZones':
      return splitZones(plan, fix.zones, fix.split, deed);
    case 'setRows':
      return setRows(plan, fix.change, deed);
    case 'brush':
      return { ...brushRows(plan, fix.stroke, fix.factor), words: deed };
    case 'dropHand':
      return setRows(plan, { hand: plan.rows.hand.filter((h) => !fix.ids.includes(h.id)) }, deed);
    case 'dropWishes':
      return {
        words: deed,
        plan: { ...plan, knotWishes: plan.knotWishes.filter((w) => !fix.ids.includes(w.id)) },
      };
    case 'chooseFamily':
      return chooseFamily(plan, fix.family);
    case 'setReserve':
      return setField(plan, 'reserveShare', fix.share, `${Math.round(fix.share * 100)} % kept for gaps`);
    case 'setBase':
      return setBase(plan, fix.change, deed);
    case 'editBase':
      return editBase(plan, fix.edits, deed);
    case 'dropEdits':
      return setBase(plan, { edits: plan.base.edits.filter((e) => !fix.ids.includes(e.id)) }, deed);
    case 'park':
      return park(plan, fix.parking, deed);
  }
}
