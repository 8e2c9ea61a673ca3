/** The moving knot, or her head where a question is asked on it. */
import type { PlanResult } from '../../../core/findings/index.ts';
import { usePractice } from './practice-view.ts';
import { RopeStage } from './rope-stage.tsx';

export function PracticeStage(props: { readonly result: PlanResult | undefined; readonly head: React.ReactNode }) {
  const part = usePractice((v) => v.part);
  return part === 'knots' ? <RopeStage result={props.result} /> : props.head;
}
