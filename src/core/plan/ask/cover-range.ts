/**
 * What the guesses leave open of a cover, without tracing a strand anew: at either end of their ranges hair hides by so
 * many times its depth. Within four points of what is traced (checked by a test); for a search, which asks it of every
 * candidate.
 */
import { ribbonsOf } from '../../fall/index.ts';
import type { SurfaceMesh } from '../../geometry/index.ts';
import { exp, log } from '../../numerics/index.ts';
import { FALL_GUESS_NAMES, type FallGuesses, guessRange } from '../../trade/index.ts';
import type { PlanInputs } from '../inputs.ts';
import { owed, shows, worn } from '../stages/fall.ts';
import { head } from '../stages/head.ts';
import type { PlanGraph } from '../stages/stage.ts';

export function coverRange(graph: PlanGraph, inputs: PlanInputs): readonly [low: number, high: number] {
  const now = graph.ask({ inputs });
  const { pieces, textures } = now.of(worn);
  const depthAt = (guesses: FallGuesses) => {
    const known = new Map<string, number>();
    return pieces.reduce((sum, piece, i) => {
      let depth = known.get(piece.cut);
      if (depth === undefined) {
        const r = ribbonsOf(piece, textures[i], guesses);
        depth = -r.count * r.widthMm * log(1 - r.opacity);
        known.set(piece.cut, depth);
      }
      return sum + depth;
    }, 0);
  };
  const plain = depthAt(inputs.guesses);
  if (plain === 0) return [0, 0];
  const ends = ([0, 1] as const).map((end) => {
    const guesses = Object.fromEntries(
      FALL_GUESS_NAMES.map((g) => [g, guessRange(g, inputs.guesses[g])[end]]),
    ) as unknown as FallGuesses;
    return hiddenAtDepth(now.of(head).mesh, now.of(shows), now.of(owed), depthAt(guesses) / plain);
  });
  return [Math.min(...ends), Math.max(...ends)];
}

function hiddenAtDepth(mesh: SurfaceMesh, through: ArrayLike<number>, where: Uint8Array, factor: number): number {
  let hides = 0;
  let area = 0;
  for (let v = 0; v < mesh.vertexCount; v++) {
    if (where[v] === 0) continue;
    area += mesh.vertexAreasMm2[v];
    hides += mesh.vertexAreasMm2[v] * (through[v] <= 0 ? 1 : 1 - exp(factor * log(through[v])));
  }
  return area > 0 ? hides / area : 1;
}
