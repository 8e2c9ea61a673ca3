/** Its size, its net, and the form it is filled on. */

import type { PlanResult } from '../../../core/findings/index.ts';
import type { Part } from '../../../core/head/index.ts';
import { FILLED_INFO, fingersFigure, isOffHead, isWorn, ZONES, zoneName } from '../../../core/trade/index.ts';
import type { PlanDocument } from '../../../model/plan.ts';
import type { BenchProps } from '../../ui/bench-props.ts';
import { Fields } from '../../ui/fields.tsx';
import { Ledger } from '../../ui/ledger.tsx';
import { Figure } from '../../ui/tabs.tsx';
import { BLOCK, SIZE } from './fields.ts';
import { shower } from './hold-tab.tsx';
import { useCap } from './use-cap.ts';

export function SizeTab({ session, result }: BenchProps) {
  const { plan } = session;
  const { cap, change } = useCap(session);
  const show = shower(plan);
  const block = cap.filledOn === 'block';
  const off = isOffHead(cap);
  const worn = isWorn(plan.madeFor);
  return (
    <>
      <Fields record={cap} of={SIZE} set={change} />
      {block && (
        <Fields record={cap.block} of={BLOCK} set={(c, words) => change({ block: { ...cap.block, ...c } }, words)} />
      )}
      {result && (
        <dl className="mt-4">
          <Figure name={plan.madeFor.whom === 'me' ? 'Your head alone' : 'The head alone'}>
            {show(result.cap.girthBareMm)}
          </Figure>
          {worn && <Figure name="Over the parked base">{show(result.cap.girthOverBaseMm)}</Figure>}
          {worn && <Figure name="Sits">{result.cap.fit}</Figure>}
          <Figure name="Size to look for">{result.cap.sizeName}</Figure>
          <Figure name="Opens across">{result.cap.onHead.stretch.across.toFixed(2)} times</Figure>
          <Figure name="Opens upwards">{result.cap.onHead.stretch.up.toFixed(2)} times</Figure>
        </dl>
      )}
      {result && <SpacingTable plan={plan} result={result} block={off} />}
      <p className="note mt-3">
        Size by girth{worn ? ' over the base' : ''}; stretch decides more than the label.{' '}
        {off
          ? 'A net opens up on a bigger head: set spacing as it shall be worn, and count holes where it is filled.'
          : ''}
      </p>
    </>
  );
}

function SpacingTable({
  plan,
  result,
  block,
}: {
  readonly plan: PlanDocument;
  readonly result: PlanResult;
  readonly block: boolean;
}) {
  const { spacing } = result.cap.onForm;
  return (
    <Ledger
      testId="form-spacing"
      caption={
        <b className="font-strong text-body text-ink">
          {block ? `What to do ${FILLED_INFO[plan.cap.filledOn].name}` : 'In holes of the net'}
        </b>
      }
      heads={['zone', 'worn', ...(block ? ['on it'] : []), 'holes']}
      lines={ZONES.map((z) => {
        const f = spacing[z];
        return {
          key: z,
          name: zoneName(z, plan.part.kind as Part['kind']),
          cells: [
            `${Math.round(f.wornGapMm)} mm`,
            ...(block ? [`${Math.round(f.gapMm)} mm, ${f.gapFingers.toFixed(1)} fingers`] : []),
            `${halves(f.holesUp)} up, ${halves(f.holesAcross)} across`,
          ],
        };
      })}
    />
  );
}

/** A hole is counted or half counted, by eye: "3½". */
const halves = (holes: number) => fingersFigure(Math.max(1, Math.round(2 * holes)) / 2);
