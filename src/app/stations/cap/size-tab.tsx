/** Its size, its net, and the form it is filled on. */

import type { PlanResult } from '../../../core/findings/index.ts';
import type { Part } from '../../../core/head/index.ts';
import { HOLE_NAMES, HOLE_SHAPES, ZONES, zoneName } from '../../../core/trade/index.ts';
import type { CapAsWritten, PlanDocument } from '../../../model/plan.ts';
import type { BenchProps } from '../../ui/bench-props.ts';
import { type FieldEntry, Fields, named } from '../../ui/fields.tsx';
import { Ledger } from '../../ui/ledger.tsx';
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
      <Fields record={cap} of={SIZE} set={change} />
      {block && (
        <Fields record={cap.block} of={BLOCK} set={(c, words) => change({ block: { ...cap.block, ...c } }, words)} />
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
  const { spacing } = result.cap.onForm;
  return (
    <Ledger
      testId="form-spacing"
      caption={
        <b className="font-strong text-body text-ink">{block ? 'What to do on the block' : 'In holes of the net'}</b>
      }
      heads={['zone', 'worn', ...(block ? ['on it'] : []), 'holes up, across']}
      lines={ZONES.map((z) => {
        const f = spacing[z];
        return {
          key: z,
          name: zoneName(z, plan.part.kind as Part['kind']),
          cells: [
            `${Math.round(f.wornGapMm)} mm`,
            ...(block ? [`${Math.round(f.gapMm)} mm, ${f.gapFingers.toFixed(1)} fingers`] : []),
            `${f.holesUp.toFixed(1)}, ${f.holesAcross.toFixed(1)}`,
          ],
        };
      })}
    />
  );
}

const SIZE: ReadonlyArray<FieldEntry<CapAsWritten>> = [
  {
    key: 'girth',
    kind: 'text',
    label: 'Round, as it lies',
    testId: 'cap-girth',
    words: (girth) => `Cap ${girth} round`,
  },
  { key: 'depth', kind: 'text', label: 'Front to nape', words: (depth) => `Cap ${depth} deep` },
  { key: 'stretch', kind: 'number', label: 'Draws out to, times', words: (times) => `Stretches to ${times}` },
  {
    key: 'hole',
    kind: 'choice',
    label: 'Holes',
    options: named(HOLE_SHAPES, (h) => HOLE_NAMES[h]),
    words: (h) => `Holes: ${HOLE_NAMES[h]}`,
  },
  { key: 'holePitchMm', kind: 'number', label: 'From hole to hole, mm', words: (mm) => `Holes ${mm} mm apart` },
];

const BLOCK: ReadonlyArray<FieldEntry<CapAsWritten['block']>> = [
  {
    key: 'girth',
    kind: 'text',
    label: 'Block, round',
    testId: 'block-girth',
    words: (girth) => `Block ${girth} round`,
  },
  { key: 'depth', kind: 'text', label: 'Block, front to nape', words: () => 'Block measured' },
];
