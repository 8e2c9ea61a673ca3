/** Its opening. */

import { OPENING_INFO, OPENINGS } from '../../../core/trade/index.ts';
import type { BenchProps } from '../../ui/bench-props.ts';
import { Choice } from '../../ui/choice.tsx';
import { Fields } from '../../ui/fields.tsx';
import { Figure } from '../../ui/tabs.tsx';
import { OPENING } from './fields.ts';
import { shower } from './hold-tab.tsx';
import { useCap } from './use-cap.ts';

export function OpeningTab({ session, result }: BenchProps) {
  const { plan } = session;
  const { cap, change } = useCap(session);
  const show = shower(plan);
  const o = result?.cap.opening;
  return (
    <>
      <Choice
        label="Opening"
        value={cap.opening}
        options={OPENINGS.map((value) => ({ value, ...OPENING_INFO[value] }))}
        onChange={(opening) => change({ opening })}
      />
      {['stitchedU', 'openU', 'cut'].includes(cap.opening) && (
        <>
          <Fields record={cap} of={OPENING} set={change} />
          <p className="note">Or drag its beads on the head.</p>
        </>
      )}
      {o && o.lengthMm > 0 && result && (
        <dl className="mt-3">
          {cap.opening !== 'openU' && <Figure name="Scissors, from its middle">{show(o.cutAtMm)}</Figure>}
          <Figure name="Margin kept">{show(o.marginMm)}</Figure>
          {o.surplusMm > 0 && (
            <Figure name="Longer than the part">
              {show(o.surplusMm)}, {o.piecesToClose} {o.piecesToClose === 1 ? 'piece closes' : 'pieces close'} it
            </Figure>
          )}
          {cap.opening !== 'openU' && <Figure name="Cut after knot">{Math.max(result.cap.cutAfterKnot, 1)}</Figure>}
          <Figure name="In own hair alone">{result.knots.filter((k) => k.onNet === 'cutOut').length} knots</Figure>
        </dl>
      )}
      {cap.opening !== 'openU' && (
        <p className="note mt-2">
          All round is filled first. Scissors with blunt tips, a finger between blade and scalp, in a mirror. Own hair
          must not be cut, and neither must the pieces just hooked: comb them away.
        </p>
      )}
    </>
  );
}
