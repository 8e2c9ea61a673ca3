/** The scan held against her tape: which of both is to be believed, and what is taken of it. */
import { useState } from 'react';
import { useNavigate } from 'react-router';
import { type HeldAgainst, heldAgainst, type ScanJudged } from '../../core/scan/index.ts';
import { isBySize, TAPE_INFO } from '../../core/trade/index.ts';
import { formatLength } from '../../model/lengths.ts';
import type { PlanDocument } from '../../model/plan.ts';
import type { PlanChange } from '../../model/plan-change.ts';
import { followScan, takeShape } from '../../model/scan-commands.ts';
import { fingerMm, headInputs } from '../../model/to-inputs.ts';
import type { PlanSession } from '../session/plan-session.ts';
import { Ledger } from '../ui/ledger.tsx';
import type { ScanOnTheWay } from './use-scan.ts';

export function Against(props: {
  readonly session: PlanSession;
  readonly scan: ScanOnTheWay;
  readonly onHair: (hairMm: number) => void;
  readonly onTaken: () => void;
}) {
  const { session, scan } = props;
  const { plan } = session;
  const navigate = useNavigate();
  const [why, setWhy] = useState<string>();
  if (!scan.measured) return null;
  // Of a head that is known by its size alone nothing was measured.
  const tape = isBySize(plan.madeFor) ? {} : headInputs(plan).tape;
  const judged = heldAgainst(scan.measured.tape, tape);
  const { relief } = scan.measured;
  const take = (change: PlanChange) => {
    const refused = session.apply(change);
    if (refused) return setWhy(`${refused} Nothing was changed.`);
    props.onTaken();
    navigate(`/plan/${plan.id}/measure`);
  };
  return (
    <section className="mt-4">
      <h2 className="text-title">Against the tape</h2>
      <Held plan={plan} judged={judged} />
      <p className="mt-2" data-testid="scan-verdict">
        {judged.words}
      </p>
      {judged.hairMm > 0.5 && (
        <button type="button" className="word font-strong" onClick={() => props.onHair(scan.hairMm + judged.hairMm)}>
          Take {judged.hairMm.toFixed(1)} mm off all over
        </button>
      )}
      <div className="mt-3 grid gap-2">
        <button
          type="button"
          className="button primary"
          onClick={() => take(takeShape(plan, scan.name, relief, judged.measures))}
          data-testid="take-shape"
        >
          Take its shape
          <span className="note block font-normal">
            The scan’s own surface is the head; its size follows the tape where there is one that holds.
          </span>
        </button>
        <button
          type="button"
          className="button"
          onClick={() => take(followScan(plan, judged.measures))}
          data-testid="take-measures"
        >
          Take its measures only
          <span className="note block font-normal">A head fitted to these six, in place of the tape.</span>
        </button>
      </div>
      {why && (
        <p role="alert" className="mt-2 text-madder">
          {why}
        </p>
      )}
    </section>
  );
}

const BELIEVED: Readonly<Record<HeldAgainst['believed'], string>> = { scan: 'scan', tape: 'tape', either: 'either' };

function Held({ plan, judged }: { readonly plan: PlanDocument; readonly judged: ScanJudged }) {
  const show = (mm: number) => formatLength(mm, plan.unit, fingerMm(plan));
  return (
    <Ledger
      testId="scan-held"
      caption="Tapes as they would lie on it"
      captionSaid
      heads={['Measure', 'Scan', 'Tape', 'Believe']}
      lines={judged.measures.map((m) => ({
        key: m.measure,
        name: TAPE_INFO[m.measure].name,
        cells: [show(m.scanMm), m.tapeMm === undefined ? '–' : show(m.tapeMm), BELIEVED[m.believed]],
      }))}
    />
  );
}
