/** Candidates of a search judged one after the other, on a coarse head that keeps what they share. */
import { ZONE_SPARES } from '../fullness/index.ts';
import {
  coverRange,
  hidden,
  hiddenIn,
  type PlanGraph,
  type PlanInputs,
  plan,
  planGraph,
  thickness,
} from '../plan/index.ts';
import { FULLNESS_INFO, ZONES } from '../trade/index.ts';
import type { UseFigures } from './best-use.ts';
import type { Genome } from './search.ts';
import { planWithUse, type UseSpace } from './use.ts';

export interface UsesAsked {
  readonly inputs: PlanInputs;
  readonly space: UseSpace;
  readonly genomes: readonly Genome[];
  /** On the head that the plan itself is worked out on: what is shown is checked so. */
  readonly fine?: boolean;
}

/** About 3 600 vertices: hides within two points of the fine head, at a third of the time. */
const SEARCH_MESH = 24;
/** Pieces of many widths are tried in turn, and stamps for each are small on a coarse head. */
const BALLS_KEPT = 8;

let graph: PlanGraph | undefined;

/** What each genome comes to; undefined where it can't be laid. */
export function evaluateUses({ inputs, space, genomes, fine = false }: UsesAsked): Array<UseFigures | undefined> {
  graph ??= planGraph({ balls: BALLS_KEPT });
  const kept = graph;
  return genomes.map((genome) => {
    try {
      return figuresOfUse(kept, planWithUse(fine ? inputs : { ...inputs, meshFrequency: SEARCH_MESH }, space, genome));
    } catch (error) {
      if (error instanceof RangeError) return undefined;
      throw error;
    }
  });
}

/** What one candidate plan comes to. @throws RangeError where it can't be laid */
export function figuresOfUse(graph: PlanGraph, inputs: PlanInputs): UseFigures {
  const now = graph.ask({ inputs });
  const { supply, load, time, rowScheme } = now.of(plan);
  if (rowScheme.cannotLay) throw new RangeError(rowScheme.cannotLay);
  const range = coverRange(graph, inputs);
  const { leastHidden } = FULLNESS_INFO[inputs.finish.fullness];
  const inZones = now.of(hiddenIn);
  return {
    hidden: now.of(hidden),
    range,
    thicknessMm: now.of(thickness).meanMm,
    thinZones: ZONES.filter((z) => z !== 'part' && inZones[z] < leastHidden - ZONE_SPARES),
    packs: supply.packs,
    massG: load.massG,
    minutes: time.totalMinutes,
    price: supply.price,
    pieces: supply.pieces,
  };
}
