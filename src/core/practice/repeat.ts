/**
 * When a question comes back: at growing distances, by the rule SM-2 (P. A. Woźniak, Optimization of Learning, 1990; from memory).
 * An answer is right or wrong here, told as qualities 4 and 1 of its six.
 */
const DAY_MS = 86_400_000;

export interface Answered {
  readonly question: string;
  readonly atMs: number;
  readonly isRight: boolean;
}

export interface Standing {
  /** Right answers in a row. */
  readonly streak: number;
  readonly intervalDays: number;
  readonly ease: number;
  readonly dueMs: number;
}

const FIRST_EASE = 2.5;
const LEAST_EASE = 1.3;
const QUALITY = { right: 4, wrong: 1 } as const;

const easier = (ease: number, q: number) => Math.max(LEAST_EASE, ease + 0.1 - (5 - q) * (0.08 + (5 - q) * 0.02));

/** @param answers of one question, in their order */
export function standingAfter(answers: readonly Answered[]): Standing {
  let [streak, intervalDays, ease, dueMs] = [0, 0, FIRST_EASE, Number.NEGATIVE_INFINITY];
  for (const { isRight, atMs } of answers) {
    if (isRight) {
      streak++;
      intervalDays = streak === 1 ? 1 : streak === 2 ? 6 : Math.ceil(intervalDays * ease);
    } else {
      streak = 0;
      intervalDays = 0;
    }
    ease = easier(ease, isRight ? QUALITY.right : QUALITY.wrong);
    dueMs = atMs + intervalDays * DAY_MS;
  }
  return { streak, intervalDays, ease, dueMs };
}

/** Questions that are due, those that were never asked last; what is asked anew within a sitting comes after the others. */
export function dueQuestions(questions: readonly string[], answers: readonly Answered[], nowMs: number): string[] {
  const standing = new Map(
    questions.map((q) => [q, standingAfter(answers.filter((a) => a.question === q).sort((a, b) => a.atMs - b.atMs))]),
  );
  const dueOf = (q: string) => standing.get(q)?.dueMs ?? Number.NEGATIVE_INFINITY;
  const isNew = (q: string) => dueOf(q) === Number.NEGATIVE_INFINITY;
  const due = questions.filter((q) => dueOf(q) <= nowMs);
  return [...due.filter((q) => !isNew(q)).sort((a, b) => dueOf(a) - dueOf(b)), ...due.filter(isNew)];
}
