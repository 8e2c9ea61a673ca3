/** Where tails are parked, and a flatter way. */

import { useEffect, useState } from 'react';
import { type Flattening, LUMP_MM } from '../../../core/base/index.ts';
import { PARKING_NAMES, PARKINGS, type ParkingHow } from '../../../core/trade/index.ts';
import { parkAll, setBase } from '../../../model/base-commands.ts';
import { park } from '../../../model/commands.ts';
import { formatLength } from '../../../model/lengths.ts';
import { fingerMm } from '../../../model/to-inputs.ts';
import { painter } from '../../ask/clients.ts';
import { inputsOf } from '../../ask/fineness.ts';
import type { PlanSession } from '../../session/plan-session.ts';
import type { LaidProps } from '../../ui/bench-props.ts';
import { Several } from '../../ui/choice.tsx';
import { SelectField } from '../../ui/field.tsx';
import { Figure } from '../../ui/tabs.tsx';
import { useView } from '../../view/view-store.ts';
import type { Section } from './sections-tab.tsx';

export function TailsTab({ session, result }: LaidProps) {
  const { plan } = session;
  const view = useView();
  const { bumps, sections } = result.base;
  const section = sections.find((s) => s.id === view.sectionId && s.role === 'base');
  return (
    <>
      <dl>
        <Figure name="Highest bump">{bumps.highestMm.toFixed(0)} mm</Figure>
        <Figure name={`Lumps over ${LUMP_MM} mm`}>{bumps.lumps.length}</Figure>
        <Figure name="Round the base">
          +
          {formatLength(
            Math.max(0, result.cap.girthOverBaseMm - result.cap.girthBareMm),
            plan.unit === 'in' ? 'in' : 'cm',
            fingerMm(plan),
          )}
        </Figure>
      </dl>
      <p className="note">
        The brighter, the higher: mm above the scalp under a net. Volumes are counted; how flat hair is pressed is a
        guess.
      </p>
      <FlattenTool session={session} />
      <SelectField
        label="All tails"
        wide
        testId="park-all"
        value={plan.base.parking.all ?? ''}
        options={[
          ['', 'as is usual'] as const,
          ...PARKINGS.filter((p) => p !== 'laid').map((p) => [p, PARKING_NAMES[p]] as const),
        ]}
        onChange={(how) => session.apply(parkAll(plan, how === '' ? undefined : (how as ParkingHow)))}
      />
      {section ? (
        <ParkingFields session={session} section={section} sections={sections} />
      ) : (
        <p className="note mt-2">Tap a section on the head to park its tail alone.</p>
      )}
      <Several
        label="Tips"
        values={plan.base.tipsWaxed ? ['waxed'] : []}
        options={[['waxed', 'waxed, banded twice'] as const]}
        onChange={(v) =>
          session.apply(setBase(plan, { tipsWaxed: v.length > 0 }, v.length > 0 ? 'Tips waxed' : 'Tips plain'))
        }
      />
      <p className="note mt-2">
        Bulk stands up: everything coiled in one place makes a lump; spread tails lie flat. A bent pin follows the
        skull.
      </p>
    </>
  );
}

function FlattenTool({ session }: { readonly session: PlanSession }) {
  const [state, setState] = useState<Flattening | 'busy'>();
  const kept = session.history.present.plan;
  // biome-ignore lint/correctness/useExhaustiveDependencies: a proposal is for the plan it was made for
  useEffect(() => setState(undefined), [kept.base, kept.ownHair]);
  const ask = async () => {
    setState('busy');
    const outcome = await painter.call('flatten', inputsOf(kept));
    setState(outcome.state === 'done' ? outcome.value : undefined);
  };
  if (state === undefined || state === 'busy') {
    return (
      <button
        type="button"
        className="button mt-2"
        disabled={state === 'busy'}
        onClick={() => void ask()}
        data-testid="flatten"
      >
        {state === 'busy' ? 'Trying ways to lay them …' : 'Flatten'}
      </button>
    );
  }
  const lower = state.afterMm < state.beforeMm;
  return (
    <div className="mt-3" data-testid="flattened">
      {lower ? (
        <>
          <p>
            Highest bump <span className="fig text-title">{state.beforeMm.toFixed(0)}</span> →{' '}
            <span className="fig text-heading">{state.afterMm.toFixed(0)} mm</span>; lumps {state.lumpsBefore} →{' '}
            {state.lumpsAfter}, with {Object.keys(state.parking).length} tails laid otherwise.
          </p>
          <button
            type="button"
            className="button mt-2"
            onClick={() => session.apply(park(kept, state.parking, `Flattened to ${state.afterMm.toFixed(0)} mm`))}
          >
            Lay them so
          </button>
        </>
      ) : (
        <p className="note">No way to lay them was found that is flatter than {state.beforeMm.toFixed(0)} mm.</p>
      )}
    </div>
  );
}

function ParkingFields(props: {
  readonly session: PlanSession;
  readonly section: Section;
  readonly sections: readonly Section[];
}) {
  const { session, section, sections } = props;
  const { plan } = session;
  const others = sections.filter((s) => s.role === 'base' && s.id !== section.id);
  return (
    <section className="mt-3" aria-label={section.name}>
      <h3 className="text-title">{section.name}</h3>
      <SelectField
        label="Its tail"
        wide
        testId="park"
        value={section.parking.how}
        options={PARKINGS.map((p) => [p, PARKING_NAMES[p]] as const)}
        onChange={(how) =>
          session.apply(
            park(
              plan,
              { [section.id]: how === 'fed' && others[0] ? { how, into: others[0].id } : { how } },
              `${section.name.replace(', from your left', '')}: ${PARKING_NAMES[how]}`,
            ),
          )
        }
      />
      {section.parking.how === 'fed' && (
        <SelectField
          label="Into"
          wide
          value={section.parking.into ?? ''}
          options={others.map((s) => [s.id, s.name.replace(', from your left', '')] as const)}
          onChange={(into) => session.apply(park(plan, { [section.id]: { how: 'fed', into } }, 'Fed into another'))}
        />
      )}
      <p className="note mt-1">The bead at its end leads it elsewhere; the one at its root moves the tie.</p>
    </section>
  );
}
