/**
 * What the stand-in shop has: invented hair at two invented sellers. The same seed gives the same shop; stock falls and comes in
 * again with the days, and some of it is sold out at any time.
 */
import { seededRandom } from '../core/numerics/index.ts';
import type { Catalogue, ShopOffer } from '../model/shop.ts';

type Hair = ShopOffer['hair'];
type Line = Omit<Hair, 'length' | 'packMassG'> & {
  /** Lengths it comes in, cm, with the weight of a pack of each, g. */
  readonly lengths: ReadonlyArray<readonly [cm: number, massG: number]>;
  readonly colours: readonly string[];
  readonly price: number;
};

const DARK = ['black', 'off black', 'dark brown'] as const;
const COMMON = [...DARK, 'medium brown', 'auburn', 'copper', 'honey'] as const;
const PLAIN = { fibre: 'plain', heatC: 0, bundlesPerPack: 1, loopComesOff: false } as const;

const LINES: readonly Line[] = [
  {
    ...PLAIN,
    name: 'Quillow loop curl',
    piecesPerPack: 48,
    strandsPerPiece: 4,
    texture: 'looseCurl',
    loop: 'thread',
    lengths: [
      [25, 56],
      [33, 70],
      [45, 96],
    ],
    colours: COMMON,
    price: 11.5,
  },
  {
    ...PLAIN,
    name: 'Tansy loose curl',
    piecesPerPack: 24,
    strandsPerPiece: 4,
    texture: 'looseCurl',
    loop: 'thread',
    lengths: [
      [35, 60],
      [45, 76],
    ],
    colours: [...DARK, 'honey'],
    price: 8.5,
  },
  {
    ...PLAIN,
    name: 'Fennick coil',
    piecesPerPack: 20,
    strandsPerPiece: 6,
    texture: 'coil',
    loop: 'ring',
    loopComesOff: true,
    lengths: [
      [22, 48],
      [30, 64],
    ],
    colours: COMMON,
    price: 8,
  },
  {
    ...PLAIN,
    name: 'Marrow Lane sleek',
    piecesPerPack: 60,
    strandsPerPiece: 8,
    texture: 'straight',
    loop: 'slidingBand',
    loopComesOff: true,
    lengths: [
      [40, 66],
      [60, 98],
    ],
    colours: [...DARK, 'platinum'],
    price: 14,
  },
  {
    ...PLAIN,
    name: 'Harrowby twist',
    piecesPerPack: 24,
    strandsPerPiece: 2,
    texture: 'twist',
    loop: 'thread',
    lengths: [
      [30, 66],
      [38, 84],
    ],
    colours: COMMON,
    price: 9.5,
  },
  {
    ...PLAIN,
    name: 'Dunnock wave',
    piecesPerPack: 30,
    strandsPerPiece: 6,
    texture: 'wave',
    loop: 'thread',
    fibre: 'heatProof',
    heatC: 160,
    lengths: [
      [35, 62],
      [50, 88],
    ],
    colours: [...DARK, 'caramel'],
    price: 13,
  },
  {
    ...PLAIN,
    name: 'Bramble curl',
    piecesPerPack: 36,
    strandsPerPiece: 4,
    texture: 'curl',
    loop: 'thread',
    lengths: [
      [25, 58],
      [35, 80],
    ],
    colours: COMMON,
    price: 10,
  },
  {
    ...PLAIN,
    name: 'Peat loose kinky',
    piecesPerPack: 60,
    strandsPerPiece: 1,
    texture: 'kinky',
    loop: 'none',
    lengths: [
      [30, 100],
      [40, 130],
    ],
    colours: DARK,
    price: 7,
  },
];

const SELLERS: Catalogue['sellers'] = [
  { id: 'loop', name: 'The Loop Counter', days: 2, delivery: 4.9, freeFrom: 60 },
  { id: 'heron', name: 'Heron Row Hair', days: 6, delivery: 2.9, freeFrom: 90 },
];

const SEED = 20_260;
const DAY_MS = 86_400_000;
/** In so many days shelves are filled again. */
const FILLED_EVERY = 9;
const cent = (amount: number) => Math.round(100 * amount) / 100;

/** Everything that is ever sold, with its price; who buys of it is said by `stockAt`. */
export const SHELF: ReadonlyArray<Omit<ShopOffer, 'stock'>> = SELLERS.flatMap((seller, s) => {
  const random = seededRandom(SEED + s);
  return LINES.flatMap(({ lengths, colours, price, ...hair }) =>
    lengths.flatMap(([cm, packMassG], k) =>
      colours.flatMap((colour): Array<Omit<ShopOffer, 'stock'>> => {
        // The second seller is a little cheaper and does not have everything.
        if (s === 1 && random() < 0.3) return [];
        const each = cent(price * (1 + 0.25 * k) * (s === 0 ? 1 : 0.84 + 0.08 * random()));
        const bundle = random() < 0.35 ? { multi: { packs: 4, price: cent(4 * each * 0.88) } } : {};
        const id = `${seller.id}-${hair.name}-${cm}-${colour}`.toLowerCase().replaceAll(' ', '-').slice(0, 40);
        return [
          { id, seller: seller.id, hair: { ...hair, packMassG, length: `${cm} cm` }, colour, price: each, ...bundle },
        ];
      }),
    ),
  );
});

/** Packs of the offer at an index of the shelf at a moment, before anybody orders here: sold day by day, filled again, some never many. */
export function stockAt(index: number, nowMs: number): number {
  const day = Math.floor(nowMs / DAY_MS) + index;
  const round = Math.floor(day / FILLED_EVERY);
  const random = seededRandom(SEED + 7919 * index + round);
  const full = Math.floor(6 + 16 * random());
  const soldADay = 0.1 + 1.5 * random() ** 2;
  return Math.max(0, full - Math.floor((day % FILLED_EVERY) * soldADay));
}

export const sellers = SELLERS;
export const CURRENCY = '€';
