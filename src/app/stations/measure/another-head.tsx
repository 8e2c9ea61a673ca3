/** A head that is not hers: by tape, by a size, or as that of another plan. */
import { useLiveQuery } from 'dexie-react-hooks';
import { useState } from 'react';
import { HEAD_SIZES, SIZE_GIRTH_MM, SIZE_NAMES, SIZED_BY_INFO, SIZED_BYS } from '../../../core/trade/index.ts';
import { formatLength } from '../../../model/lengths.ts';
import { asKnownHead, setMadeFor } from '../../../model/made-for.ts';
import { keptPlans, nameOf, openRecord } from '../../../store/plans.ts';
import { db } from '../../session/database.ts';
import type { PlanSession } from '../../session/plan-session.ts';
import { Choice } from '../../ui/choice.tsx';
import { SelectField } from '../../ui/field.tsx';

export function AnotherHead({ session }: { readonly session: PlanSession }) {
  const { plan } = session;
  const { madeFor } = plan;
  const set = (change: Partial<typeof madeFor>) => session.apply(setMadeFor(plan, change));
  return (
    <section aria-label="The head it is made for">
      <Choice
        label="Sized by"
        value={madeFor.sizedBy}
        options={SIZED_BYS.map((value) => ({ value, ...SIZED_BY_INFO[value] }))}
        onChange={(sizedBy) => set({ sizedBy })}
      />
      {madeFor.sizedBy === 'size' && (
        <SelectField
          label="Size"
          wide
          testId="head-size"
          value={madeFor.size}
          options={HEAD_SIZES.map(
            (s) =>
              [s, `${SIZE_NAMES[s]}, ${formatLength(SIZE_GIRTH_MM[s], plan.unit === 'in' ? 'in' : 'cm', 18)}`] as const,
          )}
          onChange={(size) => set({ size })}
        />
      )}
      {madeFor.sizedBy === 'known' && <KnownHead session={session} />}
      <Choice
        label="What it is worn over"
        value={madeFor.wornOver ? 'given' : 'later'}
        options={[
          {
            value: 'later',
            name: 'Not known yet',
            reason: 'No base, own hair or tender spot is asked, and the cap’s fit and hold are not judged.',
          },
          {
            value: 'given',
            name: 'I know what it is worn over',
            reason: 'Own hair, base and marks of that head count; size, hold and hair in front are judged.',
          },
        ]}
        onChange={(v) => set({ wornOver: v === 'given' })}
      />
    </section>
  );
}

/** Plans whose head is taken over. */
function KnownHead({ session }: { readonly session: PlanSession }) {
  const { plan } = session;
  const [said, setSaid] = useState<string>();
  const others = useLiveQuery(async () => (await keptPlans(db)).filter((p) => p.id !== plan.id), [plan.id]) ?? [];
  const take = async (id: string) => {
    const record = await db.plans.get(id);
    const known = record && openRecord(record);
    if (!known?.ok) return setSaid(`That plan can’t be read${known ? `: ${known.why}` : '.'}`);
    setSaid(session.apply(asKnownHead(plan, known.history.present.plan)));
  };
  return (
    <>
      <SelectField
        label="The head of"
        wide
        testId="known-head"
        value=""
        options={[
          ['', plan.madeFor.known === '' ? 'choose a plan' : plan.madeFor.known] as const,
          ...others.map((p) => [p.id, nameOf(p)] as const),
        ]}
        onChange={(id) => {
          if (id !== '') void take(id);
        }}
      />
      {said && (
        <p role="alert" className="note text-madder">
          {said}
        </p>
      )}
    </>
  );
}
