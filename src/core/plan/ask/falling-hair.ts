/** Hair in space, to be drawn and measured: asked for where it is looked at, so that it comes only when it is wanted. */

import { colourIds } from '../../colours/index.ts';
import { type OutlineBox, SIZE_VIEWS, Silhouette, type SizeView } from '../../cover/index.ts';
import {
  AT_REST,
  Extent,
  HairMeshBuilder,
  isDrawn,
  isHeld,
  type Lie,
  layerMm,
  layOn,
  PLAIN_FINISH,
  STEEPEST_LOOSE,
  StrandMaker,
  type Surroundings,
} from '../../fall/index.ts';
import { DistanceGrid, polylineLength, type SurfaceMesh, slide } from '../../geometry/index.ts';
import { bust, bustBox } from '../../head/index.ts';
import { sin } from '../../numerics/index.ts';
import { agedOf, fuzzLoft } from '../../trade/index.ts';
import type { HairOnHead, LookAsked } from '../look-result.ts';
import { prints, tie, WAYS_OF, worn, wornKnots } from '../stages/fall.ts';
import { head } from '../stages/head.ts';
import { type FromPlan, type PlanGraph, stage } from '../stages/stage.ts';

const BODY_STEP_MM = 9;
/** How wide hair is counts down to here below the nape line: above the shoulders, mm. */
const NECK_MM = 40;
/** A fringe ends so far below the middle of the front hairline, mm: over the brow. */
const FRINGE_MM = 52;
/** Pieces after which what is heaped up slips. */
const SLIPS_EVERY = 8;
/** Room for so many points of a piece to begin with. */
const POINTS_A_PIECE = 100;

/** Face, neck and shoulders, in the way of hair that hangs. Large: one is kept. */
const body = stage(
  'body',
  ({ of }) => ({ shape: of(head).shape }),
  ({ shape }) => {
    const { min, max } = bustBox(shape);
    return new DistanceGrid(bust(shape).distance, min, max, BODY_STEP_MM);
  },
  1,
);

/** @returns hair of the worn pieces, as it hangs in that pose at that age, and its size beside the bare head's. */
export function fallingHair(graph: PlanGraph, asked: LookAsked): HairOnHead {
  const now = graph.ask(asked);
  const { mesh, mark } = now.of(head);
  const { roots, ribbons, pieces, textures, lies } = now.of(worn);
  const laid = now.of(prints).prints;
  const loft = (asked.guesses ?? asked.inputs.guesses).loft * fuzzLoft(agedOf(asked.age ?? 'finished'));
  const { lay, whole } = strandMakers(now);
  const order = asked.inputs.products.map((p) => p.id);
  const inOrder = colourIds(asked.inputs.colours);
  const hanging = now.of(wornKnots);
  const looksLike = (i: number) =>
    inOrder.length * Math.max(0, order.indexOf(pieces[i].product)) + Math.max(0, inOrder.indexOf(hanging[i].colour));
  const builder = new HairMeshBuilder(roots.length * POINTS_A_PIECE);
  const floor = mark.napeHairline[1] - NECK_MM;
  const outline = new Silhouette(floor);
  const uncut = new Silhouette(floor);
  const extent = new Extent();
  const heightMm = new Float64Array(mesh.vertexCount);
  roots.forEach((root, i) => {
    const ribbon = ribbons[i];
    for (let j = 0; j < ribbon.count; j++) {
      const maker = lay(lies[i], [root, ribbon, j, textures[i], heightMm, loft]);
      builder.add(maker.points, maker.count, ribbon.widthMm / 2, seedOf(i, j), i / roots.length, looksLike(i));
      outline.add(maker.points, maker.count, ribbon.widthMm / 2);
      extent.add(maker.points, maker.count);
      if (!whole) continue;
      whole.follow(root, { ...ribbon, lengthMm: pieces[i].lengthMm }, j, textures[i], heightMm, loft);
      uncut.add(whole.points, whole.count, ribbon.widthMm / 2);
    }
    layOn(heightMm, laid[i], ribbon.opacity, layerMm(pieces[i], ribbon, textures[i], loft));
    if (i % SLIPS_EVERY === SLIPS_EVERY - 1) slide(mesh, heightMm, STEEPEST_LOOSE);
  });
  return {
    mesh: builder.done(),
    size: boxes(outline, mesh),
    extentMm: extent.done(),
    untrimmed: whole && boxes(uncut, mesh),
    meanThicknessMm: meanOver(mesh, heightMm),
    tooShortToTie: tooShort(now),
  };
}

