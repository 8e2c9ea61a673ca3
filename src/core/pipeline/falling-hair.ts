/** Hair in space, to be drawn and measured: asked for where it is looked at, so that it comes only when it is wanted. */
import { type OutlineBox, SIZE_VIEWS, Silhouette, type SizeView } from '../cover/size.ts';
import { PLAIN_FINISH } from '../fall/finish.ts';
import { HairMeshBuilder } from '../fall/hair-mesh.ts';
import { layerMm, layOn } from '../fall/loft.ts';
import { StrandMaker } from '../fall/strands.ts';
import { AT_REST } from '../fall/way.ts';
import { DistanceGrid } from '../geometry/distance-grid.ts';
import type { HookedPiece } from '../hair/cuts.ts';
import type { Texture } from '../hair/textures.ts';
import { bust, bustBox } from '../head/bust.ts';
import type { FallStages, Lie } from './fall-stages.ts';
import type { PlanInputs } from './inputs.ts';
import type { HairOnHead, LookAsked } from './look-result.ts';

/** @returns hair of the worn pieces, as it hangs in that pose at that age, and its size beside the bare head's. */
export function fallingHair(stages: FallStages, asked: LookAsked): HairOnHead {
  const { inputs, age = 'finished' } = asked;
  const { mesh, mark } = stages.head(inputs);
  const worn = stages.worn(asked);
  const prints = stages.footprints(asked, worn);
  const finish = age === 'beforeOpening' ? { ...inputs.finish, outline: 'none' as const } : inputs.finish;
  const guesses = asked.guesses ?? inputs.guesses;
  const round = {
    mesh,
    ways: stages.ways(inputs, asked.state ?? AT_REST).ways,
    body: bodyOf(stages, inputs),
    state: asked.state ?? AT_REST,
    nape: mark.napeHairline,
  };
  const trimmed = new StrandMaker({ ...round, finish });
  // A fringe is cut over the brow, whatever the outline.
  const browMm = mark.frontHairline[1] - FRINGE_MM;
  const makers = new Map<Lie, StrandMaker>([['falls', trimmed]]);
  const makerFor = (lie: Lie) => {
    const ends = lie === 'forward' && age !== 'beforeOpening' ? { floorMm: browMm } : {};
    const known = makers.get(lie) ?? new StrandMaker({ ...round, ways: stages.waysOf(asked, lie), finish, ...ends });
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

const BODY_STEP_MM = 9;

/** Face, neck and shoulders, in the way of hair that hangs. */
function bodyOf(stages: FallStages, inputs: PlanInputs): DistanceGrid {
  return stages.keptWithHead('body', inputs, () => {
    const { shape } = stages.head(inputs);
    const { min, max } = bustBox(shape);
    return new DistanceGrid(bust(shape).distance, min, max, BODY_STEP_MM);
  });
}

/** How wide hair is counts down to here below the nape line: above the shoulders, mm. */
const NECK_MM = 40;
/** A fringe ends so far below the middle of the front hairline, mm: over the brow. */
const FRINGE_MM = 52;

/** A number of its own for each ribbon, 0 to 1, the same every time. */
function seedOf(piece: number, ribbon: number): number {
  const x = Math.sin(piece * 127.1 + ribbon * 311.7) * 43758.5453;
  return x - Math.floor(x);
}
