/** Colours that are mixed: how much of each, where, and how they are dealt to hands. */

import { colourIds, differenceWords, hairDifference, OWN, stretchWords } from '../../../core/colours/index.ts';
import type { PlanResult } from '../../../core/findings/index.ts';
import type { PlaceSchools } from '../../../core/knots/index.ts';
import { type PartKind, shadesIn, upperFirst } from '../../../core/trade/index.ts';
import {
  addColour,
  mostShare,
  removeColour,
  setColour,
  setNoMore,
  setOwnShares,
  setShare,
  sharesAsPacks,
} from '../../../model/colour-commands.ts';
import { colourName, dealAll } from '../../../model/colours.ts';
import { MOST_MIXED } from '../../../model/colours-schema.ts';
import { addPlace, freshPlaceId, placeChoices, placeName } from '../../../model/places.ts';
import type { PlanDocument } from '../../../model/plan.ts';
import type { PlanSession } from '../../session/plan-session.ts';
import type { BenchProps } from '../../ui/bench-props.ts';
import { NumberField, SelectField, TextField } from '../../ui/field.tsx';
import { countOf } from '../../ui/format.ts';
import { Ledger } from '../../ui/ledger.tsx';
import { Swatch } from '../../ui/swatch.tsx';
import { ToolButton } from '../../ui/tabs.tsx';
import { TURN_TOOL, useView } from '../../view/view-store.ts';

const BRUSH_MM = 14;

export function ColoursTab({ session, result }: BenchProps) {
  const { plan } = session;
  const { more } = plan.colours;
  const asPacks = sharesAsPacks(plan);
  return (
    <>
      <p className="note">
        Mixed from the first row on, so that no colour runs out before the end and none lies in a block.
      </p>
      <ul className="mt-2">
        {colourIds(plan.colours).map((id) => (
          <OneColour key={id} id={id} session={session} result={result} />
        ))}
      </ul>
      {more.length < MOST_MIXED && (
        <TextField
          label="Mix in"
          wide
          value=""
          placeholder="a colour, as on the pack"
          beside="Shaded from root to tip is “black to copper”."
          testId="add-colour"
          onCommit={(text) => (text.trim() === '' ? undefined : session.apply(addColour(plan, text.trim())))}
        />
      )}
      {asPacks && (
        <button type="button" className="button mt-2" data-testid="as-packs" onClick={() => session.apply(asPacks)}>
          As packs are at hand
          <span className="note block font-normal">so that all of them last as long</span>
        </button>
      )}
      {more.length > 0 && (
        <>
          <Otherwise session={session} />
          <FromHere session={session} />
          {result?.mix && <HowEven result={result} />}
          {result?.mix && <ToldToHands plan={plan} result={result} />}
        </>
      )}
    </>
  );
}

interface Shown {
  readonly session: PlanSession;
  readonly result: PlanResult | undefined;
}

function OneColour({ id, session, result }: Shown & { readonly id: string }) {
  const { plan } = session;
  const { more, noMore, shares } = plan.colours;
  const mixed = more.find((c) => c.id === id);
  const name = colourName(plan, id);
  const own = colourName(plan, OWN);
  const dealt = result?.mix?.colours.find((c) => c.id === id);
  const percent = Math.round(100 * (mixed ? (shares[id] ?? 0) : 1 - Object.values(shares).reduce((a, b) => a + b, 0)));
  return (
    <li className="line py-2" data-testid={`colour-${id}`}>
      <div className="flex items-baseline gap-3">
        <DottedSwatch name={name} dots={more.findIndex((c) => c.id === id) + 1} />
        <span className="grow font-strong">{name}</span>
        <span className="fig">{percent} %</span>
      </div>
      <p className="note">
        {mixed
          ? `${upperFirst(differenceWords(hairDifference(name, own)))} beside ${own}.`
          : 'The colour of your packs.'}
        {dealt && ` ${dealt.pieces} pieces.`}
      </p>
      {mixed && (
        <>
          <NumberField
            label={`Share of ${name}, %`}
            testId={`share-${id}`}
            value={percent}
            onCommit={(value) => shareRefusal(plan, id, value) ?? session.apply(setShare(plan, id, value / 100))}
          />
          <NumberField
            label="Packs at hand"
            testId={`packs-${id}`}
            value={mixed.packsAtHand}
            onCommit={(packsAtHand) =>
              session.apply(setColour(plan, id, { packsAtHand }, `${name}: ${packsAtHand} at hand`))
            }
          />
        </>
      )}
      {more.length > 0 && (
        <SelectField
          label={`More ${name}`}
          wide
          testId={`more-${id}`}
          value={noMore.includes(id) ? 'over' : 'bought'}
          options={[
            ['bought', 'can be bought'],
            ['over', 'no more to be had'],
          ]}
          onChange={(v) => session.apply(setNoMore(plan, id, v === 'over'))}
        />
      )}
      {mixed && (
        <button type="button" className="word text-note" onClick={() => session.apply(removeColour(plan, id))}>
          take out<span className="sr-only"> {name}</span>
        </button>
      )}
    </li>
  );
}

/** Why a share can’t be that much, if so. */
function shareRefusal(plan: PlanDocument, id: string, value: number, placeId?: string): string | undefined {
  if (value < 0) return 'A share is nothing or more.';
  const most = mostShare(plan, id, placeId);
  return value / 100 <= most + 1e-9 ? undefined : `The other colours leave ${Math.round(100 * most)} % at most.`;
}

