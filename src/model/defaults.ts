/** Sane defaults from the first minute: the default route, an average head, one plain product. */
import { type BaseChoice, DEFAULT_BASE, FAMILY_INFO, type Family } from '../core/base/choice.ts';
import { NO_OFFSET } from '../core/head/hairline.ts';
import { DEFAULT_SCHOOLS } from '../core/knots/schools.ts';
import { PLAN_FORMAT, PLAN_VERSION, type PlanDocument } from './plan.ts';

/** A family as it starts: its own settings, no edits. */
export function startBase(family: Family): BaseChoice {
  return { ...DEFAULT_BASE, ...FAMILY_INFO[family].start, family };
}

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
    fingers: { count: 4, width: '72 mm' },
    tape: { girth: [], frontToNape: [], earToEarTop: [], earToEarFront: [], templeToTemple: [], napeWidth: [] },
    trusted: [],
    hairline: { mirrored: true, front: 0, nape: 0, left: { ...NO_OFFSET }, right: { ...NO_OFFSET } },
    ownHair: {
      length: '20 cm',
      strand: 'medium',
      fullness: 'medium',
      curl: 'curly',
      ponytail: '',
      freshEnds: false,
      byRegion: {},
    },
    marks: [],
    wishes: { musts: [] },
    base: startBase('tied'),
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
