/** Takedown. */
import { isWorn } from '../../../core/trade/index.ts';
import type { BenchProps } from '../../ui/bench-props.ts';
import { duration, range } from '../../ui/format.ts';
import { TakenOut } from './taken-out.tsx';

const PULL = 'Pull the pieces out. What has a ring or is human hair is unringed and kept.';

const linesOnHer = (capped: boolean) => [
  'Snip each piece just outside its knot: blunt tips, a finger between blade and scalp, a mirror.',
  PULL,
  ...(capped ? ['Open the anchors at nape, sides and corners, then lift the cap off.'] : []),
  'Cut the bands, never drag them off.',
  'Detangle from the tips, wash, rest.',
];

/** A wig that is nobody's yet: only the net has to stay whole. */
const OFF_HEAD = [
  'Snip each piece just outside its knot, blunt tips, on whatever it was filled on: the net stays whole.',
  PULL,
  'Wash the cap, let it dry on a form, and count one more time that it was worn.',
];

export function TakedownBench({ session, result }: BenchProps) {
  const { cap, madeFor } = session.plan;
  const worn = isWorn(madeFor);
  const lines = worn ? linesOnHer(cap.dome !== 'none') : OFF_HEAD;
  return (
    <>
      <h2>Taking it out</h2>
      <ol className="mt-3 text-small">
        {lines.map((line, i) => (
          <li key={line} className="line grid grid-cols-tick py-1.75">
            <span className="fig text-lead">{i + 1}</span>
            {line}
          </li>
        ))}
      </ol>
      {result && (
        <p className="note mt-3">
          {worn &&
            `${result.knots.filter((k) => k.through !== 'net').length} of ${result.knots.length} knots go through your own hair; those take the time. `}
          About {duration(result.time.takedownMinutes)}, likely {range(result.time.takedownRange, duration)}: common
          practice, no source.
        </p>
      )}
      <TakenOut planId={session.plan.id} />
    </>
  );
}
