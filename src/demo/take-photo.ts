/** What the stand-in for a camera is asked for, checked, and the photo taken. */
import { capOutside, type PlanGraph, planGraph } from '../core/plan/index.ts';
import type { PlanDocument } from '../model/plan.ts';
import { headInputs } from '../model/to-inputs.ts';
import { type Photo, type PhotoWish, photoOf } from './camera.ts';

const MESH = 32;
const SIDES = ['behind', 'left', 'right'] as const;
const UNDER = ['worn', 'whiteBlock', 'darkBlock'] as const;
/** Numbers that may be told, with their limits. */
const LIMITS = {
  knotsIn: [0, 3000],
  width: [100, 4000],
  height: [100, 4000],
  tilt: [-0.6, 0.6],
  lightFall: [-1, 1],
  grain: [0, 40],
  contrast: [0, 1],
  seed: [0, 1e6],
} as const;

let graph: PlanGraph | undefined;

/** @returns the photo, or a sentence that says what it can't be taken with */
export function takePhoto(plan: PlanDocument, asked: Readonly<Record<string, unknown>>): Photo | string {
  const side = asked.side ?? 'behind';
  if (!SIDES.includes(side as never)) return `A photo is taken from ${SIDES.join(', ')}.`;
  if (asked.under !== undefined && !UNDER.includes(asked.under as never))
    return `What is under the hair is one of ${UNDER.join(', ')}.`;
  const wish: Record<string, unknown> = { side, ...(asked.under === undefined ? {} : { under: asked.under }) };
  for (const [name, [low, high]] of Object.entries(LIMITS)) {
    const value = asked[name];
    if (value === undefined) continue;
    if (typeof value !== 'number' || !(value >= low && value <= high))
      return `${name} is a number from ${low} to ${high}.`;
    wish[name] = value;
  }
  graph ??= planGraph();
  return photoOf(graph, plan, capOutside(headInputs(plan, MESH)), wish as unknown as PhotoWish, MESH);
}
