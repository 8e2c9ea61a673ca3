/** Distance from the part over the scalp, or from what stands in for it. */
import { distanceFrom } from '../geometry/index.ts';
import type { Head } from './head.ts';
import { type LinePart, type Part, type PartWalk, walkPart } from './part.ts';
import { sweptCounter } from './scalp-fields.ts';

export interface PartField extends Partial<Pick<PartWalk, 'lengthMm' | 'movedInMm'>> {
  /** The line to draw, from the hairline backwards; xyz interleaved, mm; empty where there is none. */
  readonly pointsMm: Float64Array;
  /** From the line, from the crown, or counted back from the front hairline; at every vertex, mm. */
  readonly fromPart: Float64Array;
}

type PartHead = Pick<Head, 'mesh' | 'shape' | 'line' | 'scalp' | 'mark'>;

/** The field of both lines: from the nearer one; the first is drawn as it, the second beside it. */
export interface PartsField extends PartField {
  /** From the first alone. */
  readonly fromFirst: Float64Array;
  readonly second: PartField | undefined;
}

export function partsOnHead(head: PartHead, part: Part, second: LinePart | undefined): PartsField {
  const first = partOnHead(head, part);
  if (!second) return { ...first, fromFirst: first.fromPart, second: undefined };
  const other = partOnHead(head, second);
  const fromPart = first.fromPart.map((d, v) => Math.min(d, other.fromPart[v]));
  return { ...first, fromPart, fromFirst: first.fromPart, second: other };
}

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
