/** How a plan looks once it is in: what shows, which knots, how big it is, why, and what is not known of it. */
import { placeWords } from '../base/lines.ts';
import { type Concealment, concealment } from '../cover/conceal.ts';
import { GROUND_LUMINANCE, hairLuminance } from '../cover/contrast.ts';
import { hiddenShare, logOf, SIDE_TO_EYE, SIDES, seenShare, showing } from '../cover/cover.ts';
import type { Footprint } from '../cover/footprint.ts';
import { type LineShown, lineShown, verticesAlong } from '../cover/lines.ts';
import { type BarePatch, barePatches } from '../cover/places.ts';
import { type OutlineBox, SIZE_VIEWS, Silhouette, type SizeView } from '../cover/size.ts';
import { rowsOver } from '../cover/why.ts';
import { PLAIN_FINISH } from '../fall/finish.ts';
import { FALL_GUESS_NAMES, type FallGuesses, guessRange } from '../fall/guesses.ts';
import { HairMeshBuilder } from '../fall/hair-mesh.ts';
import { layerMm, layOn } from '../fall/loft.ts';
import { StrandMaker } from '../fall/strands.ts';
import { AT_REST } from '../fall/way.ts';
import { contours } from '../geometry/contour.ts';
import { nearestVertex } from '../geometry/surface-mesh.ts';
import type { HookedPiece } from '../hair/cuts.ts';
import type { Texture } from '../hair/textures.ts';
import type { Point } from '../head/landmarks.ts';
import { type DirectionDeg, directionDeg, directionOf, onSurface } from '../head/marks.ts';
import { type BiteGroup, biteLoad, groupBites } from '../load/bites.ts';
import { FallStages, type Lie, type Worn } from './fall-stages.ts';
import type { PlanInputs } from './inputs.ts';
import type { GuessRange, HairOnHead, Isoline, Look, LookAsked, ToldPatch, WhyHere } from './look-result.ts';
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

  /** What the guesses leave open. */
  range(asked: LookAsked): GuessRange {
    const guesses = asked.guesses ?? asked.inputs.guesses;
    const at = (change: Partial<FallGuesses>) => this.hidden({ ...asked, guesses: { ...guesses, ...change } });
    const ends = (end: 0 | 1) =>
      Object.fromEntries(FALL_GUESS_NAMES.map((g) => [g, guessRange(g, guesses[g])[end]])) as unknown as FallGuesses;
    const by = Object.fromEntries(
      FALL_GUESS_NAMES.map((g) => {
        // How loosely hair lies moves the outline, not the cover.
        if (g === 'loft') return [g, [0, 0]];
        const two = guessRange(g, guesses[g]).map((v) => at({ [g]: v }));
        return [g, [Math.min(...two), Math.max(...two)]];
      }),
    ) as unknown as GuessRange['by'];
    return { all: [at(ends(0)), at(ends(1))], by };
  }

  /** Hair in space, to be drawn and measured. */
  fallingHair(asked: LookAsked): HairOnHead {
    const { inputs, age = 'finished' } = asked;
    const { mesh, mark } = this.head(inputs);
    const worn = this.worn(asked);
    const prints = this.footprints(asked, worn);
    const finish = age === 'beforeOpening' ? { ...inputs.finish, outline: 'none' as const } : inputs.finish;
    const guesses = asked.guesses ?? inputs.guesses;
    const round = {
      mesh,
      ways: this.ways(inputs, asked.state ?? AT_REST).ways,
      body: this.body(inputs),
      state: asked.state ?? AT_REST,
      nape: mark.napeHairline,
    };
    const trimmed = new StrandMaker({ ...round, finish });
    // A fringe is cut over the brow, whatever the outline.
    const browMm = mark.frontHairline[1] - FRINGE_MM;
    const makers = new Map<Lie, StrandMaker>([['falls', trimmed]]);
    const makerFor = (lie: Lie) => {
      const ends = lie === 'forward' && age !== 'beforeOpening' ? { floorMm: browMm } : {};
      const known = makers.get(lie) ?? new StrandMaker({ ...round, ways: this.waysOf(asked, lie), finish, ...ends });
      makers.set(lie, known);
      return known;
    };
    const whole = finish.outline === 'none' ? undefined : new StrandMaker({ ...round, finish: PLAIN_FINISH });
    const builder = new HairMeshBuilder(worn.knots.length * 100);
    const floor = mark.napeHairline[1] - NECK_MM;
    const outline = new Silhouette(floor);
    const uncut = new Silhouette(floor);
    const heightMm = new Float32Array(mesh.vertexCount);
    worn.knots.forEach((knot, i) => {
      const ribbons = worn.ribbons[i];
      const piece = worn.pieces.get(knot.cut) as HookedPiece;
      const texture = worn.textures.get(piece.product) as Texture;
      for (let j = 0; j < ribbons.count; j++) {
        const seed = seedOf(i, j);
        const maker = makerFor(worn.lies[i]);
        maker.follow(worn.roots[i], ribbons, j, texture, heightMm, guesses.loft);
        builder.add(maker.points, maker.count, ribbons.widthMm / 2, seed, i / worn.knots.length);
        outline.add(maker.points, maker.count, ribbons.widthMm / 2);
        if (!whole) continue;
        whole.follow(worn.roots[i], { ...ribbons, lengthMm: piece.lengthMm }, j, texture, heightMm, guesses.loft);
        uncut.add(whole.points, whole.count, ribbons.widthMm / 2);
      }
      layOn(heightMm, prints[i], ribbons.opacity, layerMm(piece, ribbons, texture, guesses.loft));
    });
    const bare = new Silhouette();
    bare.add(mesh.positionsMm, mesh.vertexCount, 0);
    const boxes = (s: Silhouette) =>
      Object.fromEntries(SIZE_VIEWS.map((v) => [v, s.box(v, bare)])) as Record<SizeView, OutlineBox>;
    const area = mesh.vertexAreasMm2.reduce((a, b) => a + b, 0);
    return {
      mesh: builder.done(),
      size: boxes(outline),
      untrimmed: whole && boxes(uncut),
      meanThicknessMm: heightMm.reduce((sum, h, v) => sum + h * mesh.vertexAreasMm2[v], 0) / area,
    };
  }

  /** What lies over one place, and what a piece more there would do. */
  why(asked: LookAsked & { readonly at: DirectionDeg }): WhyHere {
    const { inputs, at } = asked;
    const head = this.head(inputs);
    const place = onSurface(head.shape, directionOf(at));
    const vertex = nearestVertex(head.mesh, ...place);
    const worn = this.worn(asked);
    const prints = this.footprints(asked, worn);
    const { rows } = this.plan(inputs);
    const { hand } = inputs.rows;
    const room = this.mostRoom(inputs, place, worn);
    const more = { ...inputs, rows: { ...inputs.rows, hand: [...hand, { op: 'add' as const, at: room }] } };
    const withOne = this.plan(more);
    const refused = withOne.rowScheme.lostChanges.find((l) => l.index === hand.length)?.why;
    const over = rowsOver(vertex, prints, (i) => worn.knots[i].row);
    return {
      words: placeWords(this.ground(inputs), place),
      vertex,
      shows: this.showing(asked)[vertex],
      rows: over.map((r) => ({ ...r, label: rows[r.row].label })),
      onePieceMore:
        refused === undefined
          ? {
              at: room,
              shows: this.showing({ ...asked, inputs: more })[vertex],
              hiddenShare: this.hidden({ ...asked, inputs: more }),
              massG: withOne.load.massG - this.plan(inputs).load.massG,
            }
          : { refused },
    };
  }

  /** The place within half a gap that lies furthest from all knots: between bricks, not on them. */
  private mostRoom(inputs: PlanInputs, place: Point, { roots }: Worn): DirectionDeg {
    const { mesh } = this.head(inputs);
    const p = mesh.positionsMm;
    const reach = 0.5 * this.plan(inputs).spacing.mm.gapMm;
    let best = place;
    let most = Number.NEGATIVE_INFINITY;
    for (let v = 0; v < mesh.vertexCount; v++) {
      const away = (p[3 * v] - place[0]) ** 2 + (p[3 * v + 1] - place[1]) ** 2 + (p[3 * v + 2] - place[2]) ** 2;
      if (away > reach * reach) continue;
      let nearest = Number.POSITIVE_INFINITY;
      for (const r of roots)
        nearest = Math.min(
          nearest,
          (p[3 * v] - r.xMm) ** 2 + (p[3 * v + 1] - r.yMm) ** 2 + (p[3 * v + 2] - r.zMm) ** 2,
        );
      if (nearest > most) {
        most = nearest;
        best = [p[3 * v], p[3 * v + 1], p[3 * v + 2]];
      }
    }
    return directionDeg(best);
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
/** How wide hair is counts down to here below the nape line: above the shoulders, mm. */
const NECK_MM = 40;
/** Hair swept over a line stays there when it is so many gaps long (guess). */
const STAYS_OVER = 3;
/** A fringe ends so far below the middle of the front hairline, mm: over the brow. */
const FRINGE_MM = 52;
/** Shorter closed curves are specks. */
const LEAST_ISOLINE_MM = 14;
/** The edge of the hair, which carries worst, mm inside the hairline. */
const EDGE_MM = 12;

/** A number of its own for each ribbon, 0 to 1, the same every time. */
function seedOf(piece: number, ribbon: number): number {
  const x = Math.sin(piece * 127.1 + ribbon * 311.7) * 43758.5453;
  return x - Math.floor(x);
}
