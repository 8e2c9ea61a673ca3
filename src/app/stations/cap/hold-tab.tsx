/** What holds it. */

import { ANCHOR_NAMES } from '../../../core/cap/index.ts';
import type { PlanResult } from '../../../core/findings/index.ts';
import { COMB_NAMES, COMB_PLACES, isWorn } from '../../../core/trade/index.ts';
import { formatLength } from '../../../model/lengths.ts';
import type { PlanDocument } from '../../../model/plan.ts';
import { fingerMm } from '../../../model/to-inputs.ts';
import type { PlanSession } from '../../session/plan-session.ts';
import type { BenchProps } from '../../ui/bench-props.ts';
import { Several } from '../../ui/choice.tsx';
import { SchoolsBench } from '../../ui/school-fields.tsx';
import { ToolButton } from '../../ui/tabs.tsx';
import { TURN_TOOL, useView } from '../../view/view-store.ts';
import { useCap } from './use-cap.ts';

export function HoldTab({ session, result }: BenchProps) {
  const { plan } = session;
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
        options={COMB_PLACES.filter((c) => c !== 'opening' || cap.opening !== 'none' || cap.combs.includes(c)).map(
          (c) => [c, COMB_NAMES[c]] as const,
        )}
        onChange={(combs) =>
          change({ combs }, combs.length > 0 ? `Combs ${combs.map((c) => COMB_NAMES[c]).join(', ')}` : 'No combs')
        }
      />
      <OwnCombs session={session} />
      {result && result.cap.anchors.length > 0 && <Anchors anchors={result.cap.anchors} />}
      {!isWorn(plan.madeFor) && (
        <p className="note mt-2">How it holds is judged once you say what it will be worn over.</p>
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

/** Combs at places of her own, set on the head and taken out again. */
function OwnCombs({ session }: { readonly session: PlanSession }) {
  const { cap, change } = useCap(session);
  const { tool, hold } = useView();
  const isSetting = tool.kind === 'comb';
  return (
    <div className="mt-1">
      <ToolButton held={isSetting} testId="set-comb" onPress={() => hold(isSetting ? TURN_TOOL : { kind: 'comb' })}>
        Set a comb on the head
      </ToolButton>
      {cap.combsAt.length > 0 && (
        <ul aria-label="Combs at places of your own">
          {cap.combsAt.map((at, i) => (
            <li key={`${at}`} className="line flex items-center justify-between gap-2">
              <span>Comb {i + 1}</span>
              <button
                type="button"
                className="word text-note"
                aria-label={`Take comb ${i + 1} out`}
                onClick={() => change({ combsAt: cap.combsAt.filter((_, n) => n !== i) }, 'A comb taken out')}
              >
                take out
              </button>
            </li>
          ))}
        </ul>
      )}
    </div>
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
