/** How a plan looks once it is in: where its hair lies, what shows, which knots, how big it is. Kept piece by piece. */

import { inSight } from '../base/base.ts';
import { placeWords } from '../base/lines.ts';
import { type Concealment, concealment } from '../cover/conceal.ts';
import { GROUND_LUMINANCE, hairLuminance } from '../cover/contrast.ts';
import { hiddenShare, logOf, SIDE_TO_EYE, SIDES, type Side, seenShare, showing } from '../cover/cover.ts';
import { type Footprint, FootprintMaker, reachOf } from '../cover/footprint.ts';
import { type LineShown, lineShown, verticesAlong } from '../cover/lines.ts';
import { type BarePatch, barePatches } from '../cover/places.ts';
import { type OutlineBox, SIZE_VIEWS, Silhouette, type SizeView } from '../cover/size.ts';
import { type RowOver, rowsOver } from '../cover/why.ts';
import { type Finish, keptLengthMm, PLAIN_FINISH } from '../fall/finish.ts';
import { FALL_GUESS_NAMES, type FallGuess, type FallGuesses, guessRange } from '../fall/guesses.ts';
import { type HairMesh, HairMeshBuilder } from '../fall/hair-mesh.ts';
import { layerMm, layOn } from '../fall/loft.ts';
import { type Age, MATTED_WIDTH, SLIP_MM } from '../fall/poses.ts';
import { type Ribbons, ribbonsOf } from '../fall/ribbons.ts';
import { StrandMaker } from '../fall/strands.ts';
import { AT_REST, fallWays, type HairState } from '../fall/way.ts';
import { type VertexBalls, vertexBalls } from '../geometry/balls.ts';
import { contours } from '../geometry/contour.ts';
import { DistanceGrid } from '../geometry/distance-grid.ts';
import { nearestVertex } from '../geometry/surface-mesh.ts';
import type { HookedPiece } from '../hair/cuts.ts';
import { TEXTURE_INFO, type Texture } from '../hair/textures.ts';
import { bust, bustBox } from '../head/bust.ts';
import type { Point } from '../head/landmarks.ts';
import { type DirectionDeg, directionDeg, directionOf, onSurface } from '../head/marks.ts';
import { type BiteGroup, biteLoad, groupBites } from '../load/bites.ts';
import { fringeArea } from '../rows/given.ts';
import type { PlanInputs } from './inputs.ts';
import { Memo } from './memo.ts';
import { partOnHead, verticesUnder } from './on-head.ts';
import { hookedPieces } from './pieces.ts';
import type { PlannedKnot } from './result.ts';
import { Pipeline } from './stages.ts';

export interface ToldPatch extends BarePatch {
  readonly atMm: Point;
  /** "one finger behind the front hairline, …". */
  readonly words: string;
}

export interface Isoline {
  readonly level: number;
  readonly pointsMm: Float32Array;
  readonly closed: boolean;
}

export interface Look {
  /** Share of the scalp that shows, straight on, at every vertex. */
  readonly shows: Float32Array;
  readonly hiddenShare: number;
  /** Share that shows, seen from each side. */
  readonly seen: Readonly<Record<Side, number>>;
  readonly patches: readonly ToldPatch[];
  /** One for each knot of the plan, in its order. */
  readonly knots: readonly Concealment[];
  readonly lines: readonly LineShown[];
  readonly isolines: readonly Isoline[];
  readonly bites: readonly BiteGroup[];
  /** Luminances of the hair, of what is under it as worn, and of a white block. */
  readonly ground: { readonly hair: number; readonly worn: number; readonly block: number };
}

export interface LookAsked {
  readonly inputs: PlanInputs;
  readonly guesses?: FallGuesses;
  readonly state?: HairState;
  readonly age?: Age;
  /** Only so many knots are in yet. */
  readonly knotsIn?: number;
}

export interface HairOnHead {
  readonly mesh: HairMesh;
  readonly size: Readonly<Record<SizeView, OutlineBox>>;
  /** Before trimming, where something is trimmed. */
  readonly untrimmed: Readonly<Record<SizeView, OutlineBox>> | undefined;
  /** Mean thickness of the hair over the scalp, mm. */
  readonly meanThicknessMm: number;
}

