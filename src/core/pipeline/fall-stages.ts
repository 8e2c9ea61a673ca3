/** Which pieces are worn, which way each lies, and what each hides: kept piece by piece, so that a change follows only what it moves. */
import { inSight } from '../base/base.ts';
import { showing } from '../cover/cover.ts';
import { type Footprint, FootprintMaker, reachOf } from '../cover/footprint.ts';
import { type Finish, keptLengthMm, PLAIN_FINISH } from '../fall/finish.ts';
import { MATTED_WIDTH, SLIP_MM } from '../fall/poses.ts';
import { type Ribbons, ribbonsOf } from '../fall/ribbons.ts';
import { AT_REST, fallWays, type HairState } from '../fall/way.ts';
import { type VertexBalls, vertexBalls } from '../geometry/balls.ts';
import { nearestVertex } from '../geometry/surface-mesh.ts';
import type { HookedPiece } from '../hair/cuts.ts';
import { TEXTURE_INFO, type Texture } from '../hair/textures.ts';
import type { Point } from '../head/landmarks.ts';
import { fringeArea } from '../rows/given.ts';
import type { PlanInputs } from './inputs.ts';
import type { LookAsked } from './look-result.ts';
import { Memo } from './memo.ts';
import { partOnHead, verticesUnder } from './on-head.ts';
import { hookedPieces } from './pieces.ts';
import type { PlannedKnot } from './result.ts';
import { Pipeline } from './stages.ts';

/** Balls are made for the widest ribbon, rounded up to this, so that a little more width needs no new ones, mm. */
const BALL_STEP_MM = 4;
/** Ways of falling looked at in turn: at rest, and a few others. */
const WAYS_KEPT = 4;

interface Kept {
  readonly key: string;
  readonly footprints: Map<string, Footprint>;
}

/** As hair falls; over the face, a fringe; across the part; back along it, over the knot before. */
export type Lie = 'falls' | 'forward' | 'across' | 'back';

/** The worn pieces of a look: which lies where, and how. */
export interface Worn {
  readonly knots: readonly PlannedKnot[];
  readonly roots: ReadonlyArray<{ xMm: number; yMm: number; zMm: number; vertex: number }>;
  readonly ribbons: readonly Ribbons[];
  readonly pieces: ReadonlyMap<string, HookedPiece>;
  readonly textures: ReadonlyMap<string, Texture>;
  readonly lies: readonly Lie[];
}

export class FallStages extends Pipeline {
  private readonly kept: Kept[] = [];
  private readonly balled: Memo;
  /** Pieces worked out anew by the last look: what a change costs. */
  traced = 0;

  /** @param ballsKept some 20 MB each on a fine head: one is enough there; a search over piece sizes on a coarse one takes more. */
  constructor(ballsKept = 1) {
    super();
    this.balled = new Memo(ballsKept);
  }

  showing(asked: LookAsked): Float64Array {
    const worn = this.worn(asked);
    const prints = [...this.footprints(asked, worn), ...this.ownHairOver(asked, worn)];
    return showing(this.head(asked.inputs).mesh.vertexCount, prints);
  }

  /** Pieces as they lie at that age of the style. */
  worn(asked: LookAsked): Worn {
    const { inputs, age = 'finished', knotsIn } = asked;
    const guesses = asked.guesses ?? inputs.guesses;
    const head = this.head(inputs);
    const plan = this.plan(inputs);
    const knots = plan.knots.slice(0, knotsIn);
    const pieces = age === 'beforeOpening' ? hookedPieces(unopened(inputs)) : hookedPieces(inputs);
    const textures = new Map(inputs.products.map((p) => [p.id, p.texture]));
    const laid = new Map<string, Ribbons>();
    const { napeHairline, crown } = head.mark;
    const finish: Finish = age === 'beforeOpening' ? PLAIN_FINISH : inputs.finish;
    const ribbons = knots.map((k) => {
      const piece = pieces.get(k.cut) as HookedPiece;
      const lengthMm = keptLengthMm(finish, piece.lengthMm, k.yMm, napeHairline[1], crown[1]);
      const key = `${k.cut} ${lengthMm}`;
      let r = laid.get(key);
      if (!r) {
        const fresh = ribbonsOf(piece, textures.get(piece.product) as Texture, guesses);
        r = { ...fresh, lengthMm, widthMm: fresh.widthMm * (age === 'firstWeek' ? MATTED_WIDTH : 1) };
        laid.set(key, r);
      }
      return r;
    });
    const under = verticesUnder(head.mesh, knots);
    const roots = knots.map((k, i) => ({ xMm: k.xMm, yMm: k.yMm, zMm: k.zMm, vertex: under[i] }));
    const isFringe = this.fringe(inputs);
    const { exposed } = inputs.schools;
    const isSwept = exposed === 'sweptOver' ? this.fullerSide(inputs) : () => false;
    const lies = knots.map((k, i): Lie => {
      if (k.pieceZone === 'fringe' || isFringe(under[i])) return 'forward';
      if (k.exposed && exposed === 'backToFront') return 'back';
      return k.exposed && isSwept(under[i]) ? 'across' : 'falls';
    });
    const worn = { knots, roots, ribbons, pieces, textures, lies };
    return age === 'firstWeek' ? this.slipped(asked, worn) : worn;
  }

