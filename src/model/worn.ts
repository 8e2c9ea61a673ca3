/** What of a plan its wearing hangs on. */
import type { Plan } from '../core/plan/index.ts';
import { isOffHead, type Texture } from '../core/trade/index.ts';
import type { Wet, Worn } from '../core/wear/index.ts';
import { wornDaysOf } from './evenings.ts';
import type { PlanDocument } from './plan.ts';
import { planInputs } from './to-inputs.ts';

/** The texture that most of its hair has, and the longest of it. */
function mostOf({ products, cuts }: ReturnType<typeof planInputs>, { knots }: Pick<Plan, 'knots'>) {
  const productOf = new Map(cuts.map((c) => [c.id, products.find((p) => p.id === c.product)]));
  const massOf = new Map<Texture, number>();
  let lengthMm = 0;
  let human = 0;
  let all = 0;
  for (const { cut, massG } of knots) {
    const product = productOf.get(cut);
    if (!product) continue;
    massOf.set(product.texture, (massOf.get(product.texture) ?? 0) + massG);
    lengthMm = Math.max(lengthMm, product.lengthMm / 2);
    all += massG;
    if (product.fibre === 'human') human += massG;
  }
  const [texture] = [...massOf].sort((a, b) => b[1] - a[1])[0] ?? ['looseCurl' as const];
  return { texture, lengthMm, isSynthetic: human < all / 2 };
}

/** Holes of a net that is open enough to dry through, mm (guess). */
const OPEN_PITCH_MM = 3;

export function wornOf(plan: PlanDocument, result: Plan): Worn & Wet {
  const isOnHead = !isOffHead(plan.cap) || !plan.cap.wig;
  return {
    ...mostOf(planInputs(plan), result),
    meantDays: wornDaysOf(plan),
    isOnHead,
    hairG: result.load.massG,
    // A wig is washed off the head.
    ownHairG: isOnHead ? result.ownHair.massG : 0,
    net: plan.cap.dome === 'none' ? 'none' : plan.cap.holePitchMm >= OPEN_PITCH_MM ? 'holes' : 'closed',
    scalpMm2: result.head.areaMm2,
  };
}
