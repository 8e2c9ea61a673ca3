/** A photo as it is measured: no larger than that takes, whatever the camera made of it. */
import type { PhotoSide } from '../../../core/photo/index.ts';
import { isOffHead } from '../../../core/trade/index.ts';
import type { PlanDocument } from '../../../model/plan.ts';

export interface Shot {
  readonly width: number;
  readonly height: number;
  /** RGBA. */
  readonly pixels: Uint8ClampedArray;
  /** As a data URL. */
  readonly image: string;
}

/** More pixels than this tell no more of gaps that are some mm wide. */
const LONGEST_PX = 1000;

/** @throws Error with a sentence where it is no picture */
export async function fromFile(file: Blob): Promise<Shot> {
  let picture: ImageBitmap;
  try {
    picture = await createImageBitmap(file);
  } catch {
    throw new Error('This is no photo that can be opened: PNG and JPEG can.');
  }
  const scale = Math.min(1, LONGEST_PX / Math.max(picture.width, picture.height));
  const [width, height] = [picture.width, picture.height].map((l) => Math.max(1, Math.round(l * scale)));
  const canvas = document.createElement('canvas');
  canvas.width = width;
  canvas.height = height;
  const ctx = canvas.getContext('2d', { willReadFrequently: true });
  if (!ctx) throw new Error('This browser can’t open pictures just now.');
  ctx.imageSmoothingQuality = 'high';
  ctx.drawImage(picture, 0, 0, width, height);
  picture.close();
  const { data } = ctx.getImageData(0, 0, width, height);
  return { width, height, pixels: data, image: canvas.toDataURL('image/jpeg', 0.85) };
}

/** The camera that is on this machine, if one is. @throws Error with a sentence where it can't be asked */
export async function fromCamera(plan: PlanDocument, side: PhotoSide, knotsIn: number): Promise<Shot> {
  let answer: Response;
  try {
    answer = await fetch('/api/camera', {
      method: 'POST',
      headers: { 'content-type': 'application/json' },
      body: JSON.stringify({ plan, side, knotsIn, under: isOffHead(plan.cap) ? 'whiteBlock' : 'worn' }),
    });
  } catch {
    throw new Error('The camera doesn’t answer: take a photo and load it.');
  }
  if (!answer.ok) throw new Error('The camera has no photo just now: take one and load it.');
  return fromFile(await answer.blob());
}
