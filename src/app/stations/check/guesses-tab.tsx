/** The guesses, and her own. */
import { FALL_GUESS_NAMES, FALL_GUESSES, type FallGuess, guessRange } from '../../../core/trade/index.ts';
import { setGuess } from '../../../model/finish.ts';
import type { CheckProps } from '../../ui/bench-props.ts';
import { NumberField } from '../../ui/field.tsx';
import { percent, range } from '../../ui/format.ts';

const shownGuess = (g: FallGuess, v: number) => {
  const { unit } = FALL_GUESSES[g];
  return unit === '%'
    ? Math.round(100 * v)
    : unit === '°'
      ? Math.round((180 * v) / Math.PI)
      : Math.round(100 * v) / 100;
};

const readGuess = (g: FallGuess, v: number) => {
  const { unit } = FALL_GUESSES[g];
  return unit === '%' ? v / 100 : unit === '°' ? (v * Math.PI) / 180 : v;
};

export function GuessesTab({ session, checked }: CheckProps) {
  const { range: open } = checked;
  const look = checked.looked?.value;
  const { plan } = session;
  return (
    <>
      <h2>What is a guess</h2>
      <p className="note mt-1.25">
        Cover is right in its order before it is right in its figure: these were never measured. Set yours from a photo
        or a first row.
      </p>
      {open && look && (
        <p className="mt-2">
          <b>{percent(look.hiddenShare)} hidden</b>, {range(open.all, percent)} over all that may be.
        </p>
      )}
      <div className="mt-3">
        {FALL_GUESS_NAMES.map((g) => {
          const info = FALL_GUESSES[g];
          const value = plan.guesses[g] ?? info.value;
          const [low, high] = guessRange(g, value);
          return (
            <div key={g}>
              <NumberField
                label={`${info.name}, ${info.unit}`}
                testId={`guess-${g}`}
                value={shownGuess(g, value)}
                onCommit={(v) => session.apply(setGuess(plan, g, readGuess(g, v)))}
                beside={
                  <>
                    {info.why} May be {shownGuess(g, low)} to {shownGuess(g, high)} {info.unit}
                    {open && open.by[g][1] > open.by[g][0] ? `: ${range(open.by[g], percent)} hidden` : ''}. {info.how}
                  </>
                }
              />
              {plan.guesses[g] !== undefined && (
                <button
                  type="button"
                  className="word text-note"
                  onClick={() => session.apply(setGuess(plan, g, undefined))}
                >
                  Back to the table’s {shownGuess(g, info.value)} {info.unit}
                </button>
              )}
            </div>
          );
        })}
      </div>
    </>
  );
}