/** Hidden share over the ranges of the guesses: all together, and each by itself. */
export interface GuessRange {
  readonly all: readonly [low: number, high: number];
  readonly by: Readonly<Record<FallGuess, readonly [low: number, high: number]>>;
}

export interface WhyHere {
  readonly words: string;
  readonly vertex: number;
  readonly shows: number;
  readonly rows: ReadonlyArray<RowOver & { readonly label: string }>;
  /** One more piece where there is most room beside it: what would show then, here and of the whole head; or why none can go in. */
  readonly onePieceMore:
    | { readonly at: DirectionDeg; readonly shows: number; readonly hiddenShare: number; readonly massG: number }
    | { readonly refused: string };
}

/** Two isolines make the picture readable without colour. */
export const ISOLINES = [0.2, 0.45] as const;

/** Balls are made for the widest ribbon, rounded up to this, so that a little more width needs no new ones, mm. */
const BALL_STEP_MM = 4;
/** Ways of falling looked at in turn: at rest, and a few others. */
const WAYS_KEPT = 4;
const BODY_STEP_MM = 9;

interface Kept {
  readonly key: string;
  readonly footprints: Map<string, Footprint>;
}

/** The worn pieces of a look: which lies where, and how. */
interface Worn {
  readonly knots: readonly PlannedKnot[];
  readonly roots: ReadonlyArray<{ xMm: number; yMm: number; zMm: number; vertex: number }>;
  readonly ribbons: readonly Ribbons[];
  readonly pieces: ReadonlyMap<string, HookedPiece>;
  readonly textures: ReadonlyMap<string, Texture>;
  /** Falls over the face: a fringe. */
  readonly forward: readonly boolean[];
}

export class Atelier extends Pipeline {
  private readonly kept: Kept[] = [];
  private readonly balled: Memo;
  /** Pieces worked out anew by the last look: what a change costs. */
  traced = 0;

  /** @param ballsKept some 20 MB each on a fine head: one is enough there; a search over piece sizes on a coarse one takes more. */
  constructor(ballsKept = 1) {
    super();
    this.balled = new Memo(ballsKept);
  }

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
    const fringe = new StrandMaker({
      ...round,
      ways: this.fringeWays(inputs, round.state),
      finish,
      ...(age === 'beforeOpening' ? {} : { floorMm: browMm }),
    });
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
        const maker = worn.forward[i] ? fringe : trimmed;
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

  private showing(asked: LookAsked): Float64Array {
    const worn = this.worn(asked);
    const prints = [...this.footprints(asked, worn), ...this.ownHairOver(asked, worn)];
    return showing(this.head(asked.inputs).mesh.vertexCount, prints);
  }

  /** Pieces as they lie at that age of the style. */
  private worn(asked: LookAsked): Worn {
    const { inputs, age = 'finished', knotsIn } = asked;
    const guesses = asked.guesses ?? inputs.guesses;
    const head = this.head(inputs);
    const plan = this.plan(inputs);
    const knots = plan.knots.slice(0, knotsIn);
    const pieces = age === 'beforeOpening' ? hookedPieces(unopened(inputs)) : hookedPieces(inputs);
    const textures = new Map(inputs.products.map((p) => [p.id, p.texture]));
    const lies = new Map<string, Ribbons>();
    const { napeHairline, crown } = head.mark;
    const finish: Finish = age === 'beforeOpening' ? PLAIN_FINISH : inputs.finish;
    const ribbons = knots.map((k) => {
      const piece = pieces.get(k.cut) as HookedPiece;
      const lengthMm = keptLengthMm(finish, piece.lengthMm, k.yMm, napeHairline[1], crown[1]);
      const key = `${k.cut} ${lengthMm}`;
      let r = lies.get(key);
      if (!r) {
        const fresh = ribbonsOf(piece, textures.get(piece.product) as Texture, guesses);
        r = { ...fresh, lengthMm, widthMm: fresh.widthMm * (age === 'firstWeek' ? MATTED_WIDTH : 1) };
        lies.set(key, r);
      }
      return r;
    });
    const under = verticesUnder(head.mesh, knots);
    const roots = knots.map((k, i) => ({ xMm: k.xMm, yMm: k.yMm, zMm: k.zMm, vertex: under[i] }));
    const isFringe = this.fringe(inputs);
    const forward = knots.map((k, i) => k.pieceZone === 'fringe' || isFringe(under[i]));
    const worn = { knots, roots, ribbons, pieces, textures, forward };
    return age === 'firstWeek' ? this.slipped(asked, worn) : worn;
  }

