/** What can be done if the part fails. */
import type { PlanResult } from '../../../core/findings/index.ts';
import type { PlanDocument } from '../../../model/plan.ts';

/** To lay hair over to the other side it has to reach across the first rows there (guess: three gaps and four fingers). */
const ACROSS_GAPS = 3;

const ACROSS_MM = 70;

export function WayBack({ plan, result }: { readonly plan: PlanDocument; readonly result: PlanResult | undefined }) {
  if (!result || plan.part.kind !== 'line') return null;
  const piece = result.pieces.find((p) => p.cut === plan.pieces.part.cut);
  if (!piece) return null;
  const needed = ACROSS_GAPS * result.spacing.centresMm.part + ACROSS_MM;
  const can = piece.lengthMm >= needed;
  return (
    <section className="mt-5">
      <h3 className="text-title">If the part fails</h3>
      <p className="mt-1 text-small">
        Add layers beside it, or lay it over to the other side:{' '}
        {can
          ? `the hair there hangs ${Math.round(piece.lengthMm / 10)} cm, enough to reach across.`
          : `for that it would have to hang about ${Math.round(needed / 10)} cm, and it hangs ${Math.round(piece.lengthMm / 10)}. Layers it is.`}
      </p>
    </section>
  );
}
