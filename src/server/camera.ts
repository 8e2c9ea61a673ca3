/** A stand-in for a camera: a photo of a plan as it is meant to look with so much of it in. */
import type { Request, Response } from 'express';
import { encode } from 'fast-png';
import { takePhoto } from '../demo/take-photo.ts';
import { readPlan } from '../model/read-plan.ts';

/** One photo takes a second or so of work: it is taken when it is asked for, and of nothing too large. */
export function camera(request: Request, response: Response) {
  const { plan, ...wish } = (request.body ?? {}) as Record<string, unknown>;
  const read = readPlan(plan);
  if (!read.ok) {
    response.status(400).json({ message: read.why });
    return;
  }
  const photo = takePhoto(read.value, wish);
  if (typeof photo === 'string') {
    response.status(400).json({ message: photo });
    return;
  }
  const { width, height, pixels } = photo;
  response.set('cache-control', 'no-store');
  // Known only of a stand-in: where the taps go, and what shows.
  response.set('x-known', JSON.stringify({ taps: photo.taps, truth: photo.truth }));
  response.type('png').send(Buffer.from(encode({ width, height, data: pixels, channels: 4 })));
}