  /** Knots that have crept along the way their hair falls. */
  private slipped(asked: LookAsked, worn: Worn): Worn {
    const { mesh } = this.head(asked.inputs);
    const { ways } = this.ways(asked.inputs, AT_REST);
    const roots = worn.roots.map((r, i) => {
      const texture = worn.textures.get((worn.pieces.get(worn.knots[i].cut) as HookedPiece).product) as Texture;
      const slip = worn.knots[i].lock ? 0 : SLIP_MM[TEXTURE_INFO[texture].grip];
      const o = 3 * r.vertex;
      const at: Point = [r.xMm + slip * ways[o], r.yMm + slip * ways[o + 1], r.zMm + slip * ways[o + 2]];
      return { xMm: at[0], yMm: at[1], zMm: at[2], vertex: nearestVertex(mesh, ...at, r.vertex) };
    });
    return { ...worn, roots };
  }

  private footprints(asked: LookAsked, worn: Worn): Footprint[] {
    const { inputs } = asked;
    const { mesh } = this.head(inputs);
    const ways = this.ways(inputs, asked.state ?? AT_REST);
    const balls = this.balls(inputs, worn);
    const old = this.kept.find((k) => k.key === ways.key);
    const fresh = new Map<string, Footprint>();
    const maker = new FootprintMaker(mesh, ways.ways, balls);
    const overFace = worn.forward.includes(true)
      ? new FootprintMaker(mesh, this.fringeWays(inputs, asked.state ?? AT_REST), balls)
      : maker;
    const lies = new Map([...new Set(worn.ribbons)].map((r) => [r, JSON.stringify(r)]));
    this.traced = 0;
    const prints = worn.roots.map((root, i) => {
      const key = `${root.xMm} ${root.yMm} ${root.zMm} ${lies.get(worn.ribbons[i])}${worn.forward[i] ? ' forward' : ''}`;
      let print = old?.footprints.get(key) ?? fresh.get(key);
      if (!print) {
        print = (worn.forward[i] ? overFace : maker).of(root, worn.ribbons[i]);
        this.traced++;
      }
      fresh.set(key, print);
      return print;
    });
    if (old) this.kept.splice(this.kept.indexOf(old), 1);
    this.kept.unshift({ key: ways.key, footprints: fresh });
    this.kept.length = Math.min(this.kept.length, WAYS_KEPT);
    return prints;
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
    return worn.knots.map((k, i) => {
      const { springs } = worn.ribbons[i];
      const under = {
        vertex: worn.roots[i].vertex,
        oneLeg: k.kind === 'oneLeg',
        backcomb: k.backcomb,
        springs,
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

  private ways(inputs: PlanInputs, state: HairState) {
    const head = this.head(inputs);
    const key = JSON.stringify([head.key, inputs.part, state]);
    const ways = this.memo.get('ways', key, () => {
      const { fromPart } = this.herPart(inputs);
      return fallWays(head.mesh, fromPart, state);
    });
    return { key, ways };
  }

  /** The way a fringe falls: over the front hairline. */
  private fringeWays(inputs: PlanInputs, state: HairState): Float64Array {
    const head = this.head(inputs);
    const key = JSON.stringify([head.key, state]);
    const field = () => head.scalp.fromFrontHairline.map((d) => -d);
    return this.memo.get('fringeWays', key, () => fallWays(head.mesh, field(), state));
  }

  /** Where long pieces are a fringe that is cut when all is in. */
  private fringe(inputs: PlanInputs): (vertex: number) => boolean {
    const { fringe } = inputs.rows;
    if (fringe.how !== 'cutAfter') return () => false;
    const head = this.head(inputs);
    const mask = fringeArea(head.mesh, head.scalp, fringe, inputs.fingerMm, this.plan(inputs).spacing.mm);
    return (v) => mask[v] === 1;
  }

  /** The part on her own head: the same as that of the rows unless they are worked out on its mirror image. */
  private herPart(inputs: PlanInputs) {
    const head = this.head(inputs);
    if (!this.side(inputs).turned) return this.part(inputs);
    return this.memo.get('herPart', JSON.stringify([head.key, inputs.part]), () => partOnHead(head, inputs.part));
  }

  private balls(inputs: PlanInputs, { ribbons }: Pick<Worn, 'ribbons'>): VertexBalls {
    const head = this.head(inputs);
    const widest = ribbons.reduce((w, r) => Math.max(w, r.widthMm), 0);
    const reach = BALL_STEP_MM * Math.ceil(reachOf(widest, head.mesh.meanEdgeMm) / BALL_STEP_MM);
    return this.balled.get('balls', JSON.stringify([head.key, reach]), () => vertexBalls(head.mesh, reach));
  }

  /** Face, neck and shoulders, in the way of hair that hangs. */
  private body(inputs: PlanInputs): DistanceGrid {
    const head = this.head(inputs);
    return this.balled.get('body', String(head.key), () => {
      const { min, max } = bustBox(head.shape);
      return new DistanceGrid(bust(head.shape).distance, min, max, BODY_STEP_MM);
    });
  }

  /** Own hair that stays in sight falls over what lies below it. */
  private ownHairOver({ inputs, state = AT_REST }: LookAsked, worn: Worn): readonly Footprint[] {
    const base = this.base(inputs);
    const ways = this.ways(inputs, state);
    return this.memo.get('ownHairOver', JSON.stringify([base.key, ways.key]), () => {
      const { mesh } = this.head(inputs);
      const { regionOf, regions } = this.hair(inputs);
      const sight = inSight(base.map);
      const maker = new FootprintMaker(mesh, ways.ways, this.balls(inputs, worn));
      // One strand stands for so much scalp.
      const each = Math.max(1, Math.round(OWN_STRAND_MM2 / (0.87 * mesh.meanEdgeMm ** 2)));
      const prints: Footprint[] = [];
      for (let v = 0; v < mesh.vertexCount; v += each) {
        if (sight[v] === 0) continue;
        const p = mesh.positionsMm;
        const root = { xMm: p[3 * v], yMm: p[3 * v + 1], zMm: p[3 * v + 2], vertex: v };
        prints.push(maker.of(root, { ...OWN_STRAND, lengthMm: regions[regionOf[v]].lengthMm }));
      }
      return prints;
    });
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

  /** Where cover is owed: everywhere but where own hair stays in sight. */
  private owed(inputs: PlanInputs): Uint8Array {
    const base = this.base(inputs);
    return this.memo.get('owed', String(base.key), () => inSight(base.map).map((s) => 1 - s));
  }
}

function groundOf({ products, cap }: PlanInputs): Look['ground'] {
  const worn = cap.dome === 'none' ? GROUND_LUMINANCE.ownHair : GROUND_LUMINANCE.darkCap;
  return { hair: hairLuminance(products[0].colours[0] ?? ''), worn, block: GROUND_LUMINANCE.block };
}

/** A strand of own hair as it lies, and the scalp that it stands for (guesses). */
const OWN_STRAND = { count: 2, widthMm: 12, opacity: 0.4, fanRad: 0.4, fanReachMm: 60, springs: false } as const;
const OWN_STRAND_MM2 = 80;
/** Nearer than this to front or nape a place of the border is its edge, mm. */
const BORDER_MM = 3;
/** How wide hair is counts down to here below the nape line: above the shoulders, mm. */
const NECK_MM = 40;
/** A fringe ends so far below the middle of the front hairline, mm: over the brow. */
const FRINGE_MM = 52;
/** Shorter closed curves are specks. */
const LEAST_ISOLINE_MM = 14;
/** The edge of the hair, which carries worst, mm inside the hairline. */
const EDGE_MM = 12;

/** Nothing opened or dressed that is done after hooking. */
function unopened({ products, cuts }: Pick<PlanInputs, 'products' | 'cuts'>) {
  return {
    products,
    cuts: cuts.map((c) => ({
      ...c,
      opened: c.opened.when === 'after' ? { ...c.opened, when: 'never' as const } : c.opened,
      dressed: c.dressed === 'fingerCurled' ? c.dressed : ('asItIs' as const),
    })),
  };
}

/** A number of its own for each ribbon, 0 to 1, the same every time. */
function seedOf(piece: number, ribbon: number): number {
  const x = Math.sin(piece * 127.1 + ribbon * 311.7) * 43758.5453;
  return x - Math.floor(x);
}
