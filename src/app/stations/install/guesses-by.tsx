/** What was never measured set by a photo: how wide, how opaque and how far spread her hair is. */
import { useState } from 'react';
import type { PhotoMeasured, PhotoSide } from '../../../core/photo/index.ts';
import type { GuessesFound } from '../../../core/plan/index.ts';
import { FALL_GUESSES, type FallGuess, percent } from '../../../core/trade/index.ts';
import { setGuesses } from '../../../model/finish.ts';
import type { PlanDocument } from '../../../model/plan.ts';
import { painter } from '../../ask/clients.ts';
import { inputsOf } from '../../ask/fineness.ts';
import { usePlanSession } from '../../session/plan-session.ts';
import type { NewPlan } from './use-new-plan.ts';

const SHOWN: readonly FallGuess[] = ['ribbonWidthMm', 'opacity', 'fanRad'];

export function GuessesBy(props: {
  readonly plan: PlanDocument;
  readonly side: PhotoSide;
  readonly measured: Extract<PhotoMeasured, { state: 'measured' }>;
  readonly isIn: ReadonlySet<string>;
  readonly newPlan: NewPlan;
}) {
  const { plan, side, measured, isIn, newPlan } = props;
  const opened = usePlanSession(plan.id);
  const [found, setFound] = useState<GuessesFound>();
  const [said, setSaid] = useState<string>();
  const ask = async () => {
    const outcome = await painter.call('guessesFromPhoto', {
      inputs: inputsOf(plan),
      knotsIn: isIn.size,
      said: { side, shown: measured.shown, range: measured.range },
    });
    if (outcome.state === 'done') setFound(outcome.value);
    else setSaid('It could not be worked out just now. Nothing was changed.');
  };
  const take = async () => {
    if (!found) return;
    // The plan itself keeps them too: Check and the next install forecast by them.
    if (opened.state === 'open') opened.session.apply(setGuesses(opened.session.plan, found.guesses));
    const why = await newPlan.take(setGuesses(plan, found.guesses));
    setSaid(why ?? 'Cover is forecast by your own hair from now on, here and in Check. Undo in Check takes it back.');
  };
  return (
    <div className="mt-2">
      {!found && (
        <button type="button" className="word" onClick={() => void ask()} data-testid="ask-guesses">
          What does it say of my hair?
        </button>
      )}
      {found && (
        <>
          <ul className="text-body" data-testid="guesses-found">
            {SHOWN.map((g) => (
              <li key={g} className="line py-1">
                {FALL_GUESSES[g].name}: {inUnit(g, found.guesses[g])}, from {inUnit(g, found.range[g][0])} to{' '}
                {inUnit(g, found.range[g][1])}
              </li>
            ))}
          </ul>
          <p className="note">
            With these {percent(found.after)} shows from there; with those before {percent(found.before)}.
            {found.beyond &&
              ` The photo shows ${found.beyond} than any such hair can: knots, gaps or the light are of another kind than planned.`}
          </p>
          <button type="button" className="button mt-2" onClick={() => void take()} data-testid="take-guesses">
            Take these as my own
          </button>
        </>
      )}
      {said && (
        <p role="status" className="mt-1" data-testid="guesses-said">
          {said}
        </p>
      )}
    </div>
  );
}

function inUnit(g: FallGuess, v: number): string {
  const { unit } = FALL_GUESSES[g];
  if (unit === '%') return percent(v);
  return unit === '°' ? `${Math.round((180 * v) / Math.PI)}°` : `${v.toFixed(1)} ${unit}`;
}
