/** What of a plan is the wearer’s own, whatever she plans: her head, her hair, her hands. A plan holds all of it, so that its file is whole. */
import { dequal } from 'dequal';
import { newPlan } from './defaults.ts';
import type { PlanDocument } from './plan.ts';
import type { PlanChange } from './plan-change.ts';

const HERS = [
  'wearer',
  'unit',
  'currency',
  'skin',
  'fingers',
  'tape',
  'trusted',
  'hairline',
  'scan',
  'ownHair',
  'marks',
  'pace',
] as const satisfies ReadonlyArray<keyof PlanDocument>;

export type Herself = Pick<PlanDocument, (typeof HERS)[number]>;

export function herselfOf(plan: PlanDocument): Herself {
  const said = HERS.filter((key) => plan[key] !== undefined);
  return Object.fromEntries(said.map((key) => [key, plan[key]])) as unknown as Herself;
}

/** A plan for a head of which only the size is known is nobody’s own. */
export const isHerOwn = (plan: PlanDocument) => plan.madeFor.whom === 'me';

export const isAsSheIs = (plan: PlanDocument, her: Herself) => dequal(herselfOf(plan), herselfOf(asSheIs(plan, her)));

/** The plan for her head, hair and hands as they are now. */
export function asSheIs(plan: PlanDocument, her: Herself): PlanDocument {
  const { scan: _, ...rest } = plan;
  // What is left out is left out, not there and empty.
  const hers = HERS.filter((key) => her[key] !== undefined).map((key) => [key, her[key]]);
  return { ...rest, ...(Object.fromEntries(hers) as unknown as Herself) };
}

/** What a friend needs: the style, not whose head it was made for. Money and unit are no secret. */
export function withoutHerself(plan: PlanDocument): PlanDocument {
  const { unit, currency } = plan;
  const { ownPace: _, logged: __, ...rest } = plan;
  return { ...asSheIs(rest, herselfOf(newPlan(plan.id, plan.name))), unit, currency };
}

export function followHer(plan: PlanDocument, her: Herself): PlanChange {
  return { words: `As ${her.wearer || 'you'} now: ${whatDiffers(plan, her)}`, plan: asSheIs(plan, her) };
}

const WORDS: ReadonlyArray<readonly [string, ReadonlyArray<keyof Herself>]> = [
  ['name', ['wearer']],
  ['head', ['tape', 'trusted', 'scan']],
  ['hairline', ['hairline']],
  ['hair', ['ownHair']],
  ['marks', ['marks']],
  ['fingers', ['fingers']],
  ['pace', ['pace']],
  ['unit or money', ['unit', 'currency']],
  ['skin', ['skin']],
];

/** In words: "head, hair". */
export function whatDiffers(plan: PlanDocument, her: Herself): string {
  return WORDS.filter(([, keys]) => keys.some((k) => !dequal(plan[k], her[k])))
    .map(([words]) => words)
    .join(', ');
}
