/** The best use of the hair at hand, or the least hair for a cover: limits, the search, what it found, the trade-off. */
import { scaleLinear } from 'd3-scale';
import { curveStepAfter, line } from 'd3-shape';
import { Checkbox, Slider } from 'radix-ui';
import { useState } from 'react';
import type { Part } from '../../core/head/part.ts';
import type { UseFigures } from '../../core/search/best-use.ts';
import { changesInWords, planWithUse } from '../../core/search/use.ts';
import { upperFirst } from '../../core/trade/words.ts';
import { setEnough } from '../../model/finish.ts';
import { formOf, type UseCandidate, type UseForm, type UseRun, useBestUse } from '../state/best-use.ts';
import type { PlanSession } from '../state/plan-session.ts';
import { NumberField, SelectField } from '../ui/field.tsx';
import { hours } from '../ui/format.ts';
import type { CheckProps } from './check-parts.tsx';

const percent = (v: number) => `${Math.round(100 * v)} %`;
const tenths = (v: number) => `${(100 * v).toFixed(1)} %`;

export function BestPart({ session, result, checked }: CheckProps) {
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
      <p className="quiet mt-[5px]">
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
      <div className="flex justify-between text-[14px]" aria-hidden="true">
        <span>lighter</span>
        <span>more covered</span>
      </div>
      <Slider.Root
        className="enough"
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
        <Slider.Track className="enough-track">
          <Slider.Range className="enough-range" />
        </Slider.Track>
        <Slider.Thumb
          className="enough-bead"
          aria-label="What enough is: from lighter to more covered"
          data-testid="enough"
        />
      </Slider.Root>
    </div>
  );
}

function Outcome({ run, session }: { readonly run: UseRun; readonly session: PlanSession }) {
  const { best, now, curve } = run;
  const [chosen, setChosen] = useState<string>();
  const [refusal, setRefusal] = useState<string>();
  const { forget } = useBestUse();
  const pick = curve.find((c) => c.genome.join() === chosen) ?? best;
  const isOld = session.history.present.plan !== run.plan;
  const changes = pick ? changesInWords(run.space, pick.genome, run.plan.part.kind as Part['kind']) : [];
  return (
    <section className="mt-4" aria-label="What was found" data-testid="use-outcome" data-state={run.state}>
      <p className="text-[14px]" role="status">
        {run.state === 'running'
          ? `${run.tried} of ${run.budget} ways tried`
          : run.state === 'failed'
            ? `It could not go on: ${run.why ?? ''}`
            : `${run.tried} ways tried in ${Math.round(run.seconds)} s${run.state === 'stopped' ? ', stopped by you' : ''}`}
        , start {run.asked.seed}.
      </p>
      <progress className="progress" value={run.tried} max={run.budget} aria-label="Ways tried" />
      {pick && now && (
        <>
          <table className="mt-2 w-full text-[14px]" data-testid="use-figures">
            <caption className="sr-only">As planned, and as found</caption>
            <tbody>
              {FIGURES.map(([name, show]) => (
                <tr key={name} className="line">
                  <th scope="row" className="py-[5px] text-left font-normal">
                    {name}
                  </th>
                  <td className="fig whitespace-nowrap text-right text-[17px]">
                    <span className="font-normal text-ink2">{show(now, session)} → </span>
                    {show(pick.figures, session)}
                  </td>
                </tr>
              ))}
            </tbody>
          </table>
          {changes.length === 0 ? (
            <p className="mt-2">Nothing better was found within these limits yet: the plan is as good.</p>
          ) : (
            <p className="mt-2 text-[14px]" data-testid="use-words">
              {upperFirst(changes.join('; '))}.
            </p>
          )}
          <p className="note mt-1">
            Judged on a coarser head, within about two points; the tally says what the fine one gives.
          </p>
          {isOld && <p className="note mt-1 text-madder">The plan has changed since this search began: look again.</p>}
          {changes.length > 0 && !isOld && (
            <button
              type="button"
              className="button primary mt-2"
              data-testid="use-take"
              onClick={() => {
                const { packs } = pick.figures;
                const words = `Best use: ${packs} ${packs === 1 ? 'pack' : 'packs'}, ${percent(pick.hidden)} hidden`;
                const plan = planWithUse(session.history.present.plan, run.space, pick.genome);
                const why = session.apply({ words, plan });
                setRefusal(why);
                if (why === undefined) forget();
              }}
            >
              Put it in the plan
            </button>
          )}
          {refusal && (
            <p role="alert" className="note text-madder">
              {refusal} Nothing was changed.
            </p>
          )}
          <button type="button" className="word text-[13px]" onClick={forget}>
            Leave it
          </button>
        </>
      )}
      {curve.length > 1 && <TradeOff run={run} chosen={pick} onChoose={(c) => setChosen(c.genome.join())} />}
    </section>
  );
}

