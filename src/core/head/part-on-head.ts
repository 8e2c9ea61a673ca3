/** Distance from the part over the scalp, or from what stands in for it. */
import { distanceFrom } from '../geometry/index.ts';
import type { Head } from './head.ts';
import { type Part, type PartWalk, walkPart } from './part.ts';
import { sweptCounter } from './scalp-fields.ts';

export interface PartField extends Partial<Pick<PartWalk, 'lengthMm' | 'movedInMm'>> {
  /** The line to draw, from the hairline backwards; xyz interleaved, mm; empty where there is none. */
  readonly pointsMm: Float64Array;
  /** From the line, from the crown, or counted back from the front hairline; at every vertex, mm. */
  readonly fromPart: Float64Array;
}

type PartHead = Pick<Head, 'mesh' | 'shape' | 'line' | 'scalp' | 'mark'>;

export function partOnHead(head: PartHead, part: Part): PartField {
  switch (part.kind) {
    case 'line': {
      const walk = walkPart(head.shape, head.line, part);
      return { ...walk, fromPart: distanceFrom(head.mesh, { pointsMm: walk.pointsMm }) };
    }
    case 'crown':
      return { pointsMm: new Float64Array(0), fromPart: distanceFrom(head.mesh, { pointsMm: head.mark.crown }) };
    case 'swept':
      return { pointsMm: new Float64Array(0), fromPart: sweptCounter(head.line, head.mesh, head.scalp.scale) };
  }
}
