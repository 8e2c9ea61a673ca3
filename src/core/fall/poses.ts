/** How she is looked at: what she does with her head, and how old the style is. */
import { cos, sin } from '../numerics/index.ts';
import { AT_REST, type HairState } from './state.ts';

const BENT = Math.PI / 3;
const TILTED = Math.PI / 5;

/** Gravity turns against her head when the head turns against the world. Wind as strong as a brisk walk's (guess). */
export const POSES = {
  rest: { name: 'at rest', state: AT_REST },
  flipped: { name: 'flipped to the second part', state: { ...AT_REST, flipped: true } },
  bent: { name: 'head bent forward', state: { ...AT_REST, gravity: [0, -cos(BENT), sin(BENT)] } },
  tiltedLeft: { name: 'tilted to your left', state: { ...AT_REST, gravity: [sin(TILTED), -cos(TILTED), 0] } },
  tiltedRight: {
    name: 'tilted to your right',
    state: { ...AT_REST, gravity: [-sin(TILTED), -cos(TILTED), 0] },
  },
  windFront: { name: 'wind in your face', state: { ...AT_REST, wind: [0, 0, -0.9] } },
  windBehind: { name: 'wind from behind', state: { ...AT_REST, wind: [0, 0, 0.9] } },
  windLeft: { name: 'wind from your left', state: { ...AT_REST, wind: [-0.9, 0, 0] } },
} as const satisfies Readonly<Record<string, { readonly name: string; readonly state: HairState }>>;
export type Pose = keyof typeof POSES;
export const POSE_NAMES = Object.keys(POSES) as Pose[];
