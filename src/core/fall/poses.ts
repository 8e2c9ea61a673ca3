/** How she is looked at: what she does with her head, and how old the style is. */
import type { Grip } from '../hair/textures.ts';
import { AT_REST, type HairState } from './way.ts';

const BENT = Math.PI / 3;
const TILTED = Math.PI / 5;

/** Gravity turns against her head when the head turns against the world. Wind as strong as a brisk walk's (guess). */
export const POSES = {
  rest: { name: 'at rest', state: AT_REST },
  bent: { name: 'head bent forward', state: { ...AT_REST, gravity: [0, -Math.cos(BENT), Math.sin(BENT)] } },
  tiltedLeft: { name: 'tilted to your left', state: { ...AT_REST, gravity: [Math.sin(TILTED), -Math.cos(TILTED), 0] } },
  tiltedRight: {
    name: 'tilted to your right',
    state: { ...AT_REST, gravity: [-Math.sin(TILTED), -Math.cos(TILTED), 0] },
  },
  windFront: { name: 'wind in your face', state: { ...AT_REST, wind: [0, 0, -0.9] } },
  windBehind: { name: 'wind from behind', state: { ...AT_REST, wind: [0, 0, 0.9] } },
  windLeft: { name: 'wind from your left', state: { ...AT_REST, wind: [-0.9, 0, 0] } },
} as const satisfies Readonly<Record<string, { readonly name: string; readonly state: HairState }>>;
export type Pose = keyof typeof POSES;
export const POSE_NAMES = Object.keys(POSES) as Pose[];

export const AGES = ['finished', 'beforeOpening', 'firstWeek'] as const;
export type Age = (typeof AGES)[number];

export const AGE_INFO: Readonly<Record<Age, { readonly name: string; readonly words: string }>> = {
  finished: { name: 'finished', words: 'Opened, dressed and trimmed as planned.' },
  beforeOpening: { name: 'before opening', words: 'Hooked, nothing separated or trimmed yet.' },
  firstWeek: {
    name: 'after a week',
    words: 'Matted a little and slipped: a guess. Strands draw together, smooth hair creeps furthest.',
  },
};

/** After a week strands are this wide against fresh ones: they mat together (guess). */
export const MATTED_WIDTH = 0.85;
/** How far knots have crept down by then, mm (guess). */
export const SLIP_MM: Readonly<Record<Grip, number>> = { grips: 1, some: 2, smooth: 4 };
