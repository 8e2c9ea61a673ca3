/** What can go wrong with a cap: its size, its opening, and what holds it. */

import { passesHole } from '../hair/index.ts';
import { CAP_LIMITS } from '../trade/index.ts';
import type { Check } from './check.ts';

const cm = (v: number) => `${(v / 10).toFixed(1)} cm`;

const tight: Check = (inputs, { cap }) => {
  if (inputs.cap.dome === 'none' || cap.fit !== 'tight') return undefined;
  return {
    code: 'cap.tight',
    severity: 'caution',
    station: 'cap',
    what: 'This cap is too small over your base.',
    why: `It has to stretch to ${(cap.girthOverBaseMm / inputs.cap.girthMm).toFixed(2)} of its length and gives ${inputs.cap.stretch}. A tight border presses on the edges: pain, bumps or headache mean take it off.`,
    fix: {
      deed: `Take one of ${cm(sizeFor(cap.girthOverBaseMm, inputs.cap.stretch))}`,
      change: { kind: 'setCap', change: { girthMm: sizeFor(cap.girthOverBaseMm, inputs.cap.stretch) } },
    },
  };
};

const slack: Check = (inputs, { cap }) => {
  if (inputs.cap.dome === 'none' || cap.fit !== 'slack' || inputs.cap.surplus) return undefined;
  return {
    code: 'cap.slack',
    severity: 'caution',
    station: 'cap',
    what: 'This cap bags on your head.',
    why: `It is ${cm(inputs.cap.girthMm)} round as it lies; a tape over your base reads ${cm(cap.girthOverBaseMm)}. It shifts, and the style with it. Stretch decides about size more than the label.`,
    fix: {
      deed: `Take one of ${cm(sizeFor(cap.girthOverBaseMm, inputs.cap.stretch))}`,
      change: { kind: 'setCap', change: { girthMm: sizeFor(cap.girthOverBaseMm, inputs.cap.stretch) } },
    },
    otherwise: { deed: 'Tie the surplus off behind', change: { kind: 'setCap', change: { surplus: true } } },
  };
};

/** Half of what it gives: snug, with something left (common practice, no source). */
function sizeFor(girthMm: number, stretch: number): number {
  const wanted = girthMm / (1 + (stretch - 1) / 2);
  const [low, high] = CAP_LIMITS.girthMm;
  return Math.round(Math.min(high, Math.max(low, wanted)));
}

const emptyBack: Check = (inputs, { cap }) => {
  if (cap.emptyBackMm < 5) return undefined;
  return {
    code: 'cap.emptyBack',
    severity: 'note',
    station: 'cap',
    what: `Its lowest ${cm(cap.emptyBackMm)} stay empty behind.`,
    why: `The cap is deeper (${cm(inputs.cap.depthMm)}) than your head from front to nape (${cm(cap.depthMm)}). Fit it on the head that will wear it; what hangs below the nape is tied off or left without pieces.`,
  };
};

const openingShort: Check = (inputs, { cap }) => {
  const { partOnNetMm, lengthMm } = cap.opening;
  if (inputs.cap.opening === 'slit' || lengthMm === 0 || partOnNetMm < 5 || inputs.part.kind !== 'line')
    return undefined;
  const longer = Math.min(CAP_LIMITS.openingMm[1], Math.round(inputs.part.lengthMm));
  return {
    code: 'cap.openingShort',
    severity: 'caution',
    station: 'cap',
    what: `${cm(partOnNetMm)} of the part lie on closed net.`,
    why: `The opening is ${cm(lengthMm)} long, the part ${cm(inputs.part.lengthMm)}. Behind the opening net shows instead of scalp, unless hair falls over it.`,
    fix: { deed: `Make the opening ${cm(longer)}`, change: { kind: 'setCap', change: { openingMm: longer } } },
  };
};

const cutOutOnTender: Check = (_, { knots }) => {
  const on = knots.filter((k) => k.onNet === 'cutOut' && k.tenderOrThin);
  if (on.length === 0) return undefined;
  return {
    code: 'cap.cutOutOnTender',
    severity: 'caution',
    station: 'cap',
    what:
      on.length === 1
        ? 'A piece in the cut-out hangs on a tender spot.'
        : `${on.length} pieces in the cut-out hang on a tender spot.`,
    why: 'Inside a cut-out the net carries nothing: own hair alone does. No tender or thin place should. Leave the net closed there, or move the part.',
    knotIds: on.map((k) => k.id),
    fix: { deed: 'Leave the cap uncut', change: { kind: 'setCap', change: { opening: 'none' } } },
  };
};

const cornersUnheld: Check = (inputs, { cap }) => {
  if (inputs.cap.dome === 'none' || ['none', 'openU', 'slit'].includes(inputs.cap.opening)) return undefined;
  const corners = cap.anchors.find((a) => a.place === 'corners');
  if (!corners || corners.pins === 0 || inputs.cap.wig) return undefined;
  return {
    code: 'cap.cornersUnheld',
    severity: 'caution',
    station: 'cap',
    what: 'The corners are held by pins alone.',
    why: `Rows bring ${corners.knotIds.length} anchors to the temples. Nothing is cut before the corners hold, or the opening gapes: pin them, or take a cap with side combs.`,
    fix: { deed: 'Combs at the sides', change: { kind: 'setCap', change: { combs: [...inputs.cap.combs, 'sides'] } } },
  };
};

const wigUnheld: Check = (inputs) => {
  const { cap } = inputs;
  if (!cap.wig || cap.dome === 'none' || cap.wigHolds.length > 0) return undefined;
  return {
    code: 'cap.wigUnheld',
    severity: 'caution',
    station: 'cap',
    what: 'Nothing holds the wig yet.',
    why: 'Combs, a strap, pins or a few pieces do. The band alone slides back.',
    fix: { deed: 'Hold it by a strap', change: { kind: 'setCap', change: { wigHolds: ['strap'], strap: true } } },
  };
};

const holesSmall: Check = (inputs, { cap, pieces, knots }) => {
  if (inputs.cap.dome === 'none') return undefined;
  const hole = Math.min(cap.onForm.holeAcrossMm, cap.onForm.holeUpMm);
  const tooThick = pieces.filter((p) => !passesHole(p, hole) && knots.some((k) => k.cut === p.cut));
  if (tooThick.length === 0) return undefined;
  const [piece] = tooThick;
  return {
    code: 'cap.holesSmall',
    severity: 'caution',
    station: 'cap',
    what: 'The pieces are too thick for its holes.',
    why: `Folded, a piece is about ${piece.thicknessMm.toFixed(1)} mm thick (a guess); a hole is ${hole.toFixed(1)} mm as stretched. Drawing it through tears the net: split it, or take a wider net.`,
    fix: { deed: 'Split them in two', change: { kind: 'setCut', cut: piece.cut, change: { split: 2 } } },
  };
};

/** Judged on the head that wears it, with what is on it. */
export const ON_WEARER: readonly Check[] = [tight, cutOutOnTender, wigUnheld, slack, cornersUnheld, emptyBack];

export const CAP_CHECKS: readonly Check[] = [
  tight,
  cutOutOnTender,
  wigUnheld,
  slack,
  openingShort,
  cornersUnheld,
  holesSmall,
  emptyBack,
];
