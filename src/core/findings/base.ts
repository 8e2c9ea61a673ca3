/** What the core has to say about a base: hair that can't reach, boxes too small, tender spots, lumps, a base that shifts. */

import { type BaseEdit, LUMP_MM } from '../base/index.ts';
import { BASE_LIMITS } from '../trade/index.ts';
import { type Check, mm, named, type Result } from './check.ts';
import type { NamedFix } from './finding.ts';

const tied = (result: Result) => result.base.sections.filter((s) => s.role === 'base');

const tooShort: Check = (inputs, result) => {
  if (inputs.base.family === 'found') return undefined;
  const short = tied(result).filter((s) => s.hairLengthMm < s.neededToBindMm);
  if (short.length === 0) return undefined;
  const longest = Math.max(...short.map((s) => s.neededToBindMm));
  const { family, behind, front } = inputs.base;
  const nine: NamedFix = {
    deed: 'Cut nine small sections',
    change: { kind: 'setBase', change: { family: 'tied', behind: 5, front: 4, tail: 'plait', edits: [], locked: [] } },
  };
  const grid: NamedFix = {
    deed: 'Band a grid instead: it holds short hair',
    change: { kind: 'setBase', change: { family: 'grid', boxFingers: 1.5, edits: [], locked: [] } },
  };
  return {
    code: 'base.tooShort',
    severity: 'caution',
    station: 'base',
    what: short.length === 1 ? 'One section can’t be bound.' : `${short.length} sections can’t be bound.`,
    why: `${named(short)}: your hair is ${mm(short[0].hairLengthMm)}; to reach the tie and be bound it takes ${mm(longest)}. Short hair holds only in little: about nine small ones are usual.`,
    sectionIds: short.map((s) => s.id),
    ...(family === 'tied' && behind + front < 9
      ? { fix: nine, otherwise: grid }
      : family === 'grid'
        ? {}
        : { fix: grid }),
  };
};

const cantReach: Check = (inputs, result) => {
  if (inputs.base.family === 'found') return undefined;
  const far = tied(result).filter((s) => s.hairLengthMm >= s.neededToBindMm && s.hairLengthMm < s.neededToReachMm);
  if (far.length === 0) return undefined;
  const parking = Object.fromEntries(far.map((s) => [s.id, { how: 'folded' as const }]));
  return {
    code: 'base.cantReach',
    severity: 'caution',
    station: 'base',
    what:
      far.length === 1
        ? 'One tail doesn’t reach where it is parked.'
        : `${far.length} tails don’t reach where they are parked.`,
    why: `${named(far)}: ${mm(far[0].hairLengthMm)} of hair, ${mm(far[0].neededToReachMm)} needed.`,
    sectionIds: far.map((s) => s.id),
    ...(far.every((s) => s.parking.how === 'folded')
      ? {}
      : {
          fix: {
            deed: far.length === 1 ? 'Fold and band it' : 'Fold and band them',
            change: { kind: 'park', parking },
          },
        }),
  };
};

const freshEnds: Check = (inputs, result) => {
  const { family, tipsWaxed } = inputs.base;
  if (!inputs.ownHair.freshEnds || tipsWaxed || ['found', 'laidFlat', 'grid', 'threaded', 'puff'].includes(family)) {
    return undefined;
  }
  const plaited = tied(result).filter((s) => s.tail !== 'smooth');
  if (plaited.length === 0) return undefined;
  return {
    code: 'base.freshEnds',
    severity: 'caution',
    station: 'base',
    what: 'Fresh ends slide out of plaits.',
    why: `They are blunt, so all ${plaited.length} want wax and a second band at the tip, or a clip.`,
    fix: { deed: 'Wax the tips, band them twice', change: { kind: 'setBase', change: { tipsWaxed: true } } },
  };
};

/** Below this a root can't be gathered into a band: half a finger square (common practice). */
const LEAST_BOX_MM = 11;
/** Fewer hairs than this carry nothing (guess). */
const LEAST_HAIRS = 120;

