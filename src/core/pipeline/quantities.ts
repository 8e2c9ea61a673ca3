/** What the hooked pieces add up to: how many of each cut, a mean one, and what to do on the form of the cap. */
import type { CapFit } from '../cap/fit.ts';
import { spacingOnForm } from '../cap/stretch.ts';
import type { HookedPiece } from '../hair/cuts.ts';
import type { Demand } from '../supply/packs.ts';
import { type PlanInputs, type SpacingZone, ZONES } from './inputs.ts';
import type { SpacingMm } from './spacing.ts';

/** How many pieces of each cut are hooked. */
export function demandsOf(
  { cuts }: PlanInputs,
  knots: readonly { readonly cut: string }[],
  pieces: ReadonlyMap<string, HookedPiece>,
): Demand[] {
  return cuts.flatMap((cut) => {
    const piece = pieces.get(cut.id);
    const count = knots.filter((k) => k.cut === cut.id).length;
    return piece && count > 0 ? [{ piece, knots: count, halves: cut.half }] : [];
  });
}

export function spacingsOnForm(inputs: PlanInputs, cap: CapFit, { centresMm }: SpacingMm) {
  return Object.fromEntries(
    ZONES.map((z) => {
      const worn = { gapMm: centresMm[z], pitchMm: centresMm[z] };
      return [z, spacingOnForm(worn, cap.onForm, cap.onHead, inputs.fingerMm)];
    }),
  ) as Record<SpacingZone, ReturnType<typeof spacingOnForm>>;
}
