/** Which pieces are worn, which way each lies, and what each hides. */
import { inSight } from '../../base/index.ts';
import { OWN_STRAND, ownHairPrints, PrintStore, reachOf, showing } from '../../cover/index.ts';
import {
  AT_REST,
  drawBehind,
  drawnBehind,
  fallWays,
  fullerSide,
  isHeld,
  type Lie,
  liesOf,
  slipped,
  tieOf,
  type Worn,
  waysToTie,
  wornRibbons,
} from '../../fall/index.ts';
import { vertexBalls, verticesUnder } from '../../geometry/index.ts';
import { fringeArea } from '../../rows/index.ts';
import { agedOf } from '../../trade/index.ts';
import type { PlanInputs } from '../inputs.ts';
import { base, ownHair } from './base.ts';
import { head } from './head.ts';
import { knots } from './knots.ts';
import { herPart, partAsWorn } from './part.ts';
import { spacing } from './spacing.ts';
import { stage } from './stage.ts';

/** Balls are made for the widest ribbon, rounded up to this, so that a little more width needs no new ones, mm. */
const BALL_STEP_MM = 4;
/** Ways of falling looked at in turn: at rest, and a few others. */
const WAYS_KEPT = 4;

/** Ways of hair that is laid as it falls, in her pose. */
export const ways = stage(
  'ways',
  ({ of, state = AT_REST }) => ({ head: of(head), fromPart: of(partAsWorn).fromPart, state }),
  ({ head: { mesh, mark }, fromPart, state }) => {
    const out = fallWays(mesh, fromPart, state);
    const p = mesh.positionsMm;
    for (let v = 0; v < 3 * mesh.vertexCount; v += 3)
      drawBehind(out, v, mesh.normals, drawnBehind(state.wornAs, mark, p[v], p[v + 1], p[v + 2]));
    return out;
  },
  WAYS_KEPT,
);

const waysAtRest = stage(
  'waysAtRest',
  ({ of }) => ({ mesh: of(head).mesh, fromPart: of(herPart).fromFirst }),
  ({ mesh, fromPart }) => fallWays(mesh, fromPart, AT_REST),
);

/** Whether a vertex lies where hair comes from that is swept over the part. */
const isFuller = stage(
  'isFuller',
  ({ of }) => ({ mesh: of(head).mesh, part: of(partAsWorn) }),
  ({ mesh, part }) => fullerSide(mesh, part.pointsMm),
);

const forwardWays = stage(
  'forwardWays',
  ({ of, state = AT_REST }) => ({ head: of(head), state }),
  ({ head: { mesh, scalp }, state }) =>
    fallWays(
      mesh,
      scalp.fromFrontHairline.map((d) => -d),
      state,
    ),
);

const backWays = stage(
  'backWays',
  ({ of, state = AT_REST }) => ({ head: of(head), state }),
  ({ head: { mesh, scalp }, state }) => fallWays(mesh, scalp.fromFrontHairline, state),
);

const acrossWays = stage(
  'acrossWays',
  ({ of, state = AT_REST }) => ({ mesh: of(head).mesh, part: of(partAsWorn), isFuller: of(isFuller), state }),
  ({ mesh, part, isFuller: fuller, state }) =>
    fallWays(
      mesh,
      part.fromPart.map((d, v) => (fuller(v) ? -d : d)),
      state,
    ),
);

/** Where hair is tied, if she wears it so. */
export const tie = stage(
  'tie',
  ({ of, state = AT_REST }) => ({ head: of(head), as: state.wornAs }),
  ({ head: { mesh, mark }, as }) => tieOf(as, mesh, mark),
  WAYS_KEPT,
);

const tiedWays = stage(
  'tiedWays',
  ({ of }) => ({ mesh: of(head).mesh, tie: of(tie) }),
  ({ mesh, tie: at }) => (at ? waysToTie(mesh, at) : new Float64Array(3 * mesh.vertexCount)),
  WAYS_KEPT,
);

/** Ways by how a piece is laid: as it falls, to the face, away from it, across the part from its fuller side, to a tie. */
export const WAYS_OF = {
  falls: ways,
  forward: forwardWays,
  back: backWays,
  across: acrossWays,
  tied: tiedWays,
} as const satisfies Record<Lie, unknown>;

/** Where long pieces are a fringe that is cut when all is in. */
const fringe = stage(
  'fringe',
  ({ inputs, of }) => ({
    head: of(head),
    fringe: inputs.rows.fringe,
    fingerMm: inputs.fingerMm,
    spacing: of(spacing).mm,
  }),
  ({ head: { mesh, scalp }, fringe: told, fingerMm, spacing: mm }) =>
    told.how === 'cutAfter' ? fringeArea(mesh, scalp, told, fingerMm, mm) : undefined,
);