type Strand = Parameters<StrandMaker['follow']>;

/** Lays a strand as its piece lies; and one maker of untrimmed strands where something is trimmed. */
function strandMakers(now: FromPlan) {
  const { mesh, mark } = now.of(head);
  const { age = 'finished', state = AT_REST, inputs } = now;
  const finish = age === 'beforeOpening' ? { ...inputs.finish, outline: 'none' as const } : inputs.finish;
  const round: Omit<Surroundings, 'ways' | 'finish'> = {
    mesh,
    body: now.of(body),
    state,
    nape: mark.napeHairline,
    front: mark.frontHairline,
  };
  // A fringe is cut over the brow, whatever the outline.
  const overBrow = { floorMm: mark.frontHairline[1] - FRINGE_MM };
  const makers = new Map<Lie, StrandMaker>();
  const makerFor = (lie: Lie) => {
    const ends = lie === 'forward' && age !== 'beforeOpening' ? overBrow : {};
    // It was cut as it hung: what is tied is as long as it hung.
    const drawn = lie === 'tied' ? { tie: now.of(tie), finish: PLAIN_FINISH } : {};
    const known =
      makers.get(lie) ?? new StrandMaker({ ...round, ways: now.of(WAYS_OF[lie]), finish, ...ends, ...drawn });
    makers.set(lie, known);
    return known;
  };
  const lay = (lie: Lie, strand: Strand): StrandMaker => {
    const hung = makerFor(lie === 'tied' && finish.outline !== 'none' ? 'falls' : lie);
    hung.follow(...strand);
    const [root, ribbons, ...rest] = strand;
    const at = now.of(tie);
    if (lie !== 'tied' || finish.outline === 'none' || !at) return hung;
    const lengthMm = polylineLength(hung.points.subarray(0, 3 * hung.count));
    if (!isHeld(at, root, lengthMm)) return hung;
    const tied = makerFor('tied');
    tied.follow(root, { ...ribbons, lengthMm }, ...rest);
    return tied;
  };
  const untrimmed = () => new StrandMaker({ ...round, ways: now.of(WAYS_OF.falls), finish: PLAIN_FINISH });
  return { lay, whole: finish.outline === 'none' ? undefined : untrimmed() };
}

/** Pieces that are drawn to the tie and don't reach it. */
function tooShort(now: FromPlan): number {
  const at = now.of(tie);
  if (!at) return 0;
  const { roots, lies } = now.of(worn);
  return roots.filter((r, i) => lies[i] !== 'tied' && lies[i] !== 'forward' && isDrawn(at, r)).length;
}

function boxes(silhouette: Silhouette, mesh: SurfaceMesh): Record<SizeView, OutlineBox> {
  const bare = new Silhouette();
  bare.add(mesh.positionsMm, mesh.vertexCount, 0);
  return Object.fromEntries(SIZE_VIEWS.map((v) => [v, silhouette.box(v, bare)])) as Record<SizeView, OutlineBox>;
}

function meanOver({ vertexAreasMm2 }: SurfaceMesh, values: ArrayLike<number>): number {
  const area = vertexAreasMm2.reduce((a, b) => a + b, 0);
  return vertexAreasMm2.reduce((sum, a, v) => sum + values[v] * a, 0) / area;
}

/** A number of its own for each ribbon, 0 to 1, the same every time. */
function seedOf(piece: number, ribbon: number): number {
  const x = sin(piece * 127.1 + ribbon * 311.7) * 43758.5453;
  return x - Math.floor(x);
}