const FIGURES: ReadonlyArray<readonly [name: string, show: (f: UseFigures, session: PlanSession) => string]> = [
  ['Hidden', (f) => percent(f.hidden)],
  ['Packs', (f) => String(f.packs)],
  ['Pieces', (f) => String(f.pieces)],
  ['Hours', (f) => hours(f.minutes)],
  ['Weight', (f) => `${Math.round(f.massG)} g`],
];

const W = 300;
const H = 170;
const EDGE = { left: 38, right: 12, top: 12, bottom: 34 };

/** Packs against the share that is hidden: where another pack stops helping. */
function TradeOff(props: {
  readonly run: UseRun;
  readonly chosen: UseCandidate | undefined;
  readonly onChoose: (c: UseCandidate) => void;
}) {
  const { curve, now, stopsAt } = props.run;
  const beside = [now, props.chosen].filter((p) => p !== undefined);
  const all = [...curve, ...beside].map((p) => p.hidden);
  const packs = [...curve, ...beside].map((p) => p.packs);
  const x = scaleLinear([Math.min(...packs) - 0.4, Math.max(...packs) + 0.6], [EDGE.left, W - EDGE.right]);
  const y = scaleLinear(
    [Math.max(0, Math.min(...all) - 0.03), Math.min(1, Math.max(...all) + 0.01)],
    [H - EDGE.bottom, EDGE.top],
  ).nice();
  const path = line<UseCandidate>(
    (c) => x(c.packs),
    (c) => y(c.hidden),
  ).curve(curveStepAfter)(curve as UseCandidate[]);
  const whole = [...new Set(packs)].sort((a, b) => a - b);
  return (
    <div className="mt-4">
      <h3 className="text-[19px]">Where another pack stops helping</h3>
      <p className="mt-1 text-[14px]" data-testid="stops-at">
        {stopsAt === undefined
          ? 'Each pack more still hides more than a point of the scalp.'
          : `From ${stopsAt} ${stopsAt === 1 ? 'pack' : 'packs'} on another one hides less than a point more.`}
      </p>
      <svg viewBox={`0 0 ${W} ${H}`} width="100%" className="mt-2" aria-hidden="true" data-testid="trade-off">
        {y.ticks(4).map((t) => (
          <g key={t}>
            <path d={`M${EDGE.left} ${y(t)}H${W - EDGE.right}`} stroke="var(--hair2)" />
            <text x={EDGE.left - 6} y={y(t) + 4} textAnchor="end" fontSize="12.5" fill="var(--ink2)">
              {Math.round(100 * t)}
            </text>
          </g>
        ))}
        {whole.map((p) => (
          <text key={p} x={x(p)} y={H - EDGE.bottom + 16} textAnchor="middle" fontSize="12.5" fill="var(--ink2)">
            {p}
          </text>
        ))}
        <text x={W - EDGE.right} y={H - 4} textAnchor="end" fontSize="12.5" fill="var(--ink2)">
          packs; % hidden upwards
        </text>
        {stopsAt !== undefined && (
          <path d={`M${x(stopsAt)} ${EDGE.top}V${H - EDGE.bottom}`} stroke="var(--ink)" strokeDasharray="2 4" />
        )}
        <path d={path ?? ''} fill="none" stroke="var(--ink)" strokeWidth="1.8" />
        {now && (
          <path d={`M${x(now.packs) - 5} ${y(now.hidden)}h10m-5 -5v10`} stroke="var(--madder)" strokeWidth="2.2" />
        )}
        {props.chosen && !curve.includes(props.chosen) && (
          <circle
            cx={x(props.chosen.packs)}
            cy={y(props.chosen.hidden)}
            r="6.5"
            fill="var(--brass)"
            stroke="var(--ink)"
            strokeWidth="1.6"
          />
        )}
        {curve.map((c) => (
          <circle
            key={c.packs}
            cx={x(c.packs)}
            cy={y(c.hidden)}
            r={c.genome === props.chosen?.genome ? 6.5 : 4}
            fill={c.genome === props.chosen?.genome ? 'var(--brass)' : 'var(--ground)'}
            stroke="var(--ink)"
            strokeWidth="1.6"
          />
        ))}
      </svg>
      <p className="note">The cross is the plan as it is.</p>
      <ul className="sections mt-1">
        {curve.map((c) => (
          <li key={c.packs}>
            <button type="button" aria-pressed={c.genome === props.chosen?.genome} onClick={() => props.onChoose(c)}>
              <span>
                {c.packs} {c.packs === 1 ? 'pack' : 'packs'}
              </span>
              <span>{Math.round(c.figures.massG)} g</span>
              <span>{tenths(c.hidden)} hidden</span>
            </button>
          </li>
        ))}
      </ul>
    </div>
  );
}
