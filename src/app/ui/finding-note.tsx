/** One finding of the station: stitch, what in madder, where in ink, one button that says the deed. A second is a count. */
import { useState } from 'react';
import type { Finding, NamedMend } from '../../core/findings/finding.ts';
import { applyMend, park } from '../../model/commands.ts';
import { painter } from '../ask/clients.ts';
import { inputsOf } from '../ask/fineness.ts';
import type { PlanSession } from '../session/plan-session.ts';
import { useView } from '../view/view-store.ts';

export function FindingNote({
  finding,
  more,
  session,
}: {
  readonly finding: Finding | undefined;
  readonly more: number;
  readonly session: PlanSession;
}) {
  const select = useView((v) => v.select);
  const selectSection = useView((v) => v.selectSection);
  const [refusal, setRefusal] = useState<string>();
  const [busy, setBusy] = useState(false);
  if (!finding) return null;
  const take = async ({ deed, change }: NamedMend) => {
    if (change.kind !== 'flattenBase') return setRefusal(session.apply(applyMend(session.plan, deed, change)));
    setBusy(true);
    const outcome = await painter.call('flatten', inputsOf(session.plan));
    setBusy(false);
    if (outcome.state !== 'done') return;
    const { parking, beforeMm, afterMm } = outcome.value;
    if (afterMm >= beforeMm) {
      return setRefusal(`No way to lay the tails was found that is flatter than ${beforeMm.toFixed(0)} mm.`);
    }
    const words = `Flattened from ${beforeMm.toFixed(0)} to ${afterMm.toFixed(0)} mm`;
    setRefusal(session.apply(park(session.plan, parking, words)));
  };
  const [first] = finding.knotIds ?? [];
  const [section] = finding.sectionIds ?? [];
  return (
    <section className="mt-4.5" aria-label={finding.what} data-finding={finding.code}>
      {finding.severity !== 'note' && (
        <div className="mb-2.25 w-11 border-t-2 border-dashed border-madder" aria-hidden="true" />
      )}
      <p>
        <b className={`font-strong ${finding.severity === 'note' ? '' : 'text-madder'}`}>{finding.what}</b>{' '}
        <span className="text-small">{finding.why}</span>
      </p>
      {[finding.mend, finding.otherwise].map(
        (mend) =>
          mend && (
            <button
              key={mend.deed}
              type="button"
              className="button mt-2.5"
              disabled={busy}
              onClick={() => void take(mend)}
            >
              {busy ? 'Trying ways …' : mend.deed}
            </button>
          ),
      )}
      {refusal && (
        <p role="alert" className="note text-madder">
          {refusal} Nothing was changed.
        </p>
      )}
      {first && (
        <button type="button" className="word text-note" onClick={() => select(first)}>
          Show where
        </button>
      )}
      {section && (
        <button type="button" className="word text-note" onClick={() => selectSection(section)}>
          Show the section
        </button>
      )}
      {more > 0 && <p className="note mt-1">{more === 1 ? 'One more finding' : `${more} more findings`} in Check.</p>}
    </section>
  );
}