const boxTooSmall: Check = (inputs, result) => {
  if (inputs.base.family === 'laidFlat' || inputs.base.family === 'found') return undefined;
  const small = tied(result).filter((s) => s.areaMm2 < LEAST_BOX_MM * LEAST_BOX_MM || s.hairs < LEAST_HAIRS);
  if (small.length === 0) return undefined;
  const larger = Math.min(BASE_LIMITS.boxFingers[1], inputs.base.boxFingers + 0.25);
  const isGrid = inputs.base.family === 'grid' && small.length > 3;
  const neighbour = result.base.lines.find((line) => line.a === small[0].id || line.b === small[0].id);
  const other = neighbour && (neighbour.a === small[0].id ? neighbour.b : neighbour.a);
  const merge: BaseEdit | undefined = other ? { op: 'merge', a: other, b: small[0].id } : undefined;
  return {
    code: 'base.boxTooSmall',
    severity: 'caution',
    station: 'base',
    what: small.length === 1 ? 'One section is too small to tie.' : `${small.length} sections are too small to tie.`,
    why: `${named(small)}: ${Math.round(small[0].areaMm2)} mm² with about ${Math.round(small[0].hairs)} hairs. Few hairs carry badly and hurt.`,
    sectionIds: small.map((s) => s.id),
    ...(isGrid
      ? {
          fix: {
            deed: 'Make the boxes a quarter finger wider',
            change: { kind: 'setBase', change: { boxFingers: larger } },
          } as const,
        }
      : merge
        ? { fix: { deed: 'Merge it with its neighbour', change: { kind: 'editBase', edits: [merge] } } as const }
        : {}),
  };
};

/** Share of a section from which a tender spot in it matters. */
const TENDER_SHARE = 0.04;

const acrossTender: Check = (inputs, result) => {
  if (inputs.base.family === 'found' || inputs.base.family === 'laidFlat') return undefined;
  const sore = tied(result).filter((s) => s.tenderShare > TENDER_SHARE);
  if (sore.length === 0) return undefined;
  const edits = result.base.tieMoves.offTender;
  return {
    code: 'base.acrossTender',
    severity: 'caution',
    station: 'base',
    what:
      sore.length === 1
        ? 'A section lies across a tender or thin spot.'
        : `${sore.length} sections lie across a tender or thin spot.`,
    why: `${named(sore)}. ${sore.length > 1 ? 'Of the first ' : ''}${Math.round(100 * sore[0].tenderShare)} % ${sore.length > 1 ? 'is' : 'of it is'} tender, and its roots are pulled towards the tie: tie it loosely${edits.length > 0 ? ', and not on the spot itself' : ''}, and let it carry half.`,
    sectionIds: sore.map((s) => s.id),
    ...(edits.length > 0
      ? {
          fix: {
            deed: edits.length === 1 ? 'Move the tie off the spot' : `Move ${edits.length} ties off the spots`,
            change: { kind: 'editBase', edits },
          } as const,
        }
      : {}),
  };
};

const parcelBesidePart: Check = (inputs, result) => {
  if (['laidFlat', 'found', 'grid', 'threaded', 'flatTwists'].includes(inputs.base.family)) return undefined;
  const { besidePart, offPart: edits } = result.base.tieMoves;
  const near = tied(result).filter((s) => besidePart.includes(s.id));
  if (near.length === 0) return undefined;
  return {
    code: 'base.parcelByPart',
    severity: 'note',
    station: 'base',
    what: near.length === 1 ? 'A tie lies beside the part.' : `${near.length} ties lie beside the part.`,
    why: `${named(near)}: the parcel beside the part is drawn away from it, so that the part lies flat.`,
    sectionIds: near.map((s) => s.id),
    ...(edits.length > 0
      ? {
          fix: {
            deed: near.length === 1 ? 'Draw it away' : 'Draw them away',
            change: { kind: 'editBase', edits },
          } as const,
        }
      : {}),
  };
};

const shifts: Check = (inputs) => {
  const { family, tail } = inputs.base;
  const four = { family: 'tied', behind: 2, front: 2, tail: 'plait', edits: [], locked: [] } as const;
  if (family === 'laidFlat') {
    return {
      code: 'base.shifts',
      severity: inputs.cap.dome === 'none' ? 'stop' : 'caution',
      station: 'base',
      what: inputs.cap.dome === 'none' ? 'Nothing holds this base.' : 'This base shifts easily.',
      why: 'Nothing is tied. A base that shifts makes the style shift; firmness comes from larger sections, flat hair and a tied root, not from a tighter net.',
      fix: { deed: 'Tie four plaits instead', change: { kind: 'setBase', change: four } },
    };
  }
  if (
    tail !== 'smooth' ||
    inputs.cap.dome !== 'none' ||
    !['tied', 'crossed', 'behindPart', 'halfUp'].includes(family)
  ) {
    return undefined;
  }
  return {
    code: 'base.shifts',
    severity: 'caution',
    station: 'base',
    what: 'Smooth tails without a net shift.',
    why: 'Pieces hooked into brushed hair draw it out of its tie. Plaited it stays.',
    fix: { deed: 'Plait them', change: { kind: 'setBase', change: { tail: 'plait' } } },
  };
};

/** From this age rows and plaits have grown out of their roots, days (common practice: six weeks). */
const GROWN_OUT_DAYS = 42;
/** Hair grows about so much a day, mm (from memory: a centimetre a month). */
const GROWTH_MM_A_DAY = 0.35;

