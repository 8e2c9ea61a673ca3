/** What holds it. */

import { ANCHOR_NAMES } from '../../../core/cap/anchors.ts';
import { COMB_PLACES } from '../../../core/trade/caps.ts';
import { formatLength } from '../../../model/lengths.ts';
import type { PlanDocument } from '../../../model/plan.ts';
import { fingerMm } from '../../../model/to-inputs.ts';
import type { BenchProps } from '../../ui/bench-props.ts';
import { Several } from '../../ui/choice.tsx';
import { SchoolsBench } from '../../ui/school-fields.tsx';
import { useCap } from './use-cap.ts';

export function HoldTab({ session, result }: BenchProps) {
  const { cap, change } = useCap(session);
  return (
    <>
      <Several
        label="It has"
        values={[
          ...(cap.band ? (['band'] as const) : []),
          ...(cap.strap ? (['strap'] as const) : []),
          ...(cap.surplus ? (['surplus'] as const) : []),
        ]}
        options={
          [
            ['band', 'elastic border'],
            ['strap', 'a strap'],
            ['surplus', 'cloth tied off'],
          ] as const
        }
        onChange={(has) =>
          change(
            { band: has.includes('band'), strap: has.includes('strap'), surplus: has.includes('surplus') },
            'Holding changed',
          )
        }
      />
      <Several
        label="Combs"
        values={cap.combs}
        options={COMB_PLACES.map((c) => [c, c === 'sides' ? 'at the sides' : `at the ${c}`] as const)}
        onChange={(combs) => change({ combs }, combs.length > 0 ? `Combs: ${combs.join(', ')}` : 'No combs')}
      />
      {result && (
        <ol className="mt-3" aria-label="Anchors, in the order in which they are set">
          {result.cap.anchors.map((a, i) => (
            <li key={a.place} className="line grid grid-cols-tick py-1.5 text-small" data-anchor={a.place}>
              <span className="fig text-lead">{i + 1}</span>
              <span>
                <b className="font-strong">{ANCHOR_NAMES[a.place]}</b>
                <span className="note block">
                  {[
                    a.knotIds.length > 0 && `${a.knotIds.length} through hair and border`,
                    a.combs > 0 && `${a.combs} ${a.combs === 1 ? 'comb' : 'combs'}`,
                    a.pins > 0 && `${a.pins} ${a.pins === 1 ? 'pin' : 'pins'}`,
                    a.afterKnot > 0 && `complete with knot ${a.afterKnot}`,
                  ]
                    .filter(Boolean)
                    .join(', ') || 'the band holds it'}
                </span>
              </span>
            </li>
          ))}
        </ol>
      )}
      {result && (
        <p className="note mt-2">
          Takes {Math.round(result.cap.shareOfPull[0] * 100)} to {Math.round(result.cap.shareOfPull[1] * 100)} % of the
          pull (a guess). Glue and coated bands can cause allergy: try a patch first.
        </p>
      )}
      <SchoolsBench session={session} names={['border', 'holes', 'through', 'tender', 'perimeterKnot']} />
    </>
  );
}

export function shower(plan: PlanDocument): (mm: number) => string {
  return (mm) => formatLength(mm, plan.unit === 'in' ? 'in' : 'cm', fingerMm(plan));
}
