/** The whole order of work, base and all, as steps that she can do, leave out, do in another order or once more; and where she is in it. */
import type { WorkStep } from '../base/index.ts';
import { BASE_STEP_INFO, STEP_WHY, type StepKind } from '../trade/index.ts';
import type { InstallState } from './session.ts';
import type { ToldStep } from './work-step.ts';

export interface OrderStep {
  /** The same as long as the step is: of its kind and what it says. */
  readonly id: string;
  readonly kind: StepKind | 'base';
  readonly what: string;
  readonly how: string;
  readonly why: string;
  readonly tools: readonly string[];
  readonly minutes: number;
  readonly waitMinutes: number;
  readonly wrong?: string;
  readonly caution?: string;
  /** Ids of the knots that it lays, in order. */
  readonly knotIds?: readonly string[];
  /** Of a base: the section that it ties. */
  readonly sectionId?: string;
}

/** What an order is made from: parts of a computed plan. */
export interface Ordered {
  readonly base: { readonly work: readonly WorkStep[] };
  readonly worklist: readonly ToldStep[];
  readonly knots: ReadonlyArray<{ readonly id: string }>;
}

export function orderOfWork({ base, worklist, knots }: Ordered): OrderStep[] {
  const ids = new Map<string, number>();
  const idOf = (kind: string, what: string) => {
    const stem = `${kind}/${what}`;
    const times = (ids.get(stem) ?? 0) + 1;
    ids.set(stem, times);
    return times > 1 ? `${stem}/${times}` : stem;
  };
  const laying = base.work.map(({ what, how, minutes, sectionId }, i): OrderStep => {
    const { tools, ...warnings } = BASE_STEP_INFO;
    // Said at each of them nobody reads it.
    const isFirst = sectionId !== undefined && base.work.findIndex((w) => w.sectionId !== undefined) === i;
    return {
      id: idOf('base', what),
      kind: 'base',
      what,
      how,
      why: STEP_WHY.base,
      tools,
      minutes,
      waitMinutes: 0,
      ...(isFirst ? warnings : {}),
      ...(sectionId === undefined ? {} : { sectionId }),
    };
  });
  const hooking = worklist.map(
    ({ kind, what, how, tools, minutes, waitMinutes, wrong, caution, knots: of }): OrderStep => {
      return {
        id: idOf(kind, what),
        kind,
        what,
        how,
        why: STEP_WHY[kind],
        tools,
        minutes,
        waitMinutes,
        ...(wrong === undefined ? {} : { wrong }),
        ...(caution === undefined ? {} : { caution }),
        ...(of ? { knotIds: knots.slice(...of).map((k) => k.id) } : {}),
      };
    },
  );
  const onHead = firstOnHead(hooking);
  const inOrder = [...hooking.slice(0, onHead), ...laying, ...hooking.slice(onHead)];
  return withLooks(inOrder, laying.length > 0, (what) => idOf('check', what));
}

/** What is filled on a block needs no base until it is tried on: bands that wait for an evening come loose (common practice, no source). */
function firstOnHead(steps: readonly OrderStep[]): number {
  if (!steps.some((s) => s.kind === 'block')) return 0;
  return Math.max(
    0,
    steps.findIndex((s) => s.kind === 'tryOn'),
  );
}

/**
 * Two looks that belong to no plan, because what they find is not known before: once it is separated, and after a
 * night, when a finished style is opened again.
 */
function withLooks(steps: readonly OrderStep[], isFelt: boolean, idOf: (what: string) => string): OrderStep[] {
  const look = (what: string, how: string, minutes: number): OrderStep => ({
    id: idOf(what),
    kind: 'check',
    what,
    how,
    why: STEP_WHY.check,
    tools: ['two mirrors'],
    minutes,
    waitMinutes: 0,
  });
  const separated = steps.findLastIndex((s) => s.kind === 'finish');
  return [
    ...steps.slice(0, separated + 1),
    look(
      'Look, now that it is separated',
      'From both sides and from behind, in the light that you will be seen in. Too thin: a filler. Too full: snip one where it stands up.',
      2,
    ),
    ...steps.slice(separated + 1),
    look(
      'Look again after a night',
      `It has settled: what was too full may be right, and a gap that is there now stays. A filler, a snip, no more${isFelt ? '; and what still pulls comes out' : ''}.`,
      3,
    ),
  ];
}

/** 'passed' lies behind her and was neither done nor left out on purpose. */
export type StepStand = 'done' | 'left' | 'passed' | 'here' | 'toCome';

