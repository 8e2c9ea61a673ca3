/** Gaps for the hair: the scalp in cells, where each zone's pieces come to lie, and the gaps that reach what she aims at. */
import { inSight } from '../../base/index.ts';
import { AT_REST, fallWays, wornRibbons } from '../../fall/index.ts';
import { cellPiece, groundOf, hairGaps, ReachStore } from '../../fullness/index.ts';
import { seenInMirror } from '../../geometry/index.ts';
import { cutFor, type HookedPiece } from '../../hair/index.ts';
import type { SpacingZone } from '../../trade/index.ts';
import { ZONES } from '../../trade/index.ts';
import { masks, sections } from './base.ts';
import { head, rowsHead, side } from './head.ts';
import { rowsPart } from './part.ts';
import { pieces } from './pieces.ts';
import { stage } from './stage.ts';

const ground = stage(
  'ground',
  ({ of }) => ({
    rowed: of(rowsHead),
    hers: of(head).mesh,
    turned: of(side).turned,
    fromPart: of(rowsPart).fromPart,
    map: of(sections).map,
    noGo: of(masks).noGo,
  }),
  ({ rowed: { mesh, scalp }, hers, turned, fromPart, map, noGo }) => {
    const onRows = (mask: Uint8Array) => (turned ? seenInMirror(hers, mesh, mask) : mask);
    const sight = onRows(inSight(map));
    const closed = onRows(noGo).map((no, v) => no | sight[v]);
    return groundOf(mesh, scalp, fromPart, closed, sight);
  },
);

const rowsWays = stage(
  'rowsWays',
  ({ of }) => ({ mesh: of(rowsHead).mesh, fromPart: of(rowsPart).fromFirst }),
  ({ mesh, fromPart }) => fallWays(mesh, fromPart, AT_REST),
);

const reachStore = stage(
  'reachStore',
  ({ of }) => ({ mesh: of(rowsHead).mesh, ground: of(ground), ways: of(rowsWays) }),
  ({ mesh, ground: { cells }, ways }) => new ReachStore(mesh, cells, ways),
);

/** The scalp with a piece of its zone in every cell. */
const hookedCells = stage(
  'hookedCells',
  ({ inputs, of }) => ({
    ground: of(ground),
    rowed: of(rowsHead),
    store: of(reachStore),
    told: { products: inputs.products, cuts: inputs.cuts, finish: inputs.finish, guesses: inputs.guesses },
    zones: inputs.pieces,
  }),
  ({ ground: cells, rowed: { mesh, mark }, store, told, zones }) => {
    const counted = new Map<SpacingZone, number>();
    const knots = cells.places.map(({ zone }, i) => {
      const n = counted.get(zone) ?? 0;
      counted.set(zone, n + 1);
      const v = 3 * cells.cells.middles[i];
      const [xMm, yMm, zMm] = mesh.positionsMm.subarray(v, v + 3);
      return { xMm, yMm, zMm, cut: cutFor(zones, zone, n), pieceZone: zone, exposed: false, lock: false };
    });
    const hung = wornRibbons(knots, { ...told, age: 'finished' }, mark);
    return {
      ground: cells,
      reach: store.of(hung.ribbons),
      pieces: hung.pieces.map((piece, i) => cellPiece(piece, hung.textures[i], told.guesses)),
    };
  },
);

/** Her gaps, those for this hair, and what each comes to. */
export const gaps = stage(
  'gaps',
  ({ inputs, of }) => ({
    hooked: of(hookedCells),
    fullness: inputs.finish.fullness,
    fingerMm: inputs.fingerMm,
    spacing: inputs.spacing,
    pieces: of(pieces),
    zones: inputs.pieces,
  }),
  ({ hooked, fullness, fingerMm, spacing: { said, fingers }, pieces: all, zones }) =>
    hairGaps(hooked, {
      fullness,
      fingerMm,
      hers: fingers,
      clear: said === 'clear',
      pieces: Object.fromEntries(ZONES.map((z) => [z, all.get(zones[z].cut)])) as Record<SpacingZone, HookedPiece>,
    }),
);
