/** The knots of the plan: one of them moves on the stage. */
import { knotName } from '../../../core/trade/index.ts';
import { signKey } from '../../../formats/signs.ts';
import type { LaidProps } from '../../ui/bench-props.ts';
import { Sign } from '../../ui/sign.tsx';
import { usePractice } from './practice-view.ts';
import { knotsOf } from './rope-stage.tsx';

export function KnotsTab({ result }: LaidProps) {
  const { knot, set } = usePractice();
  const kinds = knotsOf(result);
  const chosen = kinds.find((k) => signKey(k) === knot) ?? kinds[0];
  return (
    <>
      <p className="note">Try each three times on a scrap of net before you begin.</p>
      <ul>
        {kinds.map((k) => {
          const count = result.knots.filter((n) => signKey(n) === signKey(k)).length;
          return (
            <li key={signKey(k)} className="line">
              <button
                type="button"
                className="flex min-h-14 w-full items-center gap-3 py-2 text-left"
                aria-pressed={k === chosen}
                data-knot={signKey(k)}
                onClick={() => set({ knot: signKey(k), time: 0, isPlaying: false })}
              >
                <Sign knot={k} size={6} />
                <span className="min-w-0">
                  <span className={k === chosen ? 'font-strong' : ''}>{knotName(k)}</span>
                  <span className="note block">
                    {count} of them, {Math.round(k.seconds)} s each. {k.chain[1].because}
                  </span>
                </span>
              </button>
            </li>
          );
        })}
      </ul>
    </>
  );
}
