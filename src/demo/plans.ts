/** The invented wearer and her plans. Names, products and prices are made up. */
import type { Mark } from '../core/head/index.ts';
import type { Region } from '../core/trade/index.ts';
import { newPlan, START_CAP, START_PRODUCT } from '../model/defaults.ts';
import type { PlanDocument } from '../model/plan.ts';

const amara = {
  wearer: 'Amara',
  unit: 'cm',
  skin: 'brown',
  fingers: { count: 4, width: '7 cm' },
  tape: {
    girth: ['22 1/2 in'],
    frontToNape: ['36.5 cm'],
    earToEarTop: ['34'],
    earToEarFront: ['29,5 cm'],
    templeToTemple: ['39.4'],
    napeWidth: ['7 1/2 fingers'],
  },
  ownHair: {
    length: '24 cm',
    strand: 'medium',
    fullness: 'thick',
    curl: 'curly',
    ponytail: '',
    freshEnds: false,
    byRegion: {},
  },
} as const satisfies Partial<PlanDocument>;

const tender = (region: Region): Mark => ({ kind: 'tender', erase: false, place: { region } });

export const shoulderCurls: PlanDocument = {
  ...newPlan('demo-shoulder-curls', 'Shoulder curls'),
  ...amara,
  marks: [tender('overEars')],
  part: { kind: 'line', frontMm: 38, endMm: 30, lengthMm: 105, bendMm: 6 },
  products: [
    {
      ...START_PRODUCT,
      name: 'Quillow loop curl',
      piecesPerPack: 48,
      strandsPerPiece: 4,
      packMassG: 70,
      length: '33 cm',
      texture: 'looseCurl',
      loop: 'thread',
      packPrice: 11.5,
    },
  ],
  spacing: { said: 'centres', fingers: { part: 0.75, top: 1, back: 1.25, nape: 1.5, faceEdge: 1 } },
  pace: 'some',
  settled: ['aim', 'measure', 'base', 'hair'],
};

export const sweptCoils: PlanDocument = {
  ...newPlan('demo-swept-coils', 'Swept-back coils'),
  ...amara,
  marks: [{ kind: 'thin', erase: false, place: { region: 'frontEdge' } }],
  part: { kind: 'swept' },
  products: [
    {
      ...START_PRODUCT,
      name: 'Fennick coil',
      piecesPerPack: 20,
      strandsPerPiece: 6,
      packMassG: 48,
      length: '22 cm',
      texture: 'coil',
      loop: 'ring',
      loopComesOff: true,
      packPrice: 8,
    },
  ],
  spacing: { said: 'clear', fingers: { part: 1, top: 1, back: 1.25, nape: 1.5, faceEdge: 0.75 } },
  schools: { ...newPlan('', '').schools, tender: 'netOnly' },
  pace: 'some',
  settled: ['aim', 'measure', 'base', 'cap', 'hair', 'rows'],
};

export const deepPartStraight: PlanDocument = {
  ...newPlan('demo-deep-part', 'Deep part, straight'),
  ...amara,
  // One careless reading, so that the contradiction can be seen.
  tape: { ...amara.tape, earToEarTop: ['38.5'] },
  marks: [tender('temples')],
  part: { kind: 'line', frontMm: -56, endMm: 16, lengthMm: 140, bendMm: 0 },
  products: [
    {
      ...START_PRODUCT,
      name: 'Marrow Lane sleek',
      piecesPerPack: 60,
      strandsPerPiece: 8,
      packMassG: 66,
      length: '40 cm',
      texture: 'straight',
      loop: 'slidingBand',
      loopComesOff: true,
      packPrice: 14,
    },
  ],
  schools: { ...newPlan('', '').schools, smoothHold: 'lock' },
  spacing: { said: 'centres', fingers: { part: 0.75, top: 1, back: 1, nape: 1.25, faceEdge: 0.75 } },
  reserveShare: 0,
  pace: 'firstTime',
  settled: ['aim'],
};

export const crownTwists: PlanDocument = {
  ...newPlan('demo-crown-twists', 'Twists from the crown, no cap'),
  ...amara,
  base: { ...newPlan('', '').base, behind: 6, front: 6 },
  cap: { ...START_CAP, dome: 'none' },
  part: { kind: 'crown' },
  products: [
    {
      ...START_PRODUCT,
      name: 'Harrowby twist',
      piecesPerPack: 24,
      strandsPerPiece: 2,
      packMassG: 84,
      length: '38 cm',
      texture: 'twist',
      loop: 'thread',
      packPrice: 10,
    },
  ],
  spacing: { said: 'clear', fingers: { part: 0.75, top: 1, back: 1, nape: 1.25, faceEdge: 1 } },
  pace: 'firstTime',
  settled: [],
};

export const demoPlans: readonly PlanDocument[] = [shoulderCurls, sweptCoils, deepPartStraight, crownTwists];
