/** Trimming in small cuts: how much comes off where, against the outline of the plan. */
import type { PlanResult } from '../../../core/findings/index.ts';
import type { HairOnHead } from '../../../core/plan/index.ts';
import type { PlanDocument } from '../../../model/plan.ts';
import { useHairOf } from '../../ask/so-far.ts';
import { Outlines } from '../check/outlines.tsx';

/** No cut takes more than this; the last one less (common practice: small cuts), mm. */
const CUT_MM = 10;
/** Less than this is not seen. */
const LEAST_MM = 5;

export function TrimGuide({ plan, result }: { readonly plan: PlanDocument; readonly result: PlanResult }) {
  const hair = useHairOf(plan);
  if (!hair) return null;
  const cuts = cutsOf(hair);
  return (
    <div className="mt-2" data-testid="trim-guide">
      <div style={{ maxWidth: 360 }}>
        <Outlines hair={hair} crownMm={result.head.landmarks.crown[1]} />
      </div>
      {cuts.length === 0 ? (
        <p className="mt-2 text-far-note leading-tight">By the plan nothing comes off but single ends.</p>
      ) : (
        <ol className="mt-2 text-far-note leading-tight">
          {cuts.map(({ where, mm }) => (
            <li key={where} className="line py-1">
              <b className="font-strong">{where}:</b> {cutWords(mm)}
            </li>
          ))}
        </ol>
      )}
      {cuts.length > 0 && (
        <p className="mt-2 text-far-note leading-tight text-ink2">
          Dashed is how it hangs now, solid what the plan trims it to. After each cut shake it, look, and stop as soon
          as you like it.
        </p>
      )}
    </div>
  );
}

/** How far it hangs down, or stands out, beyond what the plan trims it to. */
function cutsOf({ size, untrimmed }: HairOnHead) {
  if (!untrimmed) return [];
  const places = [
    { where: 'Behind', mm: beyond(untrimmed.left.outlineMm, size.left.outlineMm, (x) => x < 0) },
    { where: 'At the face', mm: beyond(untrimmed.left.outlineMm, size.left.outlineMm, (x) => x > 0) },
    { where: 'On your left', mm: beyond(untrimmed.front.outlineMm, size.front.outlineMm, (x) => x > 0) },
    { where: 'On your right', mm: beyond(untrimmed.front.outlineMm, size.front.outlineMm, (x) => x < 0) },
    {
      where: 'To the sides',
      mm: Math.max(0, (untrimmed.front.widthMm - size.front.widthMm) / 2),
    },
  ];
  return places.filter((p) => p.mm >= LEAST_MM);
}

/** How much lower one outline ends than the other, on one side of the middle. */
function beyond(before: Float32Array, after: Float32Array, isMeant: (x: number) => boolean): number {
  const lowest = (outline: Float32Array) => {
    let low = Number.POSITIVE_INFINITY;
    for (let i = 0; i < outline.length; i += 2) if (isMeant(outline[i])) low = Math.min(low, outline[i + 1]);
    return low;
  };
  const mm = lowest(after) - lowest(before);
  return Number.isFinite(mm) ? Math.max(0, mm) : 0;
}

/** "4 cm come off: half of it first, then 2 cuts of a fingertip". */
function cutWords(mm: number): string {
  const cm = Math.round(mm / 5) / 2;
  const rest = Math.ceil(mm / 2 / CUT_MM);
  return `${String(cm).replace('.5', '½')} cm. Half of it first, at a slant; then ${rest} small ${rest === 1 ? 'cut' : 'cuts'} of a centimetre at most.`;
}
