/** Places that have schools of their own: what differs there, and nothing else. */
import type { PlanResult } from '../../../core/findings/index.ts';
import type { PlaceSchools } from '../../../core/knots/index.ts';
import {
  type PartKind,
  SCHOOL_NAMES,
  SCHOOL_OPTIONS,
  SCHOOLS_BY_PLACE,
  type SchoolByPlace,
  SECOND_PASS_INFO,
  SECOND_PASSES,
  type SecondPass,
  upperFirst,
} from '../../../core/trade/index.ts';
import {
  addPlace,
  dropPlace,
  freshPlaceId,
  placeChoices,
  placeName,
  setPlaceCut,
  setPlacePass,
  setPlaceSchool,
} from '../../../model/places.ts';
import type { PlanSession } from '../../session/plan-session.ts';
import type { BenchProps } from '../../ui/bench-props.ts';
import { SelectField } from '../../ui/field.tsx';
import { ToolButton } from '../../ui/tabs.tsx';
import { TURN_TOOL, useView } from '../../view/view-store.ts';

const BRUSH_MM = 14;

export function PlacesBench({ session, result }: BenchProps) {
  const { plan } = session;
  const { tool, hold, selectPlace } = useView();
  const isPainting = tool.kind === 'place' && !plan.places.some((p) => p.id === tool.id);
  const add = (key: string) => {
    const id = freshPlaceId(plan);
    const [kind, name] = key.split(' ');
    if (session.apply(addPlace(plan, { [kind]: name } as unknown as PlaceSchools['where'])) === undefined)
      selectPlace(id);
  };
  return (
    <section className="mt-6" aria-label="In one place otherwise">
      <h2>In one place otherwise</h2>
      <p className="note mt-1">
        A place may have its own way; what you choose for a single knot comes before that. The rest is as above.
      </p>
      <SelectField
        label="Place"
        wide
        testId="add-place"
        value=""
        options={[['', 'choose one'] as const, ...placeChoices(plan.part.kind as PartKind)]}
        onChange={(key) => key !== '' && add(key)}
      />
      <div className="mt-2">
        <ToolButton
          held={isPainting}
          testId="paint-place"
          onPress={() => hold(isPainting ? TURN_TOOL : { kind: 'place', id: freshPlaceId(plan), radiusMm: BRUSH_MM })}
        >
          Paint one on the head
        </ToolButton>
      </div>
      {plan.places.map((place) => (
        <OnePlace key={place.id} session={session} result={result} place={place as PlaceSchools} />
      ))}
    </section>
  );
}

interface OnePlaceProps {
  readonly session: PlanSession;
  readonly result: PlanResult | undefined;
  readonly place: PlaceSchools;
}

function OnePlace({ session, result, place }: OnePlaceProps) {
  const { plan } = session;
  const { placeId, selectPlace, tool, hold } = useView();
  const isOpen = placeId === place.id;
  const count = result?.knots.filter((k) => k.places.includes(place.id)).length ?? 0;
  const name = placeName(plan, place);
  const told = [
    ...SCHOOLS_BY_PLACE.filter((s) => place.schools[s] !== undefined).map((s) => optionName(s, place.schools[s] ?? '')),
    ...(place.secondPass ? [SECOND_PASS_INFO[place.secondPass].name] : []),
    ...(place.cut ? [plan.cuts.find((c) => c.id === place.cut)?.name ?? ''] : []),
  ];
  return (
    <section className="line py-2" aria-label={name} data-testid={`place-${place.id}`}>
      <div className="flex items-baseline justify-between gap-3">
        <button
          type="button"
          className="word text-left font-strong"
          aria-expanded={isOpen}
          onClick={() => selectPlace(isOpen ? undefined : place.id)}
        >
          {name}
        </button>
        <button
          type="button"
          className="word text-note"
          aria-label={`${name}: as the rest again`}
          onClick={() => session.apply(dropPlace(plan, place.id))}
        >
          as the rest
        </button>
      </div>
      <p className="note">
        {count === 0 ? noKnot(place) : `${count} ${count === 1 ? 'knot' : 'knots'}.`}{' '}
        {told.length > 0 ? `${upperFirst(told.join('; '))}.` : 'Nothing differs yet.'}
      </p>
      {isOpen && <PlaceFields session={session} place={place} />}
      {isOpen && 'painted' in place.where && (
        <ToolButton
          held={tool.kind === 'place' && tool.id === place.id}
          onPress={() => hold(tool.kind === 'place' ? TURN_TOOL : { kind: 'place', id: place.id, radiusMm: BRUSH_MM })}
        >
          Paint more of it
        </ToolButton>
      )}
    </section>
  );
}

const noKnot = ({ where }: PlaceSchools) =>
  'zone' in where && where.zone === 'margin'
    ? 'No knot lies there: nothing of the cap is cut open.'
    : 'No knot lies there now.';

const AS_THE_PLAN = ['', 'as the plan'] as const;
const optionName = (school: SchoolByPlace, value: string) =>
  SCHOOL_OPTIONS[school].find((o) => o.value === value)?.name ?? value;

function PlaceFields({ session, place }: Pick<OnePlaceProps, 'session' | 'place'>) {
  const { plan } = session;
  return (
    <div className="mt-1">
      {SCHOOLS_BY_PLACE.map((school) => (
        <SelectField
          key={school}
          label={SCHOOL_NAMES[school]}
          wide
          testId={`place-${school}`}
          value={(place.schools[school] ?? '') as string}
          options={[AS_THE_PLAN, ...SCHOOL_OPTIONS[school].map((o) => [o.value, o.name] as const)]}
          onChange={(v) => session.apply(setPlaceSchool(plan, place.id, school, v === '' ? undefined : v))}
        />
      ))}
      <SelectField
        label="Passes"
        wide
        testId="place-pass"
        value={(place.secondPass ?? '') as string}
        options={[AS_THE_PLAN, ...SECOND_PASSES.map((p) => [p, SECOND_PASS_INFO[p].name] as const)]}
        onChange={(v) => session.apply(setPlacePass(plan, place.id, v === '' ? undefined : (v as SecondPass)))}
      />
      <SelectField
        label="Pieces, opened and dressed as"
        wide
        testId="place-cut"
        value={place.cut ?? ''}
        options={[['', 'as the zone'] as const, ...plan.cuts.map((c) => [c.id, c.name] as const)]}
        onChange={(v) => session.apply(setPlaceCut(plan, place.id, v === '' ? undefined : v))}
      />
    </div>
  );
}
