/** A new plan: from nothing, like one of hers, or like one of the routes, each seen with its rows and knots. */
import { useQuery } from '@tanstack/react-query';
import { useLiveQuery } from 'dexie-react-hooks';
import { useState } from 'react';
import { useNavigate, useSearchParams } from 'react-router';
import type { PlanDocument } from '../../model/plan.ts';
import type { PlanRecord } from '../../store/database.ts';
import { keptPlans, openRecord, storageSentence } from '../../store/plans.ts';
import { wearerName, wearers } from '../../store/wearers.ts';
import { db } from '../session/database.ts';
import { SelectField } from '../ui/field.tsx';
import { beginPlan } from './begin-plan.ts';
import { PlainPage } from './plain-page.tsx';
import { PlanPicture } from './plan-picture.tsx';
import { type SmallPictures, useSmallPictures } from './small-pictures.ts';
import './new-plan.css';

interface Example {
  readonly group: 'base' | 'route' | 'install';
  readonly plan: PlanDocument;
}

const GROUPS: ReadonlyArray<readonly [Example['group'], string]> = [
  ['base', 'By the base'],
  ['route', 'By cap, rows and part'],
  ['install', 'By what else is done'],
];

function openedPlan(record: PlanRecord): PlanDocument[] {
  const opened = openRecord(record);
  return opened.ok ? [opened.history.present.plan] : [];
}

async function examples(): Promise<Example[]> {
  const answer = await fetch('/api/examples');
  if (!answer.ok) throw new Error('no examples');
  return answer.json();
}

export function NewPlanPage() {
  const navigate = useNavigate();
  const [asked] = useSearchParams();
  const all = useLiveQuery(() => wearers(db));
  // Brought up to date as they are read; one that can't be read is like nothing.
  const mine = useLiveQuery(async () => (await keptPlans(db)).flatMap(openedPlan));
  const pictures = useSmallPictures();
  const routes = useQuery({
    queryKey: ['examples'],
    queryFn: examples,
    retry: false,
    staleTime: Number.POSITIVE_INFINITY,
  });
  const [chosen, setChosen] = useState<string>();
  const [why, setWhy] = useState<string>();
  if (!all || !mine) return null;
  const id = chosen ?? asked.get('for') ?? all[0]?.id ?? '';
  const her = all.find((w) => w.id === id);
  const begin = (like?: PlanDocument) => {
    setWhy(undefined);
    beginPlan(her, like).then(
      (begun) => (begun.ok ? navigate(begun.path) : setWhy(begun.why)),
      (error) => setWhy(storageSentence(error)),
    );
  };
  return (
    <PlainPage title="What is it like?">
      <p className="mt-2 max-w-[60ch]">
        {her
          ? `It begins with ${wearerName(her) === 'You' ? 'your' : `${wearerName(her)}’s`} head, hair and hands as they are now.`
          : `${all.length === 0 ? 'Your' : 'Her'} head and hair are asked first.`}{' '}
        Everything can be changed afterwards.
      </p>
      {all.length > 0 && (
        <div className="max-w-80">
          <SelectField
            label="For"
            value={id}
            testId="new-for"
            options={[...all.map((w) => [w.id, wearerName(w)] as const), ['', 'somebody new'] as const]}
            onChange={setChosen}
          />
        </div>
      )}
      {why && (
        <p role="alert" className="text-madder">
          {why}
        </p>
      )}
      <button type="button" className="button primary mt-4 max-w-80" data-testid="from-nothing" onClick={() => begin()}>
        From nothing
      </button>
      {mine.length > 0 && (
        <Group name="Like one of yours">
          {mine.map((plan) => (
            <Card key={plan.id} {...{ plan, pictures }} onTake={() => begin(plan)} />
          ))}
        </Group>
      )}
      {GROUPS.map(([group, name]) => {
        const of = routes.data?.filter((e) => e.group === group) ?? [];
        return (
          of.length > 0 && (
            <Group key={group} name={name}>
              {of.map(({ plan }) => (
                <Card
                  key={plan.id}
                  of={group === 'base' ? 'base' : 'rows'}
                  {...{ plan, pictures }}
                  onTake={() => begin(plan)}
                />
              ))}
            </Group>
          )
        );
      })}
      {routes.isError && (
        <p className="note mt-6">The pictures of routes come from the server, which does not answer just now.</p>
      )}
    </PlainPage>
  );
}

function Group({ name, children }: { readonly name: string; readonly children: React.ReactNode }) {
  return (
    <section className="mt-8">
      <h2 className="text-heading">{name}</h2>
      <ul className="cards">{children}</ul>
    </section>
  );
}

function Card(props: {
  readonly plan: PlanDocument;
  readonly of?: 'base' | 'rows';
  readonly pictures: SmallPictures;
  readonly onTake: () => void;
}) {
  const { plan, of, pictures, onTake } = props;
  return (
    <li>
      <button type="button" className="card" data-like={plan.id} onClick={onTake}>
        <PlanPicture {...{ plan, pictures }} {...(of ? { of } : {})} />
        <span>{plan.name}</span>
      </button>
    </li>
  );
}
