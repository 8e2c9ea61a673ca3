/** Its size, its net, and the form it is filled on. */

import type { PlanResult } from '../../../core/findings/plan-result.ts';
import type { Part } from '../../../core/head/part.ts';
import { HOLE_NAMES, HOLE_SHAPES } from '../../../core/trade/caps.ts';
import { ZONES, zoneName } from '../../../core/trade/zones.ts';
import type { PlanDocument } from '../../../model/plan.ts';
import type { BenchProps } from '../../ui/bench-props.ts';
import { NumberField, SelectField, TextField } from '../../ui/field.tsx';
import { Figure } from '../../ui/tabs.tsx';
import { shower } from './hold-tab.tsx';
import { useCap } from './use-cap.ts';

export function SizeTab({ session, result }: BenchProps) {
  const { plan } = session;
  const { cap, change } = useCap(session);
  const show = shower(plan);
  const block = cap.filledOn === 'block';
  return (
    <>
      <TextField
        label="Round, as it lies"
        value={cap.girth}
        testId="cap-girth"
        onCommit={(girth) => change({ girth: girth.trim() }, `Cap ${girth.trim()} round`)}
      />
      <TextField
        label="Front to nape"
        value={cap.depth}
        onCommit={(depth) => change({ depth: depth.trim() }, `Cap ${depth.trim()} deep`)}
      />
      <NumberField
        label="Draws out to, times"
        value={cap.stretch}
        onCommit={(stretch) => change({ stretch }, `Stretches to ${stretch}`)}
      />
      <SelectField
        label="Holes"
        value={cap.hole}
        options={HOLE_SHAPES.map((h) => [h, HOLE_NAMES[h]] as const)}
        onChange={(hole) => change({ hole }, `Holes: ${HOLE_NAMES[hole]}`)}
      />
      <NumberField
        label="From hole to hole, mm"
        value={cap.holePitchMm}
        onCommit={(holePitchMm) => change({ holePitchMm }, `Holes ${holePitchMm} mm apart`)}
      />
      {block && (
        <>
          <TextField
            label="Block, round"
            value={cap.block.girth}
            testId="block-girth"
            onCommit={(girth) =>
              change({ block: { ...cap.block, girth: girth.trim() } }, `Block ${girth.trim()} round`)
            }
          />
          <TextField
            label="Block, front to nape"
            value={cap.block.depth}
            onCommit={(depth) => change({ block: { ...cap.block, depth: depth.trim() } }, 'Block measured')}
          />
        </>
      )}
      {result && (
        <dl className="mt-4">
          <Figure name="Your head alone">{show(result.cap.girthBareMm)}</Figure>
          <Figure name="Over the parked base">{show(result.cap.girthOverBaseMm)}</Figure>
          <Figure name="Sits">{result.cap.fit}</Figure>
          <Figure name="Size to look for">{result.cap.sizeName}</Figure>
          <Figure name="Opens, across and up">
            {result.cap.onHead.stretch.across.toFixed(2)} × {result.cap.onHead.stretch.up.toFixed(2)}
          </Figure>
        </dl>
      )}
      {result && <SpacingTable plan={plan} result={result} block={block} />}
      <p className="note mt-3">
        Size by girth over the base; stretch decides more than the label.{' '}
        {block ? 'A net opens up on a bigger head: set spacing as it shall be worn, and count holes on the block.' : ''}
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
  return (
    <table className="mt-4 w-full text-note" data-testid="form-spacing">
      <caption className="pb-1 text-left text-body font-strong">
        {block ? 'What to do on the block' : 'In holes of the net'}
      </caption>
      <thead className="text-ink2">
        <tr>
          <th scope="col" className="text-left font-normal">
            <span className="sr-only">zone</span>
          </th>
          <th scope="col" className="text-right font-normal">
            worn
          </th>
          {block && (
            <th scope="col" className="text-right font-normal">
              on it
            </th>
          )}
          <th scope="col" className="text-right font-normal">
            holes up, across
          </th>
        </tr>
      </thead>
      <tbody>
        {ZONES.map((z) => {
          const f = result.cap.onForm.spacing[z];
          return (
            <tr key={z} className="line">
              <th scope="row" className="py-1.25 text-left font-normal">
                {zoneName(z, plan.part.kind as Part['kind'])}
              </th>
              <td className="text-right">{Math.round(f.wornGapMm)} mm</td>
              {block && (
                <td className="text-right">
                  {Math.round(f.gapMm)} mm, {f.gapFingers.toFixed(1)} fingers
                </td>
              )}
              <td className="text-right">
                {f.holesUp.toFixed(1)}, {f.holesAcross.toFixed(1)}
              </td>
            </tr>
          );
        })}
      </tbody>
    </table>
  );
}
