/** A small picture of a plan’s hair for the list of plans, taken when all of it has been drawn at rest. */
import { db } from '../session/database.ts';
import type { Projection } from './projection.ts';

const SIDE_PX = 128;
/** What stands round the middle of the head in it, as a share of the stage’s height. */
const REACH = 0.5;

/** Right after drawing: the canvas forgets what is on it. A picture that can’t be kept is no loss. */
export function keepPicture(planId: string, canvas: HTMLCanvasElement, seen: Projection) {
  const small = document.createElement('canvas');
  small.width = SIDE_PX;
  small.height = SIDE_PX;
  const ratio = canvas.width / seen.width;
  const side = 2 * REACH * seen.height * ratio;
  const x = seen.centreX * ratio - side / 2;
  small.getContext('2d')?.drawImage(canvas, x, 0, side, side, 0, 0, SIDE_PX, SIDE_PX);
  db.pictures.put({ planId, image: small.toDataURL('image/webp', 0.8) }).catch(() => undefined);
}
