/** Questions from her own plan, each shown on her own head; they come back at growing distances. */
import { useLiveQuery } from 'dexie-react-hooks';
import { useEffect, useMemo, useState } from 'react';
import type { PlanResult } from '../../../core/findings/index.ts';
import { directionDeg } from '../../../core/head/index.ts';
import type { PlannedKnot } from '../../../core/knots/index.ts';
import { dueQuestions, type Question, questionsOf } from '../../../core/practice/index.ts';
import { lowerFirst, rowWords, upperFirst } from '../../../core/trade/index.ts';
import { addPractice, practiceOf } from '../../../store/practice.ts';
import { db, newId } from '../../session/database.ts';
import type { LaidProps } from '../../ui/bench-props.ts';
import { Trouble, useTrouble } from '../../ui/trouble.tsx';
import { useView } from '../../view/view-store.ts';

const ASKS: Readonly<Record<Question['asks'], string>> = {
  way: 'Here: which way does the hook go?',
  through: 'Here: what does the hook go through?',
  held: 'Here: how is the piece held?',
};

export function QuestionsTab({ session, result }: LaidProps) {
  const records = useLiveQuery(() => practiceOf(db, session.plan.id), [session.plan.id]);
  const answers = useMemo(() => records?.flatMap((r) => (r.kind === 'answer' ? [r] : [])), [records]);
  // What was just answered stays until she goes on, at the knot that it was asked at.
  const [held, setHeld] = useState<Question>();
  const questions = useMemo(() => questionsOf(result.knots, answers?.length ?? 0), [result, answers?.length]);
  const due =
    answers &&
    dueQuestions(
      questions.map((q) => q.id),
      answers,
      Date.now(),
    );
  const current = held ?? questions.find((q) => q.id === due?.[0]);
  if (!answers || !due) return <p aria-busy="true">Looking for what is due …</p>;
  if (!current)
    return (
      <p data-testid="nothing-due">
        {questions.length === 0
          ? 'All knots of this plan are made alike: there is nothing to mix up.'
          : 'Nothing is due now. Each question comes back: after a day, six days, then at growing distances.'}
      </p>
    );
  return (
    <OneQuestion
      key={`${current.id} ${current.knotId}`}
      question={current}
      result={result}
      planId={session.plan.id}
      left={due.length}
      onAnswered={() => setHeld(current)}
      onNext={() => setHeld(undefined)}
    />
  );
}

function OneQuestion(props: {
  readonly question: Question;
  readonly result: PlanResult;
  readonly planId: string;
  readonly left: number;
  readonly onAnswered: () => void;
  readonly onNext: () => void;
}) {
  const { question, result, planId, left, onAnswered, onNext } = props;
  const knot = result.knots.find((k) => k.id === question.knotId);
  const [given, setGiven] = useState<string>();
  const [trouble, tried] = useTrouble();
  useAskedAt(knot, given !== undefined);
  const answer = async (value: string) => {
    const isRight = value === question.right;
    onAnswered();
    setGiven(value);
    await tried(
      addPractice(db, planId, { kind: 'answer', id: newId(), atMs: Date.now(), question: question.id, isRight }),
    );
  };
  const right = question.options.find((o) => o.value === question.right)?.name ?? '';
  return (
    <section data-testid="question" data-question={question.id}>
      <p className="text-title font-strong">{ASKS[question.asks]}</p>
      {knot && (
        <p className="note">
          {upperFirst(rowWords(result.rows[knot.row].label))}, knot {knot.place}, lit on your head. {left} due.
        </p>
      )}
      <div className="practice-options">
        {question.options.map((o) => (
          <button
            key={o.value}
            type="button"
            className={`button ${given !== undefined && o.value === question.right ? 'primary' : ''}`}
            disabled={given !== undefined}
            data-testid="option"
            data-right={o.value === question.right ? 'yes' : 'no'}
            onClick={() => void answer(o.value)}
          >
            {o.name}
          </button>
        ))}
      </div>
      {given !== undefined && (
        <div role="status" className="mt-3" data-testid="verdict">
          <p>
            <b>{given === question.right ? 'Yes.' : `No: ${lowerFirst(right)}.`}</b> {question.because}
          </p>
          <button type="button" className="button primary mt-2" onClick={onNext} data-testid="next-question">
            Next
          </button>
        </div>
      )}
      <Trouble why={trouble} />
    </section>
  );
}

/** Only lit while it is asked, and turned to where it lies; what is known of it would be the answer. */
function useAskedAt(knot: PlannedKnot | undefined, isAnswered: boolean) {
  const { select, light, turn } = useView.getState();
  const id = knot?.id;
  // biome-ignore lint/correctness/useExhaustiveDependencies: the same knot is turned to once
  useEffect(() => {
    if (!knot) return;
    const [azimuth] = directionDeg([knot.xMm, knot.yMm, knot.zMm]);
    turn({ azimuth: (azimuth * Math.PI) / 180, elevation: LOOKED_AT });
  }, [id]);
  useEffect(() => {
    if (!id) return undefined;
    if (isAnswered) select(id);
    else light(new Set([id]));
    return () => {
      select(undefined);
      light(undefined);
    };
  }, [id, isAnswered, select, light]);
}

/** A little from above, rad. */
const LOOKED_AT = 0.4;
