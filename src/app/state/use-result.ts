/** The computed plan of a document, kept while the next one is on its way, and what the last deed changed. */
import { useEffect, useRef, useState } from 'react';
import type { PlanResult } from '../../core/findings/plan-result.ts';
import type { HeadScene } from '../../core/plan/ask/scene.ts';
import type { SpacingStep } from '../../core/plan/ask/spacing-step.ts';
import type { GuessRange, Look } from '../../core/plan/look-result.ts';
import type { PlanDocument } from '../../model/plan.ts';
import { headInputs, planInputs } from '../../model/to-inputs.ts';
import type { Outcome } from '../../workers/client.ts';
import { painter, planner } from './clients.ts';
import type { Of } from './use-look.ts';

export interface Computed {
  readonly plan: PlanDocument;
  readonly result: PlanResult;
  readonly ms: number;
}

export function useResult(plan: PlanDocument | undefined) {
  const [computed, setComputed] = useState<Computed>();
  const [error, setError] = useState<string>();
  useEffect(() => {
    if (!plan) return;
    let abandoned = false;
    planner.call('plan', planInputs(plan)).then((outcome) => {
      if (abandoned && outcome.state !== 'done') return;
      if (outcome.state === 'done') {
        setError(undefined);
        setComputed({ plan, result: outcome.value, ms: outcome.ms });
      } else if (outcome.state !== 'stale') {
        setError(`This plan could not be worked out: ${outcome.message}`);
      }
    });
    return () => {
      abandoned = true;
    };
  }, [plan]);
  return { computed, error };
}

/** What is known of the look, which comes a moment after the plan. */
export interface JudgedFigures {
  readonly look: Look | undefined;
  readonly range: GuessRange | undefined;
}

/** The seven figures of the tally. */
export interface Figures {
  readonly pieces: number;
  readonly packs: number;
  readonly leftOver: number;
  readonly minutes: number;
  readonly price: number;
  readonly massG: number;
  /** Not known for the moment that it takes to work it out. */
  readonly cover: number | undefined;
}

export function figuresOf(result: PlanResult, look: Look | undefined): Figures {
  return {
    pieces: result.supply.pieces,
    packs: result.supply.packs,
    leftOver: result.supply.leftOver,
    minutes: Math.round(result.time.totalMinutes),
    price: result.supply.price,
    massG: Math.round(result.load.massG),
    cover: look && Math.round(look.hiddenShare * 100),
  };
}

/** Figures before the last deed, or before the finger came down. */
export function useFiguresBefore(
  computed: Computed | undefined,
  look: Of<Look> | undefined,
  present: PlanDocument,
  isDraft: boolean,
): Figures | undefined {
  const settled = useRef<{ plan: PlanDocument; figures: Figures } | undefined>(undefined);
  const [before, setBefore] = useState<Figures>();
  useEffect(() => {
    if (!computed) return;
    if (isDraft) {
      setBefore(settled.current?.figures);
    } else if (computed.plan === present && look?.plan === present && settled.current?.plan !== present) {
      setBefore(settled.current?.plan.id === present.id ? settled.current.figures : undefined);
      settled.current = { plan: present, figures: figuresOf(computed.result, look.value) };
    }
  }, [computed, look, present, isDraft]);
  return before;
}

/** What a quarter finger would change; asked for when the plan rests. */
export function useSpacingStep(plan: PlanDocument, isDraft: boolean): SpacingStep | undefined {
  const [step, setStep] = useState<SpacingStep>();
  useEffect(() => {
    if (isDraft) return;
    let abandoned = false;
    const timer = setTimeout(() => {
      planner.call('spacingStep', planInputs(plan)).then((outcome) => {
        if (!abandoned && outcome.state === 'done') setStep(outcome.value);
      });
    }, 250);
    return () => {
      abandoned = true;
      clearTimeout(timer);
    };
  }, [plan, isDraft]);
  return step;
}

/** The picture of her head; only the tape and the hairline change it. */
export function useScene(plan: PlanDocument | undefined): HeadScene | undefined {
  const [scene, setScene] = useState<HeadScene>();
  const key = plan ? JSON.stringify([plan.tape, plan.trusted, plan.hairline, plan.unit, plan.fingers]) : '';
  // biome-ignore lint/correctness/useExhaustiveDependencies: the key stands for what the picture hangs on
  useEffect(() => {
    if (!plan) return;
    painter.call('headScene', headInputs(plan)).then((outcome) => {
      if (outcome.state === 'done') setScene(outcome.value);
    });
  }, [key]);
  return scene;
}

/** Ways of sectioning laid on her head, the best first; asked for again when what they hang on rests. */
export function useRecommended(plan: PlanDocument, isDraft: boolean) {
  const { tape, hairline, ownHair, marks, wishes, pace, cap, part } = plan;
  const key = JSON.stringify([tape, hairline, ownHair, marks, wishes, pace, cap, part]);
  return useAsked(isDraft ? undefined : key, () => painter.call('recommend', planInputs(plan)));
}

export function useMeasureEffects(plan: PlanDocument, isDraft: boolean) {
  const { tape, trusted, hairline, spacing, products } = plan;
  const key = JSON.stringify([tape, trusted, hairline, spacing, products]);
  return useAsked(isDraft ? undefined : key, () => painter.call('measureEffects', planInputs(plan)));
}

/** The newest answer to a question that is asked again whenever its key changes and then rests. */
function useAsked<T>(key: string | undefined, ask: () => Promise<Outcome<T>>): T | undefined {
  const [answer, setAnswer] = useState<T>();
  const latest = useRef(ask);
  latest.current = ask;
  useEffect(() => {
    if (key === undefined) return;
    let abandoned = false;
    const timer = setTimeout(() => {
      latest.current().then((outcome) => {
        if (!abandoned && outcome.state === 'done') setAnswer(outcome.value);
      });
    }, 250);
    return () => {
      abandoned = true;
      clearTimeout(timer);
    };
  }, [key]);
  return answer;
}
