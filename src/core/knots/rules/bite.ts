/** How much own hair is taken up under a knot. */
import { BITE_HAIRS, GENEROUS, type StrandThickness, type Through } from '../../trade/index.ts';

/** Scalp taken up under a knot through own hair, as people take it: a square of this side, mm. @param mm2AHair scalp of one hair there */
export function biteSideMm(through: Through, strand: StrandThickness, mm2AHair: number): number {
  if (through === 'net') return 0;
  const [, likely] = BITE_HAIRS[strand];
  return Math.sqrt(likely * mm2AHair * (through === 'hair' ? GENEROUS : 1));
}
