/** Which part: quick ways to the usual ones; the line itself is dragged on the head. */
import { dequal } from 'dequal';
import { type Part, partInWords } from '../../../core/head/index.ts';
import { setPart } from '../../../model/commands.ts';
import type { PlanSession } from '../../session/plan-session.ts';

const PARTS: ReadonlyArray<readonly [string, Part]> = [
  ['middle', { kind: 'line', frontMm: 0, endMm: 0, lengthMm: 115, bendMm: 0 }],
  ['side, left', { kind: 'line', frontMm: 40, endMm: 34, lengthMm: 110, bendMm: 0 }],
  ['side, right', { kind: 'line', frontMm: -40, endMm: -34, lengthMm: 110, bendMm: 0 }],
  ['deep, slanted', { kind: 'line', frontMm: 56, endMm: -18, lengthMm: 135, bendMm: 0 }],
  ['curved', { kind: 'line', frontMm: 44, endMm: 14, lengthMm: 120, bendMm: 16 }],
  ['none, from the crown', { kind: 'crown' }],
  ['none, swept back', { kind: 'swept' }],
];

export function PartBench({ session }: { readonly session: PlanSession }) {
  const part = session.plan.part as Part;
  return (
    <section className="mt-5.5">
      <h2>Part</h2>
      <p className="note mt-1.25">
        Now: {partInWords(part)}.{' '}
        {part.kind === 'line' ? 'Drag its beads on the head.' : 'Rows close round what stands on top.'}
      </p>
      <ul className="mt-1 flex flex-wrap gap-x-6.5">
        {PARTS.map(([name, value]) => (
          <li key={name}>
            <button
              type="button"
              className="word"
              aria-pressed={dequal(part, value)}
              onClick={() => session.apply(setPart(session.plan, value))}
            >
              {name}
            </button>
          </li>
        ))}
        {part.kind === 'line' && (
          <li>
            <button
              type="button"
              className="word"
              onClick={() =>
                session.apply(
                  setPart(
                    session.plan,
                    { ...part, frontMm: 0 - part.frontMm, endMm: 0 - part.endMm, bendMm: 0 - part.bendMm },
                    'Part on the other side',
                  ),
                )
              }
            >
              other side
            </button>
          </li>
        )}
      </ul>
    </section>
  );
}
