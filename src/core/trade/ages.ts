/** How a style ages. */
import type { Grip } from './textures.ts';

export const AGES = ['finished', 'beforeOpening', 'firstWeek'] as const;

export type Age = (typeof AGES)[number];

/** After a week strands are this wide against fresh ones: they mat together (guess). */
export const MATTED_WIDTH = 0.85;

/** How far knots have crept down by then, mm (guess). */
export const SLIP_MM: Readonly<Record<Grip, number>> = { grips: 1, some: 2, smooth: 4 };
