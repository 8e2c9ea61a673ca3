/** One finding of the station: a line that opens; in it why, where, one button that says the deed. A second is a count. */
import { useState } from 'react';
import type { Finding, NamedFix } from '../../core/findings/index.ts';
import { park } from '../../model/commands.ts';
import { painter } from '../ask/clients.ts';
import { inputsOf } from '../ask/fineness.ts';
import type { PlanSession } from '../session/plan-session.ts';
import { useView } from '../view/view-store.ts';
import { Telling } from './telling.tsx';

export function FindingNote(props: {
  readonly finding: Finding | undefined;
  readonly more: number;
  readonly session: PlanSession;
}) {
  const { finding, more, session } = props;
  const { select, selectSection } = useView.getState();
  const { take, busy, refusal } = useFix(session);
  if (!finding) return null;
  const isNote = finding.severity === 'note';
  const [first] = finding.knotIds ?? [];
  const [section] = finding.sectionIds ?? [];
  return (
    <details className="finding" data-finding={finding.code}>
      <summary>
        {!isNote && <i className="stitch" aria-hidden="true" />}
        <span className={`what ${isNote ? '' : 'text-madder'}`}>{finding.what}</span>
        <svg width="12" height="8" viewBox="0 0 12 8" aria-hidden="true" className="opens">
          <path d="M1 1.2L6 6.4L11 1.2" fill="none" stroke="currentColor" strokeWidth="1.5" />
        </svg>
      </summary>
      <p className="text-small">
        <Telling text={finding.why} />
      </p>
      {[finding.fix, finding.otherwise]
        .filter((way) => way !== undefined)
        .map((way) => (
          <button key={way.deed} type="button" className="button mt-2.5" disabled={busy} onClick={() => void take(way)}>
            {busy ? 'Trying ways …' : way.deed}
          </button>
        ))}
      {refusal && (
        <p role="alert" className="note text-madder">
          {refusal} Nothing was changed.
        </p>
      )}
      {first && <Show words="Show where" onClick={() => select(first)} />}
      {section && <Show words="Show the section" onClick={() => selectSection(section)} />}
      {more > 0 && <p className="note mt-1">{more === 1 ? 'One more finding' : `${more} more findings`} in Check.</p>}
    </details>
  );
}

function Show({ words, onClick }: { readonly words: string; readonly onClick: () => void }) {
  return (
    <button type="button" className="word text-note" onClick={onClick}>
      {words}
    </button>
  );
}

/** One tap does what is offered; flattening the base is worked out first. */
function useFix(session: PlanSession) {
  const [refusal, setRefusal] = useState<string>();
  const [busy, setBusy] = useState(false);
  const take = async ({ deed, change }: NamedFix) => {
    if (change.kind !== 'flattenBase') {
      const { applyFix } = await import('../../model/apply-fix.ts');
      return setRefusal(session.apply(applyFix(session.plan, deed, change)));
    }
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
  return { take, busy, refusal };
}
