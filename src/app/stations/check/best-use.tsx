/** The best use of the hair at hand, or the least hair for a cover: limits, the search, what it found, the trade-off. */
import { Checkbox, Slider } from 'radix-ui';
import { useState } from 'react';
import type { PlanResult } from '../../../core/findings/index.ts';
import type { GuessRange, Look } from '../../../core/plan/index.ts';
import type { Allowed, UseAim } from '../../../core/search/index.ts';
import { setEnough } from '../../../model/finish.ts';
import { formOf, type UseForm, useBestUse } from '../../ask/best-use.ts';
import type { PlanSession } from '../../session/plan-session.ts';
import type { CheckProps } from '../../ui/bench-props.ts';
import { type FieldEntry, Fields, type TakeChange } from '../../ui/fields.tsx';
import { Outcome } from './outcome.tsx';

export function BestTab({ session, result, checked }: CheckProps) {
  const look = checked.looked?.value;
  const { plan } = session;
  const { form: written, run, start, stop, write } = useBestUse();
  if (!result || !look) return null;
  const mine = run?.plan.id === plan.id ? run : undefined;
  const form = filled(formOf(written, plan.id), result, look, checked.range);
  const put: TakeChange<UseForm> = (change) => write(plan.id, change);
  const begin = () =>
    start(plan, look, {
      limits: { packs: form.packs, minutes: 60 * form.hours, massG: form.massG },
      allowed: form.allowed,
      // Looked for once more, it starts elsewhere.
      seed: mine ? mine.asked.seed + 1 : 1,
      aim: aimOf(form, plan.enough),
    });
  return (
    <>
      <h2>The best use of it</h2>
      <p className="note mt-1.25">
        Tries two thousand ways to space, cut, open and lay it. Your part, base, cap and all you did by hand stay.
      </p>
      <div className="mt-3">
        <Fields record={form} of={LIMITS} set={put} />
      </div>
      <MayBeDone allowed={form.allowed} onChange={(allowed) => put({ allowed })} />
      {form.aim === 'balance' && <Enough session={session} />}
      <div className="mt-3 grid gap-2">
        {mine?.state === 'running' && (
          <button type="button" className="button" data-testid="use-stop" onClick={stop}>
            Stop
          </button>
        )}
        {mine?.state !== 'running' && mine?.state !== 'checking' && (
          <button type="button" className="button primary" data-testid="use-start" onClick={begin}>
            {mine ? 'Look again, from another start' : 'Look for it'}
          </button>
        )}
      </div>
      {mine && <Outcome run={mine} session={session} />}
    </>
  );
}

function aimOf({ aim, hidden }: ReturnType<typeof filled>, enough: number): UseAim {
  switch (aim) {
    case 'cover':
      return { kind: 'cover' };
    case 'balance':
      return { kind: 'balance', enough };
    case 'leastHair':
      return { kind: 'leastHair', hidden };
  }
}

/** What is asked for at first never asks for every hair's breadth. */
const MOST_ASKED = 0.97;

/** What she left alone follows the plan. */
const filled = (form: UseForm, { supply, time, load }: PlanResult, look: Look, range: GuessRange | undefined) => ({
  ...form,
  hidden: form.hidden ?? Math.min(MOST_ASKED, Math.floor(100 * (range?.all[0] ?? look.hiddenShare)) / 100),
  packs: form.packs ?? Math.max(1, supply.packs),
  hours: form.hours ?? Math.ceil(time.totalMinutes / 30) / 2,
  massG: form.massG ?? Math.ceil(load.massG / 10) * 10,
});

const LIMITS: ReadonlyArray<FieldEntry<ReturnType<typeof filled>>> = [
  {
    key: 'aim',
    kind: 'choice',
    label: 'Look for',
    testId: 'use-aim',
    options: [
      ['cover', 'most cover'],
      ['balance', 'light and covered'],
      ['leastHair', 'least hair'],
    ],
  },
  {
    key: 'hidden',
    kind: 'number',
    percent: true,
    label: 'That surely hides, %',
    testId: 'use-hidden',
    when: ({ aim }) => aim === 'leastHair',
  },
  { key: 'packs', kind: 'number', label: 'Packs at most', testId: 'use-packs' },
  { key: 'hours', kind: 'number', label: 'Hours at most', testId: 'use-hours' },
  { key: 'massG', kind: 'number', label: 'Grams at most', testId: 'use-grams' },
];

const DEEDS: ReadonlyArray<readonly [keyof Allowed, string]> = [
  ['split', 'Pieces may be split lengthwise'],
  ['half', 'Pieces may be cut in half: half as long'],
  ['open', 'Pieces may be opened'],
];

function MayBeDone(props: { readonly allowed: Allowed; readonly onChange: (allowed: Allowed) => void }) {
  const { allowed, onChange } = props;
  return (
    <fieldset className="mt-1">
      <legend className="sr-only">What may be done to pieces</legend>
      {DEEDS.map(([key, words]) => (
        <Checkbox.Root
          key={key}
          className="choice"
          checked={allowed[key]}
          data-testid={`use-${key}`}
          onCheckedChange={(on) => onChange({ ...allowed, [key]: on === true })}
        >
          <span className="dot" aria-hidden="true" />
          <b>{words}</b>
        </Checkbox.Root>
      ))}
    </fieldset>
  );
}

/** What enough means to her. */
function Enough({ session }: { readonly session: PlanSession }) {
  const { plan } = session;
  const [held, setHeld] = useState<number>();
  return (
    <div className="mt-3">
      <div className="flex justify-between text-small" aria-hidden="true">
        <span>lighter</span>
        <span>more covered</span>
      </div>
      <Slider.Root
        className="relative flex h-11 touch-none items-center"
        min={0}
        max={100}
        step={5}
        value={[held ?? Math.round(100 * plan.enough)]}
        onValueChange={([v]) => setHeld(v)}
        onValueCommit={([v]) => {
          setHeld(undefined);
          session.apply(setEnough(plan, v / 100));
        }}
      >
        <Slider.Track className="relative h-0.5 flex-1 bg-hair">
          <Slider.Range className="absolute h-full bg-ink" />
        </Slider.Track>
        <Slider.Thumb
          className="block size-6 rounded-full border-2 border-ink bg-brass"
          aria-label="What enough is: from lighter to more covered"
          data-testid="enough"
        />
      </Slider.Root>
    </div>
  );
}
