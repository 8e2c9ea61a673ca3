/** A knot told in words, and what tools do: fetched when a knot is first selected, or a tool first taken. */

import type { PlanResult } from '../../core/findings/index.ts';
import type { PlannedKnot } from '../../core/knots/index.ts';
import { knotName, rowWords, THROUGH_WORDS, upperFirst } from '../../core/trade/index.ts';
import { Sign } from '../ui/sign.tsx';
import { Telling } from '../ui/telling.tsx';
import type { Tool } from '../view/view-store.ts';

/** What a finger on the head does while no knot is selected. */
function hintOf(tool: Tool): string {
  switch (tool.kind) {
    case 'density':
      if (tool.factor === 1) return 'Draw over the head: there the gaps are as planned again.';
      return `Draw over the head where it should be ${tool.factor < 1 ? 'fuller' : 'thinner'}. Escape puts the brush down.`;
    case 'addKnot':
      return 'Touch the place where a knot is to go in. Escape puts the tool down.';
    case 'moveKnot':
      return 'Touch a knot, then drag its bead to where it should sit.';
    case 'finger':
      return 'Draw a line over the hair: it parts there. Escape takes the finger away.';
    case 'tie':
      return 'Touch a tie: it carries pieces, or none. Escape puts the tool down.';
    case 'pullRow':
      return 'Drag a row on the cloth below: closer to the next one, or wider.';
    default:
      return '';
  }
}

export const ToolHint = ({ tool }: { readonly tool: Tool }) => <p className="hint note">{hintOf(tool)}</p>;

export function KnotTold({ result, knot }: { readonly result: PlanResult; readonly knot: PlannedKnot }) {
  const row = result.rows[knot.row];
  return (
    <>
      <div className="note">Knot</div>
      <div className="fig text-callout" style={{ letterSpacing: '-.02em', fontStretch: '80%' }}>
        {result.knots.indexOf(knot) + 1}{' '}
        <span className="text-body font-normal tracking-normal text-ink2" style={{ fontFamily: 'var(--font-text)' }}>
          of {result.knots.length}
        </span>
      </div>
      <div className="mt-3 flex items-center gap-2.5 text-lead font-strong">
        <Sign knot={knot} size={7.5} />
        {knotName(knot)}
      </div>
      <p className="mt-1.5 max-w-[27ch]">
        <Telling text={knot.chain[0].because} />
      </p>
      <p className="note mt-1.5">
        {knot.chain[1].because} {upperFirst(THROUGH_WORDS[knot.through])}, hook {knot.hookWords}.
      </p>
      <p className="note mt-1.5">
        {upperFirst(rowWords(row.label))}, {knot.place} of {row.knotCount} from your left. {knot.where.words}.
      </p>
    </>
  );
}