/** Knots that are in. */
export const wornKnots = stage(
  'wornKnots',
  ({ of, knotsIn }) => ({ knots: of(knots), knotsIn }),
  ({ knots: decided, knotsIn }) => decided.knots.slice(0, knotsIn),
);

const isSweptSomewhere = ({ schools, places }: PlanInputs) =>
  [schools, ...places.map((p) => p.schools)].some((s) => s.exposed === 'sweptOver');

/** Pieces as they lie at that age of the style. */
export const worn = stage(
  'worn',
  ({ inputs, of, age = 'finished', guesses }) => ({
    head: of(head),
    knots: of(wornKnots),
    told: {
      products: inputs.products,
      cuts: inputs.cuts,
      finish: inputs.finish,
      guesses: guesses ?? inputs.guesses,
      age,
    },
    fringe: of(fringe),
    isFuller: isSweptSomewhere(inputs) ? of(isFuller) : undefined,
    // Only what has aged has crept.
    creeps: agedOf(age).creptWeeks > 0 ? of(waysAtRest) : undefined,
    tie: of(tie),
  }),
  ({ head: { mesh, mark }, knots: hanging, told, fringe: mask, isFuller: fuller, creeps, tie: at }): Worn => {
    const { pieces, textures, ribbons } = wornRibbons(hanging, told, mark);
    const under = verticesUnder(mesh, hanging);
    const roots = hanging.map((k, i) => ({ xMm: k.xMm, yMm: k.yMm, zMm: k.zMm, vertex: under[i] }));
    const lies = liesOf(hanging, under, (v) => mask?.[v] === 1, fuller ?? (() => false));
    const held = (lie: Lie, i: number): Lie =>
      at && lie !== 'forward' && isHeld(at, roots[i], ribbons[i].lengthMm) ? 'tied' : lie;
    return {
      roots: creeps ? slipped(roots, hanging, textures, mesh, creeps, agedOf(told.age)) : roots,
      ribbons,
      pieces,
      textures,
      lies: lies.map(held),
    };
  },
);

/** Some 20 MB each on a fine head: one is enough there; a search over piece sizes on a coarse one takes more. */
export const balls = stage(
  'balls',
  ({ of }) => {
    const { mesh } = of(head);
    // Own hair in sight is laid by the same stamps.
    const widest = of(worn).ribbons.reduce<number>((w, r) => Math.max(w, r.widthMm), OWN_STRAND.widthMm);
    return { mesh, reachMm: BALL_STEP_MM * Math.ceil(reachOf(widest, mesh.meanEdgeMm) / BALL_STEP_MM) };
  },
  ({ mesh, reachMm }) => vertexBalls(mesh, reachMm),
  1,
);

const printStore = stage(
  'printStore',
  ({ of, state = AT_REST }) => ({ head: of(head), part: of(partAsWorn), state }),
  () => new PrintStore(),
  WAYS_KEPT,
);

export const prints = stage(
  'prints',
  ({ of }) => {
    const lies = new Set(of(worn).lies);
    const waysOf = Object.fromEntries([...lies].map((lie) => [lie, of(WAYS_OF[lie])]));
    return { store: of(printStore), worn: of(worn), mesh: of(head).mesh, balls: of(balls), waysOf };
  },
  ({ store, worn: pieces, mesh, balls: stamps, waysOf }) => store.lay(pieces, mesh, stamps, waysOf),
);

/** Own hair that stays in sight falls over what lies below it. */
export const ownHairOver = stage(
  'ownHairOver',
  ({ of }) => ({ map: of(base).map, ways: of(ways), mesh: of(head).mesh, hair: of(ownHair), balls: of(balls) }),
  ({ map, ways: falls, mesh, hair, balls: stamps }) => ownHairPrints(mesh, inSight(map), hair, falls, stamps),
);

/** Where cover is owed: everywhere but where own hair stays in sight. */
export const owed = stage(
  'owed',
  ({ of }) => ({ map: of(base).map }),
  ({ map }) => inSight(map).map((s) => 1 - s),
);

/** Share of the scalp that shows, straight on, at every vertex. */
export const shows = stage(
  'shows',
  ({ of }) => ({ mesh: of(head).mesh, prints: of(prints), own: of(ownHairOver) }),
  ({ mesh, prints: laid, own }) => showing(mesh.vertexCount, [...laid.prints, ...own]),
);
