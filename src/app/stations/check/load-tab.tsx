/** What each bite and section carries. */
import type { PlanResult } from '../../../core/findings/index.ts';
import type { Look } from '../../../core/plan/index.ts';
import { isWorn } from '../../../core/trade/index.ts';
import type { CheckProps } from '../../ui/bench-props.ts';
import { percent, range } from '../../ui/format.ts';
import { Ledger } from '../../ui/ledger.tsx';
import { Figure } from '../../ui/tabs.tsx';
import { useView } from '../../view/view-store.ts';

/** A grid has a hundred sections: the heaviest are told. */
const MOST_ROWS = 12;

const BITE_NAMES = { all: 'All of them', edge: 'At the edge', tender: 'Tender or thin' } as const;

export function LoadTab({ session, result, checked }: CheckProps) {
  const look = checked.looked?.value;
  if (!result) return null;
  const { load, cap } = result;
  const grams = (v: number) => `${Math.round(v)} g`;
  // Where nobody's hair is under it nothing of hers bears any of it.
  const worn = isWorn(session.plan.madeFor);
  const bare = result.knots.filter((k) => k.through !== 'net' && (k.onNet === 'none' || k.onNet === 'cutOut')).length;
  return (
    <>
      <h2>What it weighs</h2>
      <dl className="mt-2 text-small">
        <Figure name="Dry">{range(load.range, grams)}</Figure>
        <Figure name="Wet">{range(load.wetG, grams)}</Figure>
        {worn && (
          <>
            <Figure name="The net takes">{range(cap.shareOfPull, percent)}</Figure>
            <Figure name="Pieces on own hair alone">{bare}</Figure>
            <Figure name="Highest bump of the base under it">{Math.round(result.base.bumps.highestMm)} mm</Figure>
          </>
        )}
      </dl>
      {worn ? (
        <>
          {look && look.bites[0].bites > 0 && <Bites look={look} result={result} />}
          <Sections result={result} />
          <p className="note mt-2">
            Times the weight of the section’s own hair, once the net has taken its share. To lower it: thinner pieces,
            wider gaps, shorter hair, more of it on the net. Pain, bumps, headache or shiny skin at the hairline mean
            too tight: take it out, and see a professional if it stays. No figure promises safety.
          </p>
        </>
      ) : (
        <p className="note mt-2">
          What bears it is judged once you say what it will be worn over. A heavy wig pulls at combs and temples: tell
          whoever will wear it to take it off when it aches.
        </p>
      )}
    </>
  );
}

const whole = (v: number) => String(Math.round(v));

function Bites({ look: { bites }, result }: { readonly look: Look; readonly result: PlanResult }) {
  const select = useView((v) => v.select);
  const { worst } = bites[0];
  return (
    <>
      <h3 className="mt-5 text-title">Bites of own hair</h3>
      <Ledger
        testId="bites"
        caption="Times the weight of the hair in the bite, dry"
        heads={['Where', 'bites', 'middle', 'worst']}
        lines={bites.flatMap(({ name, bites: count, median, worst: heaviest }) =>
          heaviest
            ? {
                key: name,
                name: (
                  <button type="button" className="word" onClick={() => select(result.knots[heaviest.knot].id)}>
                    {BITE_NAMES[name]}
                  </button>
                ),
                cells: [count, `${whole(median)} ×`, `${range(heaviest.timesOwn, whole)} ×`],
              }
            : [],
        )}
      />
      {worst && (
        <p className="note mt-1">
          At the worst of them {range(worst.mgAHair, whole)} mg hang on each hair. A hair breaks at a thousand times
          that (from memory); what harms is a tight knot, wet weight and time.
        </p>
      )}
    </>
  );
}

function Sections({ result: { load, base } }: { readonly result: PlanResult }) {
  const carrying = load.sections
    .filter((s) => s.pieces > 0)
    .sort((a, b) => b.timesOwnHair[1] - a.timesOwnHair[1])
    .slice(0, MOST_ROWS);
  const nameOf = (id: string) => base.sections.find((s) => s.id === id)?.name.replace(', from your left', '') ?? id;
  return (
    <>
      <h3 className="mt-5 text-title">What each section carries</h3>
      <Ledger
        captionSaid
        caption="Load of each section, dry, against its own hair"
        lines={carrying.map((s) => ({
          key: s.sectionId,
          name: nameOf(s.sectionId),
          cells: [`${s.pieces} pieces`, `${range(s.timesOwnHair, (v) => v.toFixed(1))} ×`],
        }))}
      />
      {load.sections.length > carrying.length && (
        <p className="note mt-1">
          The {carrying.length} that carry most of {load.sections.length}.
        </p>
      )}
    </>
  );
}
