/** A knot with its reasons. */

import type { PlannedKnot } from '../../../core/knots/index.ts';
import {
  ENTRY_WORDS,
  knotName,
  lowerFirst,
  RULES_SOURCE,
  SCHOOL_NAMES,
  THROUGH_WORDS,
} from '../../../core/trade/index.ts';
import type { BenchProps } from '../../ui/bench-props.ts';
import { SchoolsBench } from '../../ui/school-fields.tsx';
import { useView } from '../../view/view-store.ts';
import { KnotOverrides } from './overrides.tsx';
import { PlacesBench } from './places.tsx';
import { WayBack } from './way-back.tsx';

export function KnotTab({ session, result }: BenchProps) {
  const { plan } = session;
  const selectedId = useView((v) => v.selectedId);
  const knot = result?.knots.find((k) => k.id === selectedId);
  return (
    <>
      <h2>Which knot, and why</h2>
      {!knot && <p className="note mt-1">Touch a knot: it shows the rules behind it, and you may choose another.</p>}
      {knot && <KnotWhy knot={knot} />}
      {knot && <KnotOverrides session={session} knot={knot} />}
      {plan.knotWishes.length > 0 && (
        <button
          type="button"
          className="word mt-2 text-note"
          onClick={() => session.apply({ words: 'The rules decide everywhere', plan: { ...plan, knotWishes: [] } })}
        >
          Let the rules decide everywhere again ({plan.knotWishes.length} chosen)
        </button>
      )}
      <SchoolsBench
        session={session}
        names={['oneLeg', 'exposed', 'oneLegWraps', 'perimeterKnot', 'through', 'tender']}
      />
      <PlacesBench session={session} result={result} />
      <WayBack plan={plan} result={result} />
    </>
  );
}

function KnotWhy({ knot }: { readonly knot: PlannedKnot }) {
  return (
    <section className="mt-2" aria-label="Rules behind this knot" data-testid="rule-chain">
      <p className="font-strong">
        {knotName(knot)}, {THROUGH_WORDS[knot.through]}
      </p>
      <ol className="mt-1 text-small">
        {knot.chain.map((r) => (
          <li key={r.id} className="line py-1.25" data-rule={r.id}>
            {r.because}
            {r.school && (
              <span className="note block">
                School: {lowerFirst(SCHOOL_NAMES[r.school])}
                {r.saidFor && `, said for ${r.saidFor}`}
              </span>
            )}
          </li>
        ))}
      </ol>
      <p className="note mt-1">
        {knot.holes > 0 ? `${knot.holes} ${knot.holes === 1 ? 'hole' : 'holes'} of the net. ` : ''}
        {knot.biteMm > 0 ? `Take up scalp about ${knot.biteMm.toFixed(0)} mm square (a guess). ` : ''}
        Hook {ENTRY_WORDS[knot.entry]}. {RULES_SOURCE}.
      </p>
    </section>
  );
}