  /** Knots that have crept along the way their hair falls. */
  slipped(asked: LookAsked, worn: Worn): Worn {
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

  footprints(asked: LookAsked, worn: Worn): Footprint[] {
    const { inputs } = asked;
    const { mesh } = this.head(inputs);
    const ways = this.ways(inputs, asked.state ?? AT_REST);
    const balls = this.balls(inputs, worn);
    const old = this.kept.find((k) => k.key === ways.key);
    const fresh = new Map<string, Footprint>();
    const maker = new FootprintMaker(mesh, ways.ways, balls);
    const makers = new Map<Lie, FootprintMaker>([['falls', maker]]);
    const makerFor = (lie: Lie) => {
      const known = makers.get(lie) ?? new FootprintMaker(mesh, this.waysOf(asked, lie), balls);
      makers.set(lie, known);
      return known;
    };
    const keys = new Map([...new Set(worn.ribbons)].map((r) => [r, JSON.stringify(r)]));
    this.traced = 0;
    const prints = worn.roots.map((root, i) => {
      const key = `${root.xMm} ${root.yMm} ${root.zMm} ${keys.get(worn.ribbons[i])} ${worn.lies[i]}`;
      let print = old?.footprints.get(key) ?? fresh.get(key);
      if (!print) {
        print = makerFor(worn.lies[i]).of(root, worn.ribbons[i]);
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

  ways(inputs: PlanInputs, state: HairState) {
    const head = this.head(inputs);
    const key = JSON.stringify([head.key, inputs.part, state]);
    const ways = this.memo.get('ways', key, () => {
      const { fromPart } = this.herPart(inputs);
      return fallWays(head.mesh, fromPart, state);
    });
    return { key, ways };
  }

  /** Ways of pieces that are laid otherwise than they fall. */
  waysOf({ inputs, state = AT_REST }: LookAsked, lie: Lie): Float64Array {
    if (lie === 'falls') return this.ways(inputs, state).ways;
    const head = this.head(inputs);
    const key = JSON.stringify([head.key, inputs.part, state, lie]);
    return this.memo.get('waysOf', key, () => fallWays(head.mesh, this.leadingFrom(inputs, lie), state));
  }

  /** A distance that hair laid so goes up: to the front hairline, away from it, across the part from its fuller side. */
  leadingFrom(inputs: PlanInputs, lie: Exclude<Lie, 'falls'>): Float64Array {
    const { fromFrontHairline } = this.head(inputs).scalp;
    if (lie === 'forward') return fromFrontHairline.map((d) => -d);
    if (lie === 'back') return fromFrontHairline;
    const isFuller = this.fullerSide(inputs);
    return this.herPart(inputs).fromPart.map((d, v) => (isFuller(v) ? -d : d));
  }

  /** The side of the part with more scalp: where hair comes from that is swept over it. Without a part none is. */
  fullerSide(inputs: PlanInputs): (vertex: number) => boolean {
    if (inputs.part.kind !== 'line') return () => false;
    const { mesh } = this.head(inputs);
    const points = this.herPart(inputs).pointsMm;
    const p = mesh.positionsMm;
    const partX = (z: number) => {
      let best = 0;
      for (let i = 3; i < points.length; i += 3)
        if (Math.abs(points[i + 2] - z) < Math.abs(points[best + 2] - z)) best = i;
      return points[best];
    };
    const leftOf = (v: number) => p[3 * v] > partX(p[3 * v + 2]);
    let left = 0;
    for (let v = 0; v < mesh.vertexCount; v += 5) left += leftOf(v) ? 1 : -1;
    return (v) => leftOf(v) === left > 0;
  }

  /** Where long pieces are a fringe that is cut when all is in. */
  fringe(inputs: PlanInputs): (vertex: number) => boolean {
    const { fringe } = inputs.rows;
    if (fringe.how !== 'cutAfter') return () => false;
    const head = this.head(inputs);
    const mask = fringeArea(head.mesh, head.scalp, fringe, inputs.fingerMm, this.plan(inputs).spacing.mm);
    return (v) => mask[v] === 1;
  }

  /** The part on her own head: the same as that of the rows unless they are worked out on its mirror image. */
  herPart(inputs: PlanInputs) {
    const head = this.head(inputs);
    if (!this.side(inputs).turned) return this.part(inputs);
    return this.memo.get('herPart', JSON.stringify([head.key, inputs.part]), () => partOnHead(head, inputs.part));
  }

  balls(inputs: PlanInputs, { ribbons }: Pick<Worn, 'ribbons'>): VertexBalls {
    const head = this.head(inputs);
    // Own hair in sight is laid by the same stamps.
    const widest = ribbons.reduce<number>((w, r) => Math.max(w, r.widthMm), OWN_STRAND.widthMm);
    const reach = BALL_STEP_MM * Math.ceil(reachOf(widest, head.mesh.meanEdgeMm) / BALL_STEP_MM);
    return this.balled.get('balls', JSON.stringify([head.key, reach]), () => vertexBalls(head.mesh, reach));
  }

  /** Something that is made once a head and is large. */
  keptWithHead<T>(stage: string, inputs: PlanInputs, compute: () => T): T {
    return this.balled.get(stage, String(this.head(inputs).key), compute);
  }

  /** Own hair that stays in sight falls over what lies below it. */
  ownHairOver({ inputs, state = AT_REST }: LookAsked, worn: Worn): readonly Footprint[] {
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

  /** Where cover is owed: everywhere but where own hair stays in sight. */
  owed(inputs: PlanInputs): Uint8Array {
    const base = this.base(inputs);
    return this.memo.get('owed', String(base.key), () => inSight(base.map).map((s) => 1 - s));
  }
}

/** A strand of own hair as it lies, and the scalp that it stands for (guesses). */
const OWN_STRAND = { count: 2, widthMm: 12, opacity: 0.4, fanRad: 0.4, fanReachMm: 60, springs: false } as const;
const OWN_STRAND_MM2 = 80;
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