const grownOut: Check = (inputs) => {
  const { family, found } = inputs.base;
  if (family !== 'found' || found.ageDays <= GROWN_OUT_DAYS) return undefined;
  return {
    code: 'base.grownOut',
    severity: 'caution',
    station: 'base',
    what: 'This base has grown out.',
    why: `After ${found.ageDays} days about ${Math.round(found.ageDays * GROWTH_MM_A_DAY)} mm of new hair lie under it: it swings, tangles at the root and pulls where it hangs. Take it down and rest before anything is hooked in.`,
  };
};

const lumps: Check = (inputs, result) => {
  const { bumps } = result.base;
  if (bumps.lumps.length === 0 || inputs.base.family === 'puff') return undefined;
  const [top] = bumps.lumps;
  const makers = top.sections.map((i) => result.base.sections[i]).filter((s) => s !== undefined);
  const canMove = !['laidFlat', 'grid', 'threaded', 'found'].includes(inputs.base.family);
  return {
    code: 'base.lump',
    severity: 'caution',
    station: 'base',
    what: bumps.lumps.length === 1 ? 'The base makes a lump.' : `The base makes ${bumps.lumps.length} lumps.`,
    why: `${Math.round(top.heightMm)} mm at its highest, ${top.words} (named from ${LUMP_MM} mm)${makers.length > 0 ? `: ${named(makers)}` : ''}. Bulk stands up; spread tails lie flat.`,
    sectionIds: makers.map((s) => s.id),
    ...(canMove ? { fix: { deed: 'Find a flatter parking', change: { kind: 'flattenBase' } } as const } : {}),
  };
};

const overCarried: Check = (inputs, result) => {
  // What stays in sight bears nothing, unless she puts pieces into it.
  const into = new Set(result.intoBase.flatMap((e) => e.sections.map((s) => s.section)));
  const over = result.base.sections.filter((s) => {
    if (s.role !== 'base' && !into.has(s.id)) return false;
    const load = result.load.sections.find((l) => l.sectionId === s.id);
    return load !== undefined && load.onHairG[1] > s.carriesG[1];
  });
  if (over.length === 0) return undefined;
  const load = result.load.sections.find((l) => l.sectionId === over[0].id)!;
  return {
    code: 'base.overCarried',
    severity: 'caution',
    station: 'base',
    what: over.length === 1 ? 'One section carries a lot.' : `${over.length} sections carry a lot.`,
    why: `${named(over)}: up to ${Math.round(load.onHairG[1])} g hang on it; it may bear ${over[0].carriesG.map(Math.round).join(' to ')} g (a guess, and no promise). Pain, bumps or headache mean too much: take some out.`,
    sectionIds: over.map((s) => s.id),
    ...(inputs.cap.dome === 'none'
      ? {
          fix: {
            deed: 'Put a closed cap over the base',
            change: { kind: 'setCap', change: { dome: 'closed' } },
          } as const,
        }
      : {}),
  };
};

const lostEdits: Check = (_, result) => {
  const { lostEdits: lost } = result.base;
  if (lost.length === 0) return undefined;
  return {
    code: 'base.lostEdit',
    severity: 'caution',
    station: 'base',
    what: lost.length === 1 ? 'One of your changes no longer fits.' : `${lost.length} of your changes no longer fit.`,
    why: `${lost[0].why} It is kept, but not laid, since the sections are others now.`,
    fix: {
      deed: lost.length === 1 ? 'Forget that change' : 'Forget those changes',
      change: { kind: 'dropEdits', ids: lost.map((l) => l.id) },
    },
  };
};

const capOverBase: Check = (inputs, { cap }) => {
  if (inputs.cap.dome === 'none' || cap.sizeName === cap.bareSizeName) return undefined;
  return {
    code: 'cap.overBase',
    severity: 'note',
    station: 'cap',
    what: `Buy the cap for the base: ${cap.sizeName}.`,
    why: `Your head alone is ${mm(cap.girthBareMm)} round, which would be ${cap.bareSizeName}; over the parked base a tape reads ${mm(cap.girthOverBaseMm)}.`,
  };
};

const bandsLatex: Check = (_, result) => {
  const bands = result.base.consumables.find((c) => /bands/.test(c.name));
  if (!bands) return undefined;
  return {
    code: 'base.bandsLatex',
    severity: 'note',
    station: 'base',
    what: 'Small bands may hold latex.',
    why: `${bands.count} of them lie on your scalp. Wear one at the wrist for a day first; oil them before, and cut them off later, never drag.`,
  };
};

/** In the order in which they are told where they weigh the same. */
export const BASE_CHECKS: readonly Check[] = [
  tooShort,
  shifts,
  cantReach,
  boxTooSmall,
  acrossTender,
  lostEdits,
  lumps,
  parcelBesidePart,
  freshEnds,
  overCarried,
  grownOut,
  capOverBase,
  bandsLatex,
];
