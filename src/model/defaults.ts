/** Sane defaults from the first minute: the default route, an average head, one plain product. */
import { DEFAULT_SCHOOLS } from '../core/knots/schools.ts';
import { PLAN_FORMAT, PLAN_VERSION, type PlanDocument } from './plan.ts';

export function newPlan(id: string, name: string): PlanDocument {
  return {
    format: PLAN_FORMAT,
    version: PLAN_VERSION,
    id,
    name,
    wearer: '',
    unit: 'cm',
    currency: '€',
    skin: 'brown',
    fingerWidth: '18 mm',
    tape: { girth: '', frontToNape: '', earToEarTop: '', earToEarFront: '', templeToTemple: '', napeWidth: '' },
    ownHair: { length: '20 cm', strand: 'medium', fullness: 'medium', tender: [], thin: [] },
    base: { kind: 'plaits', sections: 8 },
    cap: 'closed',
    part: { kind: 'line', frontMm: 40, endMm: 32, lengthMm: 110, bendMm: 0 },
    product: {
      name: 'Loose curl',
      piecesPerPack: 24,
      strandsPerPiece: 4,
      packMassG: 60,
      length: '35 cm',
      texture: 'looseCurl',
      loop: 'thread',
      loopComesOff: false,
      packPrice: 9,
      split: 1,
      composed: 1,
    },
    spacing: { said: 'centres', fingers: { part: 1, top: 1.25, back: 1.5, nape: 1.75, faceEdge: 1 } },
    schools: DEFAULT_SCHOOLS,
    reserveShare: 0.15,
    pace: 'firstTime',
    settled: [],
  };
}
