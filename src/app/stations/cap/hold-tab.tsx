/** What holds it. */

import { ANCHOR_NAMES } from '../../../core/cap/index.ts';
import type { PlanResult } from '../../../core/findings/index.ts';
import { COMB_PLACES } from '../../../core/trade/index.ts';
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
      {result && <Anchors anchors={result.cap.anchors} />}
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

type Anchor = PlanResult['cap']['anchors'][number];

function Anchors({ anchors }: { readonly anchors: readonly Anchor[] }) {
  return (
    <ol className="mt-3" aria-label="Anchors, in the order in which they are set">
      {anchors.map((a, i) => (
        <li key={a.place} className="line grid grid-cols-tick py-1.5 text-small" data-anchor={a.place}>
          <span className="fig text-lead">{i + 1}</span>
          <span>
            <b className="font-strong">{ANCHOR_NAMES[a.place]}</b>
            <span className="note block">{heldBy(a)}</span>
          </span>
        </li>
      ))}
    </ol>
  );
}

function heldBy({ knotIds, combs, pins, afterKnot }: Anchor): string {
  const parts = [
    knotIds.length > 0 && `${knotIds.length} through hair and border`,
    combs > 0 && `${combs} ${combs === 1 ? 'comb' : 'combs'}`,
    pins > 0 && `${pins} ${pins === 1 ? 'pin' : 'pins'}`,
    afterKnot > 0 && `complete with knot ${afterKnot}`,
  ];
  return parts.filter(Boolean).join(', ') || 'the band holds it';
}

export function shower(plan: PlanDocument): (mm: number) => string {
  return (mm) => formatLength(mm, plan.unit === 'in' ? 'in' : 'cm', fingerMm(plan));
}
