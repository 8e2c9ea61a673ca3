/** A cap as she wrote it. */
import { array, boolean, object } from 'yup';
import {
  BLENDINGS,
  CAP_LIMITS,
  COMB_PLACES,
  DOMES,
  FILLED_ONS,
  HOLE_SHAPES,
  OPENINGS,
  OWN_ROWS,
  WIG_HOLDS,
} from '../core/trade/index.ts';
import { choice, directions, within, writtenLength } from './checks.ts';

const C = CAP_LIMITS;
const capSize = (limits: readonly [number, number], what: string) => writtenLength(...limits, what);
export const cap = object({
  dome: choice(DOMES, 'The cap'),
  opening: choice(OPENINGS, 'The opening of the cap'),
  openingMm: within(C.openingMm, 'The length of the opening'),
  openingWidthMm: within(C.openingWidthMm, 'The width of the opening'),
  band: boolean().strict().required(),
  combs: array(choice(COMB_PLACES, 'The place of a comb')).required().max(COMB_PLACES.length),
  /** Combs at places of her own, by direction. */
  combsAt: directions(C.combsAt),
  strap: boolean().strict().required(),
  ownRows: choice(OWN_ROWS, 'Ready-made rows'),
  girth: capSize(C.girthMm, 'The girth of the cap'),
  depth: capSize(C.depthMm, 'The depth of the cap'),
  stretch: within(C.stretch, 'The stretch of the cap'),
  hole: choice(HOLE_SHAPES, 'The shape of its holes'),
  holePitchMm: within(C.holePitchMm, 'From hole to hole'),
  surplus: boolean().strict().required(),
  timesWorn: within(C.timesWorn, 'Times worn', true),
  filledOn: choice(FILLED_ONS, 'Where it is filled'),
  block: object({
    girth: capSize(C.blockGirthMm, 'The girth of the block'),
    depth: capSize(C.blockDepthMm, 'The block from front to nape'),
  })
    .noUnknown()
    .strict()
    .required(),
  wig: boolean().strict().required(),
  wigHolds: array(choice(WIG_HOLDS, 'What holds the wig')).required().max(4),
  topKept: boolean().strict().required(),
  blending: choice(BLENDINGS, 'Blending pieces'),
  /** So many of that line; 0: all of it. */
  blendingPieces: within(C.blendingPieces, 'How many pieces blend', true),
})
  .noUnknown()
  .strict()
  .required();
