/** How a plan looks once it is in: what shows, which knots, how big it is, why, and what is not known of it. */
import { placeWords } from '../base/lines.ts';
import { type Concealment, concealment } from '../cover/conceal.ts';
import { GROUND_LUMINANCE, hairLuminance } from '../cover/contrast.ts';
import { hiddenShare, logOf, SIDE_TO_EYE, SIDES, seenShare, showing } from '../cover/cover.ts';
import type { Footprint } from '../cover/footprint.ts';
import { type LineShown, lineShown, verticesAlong } from '../cover/lines.ts';
import { type BarePatch, barePatches } from '../cover/places.ts';
import { contours } from '../geometry/contour.ts';
import type { Point } from '../head/landmarks.ts';
import { type BiteGroup, biteLoad, groupBites } from '../load/bites.ts';
import { FallStages, type Worn } from './fall-stages.ts';
import type { PlanInputs } from './inputs.ts';
import type { Isoline, Look, LookAsked, ToldPatch } from './look-result.ts';
import { verticesUnder } from './on-head.ts';

/** Two isolines make the picture readable without colour. */
export const ISOLINES = [0.2, 0.45] as const;

export class Atelier extends FallStages {
  look(asked: LookAsked): Look {
    const { inputs } = asked;
    const { mesh } = this.head(inputs);
    const worn = this.worn(asked);
    const prints = this.footprints(asked, worn);
    const owed = this.owed(inputs);
    const own = this.ownHairOver(asked, worn);
    const shows = showing(mesh.vertexCount, [...prints, ...own]);
    const ownHair = own.length > 0 ? showing(mesh.vertexCount, own) : undefined;
    const logs = logOf(shows);
    return {
      shows: new Float32Array(shows),
      hiddenShare: hiddenShare(mesh, shows, owed),
      seen: Object.fromEntries(
        SIDES.map((side) => [side, seenShare(mesh, logs, owed, SIDE_TO_EYE[side])]),
      ) as Look['seen'],
      patches: this.told(inputs, barePatches(mesh, shows, owed)),
      knots: this.conceals(inputs, worn, prints, shows, ownHair),
      lines: this.lines(inputs, shows),
      isolines: this.isolines(inputs, shows),
      bites: this.bites(inputs),
      ground: groundOf(inputs),
    };
  }

  /** Hidden share alone: what a search asks for. */
  hidden(asked: LookAsked): number {
    return hiddenShare(this.head(asked.inputs).mesh, this.showing(asked), this.owed(asked.inputs));
  }

  private conceals(
    inputs: PlanInputs,
    worn: Worn,
    prints: readonly Footprint[],
    shows: Float64Array,
    ownHair: Float64Array | undefined,
  ): Concealment[] {
    const { mesh } = this.head(inputs);
    const neighbours = (v: number) => mesh.neighbours.subarray(mesh.neighbourStart[v], mesh.neighbourStart[v + 1]);
    const reach = STAYS_OVER * this.plan(inputs).spacing.mm.gapMm;
    return worn.knots.map((k, i) => {
      const { springs, lengthMm } = worn.ribbons[i];
      const swept = worn.lies[i] === 'across' && lengthMm >= reach;
      const under = {
        vertex: worn.roots[i].vertex,
        oneLeg: k.kind === 'oneLeg',
        backcomb: k.backcomb,
        springs,
        swept,
        ownHair,
      };
      return concealment(under, shows, prints[i], neighbours);
    });
  }

  private told(inputs: PlanInputs, patches: readonly BarePatch[]): ToldPatch[] {
    const { positionsMm: p } = this.head(inputs).mesh;
    const ground = this.ground(inputs);
    return patches.map((patch) => {
      const v = 3 * patch.vertex;
      const atMm: Point = [p[v], p[v + 1], p[v + 2]];
      return { ...patch, atMm, words: placeWords(ground, atMm) };
    });
  }

  private isolines(inputs: PlanInputs, shows: Float64Array): Isoline[] {
    const { mesh } = this.head(inputs);
    return contours(mesh, shows, ISOLINES).flatMap((curves, i) =>
      curves
        .filter((c) => c.lengthMm > LEAST_ISOLINE_MM)
        .map((c) => ({ level: ISOLINES[i], pointsMm: Float32Array.from(c.pointsMm), closed: c.closed })),
    );
  }

  /** What each bite of own hair carries: of all, at the edge, where she is tender or thin. */
  private bites(inputs: PlanInputs): BiteGroup[] {
    const plan = this.plan(inputs);
    const head = this.head(inputs);
    const { regionOf, regions } = plan.ownHair;
    const under = verticesUnder(head.mesh, plan.knots);
    const none = [0, 0] as const;
    const bites = plan.knots.flatMap((k, i) => {
      if (k.through === 'net' || k.biteMm === 0) return [];
      const share = k.onNet === 'none' || k.onNet === 'cutOut' ? none : plan.cap.shareOfPull;
      return biteLoad(i, k.massG, k.biteMm, regions[regionOf[under[i]]], share) ?? [];
    });
    const edge = (i: number) => head.scalp.fromHairline[under[i]] < EDGE_MM;
    return [
      groupBites('all', bites),
      groupBites(
        'edge',
        bites.filter((b) => edge(b.knot)),
      ),
      groupBites(
        'tender',
        bites.filter((b) => plan.knots[b.knot].tenderOrThin),
      ),
    ];
  }

  /** How much of each line shows that gives the style away. */
  private lines(inputs: PlanInputs, shows: Float64Array): LineShown[] {
    const { mesh, scalp } = this.head(inputs);
    const plan = this.plan(inputs);
    const capped = inputs.cap.dome !== 'none';
    const owed = this.owed(inputs);
    const border = (near: Float64Array) =>
      mesh.borders.flatMap((loop) => [...loop].filter((v) => near[v] < BORDER_MM && owed[v] === 1));
    const ties = plan.base.sections.filter((s) => s.role === 'base').flatMap((s) => [...s.tieMm]);
    return [
      lineShown('part', mesh, shows, verticesAlong(mesh, plan.part.pointsMm)),
      lineShown('faceEdge', mesh, shows, border(scalp.fromFrontHairline)),
      lineShown('napeEdge', mesh, shows, border(scalp.fromNape)),
      lineShown('opening', mesh, shows, capped ? verticesAlong(mesh, plan.cap.opening.lineMm) : []),
      lineShown('tie', mesh, shows, verticesAlong(mesh, ties)),
    ].filter((l) => l !== undefined);
  }
}

function groundOf({ products, cap }: PlanInputs): Look['ground'] {
  const worn = cap.dome === 'none' ? GROUND_LUMINANCE.ownHair : GROUND_LUMINANCE.darkCap;
  return { hair: hairLuminance(products[0].colours[0] ?? ''), worn, block: GROUND_LUMINANCE.block };
}

/** Nearer than this to front or nape a place of the border is its edge, mm. */
const BORDER_MM = 3;
/** Hair swept over a line stays there when it is so many gaps long (guess). */
const STAYS_OVER = 3;
/** Shorter closed curves are specks. */
const LEAST_ISOLINE_MM = 14;
/** The edge of the hair, which carries worst, mm inside the hairline. */
const EDGE_MM = 12;
