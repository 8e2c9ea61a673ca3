/** The seven figures of the tally, and what they were before the last deed. */
import { useEffect, useRef, useState } from 'react';
import type { PlanResult } from '../../core/findings/index.ts';
import type { GuessRange, Look } from '../../core/plan/index.ts';
import type { PlanDocument } from '../../model/plan.ts';
import type { Answer } from './ask.ts';

/** What is known of the look, which comes a moment after the plan. */
export interface JudgedFigures {
  readonly look: Look | undefined;
  readonly range: GuessRange | undefined;
}

export interface Figures {
  readonly pieces: number;
  readonly packs: number;
  readonly leftOver: number;
  readonly minutes: number;
  readonly price: number;
  readonly massG: number;
  /** Per cent hidden; not known for the moment that it takes to work it out. */
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
    cover: look && look.hiddenShare * 100,
  };
}

/** Less than a point of cover no eye sees: it is told as no change. */
const A_POINT = 1;

/** Figures as they were, for standing beside those that are: a cover that moved by less than a point has not moved. */
export function asBefore(was: Figures, now: Figures): Figures {
  const same = was.cover !== undefined && now.cover !== undefined && Math.abs(was.cover - now.cover) < A_POINT;
  return same ? { ...was, cover: now.cover } : was;
}

/** Figures before the last deed, or before the finger came down. */
export function useFiguresBefore(
  result: Answer<PlanResult> | undefined,
  look: Answer<Look> | undefined,
  present: PlanDocument,
  isDraft: boolean,
): Figures | undefined {
  const settled = useRef<{ plan: PlanDocument; figures: Figures } | undefined>(undefined);
  const [before, setBefore] = useState<Figures>();
  useEffect(() => {
    if (isDraft) {
      setBefore(settled.current?.figures);
    } else if (result?.isCurrent && look?.isCurrent && settled.current?.plan !== present) {
      setBefore(settled.current?.plan.id === present.id ? settled.current.figures : undefined);
      settled.current = { plan: present, figures: figuresOf(result.value, look.value) };
    }
  }, [result, look, present, isDraft]);
  return before;
}
