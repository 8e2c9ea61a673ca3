/** What each bite and section carries. */
import { milliNewton } from '../../../core/load/bites.ts';
import type { CheckProps } from '../../ui/bench-props.ts';
import { percent, range } from '../../ui/format.ts';
import { Figure } from '../../ui/tabs.tsx';
import { useView } from '../../view/view-store.ts';

/** A grid has a hundred sections: the heaviest are told. */
const MOST_ROWS = 12;

const BITE_NAMES = { all: 'All of them', edge: 'At the edge', tender: 'Tender or thin' } as const;

export function LoadTab({ result, checked }: CheckProps) {
  const look = checked.looked?.value;
  const select = useView((v) => v.select);
  if (!result) return null;
  const { load, cap } = result;
  const carrying = load.sections
    .filter((s) => s.pieces > 0)
    .sort((a, b) => b.timesOwnHair[1] - a.timesOwnHair[1])
    .slice(0, MOST_ROWS);
  const nameOf = (id: string) =>
    result.base.sections.find((s) => s.id === id)?.name.replace(', from your left', '') ?? id;
  const grams = (v: number) => `${Math.round(v)} g`;
  const bare = result.knots.filter((k) => k.through !== 'net' && (k.onNet === 'none' || k.onNet === 'cutOut')).length;
  return (
    <>
      <h2>What it weighs</h2>
      <dl className="mt-2 text-small">
        <Figure name="Dry">{range(load.range, grams)}</Figure>
        <Figure name="Wet">{range(load.wetG, grams)}</Figure>
        <Figure name="The net takes">{range(cap.shareOfPull, percent)}</Figure>
        <Figure name="Pieces on own hair alone">{bare}</Figure>
        <Figure name="Highest bump of the base under it">{Math.round(result.base.bumps.highestMm)} mm</Figure>
      </dl>
      {look && look.bites[0].bites > 0 && (
        <>
          <h3 className="mt-5 text-title">Bites of own hair</h3>
          <table className="mt-2 w-full text-note" data-testid="bites">
            <caption className="note pb-1 text-left">Times the weight of the hair in the bite, dry</caption>
            <thead>
              <tr className="note text-left">
                <th className="font-normal" scope="col">
                  Where
                </th>
                <th className="text-right font-normal" scope="col">
                  bites
                </th>
                <th className="text-right font-normal" scope="col">
                  middle
                </th>
                <th className="text-right font-normal" scope="col">
                  worst
                </th>
              </tr>
            </thead>
            <tbody>
              {look.bites
                .filter((b) => b.worst)
                .map((b) => (
                  <tr key={b.name} className="line">
                    <th scope="row" className="py-1.25 text-left font-normal">
                      <button
                        type="button"
                        className="word"
                        onClick={() => b.worst && select(result.knots[b.worst.knot].id)}
                      >
                        {BITE_NAMES[b.name]}
                      </button>
                    </th>
                    <td className="text-right">{b.bites}</td>
                    <td className="text-right">{Math.round(b.median)} ×</td>
                    <td className="text-right">{b.worst && range(b.worst.timesOwn, (v) => String(Math.round(v)))} ×</td>
                  </tr>
                ))}
            </tbody>
          </table>
          {look.bites[0].worst && (
            <p className="note mt-1">
              The worst is {range(look.bites[0].worst.mgAHair, (v) => String(Math.round(v)))} mg a hair,{' '}
              {range(look.bites[0].worst.mgAHair.map(milliNewton) as [number, number], (v) => v.toFixed(1))} mN. A hair
              breaks at a thousand times that (from memory); what harms is a tight knot, wet weight and time.
            </p>
          )}
        </>
      )}
      <h3 className="mt-5 text-title">What each section carries</h3>
      <table className="mt-2 w-full text-note">
        <caption className="sr-only">Load of each section, dry, against its own hair</caption>
        <tbody>
          {carrying.map((s) => (
            <tr key={s.sectionId} className="line">
              <th scope="row" className="py-1.25 text-left font-normal">
                {nameOf(s.sectionId)}
              </th>
              <td className="text-right">{s.pieces} pieces</td>
              <td className="text-right">{range(s.timesOwnHair, (v) => v.toFixed(1))} ×</td>
            </tr>
          ))}
        </tbody>
      </table>
      {load.sections.length > carrying.length && (
        <p className="note mt-1">
          The {carrying.length} that carry most of {load.sections.length}.
        </p>
      )}
      <p className="note mt-2">
        Times the weight of the section’s own hair, once the net has taken its share. To lower it: thinner pieces, wider
        gaps, shorter hair, more of it on the net. Pain, bumps, headache or shiny skin at the hairline mean too tight:
        take it out, and see a professional if it stays. No figure promises safety.
      </p>
    </>
  );
}
