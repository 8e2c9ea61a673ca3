/** Pieces that go into what the base offers: tied roots, plaits and twists, coils. */
import type { PlanResult } from '../../../core/findings/index.ts';
import {
  INTO_INFO,
  INTO_WAYS,
  INTO_WHEN_INFO,
  INTO_WHENS,
  type IntoBase,
  type IntoWay,
  upperFirst,
} from '../../../core/trade/index.ts';
import { addInto, dropInto, setInto } from '../../../model/into-base.ts';
import type { PlanSession } from '../../session/plan-session.ts';
import type { BenchProps } from '../../ui/bench-props.ts';
import { Several } from '../../ui/choice.tsx';
import { SelectField } from '../../ui/field.tsx';
import { type FieldEntry, Fields, named } from '../../ui/fields.tsx';
import { ToolButton } from '../../ui/tabs.tsx';
import { TURN_TOOL, useView } from '../../view/view-store.ts';

export function IntoBaseBench({ session, result }: BenchProps) {
  const { plan } = session;
  return (
    <section className="mt-5" aria-label="Into the base itself">
      <h3 className="text-title">Into the base itself</h3>
      <p className="note">
        Beside the rows: ties, plaits and coils carry pieces too. What would lie beside them is left out.
      </p>
      <SelectField
        label="Pieces"
        wide
        testId="add-into"
        value=""
        options={[['', 'choose where they go'] as const, ...INTO_WAYS.map((w) => [w, INTO_INFO[w].name] as const)]}
        onChange={(way) => way !== '' && session.apply(addInto(plan, way as IntoWay))}
      />
      {plan.rows.intoBase.map((entry) => (
        <OneWay key={entry.id} session={session} result={result} entry={entry} />
      ))}
    </section>
  );
}

interface OneWayProps {
  readonly session: PlanSession;
  readonly result: PlanResult | undefined;
  readonly entry: IntoBase;
}

function OneWay({ session, result, entry }: OneWayProps) {
  const { plan } = session;
  const name = upperFirst(INTO_INFO[entry.way].name);
  return (
    <section className="line mt-2 py-2" aria-label={name} data-testid={`into-${entry.id}`}>
      <div className="flex items-baseline justify-between gap-3">
        <b className="font-strong">{name}</b>
        <button
          type="button"
          className="word text-note"
          aria-label={`${name}: take out`}
          onClick={() => session.apply(dropInto(plan, entry.id))}
        >
          take out
        </button>
      </div>
      <p className="note">
        {INTO_INFO[entry.way].reason} {result && told(result, entry)}
      </p>
      <Fields
        record={{ ...entry, cut: entry.cut ?? '' }}
        of={FIELDS}
        set={(change) => session.apply(setInto(plan, entry.id, change))}
      />
      <SelectField
        label="Hooked with"
        wide
        testId={`into-cut-${entry.id}`}
        value={entry.cut ?? ''}
        options={[['', 'as its place'] as const, ...plan.cuts.map((c) => [c.id, c.name] as const)]}
        onChange={(cut) => session.apply(setInto(plan, entry.id, { cut: cut === '' ? undefined : cut }))}
      />
      {result && <Sections session={session} result={result} entry={entry} />}
    </section>
  );
}

/** "24 pieces in 12 places; about 7 fit round a tie." */
function told(result: PlanResult, entry: IntoBase): string {
  const figures = result.intoBase.find((f) => f.entry === entry.id);
  if (!figures || figures.knots === 0)
    return `None lies there. ${result.findings.find((f) => f.code === 'into.idle')?.why ?? ''}`;
  const { sections, knots } = figures;
  const room = sections.flatMap((s) => s.room ?? []);
  const fit = room.length > 0 ? ` About ${Math.min(...room)} fit round one.` : '';
  const hidden = sections.filter((s) => s.hidesTie).length;
  const hides =
    entry.way === 'root'
      ? ` ${hidden === 0 ? 'None of the bands is' : `${hidden} ${hidden === 1 ? 'band is' : 'bands are'}`} hidden by them.`
      : '';
  const grams = sections.map((s) => s.massG);
  const bears = Math.min(...sections.map((s) => s.bearsG[0]));
  return `${knots} ${knots === 1 ? 'piece' : 'pieces'} in ${sections.length} ${sections.length === 1 ? 'section' : 'sections'}, up to ${Math.max(...grams).toFixed(1)} g in one; the weakest may bear ${Math.round(bears)} g (a guess).${fit}${hides}`;
}

/** All that are tied, or those that she names, in the list or on the head. */
function Sections({ session, result, entry }: Required<OneWayProps> & { readonly result: PlanResult }) {
  const { plan } = session;
  const { tool, hold } = useView();
  const isChoosing = tool.kind === 'tie' && tool.id === entry.id;
  const all = sectionsToChoose(result);
  const on = entry.sections.length > 0 ? entry.sections : all.filter((s) => s.role === 'base').map((s) => s.id);
  return (
    <details className="mt-1" data-testid={`into-sections-${entry.id}`}>
      <summary className="word">
        {entry.sections.length === 0
          ? 'In all that are tied; choose others'
          : `In ${on.length} of ${all.length}; choose others`}
      </summary>
      <ToolButton held={isChoosing} onPress={() => hold(isChoosing ? TURN_TOOL : { kind: 'tie', id: entry.id })}>
        Choose ties on the head
      </ToolButton>
      <Several
        label="Sections"
        values={on}
        options={all.map((s) => [s.id, upperFirst(s.name)] as const)}
        onChange={(sections) => session.apply(setInto(plan, entry.id, { sections }))}
      />
    </details>
  );
}

/** Tied sections, and a top that stays her own: it may carry pieces in its plait. */
export const sectionsToChoose = ({ base }: PlanResult) =>
  base.sections.filter((s) => s.parking.how !== 'laid' || s.role === 'base');

type Told = Omit<IntoBase, 'cut'> & { readonly cut: string };

const FIELDS: ReadonlyArray<FieldEntry<Told>> = [
  {
    key: 'pieces',
    kind: 'number',
    label: 'In each tied root',
    testId: 'into-pieces',
    when: ({ way }) => way === 'root',
  },
  {
    key: 'fingers',
    kind: 'number',
    label: 'Apart, fingers',
    testId: 'into-fingers',
    when: ({ way }) => way !== 'root',
  },
  {
    key: 'reachFingers',
    kind: 'number',
    label: ({ way }) => (way === 'round' ? 'As far from the coil, fingers' : 'As far from the tie, fingers'),
    testId: 'into-reach',
    when: ({ way }) => way !== 'root',
    beside: ({ way, reachFingers }) =>
      reachFingers > 0 ? undefined : way === 'round' ? '0: one ring round it.' : '0: as far as it goes.',
  },
  {
    key: 'when',
    kind: 'choice',
    label: 'Laid',
    wide: true,
    testId: 'into-when',
    options: named(INTO_WHENS, (w) => INTO_WHEN_INFO[w].name),
    beside: ({ when }) => INTO_WHEN_INFO[when].reason,
  },
];