/** The colour and the dots that stand for it at a knot. */
function DottedSwatch({ name, dots }: { readonly name: string; readonly dots: number }) {
  return (
    <Swatch shades={shadesIn(name)} className="size-5.5 self-center">
      {Array.from({ length: dots }, (_, i) => (
        <circle key={i} cx={11 + 6 * (i - (dots - 1) / 2)} cy="11" r="2.4" fill="var(--light)" stroke="var(--under)" />
      ))}
    </Swatch>
  );
}

/** Places with shares of their own: darker at the nape, lights at the face, a streak that is painted. */
function Otherwise({ session }: { readonly session: PlanSession }) {
  const { plan } = session;
  const { tool, hold } = useView();
  const own = plan.places.filter((p) => p.colours);
  const isPainting = tool.kind === 'place';
  const add = (key: string) => {
    const [kind, name] = key.split(' ');
    const there = plan.places.find((p) => (p.where as Record<string, unknown>)[kind] === name);
    const id = there?.id ?? freshPlaceId(plan);
    const place = there ? plan : addPlace(plan, { [kind]: name } as unknown as PlaceSchools['where']).plan;
    session.apply(setOwnShares(place, id, true));
  };
  return (
    <section className="mt-5" aria-label="In one place otherwise">
      <h3 className="text-title">In one place otherwise</h3>
      {own.map((place) => (
        <OwnShares key={place.id} session={session} place={place as PlaceSchools} />
      ))}
      <SelectField
        label="Place"
        wide
        testId="colour-place"
        value=""
        options={[['', 'choose one'] as const, ...placeChoices(plan.part.kind as PartKind)]}
        onChange={(key) => key !== '' && add(key)}
      />
      {plan.places
        .filter((p) => 'painted' in p.where && !p.colours)
        .map((p) => (
          <button
            key={p.id}
            type="button"
            className="word"
            onClick={() => session.apply(setOwnShares(plan, p.id, true))}
          >
            Its own colours for {placeName(plan, p as PlaceSchools)}
          </button>
        ))}
      <div className="mt-2">
        <ToolButton
          held={isPainting}
          testId="paint-streak"
          onPress={() => hold(isPainting ? TURN_TOOL : { kind: 'place', id: freshPlaceId(plan), radiusMm: BRUSH_MM })}
        >
          Paint a streak on the head
        </ToolButton>
      </div>
    </section>
  );
}

function OwnShares({ session, place }: { readonly session: PlanSession; readonly place: PlaceSchools }) {
  const { plan } = session;
  const name = placeName(plan, place);
  return (
    <div className="line py-2" data-testid={`colours-of-${place.id}`}>
      <div className="flex items-baseline justify-between">
        <span className="font-strong">{name}</span>
        <button
          type="button"
          className="word text-note"
          aria-label={`${name}: colours as the rest again`}
          onClick={() => session.apply(setOwnShares(plan, place.id, false))}
        >
          as the rest
        </button>
      </div>
      {plan.colours.more.map((c) => (
        <NumberField
          key={c.id}
          label={`${upperFirst(c.name)}, %`}
          testId={`share-${place.id}-${c.id}`}
          value={Math.round(100 * (place.colours?.[c.id] ?? 0))}
          onCommit={(value) =>
            shareRefusal(plan, c.id, value, place.id) ?? session.apply(setShare(plan, c.id, value / 100, place.id))
          }
        />
      ))}
    </div>
  );
}

/** Pieces that are in keep the colours they were hooked with, until she deals all of them again. */
function FromHere({ session }: { readonly session: PlanSession }) {
  const { plan } = session;
  const isIn = Object.keys(plan.colours.hooked).length;
  if (isIn === 0) return null;
  return (
    <section className="mt-5" data-testid="dealt-from-here">
      <p className="text-small">
        {isIn} {isIn === 1 ? 'piece that is in keeps its colour' : 'pieces that are in keep their colours'}; the rest is
        dealt from what you counted.
      </p>
      <button type="button" className="word" onClick={() => session.apply(dealAll(plan))}>
        Deal from the first piece on
      </button>
    </section>
  );
}

const percent = (share: number) => `${Math.round(100 * share)} %`;

function HowEven({ result: { mix } }: { readonly result: PlanResult }) {
  if (!mix?.evenness) return null;
  const { alike, byChance, furthestOff } = mix.evenness;
  return (
    <section className="mt-5" data-testid="evenness">
      <h3 className="text-title">How even</h3>
      <Ledger
        caption="Pieces that lie side by side"
        captionSaid
        lines={[
          { key: 'alike', name: 'Neighbours of one colour', cells: [percent(alike)] },
          { key: 'chance', name: 'The same, shuffled', cells: [percent(byChance)] },
          {
            key: 'off',
            name: 'Most a colour is ahead or behind',
            cells: [
              `${countOf(Math.round(10 * furthestOff) / 10)} ${furthestOff > 0.95 && furthestOff < 1.05 ? 'piece' : 'pieces'}`,
            ],
          },
        ]}
      />
    </section>
  );
}

/** Row by row, in the order of work. */
function ToldToHands({ plan, result }: { readonly plan: PlanDocument; readonly result: PlanResult }) {
  return (
    <section className="mt-5" data-testid="by-hand">
      <h3 className="text-title">Told to your hands</h3>
      <ul className="mt-2 text-note">
        {result.rows
          .filter((r) => r.knotCount > 0)
          .map((r) => (
            <li key={r.id} className="line flex gap-3 py-1.25">
              <span className="w-16 shrink-0 font-strong">Row {r.label}</span>
              <span>
                {stretchWords(
                  result.knots.slice(r.firstKnot, r.firstKnot + r.knotCount).map((k) => colourName(plan, k.colour)),
                )}
              </span>
            </li>
          ))}
      </ul>
    </section>
  );
}
