/** The best use of the hair at hand, or the least hair for a cover: limits, the search, what it found, the trade-off. */
import { Checkbox, Slider } from 'radix-ui';
import { useState } from 'react';
import { setEnough } from '../../../model/finish.ts';
import { formOf, type UseForm, useBestUse } from '../../ask/best-use.ts';
import type { PlanSession } from '../../session/plan-session.ts';
import type { CheckProps } from '../../ui/bench-props.ts';
import { NumberField, SelectField } from '../../ui/field.tsx';
import { Outcome } from './outcome.tsx';

export function BestTab({ session, result, checked }: CheckProps) {
  const look = checked.looked?.value;
  const { plan } = session;
  const { form: written, run, start, stop, write } = useBestUse();
  const mine = run?.plan.id === plan.id ? run : undefined;
  const form = formOf(written, plan.id);
  const put = (change: Partial<UseForm>) => write(plan.id, change);
  if (!result || !look) return null;
  const { aim, allowed } = form;
  const limits = {
    packs: form.packs ?? Math.max(1, result.supply.packs),
    minutes: 60 * (form.hours ?? Math.ceil(result.time.totalMinutes / 30) / 2),
    massG: form.massG ?? Math.ceil(result.load.massG / 10) * 10,
  };
  const wanted = form.hidden ?? Math.round(100 * look.hiddenShare);
  const above = (least: number, take: (v: number) => void) => (v: number) => {
    if (v < least) return `That has to be at least ${least}.`;
    take(v);
    return undefined;
  };
  const begin = () =>
    start(plan, look, {
      limits,
      allowed,
      // Looked for once more, it starts elsewhere.
      seed: mine ? mine.asked.seed + 1 : 1,
      aim: aim === 'cover' ? { kind: 'cover', enough: plan.enough } : { kind: 'leastHair', hidden: wanted / 100 },
    });
  return (
    <>
      <h2>The best use of it</h2>
      <p className="note mt-1.25">
        Tries two thousand ways to space, cut, open and lay it. Your part, base, cap and all you did by hand stay.
      </p>
      <div className="mt-3">
        <SelectField
          label="Look for"
          value={aim}
          testId="use-aim"
          options={[
            ['cover', 'most cover'],
            ['leastHair', 'least hair'],
          ]}
          onChange={(kind) => put({ aim: kind })}
        />
        {aim === 'leastHair' && (
          <NumberField
            label="That hides, %"
            value={wanted}
            testId="use-hidden"
            onCommit={(v) => {
              if (v < 10 || v > 100) return 'Between 10 and 100 %.';
              put({ hidden: v });
              return undefined;
            }}
          />
        )}
        <NumberField
          label="Packs at most"
          value={limits.packs}
          testId="use-packs"
          onCommit={above(1, (v) => put({ packs: Math.floor(v) }))}
        />
        <NumberField
          label="Hours at most"
          value={limits.minutes / 60}
          testId="use-hours"
          onCommit={above(0.5, (v) => put({ hours: v }))}
        />
        <NumberField
          label="Grams at most"
          value={limits.massG}
          testId="use-grams"
          onCommit={above(20, (v) => put({ massG: v }))}
        />
      </div>
      <fieldset className="mt-1">
        <legend className="sr-only">What may be done to pieces</legend>
        {(
          [
            ['split', 'Pieces may be split lengthwise'],
            ['half', 'Pieces may be cut in half: half as long'],
            ['open', 'Pieces may be opened'],
          ] as const
        ).map(([key, words]) => (
          <Checkbox.Root
            key={key}
            className="choice"
            checked={allowed[key]}
            data-testid={`use-${key}`}
            onCheckedChange={(on) => put({ allowed: { ...allowed, [key]: on === true } })}
          >
            <span className="dot" aria-hidden="true" />
            <b>{words}</b>
          </Checkbox.Root>
        ))}
      </fieldset>
      {aim === 'cover' && <Enough session={session} />}
      <div className="mt-3 grid gap-2">
        {mine?.state === 'running' ? (
          <button type="button" className="button" data-testid="use-stop" onClick={stop}>
            Stop
          </button>
        ) : (
          <button type="button" className="button primary" data-testid="use-start" onClick={begin}>
            {mine ? 'Look again, from another start' : 'Look for it'}
          </button>
        )}
      </div>
      {mine && <Outcome run={mine} session={session} />}
    </>
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
