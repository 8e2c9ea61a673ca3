/** One finding of the station: stitch, what in madder, where in ink, one button that says the deed. A second is a count. */
import { useState } from 'react';
import type { Finding } from '../../core/findings/finding.ts';
import { applyMend } from '../../model/commands.ts';
import type { PlanSession } from '../state/plan-session.ts';
import { useView } from '../state/view-store.ts';

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
  const [refusal, setRefusal] = useState<string>();
  if (!finding) return null;
  const [first] = finding.knotIds ?? [];
  return (
    <section className="mt-[18px]" aria-label={finding.what} data-finding={finding.code}>
      {finding.severity !== 'note' && <div className="stitch" aria-hidden="true" />}
      <p>
        <b className={`font-[650] ${finding.severity === 'note' ? '' : 'text-madder'}`}>{finding.what}</b>{' '}
        <span className="text-[14px]">{finding.why}</span>
      </p>
      {finding.mend && (
        <button
          type="button"
          className="button mt-[10px]"
          onClick={() => {
            if (finding.mend)
              setRefusal(session.apply(applyMend(session.plan, finding.mend.deed, finding.mend.change)));
          }}
        >
          {finding.mend.deed}
        </button>
      )}
      {refusal && (
        <p role="alert" className="note text-madder">
          {refusal} Nothing was changed.
        </p>
      )}
      {first && (
        <button type="button" className="word text-[13px]" onClick={() => select(first)}>
          Show where
        </button>
      )}
      {more > 0 && <p className="note mt-1">{more === 1 ? 'One more finding' : `${more} more findings`} in Check.</p>}
    </section>
  );
}
