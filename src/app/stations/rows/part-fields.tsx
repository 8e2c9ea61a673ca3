/** Which part: quick ways to the usual ones; the line itself is dragged on the head. */
import { dequal } from 'dequal';
import { type LinePart, type Part, partInWords } from '../../../core/head/index.ts';
import { setPart, setParting } from '../../../model/commands.ts';
import type { PlanSession } from '../../session/plan-session.ts';
import { Choice } from '../../ui/choice.tsx';

const PARTS: ReadonlyArray<readonly [string, Part]> = [
  ['middle', { kind: 'line', frontMm: 0, endMm: 0, lengthMm: 115, bendMm: 0 }],
  ['side, left', { kind: 'line', frontMm: 40, endMm: 34, lengthMm: 110, bendMm: 0 }],
  ['side, right', { kind: 'line', frontMm: -40, endMm: -34, lengthMm: 110, bendMm: 0 }],
  ['deep, slanted', { kind: 'line', frontMm: 56, endMm: -18, lengthMm: 135, bendMm: 0 }],
  ['curved', { kind: 'line', frontMm: 44, endMm: 14, lengthMm: 120, bendMm: 16 }],
  ['none, from the crown', { kind: 'crown' }],
  ['none, swept back', { kind: 'swept' }],
];

/** A second line to flip to, and a part that no row follows. */
function MoreOfThePart({ session, part }: { readonly session: PlanSession; readonly part: LinePart }) {
  const { plan } = session;
  const { parting } = plan;
  return (
    <>
      <Choice
        label="Second part"
        value={parting.second ? 'two' : 'one'}
        options={[
          { value: 'one', name: 'One part', reason: 'Hair falls from this line.' },
          {
            value: 'two',
            name: 'A second part, to flip to',
            reason: 'Rows run along both, and knots beside both lie flat. Drag its beads on the head.',
          },
        ]}
        onChange={(v) => session.apply(setParting(plan, { second: v === 'two' ? startOfSecond(part) : undefined }))}
      />
      <Choice
        label="When the part is there"
        value={parting.onlyWorn ? 'worn' : 'laid'}
        options={[
          { value: 'laid', name: 'Rows follow it', reason: 'Knots beside it lie flat, and scalp shows along it.' },
          {
            value: 'worn',
            name: 'Only when worn',
            reason: 'Rows close round the crown; it is combed in afterwards and may be elsewhere tomorrow.',
          },
        ]}
        onChange={(v) => session.apply(setParting(plan, { onlyWorn: v === 'worn' }))}
      />
    </>
  );
}

/** On the other side; beside a middle part on her left. */
function startOfSecond(part: LinePart): LinePart {
  const aside = part.frontMm + part.endMm;
  if (Math.abs(aside) < NEAR_MIDDLE_MM) return { ...part, frontMm: 44, endMm: 38 };
  return { ...part, frontMm: 0 - part.frontMm, endMm: 0 - part.endMm, bendMm: 0 - part.bendMm };
}
const NEAR_MIDDLE_MM = 40;

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
      {part.kind === 'line' && <MoreOfThePart session={session} part={part} />}
    </section>
  );
}
