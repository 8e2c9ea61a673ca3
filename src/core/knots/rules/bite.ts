/** How much own hair is taken up under a knot. */
import { LEAST_BITE_MM2, type Through } from '../../trade/index.ts';

/** Scalp to take up under a knot through own hair: a square of this side, mm, so that a gram hangs on enough hair. */
export function biteSideMm(through: Through, massG: number, mm2PerG: number): number {
  if (through === 'net') return 0;
  // Net or border bear half of it in the same bite.
  const share = through === 'hair' ? 1 : 0.5;
  return Math.sqrt(Math.max(LEAST_BITE_MM2, massG * mm2PerG * share));
}
