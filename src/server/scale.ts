/** A stand-in for a kitchen scale that sends what it reads, as Server-Sent Events. */
import type { Request, Response } from 'express';
import { READ_EVERY_MS, readings } from '../demo/scale-readings.ts';

export function scale(request: Request, response: Response) {
  const of = String(request.query.of ?? '').slice(0, 200);
  response.set({ 'content-type': 'text/event-stream', 'cache-control': 'no-store', connection: 'keep-alive' });
  response.flushHeaders();
  const source = readings(of, request.query.dish === 'empty');
  const timer = setInterval(
    () => response.write(`data: ${JSON.stringify({ grams: source.next().value })}\n\n`),
    READ_EVERY_MS,
  );
  request.on('close', () => clearInterval(timer));
}
