/** While there is still a choice: hair or the evening that will likely run out, and a place that hurt. Nothing is said where nothing is wrong. */
import type { PlanResult } from '../../../core/findings/index.ts';
import { HURT_INFO, type HurtKind, type InstallForecast, type InstallState } from '../../../core/install/index.ts';
import { lowerFirst, percent, rowWords } from '../../../core/trade/index.ts';
import type { Reason } from './ways-on.tsx';

/** As soon as it is more likely than not. */
const LIKELY = 0.5;

export function Warnings(props: {
  readonly forecast: InstallForecast;
  readonly state: InstallState;
  readonly result: PlanResult;
  readonly evening: { readonly minutes: number } | undefined;
  readonly onWays: (reason: Reason) => void;
  /** It hurts no more. */
  readonly onGone: (key: string) => void;
}) {
  const { forecast, state, result, evening, onWays, onGone } = props;
  const hair = forecast.knotsToCome > 0 && forecast.runsOut > LIKELY;
  const late = evening !== undefined && isNearlyTonight(forecast, 60 * evening.minutes);
  const hurts = state.noticed.filter((n) => n.hurts && n.knotId !== undefined);
  if (!hair && !late && hurts.length === 0) return null;
  return (
    <div className="text-far-note leading-tight" data-testid="warnings">
      {hair && (
        <p className="text-madder" data-testid="hair-short">
          <b className="font-strong">The hair will likely run out</b> ({percent(forecast.runsOut)}
          {forecast.piecesOverRange[0] < 0 &&
            `, short by ${Math.max(0, -forecast.piecesOverRange[1])} to ${-forecast.piecesOverRange[0]} pieces`}
          ): there is still a choice.{' '}
          <button type="button" className="word" onClick={() => onWays('hair')} data-testid="ways-hair">
            See the ways on
          </button>
        </p>
      )}
      {late && (
        <p data-testid="evening-short">
          The evening ends before the last knot.{' '}
          <button type="button" className="word" onClick={() => onWays('time')} data-testid="ways-time">
            See the ways on
          </button>
        </p>
      )}
      {hurts.slice(-1).map(({ key, atMs, what, knotId }) => (
        <p key={key ?? atMs} className="text-madder" data-testid="hurt-kept">
          You said “{lowerFirst(HURT_INFO[what as HurtKind]?.name ?? what)}”{rowOf(result, knotId)}: does it still? Then
          it comes out.{' '}
          {key !== undefined && (
            <button type="button" className="word text-ink" onClick={() => onGone(key)} data-testid="hurt-gone">
              No, it is gone
            </button>
          )}
        </p>
      ))}
    </div>
  );
}

/** What is to come takes longer than the evening, but not twice as long: over several evenings nobody hurries on the first. */
const isNearlyTonight = ({ secondsToCome }: InstallForecast, left: number) =>
  secondsToCome > left && secondsToCome < 2 * left;

function rowOf({ knots, rows }: PlanResult, knotId: string | undefined): string {
  const knot = knots.find((k) => k.id === knotId);
  return knot ? ` at ${rowWords(rows[knot.row].label)}` : '';
}
