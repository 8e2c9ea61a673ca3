/** Products, cuts and what each zone is hooked with, as they are written. */
import { array, boolean, number, object, string } from 'yup';
import {
  APARTS,
  CONDITIONS,
  DRESSINGS,
  ENDS_OFF_LIMITS_MM,
  FIBRES,
  FILL_LIMITS,
  FILL_WHERES,
  HOOKEDS,
  LOOPS,
  MIX_EVERY,
  OPENED_WHEN,
  PRODUCT_LIMITS,
  SPLITS,
  type Split,
  STRAND_COUNT,
  STRAND_JOBS,
  TEXTURES,
  TUGS,
} from '../core/trade/index.ts';
import { amount, changeId, choice, lengthText, recordId, text, within, writtenLength } from './checks.ts';

const P = PRODUCT_LIMITS;
/** One product as she wrote it. */
export const productSchema = object({
  id: recordId('The product’s id'),
  name: text('The product’s name'),
  piecesPerPack: within(P.piecesPerPack, 'Pieces in a pack', true),
  bundlesPerPack: within(P.bundlesPerPack, 'Bundles in a pack', true),
  strandsPerPiece: within(P.strandsPerPiece, 'Strands in a piece', true),
  packMassG: within(P.packMassG, 'The mass of a pack'),
  length: writtenLength(...P.lengthMm, 'The length of a piece'),
  /** Empty while it has not been measured drawn out. */
  drawnOut: lengthText(...P.lengthMm, 'The length of a piece, drawn out'),
  fibre: choice(FIBRES, 'The fibre'),
  heatC: within(P.heatC, 'The heat it bears'),
  texture: choice(TEXTURES, 'The texture'),
  colours: array(text('A colour')).required().min(1, 'A product has a colour.').max(P.colours, 'Too many colours.'),
  loop: choice(LOOPS, 'The loop'),
  loopComesOff: boolean().strict().required(),
  packPrice: within(P.packPrice, 'The price of a pack'),
  composed: within(P.composed, 'Pieces twisted into one', true),
  test: object({
    counted: within(P.piecesPerPack, 'Pieces counted', true).optional().default(undefined),
    tug: choice(TUGS, 'The tug'),
    apart: choice(APARTS, 'Pulling a piece apart'),
    hooked: choice(HOOKEDS, 'The hooked piece'),
  })
    .noUnknown()
    .strict()
    .required(),
  condition: choice(CONDITIONS, 'The condition'),
  timesWorn: within(P.timesWorn, 'Times worn', true),
  packsAtHand: within(P.packsAtHand, 'Packs at hand', true),
  lowerHalfOf: string().strict().max(40).optional(),
})
  .noUnknown()
  .strict();

export const share = (what: string) => amount(0, 1, what);
export const cut = object({
  id: recordId('The id of a cut'),
  name: text('The name of a cut'),
  product: recordId('The product of a cut'),
  split: number<Split>()
    .strict()
    .oneOf([...SPLITS], 'Pieces are split in 1, 2, 4, 8 or 16.')
    .required(),
  half: boolean().strict().required(),
  opened: object({
    when: choice(OPENED_WHEN, 'When strands are opened'),
    strands: share('The share of strands opened'),
    reach: share('How far strands are opened'),
  })
    .noUnknown()
    .strict()
    .required(),
  dressed: choice(DRESSINGS, 'What is done to the curl'),
  dressedAgain: choice(DRESSINGS, 'What is done to it after that'),
  endsOffMm: within(ENDS_OFF_LIMITS_MM, 'What is cut off the ends'),
})
  .noUnknown()
  .strict();

export const zonePiece = object({
  cut: recordId('The cut of a zone'),
  mixed: object({
    cut: recordId('The second cut of a zone'),
    every: number<(typeof MIX_EVERY)[number]>()
      .strict()
      .oneOf([...MIX_EVERY], 'Every second to fifth piece can be another one.')
      .required(),
  })
    .noUnknown()
    .strict()
    .optional()
    .default(undefined),
})
  .noUnknown()
  .strict()
  .required();

/** A piece, or several, with a job of its own. */
export const strand = object({
  id: changeId,
  job: choice(STRAND_JOBS, 'The job of a strand'),
  cut: recordId('The cut of a strand'),
  count: within(STRAND_COUNT, 'How many do a job', true),
})
  .noUnknown()
  .strict();

/** What becomes of pieces that are left over. */
export const fill = object({
  where: choice(FILL_WHERES, 'Where what is left over goes'),
  pieces: within(FILL_LIMITS, 'How many are filled in', true),
  cut: recordId('The cut that is filled in'),
})
  .noUnknown()
  .strict()
  .required();
