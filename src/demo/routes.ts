/** One example plan for every route and row scheme: the invented wearer's head, her invented hair. */
import type { Preparation } from '../core/hair/index.ts';
import { DEFAULT_ROWS, type RowChoice } from '../core/rows/index.ts';
import { piecesAll, START_CAP, START_CUT, START_PRODUCT, startBase } from '../model/defaults.ts';
import type { CapAsWritten, PlanDocument } from '../model/plan.ts';
import { basePlans } from './bases.ts';
import { shoulderCurls, sweptCoils } from './plans.ts';

const cap = (change: Partial<CapAsWritten>): Pick<PlanDocument, 'cap'> => ({ cap: { ...START_CAP, ...change } });
const rows = (change: Partial<RowChoice>): Pick<PlanDocument, 'rows'> => ({ rows: { ...DEFAULT_ROWS, ...change } });
const quarters: Preparation = { ...START_CUT, id: 'cut-2', name: 'Quarters', split: 4 };
const halves: Preparation = { ...START_CUT, id: 'cut-3', name: 'Upper halves', half: true };
const found = basePlans.find((p) => p.id === 'base-found-rows') as PlanDocument;

interface Route {
  readonly id: string;
  readonly name: string;
  readonly from?: PlanDocument;
  readonly plan: Partial<PlanDocument>;
}

const ROUTES: readonly Route[] = [
  {
    id: 'wig-on-a-block',
    name: 'Wig, filled on a block',
    plan: {
      ...cap({
        dome: 'openTop',
        opening: 'stitchedU',
        openingMm: 110,
        openingWidthMm: 28,
        filledOn: 'block',
        wig: true,
        wigHolds: ['combs', 'strap'],
        combs: ['front', 'sides'],
        strap: true,
        blending: 'front',
      }),
      cuts: [{ ...START_CUT }, quarters],
      pieces: { ...piecesAll('cut-1'), part: { cut: 'cut-2' }, faceEdge: { cut: 'cut-2' } },
    },
  },
  {
    id: 'cut-part',
    name: 'A part cut open',
    plan: {
      ...cap({ opening: 'cut', openingMm: 100, openingWidthMm: 18 }),
      cuts: [{ ...START_CUT }, quarters],
      pieces: { ...piecesAll('cut-1'), part: { cut: 'cut-2' } },
    },
  },
  {
    id: 'stitched-u',
    name: 'A stitched U, longer than the part',
    plan: cap({ opening: 'stitchedU', openingMm: 150, openingWidthMm: 30 }),
  },
  {
    id: 'parallel-curved',
    name: 'Parallel to a curved part',
    plan: {
      ...rows({ scheme: 'parallel' }),
      part: { kind: 'line', frontMm: 46, endMm: 10, lengthMm: 130, bendMm: 20 },
    },
  },
  { id: 'rings-to-crown', name: 'Rings to the crown', plan: { ...rows({ scheme: 'rings' }), part: { kind: 'crown' } } },
  {
    id: 'straight-back',
    name: 'Straight back',
    plan: { ...rows({ scheme: 'straightBack' }), part: { kind: 'swept' } },
  },
  {
    id: 'along-the-rows',
    name: 'Along the rows, then between',
    from: found,
    plan: { ...rows({ scheme: 'found' }), ...cap({ dome: 'none' }), part: { kind: 'swept' } },
  },
  {
    id: 'ready-made-rows',
    name: 'A cap with ready-made rows',
    plan: { ...rows({ scheme: 'found' }), ...cap({ ownRows: 'oneSide' }), part: { kind: 'swept' } },
  },
  { id: 'windows', name: 'Windows in a second pass', plan: rows({ secondPass: 'windows' }) },
  {
    id: 'fringe',
    name: 'A fringe of short pieces',
    from: sweptCoils,
    plan: {
      ...rows({ fringe: { how: 'short', widthFingers: 4, rows: 2 } }),
      cuts: [{ ...START_CUT }, halves],
      pieces: { ...piecesAll('cut-1'), fringe: { cut: 'cut-3' } },
    },
  },
  {
    id: 'layers',
    name: 'Long and short mixed for layers',
    plan: {
      cuts: [{ ...START_CUT }, halves],
      pieces: { ...piecesAll('cut-1'), top: { cut: 'cut-1', mixed: { cut: 'cut-3', every: 3 } } },
    },
  },
  {
    id: 'loose-bulk',
    name: 'Loose hair, folded by hand, no cap',
    plan: {
      ...cap({ dome: 'none' }),
      base: startBase('allOver'),
      products: [
        {
          ...START_PRODUCT,
          name: 'Ambercombe bulk',
          piecesPerPack: 60,
          strandsPerPiece: 12,
          packMassG: 100,
          length: '30 cm',
          drawnOut: '34 cm',
          texture: 'kinky',
          loop: 'none',
          packPrice: 7,
          fibre: 'heatProof',
          heatC: 150,
          colours: ['black', 'brown', 'copper'],
        },
      ],
    },
  },
];

export const routePlans: readonly PlanDocument[] = ROUTES.map(
  ({ id, name, from, plan }): PlanDocument => ({
    ...(from ?? shoulderCurls),
    id: `route-${id}`,
    name,
    marks: [],
    settled: [],
    ...plan,
  }),
);
