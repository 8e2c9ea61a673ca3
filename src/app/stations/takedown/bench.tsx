/** Takedown. */
import type { BenchProps } from '../../ui/bench-props.ts';
import { duration, range } from '../../ui/format.ts';

export function TakedownBench({ session, result }: BenchProps) {
  const capped = session.plan.cap.dome !== 'none';
  return (
    <>
      <h2>Taking it out</h2>
      <ol className="mt-3 text-small">
        {[
          'Snip each piece just outside its knot: blunt tips, a finger between blade and scalp, a mirror.',
          'Pull the pieces out. What has a ring or is human hair is unringed and kept.',
          ...(capped ? ['Open the anchors at nape, sides and corners, then lift the cap off.'] : []),
          'Cut the bands, never drag them off.',
          'Detangle from the tips, wash, rest.',
        ].map((line, i) => (
          <li key={line} className="line grid grid-cols-tick py-1.75">
            <span className="fig text-lead">{i + 1}</span>
            {line}
          </li>
        ))}
      </ol>
      {result && (
        <p className="note mt-3">
          {result.knots.filter((k) => k.through !== 'net').length} of {result.knots.length} knots go through your own
          hair; those take the time. About {duration(result.time.takedownMinutes)}, likely{' '}
          {range(result.time.takedownRange, duration)}: common practice, no source.
        </p>
      )}
    </>
  );
}