export interface PlaceInOrder {
  /** Index of the step in hand; undefined once nothing is left. */
  readonly step: number | undefined;
  /** Of a step that lays knots: the one in hand. */
  readonly knotId: string | undefined;
  readonly stands: readonly StepStand[];
}

/**
 * Where she is: where she turned to, or the first step that is not done from the furthest that she worked at. Before
 * the last touches rows that were passed over come up again.
 */
export function placeIn(
  order: readonly OrderStep[],
  { done, steps, turnedTo }: Pick<InstallState, 'done' | 'steps' | 'turnedTo'>,
): PlaceInOrder {
  const isIn = new Set(done.map((d) => d.knotId));
  const ended = order.map((s) => (s.knotIds ? s.knotIds.every((id) => isIn.has(id)) : steps.has(s.id)));
  const isTouched = (s: OrderStep) => s.knotIds?.some((id) => isIn.has(id)) || steps.has(s.id);
  const furthest = order.findLastIndex(isTouched);
  const turned = turnedStep(order, ended, turnedTo);
  const step = turned ?? following(order, ended, Math.max(0, furthest));
  const stands = order.map((s, i): StepStand => {
    if (i === step) return 'here';
    if (ended[i])
      return steps.get(s.id) ?? (done.some((d) => d.skipped && s.knotIds?.includes(d.knotId)) ? 'left' : 'done');
    return i < furthest ? 'passed' : 'toCome';
  });
  const knotId = step === undefined ? undefined : knotIn(order[step], isIn, turnedTo?.knotId);
  return { step, knotId, stands };
}

/** The step that she turned to, unless it is done meanwhile. */
function turnedStep(order: readonly OrderStep[], ended: readonly boolean[], to: InstallState['turnedTo']) {
  if (!to) return undefined;
  const found = order.findIndex(
    (s) => s.id === to.stepId || (to.knotId !== undefined && s.knotIds?.includes(to.knotId)),
  );
  return found < 0 || ended[found] ? undefined : found;
}

function following(order: readonly OrderStep[], ended: readonly boolean[], from: number): number | undefined {
  const next = order.findIndex((_, i) => i >= from && !ended[i]);
  const lastRows = order.findLastIndex((s) => s.knotIds !== undefined);
  const openRows = order.findIndex((s, i) => s.knotIds !== undefined && !ended[i]);
  if (openRows >= 0 && (next < 0 || next > lastRows)) return openRows;
  return next < 0 ? undefined : next;
}

/** From the knot that she turned to onwards, then those that were passed over. */
function knotIn({ knotIds }: OrderStep, isIn: ReadonlySet<string>, turnedTo: string | undefined): string | undefined {
  if (!knotIds) return undefined;
  const from = Math.max(0, turnedTo === undefined ? 0 : knotIds.indexOf(turnedTo));
  return knotIds.slice(from).find((id) => !isIn.has(id)) ?? knotIds.find((id) => !isIn.has(id));
}

/** Share of the minutes that are still to come, knots by how many of a step are left. */
export function shareToCome(order: readonly OrderStep[], { stands }: PlaceInOrder, done: InstallState['done']): number {
  const isIn = new Set(done.map((d) => d.knotId));
  const all = order.reduce((sum, s) => sum + s.minutes, 0);
  const left = order.reduce((sum, s, i) => {
    if (s.knotIds)
      return sum + (s.minutes * s.knotIds.filter((id) => !isIn.has(id)).length) / Math.max(1, s.knotIds.length);
    return stands[i] === 'toCome' || stands[i] === 'here' ? sum + s.minutes : sum;
  }, 0);
  return all > 0 ? left / all : 0;
}

export const TELLINGS = ['knot', 'stretch', 'row'] as const;
/** Told one by one, as long as nothing changes, or by the row. */
export type Telling = (typeof TELLINGS)[number];

/** Knots that are told together from one on: those left of its row, as far as `isSame` holds for a stretch. */
export function toldTogether<K extends { readonly id: string; readonly row: number }>(
  knots: readonly K[],
  from: number,
  telling: Telling,
  isIn: (id: string) => boolean,
  isSame: (a: K, b: K) => boolean,
): K[] {
  const first = knots[from];
  if (!first || telling === 'knot') return first ? [first] : [];
  const together: K[] = [];
  for (let i = from; i < knots.length && knots[i].row === first.row; i++) {
    if (isIn(knots[i].id)) continue;
    if (telling === 'stretch' && !isSame(first, knots[i])) break;
    together.push(knots[i]);
  }
  return together;
}
