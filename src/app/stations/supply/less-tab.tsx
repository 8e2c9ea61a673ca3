/** Less than enough: what can be done with fewer packs, and what each does to cover, length, bulk and hours. */
import { useLiveQuery } from 'dexie-react-hooks';
import { useMemo, useState } from 'react';
import type { PlanResult } from '../../../core/findings/index.ts';
import type { LessFigures } from '../../../core/search/index.ts';
import { duration, percent } from '../../../core/trade/index.ts';
import { lessWays } from '../../../model/less.ts';
import type { PlanChange } from '../../../model/plan-change.ts';
import { stashHair } from '../../../store/stash.ts';
import { type LessAnswer, useLess } from '../../ask/less.ts';
import { db } from '../../session/database.ts';
import type { PlanSession } from '../../session/plan-session.ts';
import { useWearerOf } from '../../session/use-wearer-of.ts';
import { NumberField } from '../../ui/field.tsx';

interface Props {
  readonly session: PlanSession;
  readonly result: PlanResult;
}

const NO_LOTS: never[] = [];

export function LessTab({ session, result }: Props) {
  const { plan } = session.history.present;
  const of = useWearerOf(plan.id);
  const lots = useLiveQuery(() => stashHair(db, of), [of]) ?? NO_LOTS;
  const [written, setWritten] = useState<number>();
  const packs = written ?? Math.max(1, result.supply.packs - 1);
  const ways = useMemo(() => lessWays(plan, result.spacing.fingers, lots), [plan, result.spacing.fingers, lots]);
  const isEnough = packs >= result.supply.packs;
  const { now, answers, isWorking } = useLess(plan, ways, packs, !isEnough);
  const helps = answers.filter((a) => a.found?.does).sort((a, b) => hides(b) - hides(a));
  const short = answers.filter((a) => a.found && !a.found.does);
  return (
    <>
      <h2>With fewer packs</h2>
      <NumberField
        label="Packs that there are"
        testId="less-packs"
        value={packs}
        onCommit={(n) => {
          if (!Number.isInteger(n) || n < 1 || n > 200) return 'Packs are a whole number from 1 to 200.';
          setWritten(n);
          return undefined;
        }}
      />
      <p className="mt-2" role="status" data-testid="less-state">
        {isEnough
          ? 'They are enough as it is planned.'
          : isWorking
            ? `${answers.length} of ${ways.length} ways worked out …`
            : helps.length === 0
              ? 'None of these does it alone. Two together may; take one, and look again.'
              : 'What covers best stands first. One tap takes it; undo brings back what was.'}
      </p>
      <ul className="mt-2 grid gap-2" data-testid="less-ways">
        {!isEnough &&
          now &&
          helps.map((a) => <Way key={a.way.key} answer={a} now={now} take={(c) => session.apply(c)} />)}
      </ul>
      {!isEnough && short.length > 0 && now && (
        <>
          <h3 className="mt-4 text-title">Not enough alone</h3>
          <ul className="mt-1 text-small">
            {short.map(({ way, found }) => (
              <li key={way.key} className="line py-1">
                {way.name}: still {found?.figures.packs} packs.
              </li>
            ))}
          </ul>
        </>
      )}
      <p className="note mt-3">
        A second parcel is the surest way: half now, the rest once you have seen half of the back. What is hooked can be
        snipped; what is cut is gone.
      </p>
    </>
  );
}

const hides = ({ found }: LessAnswer) => found?.figures.hidden ?? 0;

function Way(props: {
  readonly answer: LessAnswer;
  readonly now: LessFigures;
  readonly take: (change: PlanChange) => string | undefined;
}) {
  const { answer, now, take } = props;
  const { way, found } = answer;
  const [refusal, setRefusal] = useState<string>();
  if (!found) return null;
  const change = way.steps[found.step];
  return (
    <li>
      <button
        type="button"
        className="button w-full text-left"
        data-testid={`less-${way.key}`}
        onClick={() => setRefusal(take(change))}
      >
        {change.words}
        <span className="note block font-normal">
          {found.figures.packs} {found.figures.packs === 1 ? 'pack' : 'packs'} · {whatItDoes(found.figures, now)}
        </span>
        <span className="note block font-normal">{way.why}</span>
      </button>
      {refusal && (
        <p role="alert" className="note text-madder">
          {refusal} Nothing was changed.
        </p>
      )}
    </li>
  );
}

/** "hides 82 % (95 now), 4 mm thinner, as long, 25 min less". */
function whatItDoes(then: LessFigures, now: LessFigures): string {
  const thinner = Math.round(now.thicknessMm - then.thicknessMm);
  const shorter = Math.round((now.lengthMm - then.lengthMm) / 10);
  const sooner = Math.round(now.minutes - then.minutes);
  return [
    `hides ${percent(then.hidden)} (${Math.round(100 * now.hidden)} now)`,
    thinner === 0 ? 'as thick' : `${Math.abs(thinner)} mm ${thinner > 0 ? 'thinner' : 'thicker'}`,
    shorter === 0 ? 'as long' : `${Math.abs(shorter)} cm ${shorter > 0 ? 'shorter' : 'longer'} on average`,
    sooner === 0 ? 'as many hours' : `${duration(Math.abs(sooner))} ${sooner > 0 ? 'less' : 'more'}`,
  ].join(', ');
}
