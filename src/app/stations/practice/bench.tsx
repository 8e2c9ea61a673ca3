/** Practice. */
import { knotName } from '../../../core/trade/index.ts';
import { signKey } from '../../../formats/signs.ts';
import type { BenchProps } from '../../ui/bench-props.ts';
import { Sign } from '../../ui/sign.tsx';
import { KnotMoves } from '../install/moves.tsx';

export function PracticeBench({ result }: BenchProps) {
  if (!result) return null;
  const kinds = [...new Map(result.knots.map((k) => [signKey(k), k])).values()];
  return (
    <>
      <h2>The knots of this plan</h2>
      <p className="note mt-1.25">Try each three times on a scrap of net before you begin.</p>
      {kinds.map((k) => (
        <section key={signKey(k)} className="mt-5">
          <h3 className="flex items-center gap-2 text-title">
            <Sign knot={k} size={6} /> {knotName(k)}
          </h3>
          <p className="note mb-2">{k.chain[1].because}</p>
          <KnotMoves knot={k} compact />
        </section>
      ))}
    </>
  );
}
