/** A stand-in for a scanner: one scan of an invented head, worked out when it is first asked for. */
import type { RequestHandler } from 'express';
import { demoScan } from '../demo/scan.ts';
import { scanStl } from '../demo/scan-stl.ts';

let made: Buffer | undefined;

export const scan: RequestHandler = (_request, response) => {
  made ??= Buffer.from(scanStl(demoScan()));
  response.type('model/stl').send(made);
};
