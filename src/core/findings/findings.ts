/**
 * The one way in which the core says that something is wrong, risky or worth knowing: where, the figure, why
 * it matters, and what would mend it. Thresholds are common practice or guesses, said beside each.
 */

import { TEXTURE_INFO } from '../hair/textures.ts';
import { CONTRADICTION_LIMIT, REFUSE_CHI_SQUARE } from '../head/fit.ts';
import { TAPE_INFO, TAPE_MEASURES } from '../head/tape.ts';
import { type PlanInputs, type SpacingZone, ZONES, zoneName } from '../pipeline/inputs.ts';
import { LEAST_CENTRES_MM } from '../pipeline/spacing.ts';
import { lowerFirst } from '../words.ts';
import { BASE_CHECKS } from './base-findings.ts';
import { CAP_CHECKS } from './cap-findings.ts';
import { type Check, mm, type Result } from './check.ts';
import type { Finding, Severity } from './finding.ts';
import { HAIR_CHECKS, mainProduct, productOf } from './hair-findings.ts';
import { ROW_CHECKS } from './row-findings.ts';

export function findings(inputs: PlanInputs, result: Result): Finding[] {
  const order: Record<Severity, number> = { stop: 0, caution: 1, note: 2 };
  return [...CHECKS, ...BASE_CHECKS, ...CAP_CHECKS, ...HAIR_CHECKS, ...ROW_CHECKS]
    .map((check) => check(inputs, result))
    .filter((f): f is Finding => f !== undefined)
    .sort((a, b) => order[a.severity] - order[b.severity]);
}

const impossibleHead: Check = (_, { head }) => {
  if (head.fit.chiSquare <= REFUSE_CHI_SQUARE) return undefined;
  // One wrong reading is named by the next check, with the value that mends it.
  const culprit = head.fit.measures.find((m) => m.measure === head.fit.contradictory);
  if (culprit && (culprit.othersChiSquare ?? Number.POSITIVE_INFINITY) <= REFUSE_CHI_SQUARE) return undefined;
  return {
    code: 'measure.impossible',
    severity: 'stop',
    station: 'measure',
    what: 'These measures can’t belong to one head.',
    why: 'The head shown is the nearest one that can exist. Take all six again before you trust any count.',
  };
};

const contradictoryMeasure: Check = (_, { head }) => {
  const name = head.fit.contradictory;
  if (!name) return undefined;
  const m = head.fit.measures.find((f) => f.measure === name)!;
  const suggested = Math.round(m.othersSuggestMm!);
  return {
    code: 'measure.contradictory',
    severity: 'caution',
    station: 'measure',
    measure: name,
    what: `${TAPE_INFO[name].name} doesn’t go with the others.`,
    why: `You read ${mm(m.givenMm!)}; the others suggest ${mm(suggested)}, give or take ${mm(m.othersSdMm! * 2)}. It is ${Math.abs(m.contradiction!).toFixed(1)} spreads off (named from ${CONTRADICTION_LIMIT}). Measure it again.`,
    mend: { deed: `Take ${mm(suggested)} for now`, change: { kind: 'setMeasure', measure: name, mm: suggested } },
    otherwise: {
      deed: `Keep ${mm(m.givenMm!)}, I measured it again`,
      change: { kind: 'trustMeasure', measure: name },
    },
  };
};

/** Both ends of the tape from front to nape lie on the hairline; moved apart by more than this they contradict it, mm. */
const HAIRLINE_SLACK_MM = 12;

const hairlineAgainstTape: Check = ({ tape, hairline }) => {
  const read = tape.frontToNape;
  const longer = -(hairline.front + hairline.nape);
  if (read === undefined || Math.abs(longer) <= HAIRLINE_SLACK_MM) return undefined;
  return {
    code: 'measure.hairlineAgainstTape',
    severity: 'caution',
    station: 'measure',
    measure: 'frontToNape',
    what: 'The hairline you drew and the tape disagree.',
    why: `From the middle of its front to the middle of its nape it is ${mm(read + longer)}; your tape read ${mm(read)}. Measure that one again, from edge to edge.`,
    mend: { deed: 'Put both middles back on the tape', change: { kind: 'resetHairline' } },
  };
};

const estimatedMeasures: Check = (inputs) => {
  const missing = TAPE_MEASURES.filter((m) => inputs.tape[m] === undefined);
  if (missing.length === 0) return undefined;
  return {
    code: 'measure.estimated',
    severity: 'note',
    station: 'measure',
    what: missing.length === 1 ? 'One measure is estimated.' : `${missing.length} measures are estimated.`,
    why: `${missing.map((m) => lowerFirst(TAPE_INFO[m].name)).join(', ')}: worked out from the others and from how heads usually are.`,
  };
};

/** A gap may exceed the texture's width by this before it is called too wide. */
const COVER_TOLERANCE = 1.02;

const spacingBeyondTexture: Check = (inputs, { pieces, spacing, rowScheme }) => {
  // On bands and rods the base says where pieces go.
  if (inputs.rows.scheme === 'grid' || inputs.rows.scheme === 'rods' || rowScheme.cannotLay) return undefined;
  const pieceOf = (z: SpacingZone) => pieces.find((p) => p.cut === inputs.pieces[z].cut)!;
  const widest = (z: SpacingZone) => pieceOf(z).coversFingers * FINGER_OF_TABLE_MM;
  const wide = ZONES.filter((z) => spacing.centresMm[z] > widest(z) * COVER_TOLERANCE);
  if (wide.length === 0) return undefined;
  const fits = (z: SpacingZone) => {
    const clear = inputs.spacing.said === 'clear' ? pieceOf(z).knotWidthMm : 0;
    return Math.max(0.25, Math.floor((4 * (widest(z) - clear)) / inputs.fingerMm) / 4);
  };
  const least = Math.min(...wide.map(fits));
  const [first] = wide;
  const texture = TEXTURE_INFO[productOf(inputs, pieceOf(first).product).texture].name;
  return {
    code: 'spacing.tooWide',
    severity: 'caution',
    station: 'rows',
    what: `Wider than ${texture} hair can cover.`,
    why: `${wide.map((z) => lowerFirst(zoneName(z, inputs.part.kind))).join(', ')}: ${wide.map((z) => Math.round(spacing.centresMm[z])).join(', ')} mm from knot to knot; a piece of ${pieceOf(first).massG.toFixed(1)} g covers about ${Math.round(widest(first))} mm (a guess until a first row is in).`,
    mend: {
      deed: `Set ${wide.length === 1 ? 'it' : 'them'} to ${least} ${least === 1 ? 'finger' : 'fingers'}`,
      change: { kind: 'setSpacing', fingers: Object.fromEntries(wide.map((z) => [z, least])) },
    },
  };
};
/** The texture table speaks of a finger of this width. */
const FINGER_OF_TABLE_MM = 18;

/** Knots sit on each other when they are nearer than this share of their width (guess). */
const CROWDED = 0.9;

const knotsCrowd: Check = (inputs, { pieces, spacing }) => {
  if (inputs.spacing.said === 'clear' || inputs.rows.scheme === 'grid') return undefined;
  const widthIn = (z: SpacingZone) => pieces.find((p) => p.cut === inputs.pieces[z].cut)!.knotWidthMm;
  const crowded = ZONES.filter(
    (z) => inputs.spacing.fingers[z] * inputs.fingerMm < Math.max(LEAST_CENTRES_MM, CROWDED * widthIn(z)),
  );
  if (crowded.length === 0) return undefined;
  const widest = Math.max(...crowded.map(widthIn));
  const fits = Math.ceil((4 * widest) / inputs.fingerMm) / 4;
  return {
    code: 'spacing.crowded',
    severity: 'caution',
    station: 'rows',
    what: 'Knots would sit on each other.',
    why: `${crowded.map((z) => lowerFirst(zoneName(z, inputs.part.kind))).join(', ')}: ${crowded.map((z) => Math.round(spacing.centresMm[z])).join(', ')} mm from knot to knot; one is about ${Math.round(widest)} mm wide. Nearer than ${LEAST_CENTRES_MM} mm nothing is laid.`,
    mend: {
      deed: `Set ${crowded.length === 1 ? 'it' : 'them'} to ${fits} ${fits <= 1 ? 'finger' : 'fingers'}`,
      change: { kind: 'setSpacing', fingers: Object.fromEntries(crowded.map((z) => [z, fits])) },
    },
  };
};

const smoothUnheld: Check = (inputs, { piece, knots }) => {
  const smooth = TEXTURE_INFO[mainProduct(inputs).texture].grip === 'smooth';
  if (!smooth || inputs.cap.dome !== 'none' || knots.every((k) => k.lock || k.kind === 'oneLeg')) return undefined;
  return {
    code: 'hold.smoothUnheld',
    severity: 'caution',
    station: 'hair',
    what: 'Smooth hair with neither net nor lock.',
    why: 'Straight into own hair it creeps out even with four wraps, and the large bites pull.',
    mend: piece.canLock
      ? { deed: 'Lock every knot with its band', change: { kind: 'setSchool', school: 'smoothHold', value: 'lock' } }
      : { deed: 'Put a closed cap over the base', change: { kind: 'setCap', change: { dome: 'closed' } } },
  };
};

/** Fillers after separating are usually a tenth to a quarter (common practice). */
const LEAST_RESERVE = 0.1;
const USUAL_RESERVE = 0.15;

const noReserve: Check = (_, { supply }) => {
  if (supply.leftOver >= LEAST_RESERVE * supply.pieces) return undefined;
  return {
    code: 'supply.noReserve',
    severity: 'caution',
    station: 'supply',
    what: 'Nothing is kept for gaps.',
    why: `${supply.leftOver} of ${supply.pieces + supply.leftOver} pieces would be over. Gaps show after separating; fillers of a tenth to a quarter are usual.`,
    mend: {
      deed: `Keep ${Math.round(USUAL_RESERVE * 100)} % for gaps`,
      change: { kind: 'setReserve', share: USUAL_RESERVE },
    },
  };
};

const loopStays: Check = (inputs, { knots, piece }) => {
  const { oneLeg, exposed } = inputs.schools;
  if (piece.canOneLeg || oneLeg === 'never' || (oneLeg === 'exposed' && exposed !== 'oneLeg')) return undefined;
  if (mainProduct(inputs).test.apart === 'clings') return undefined;
  const wanting =
    inputs.schools.oneLeg === 'everywhere'
      ? knots
      : knots.filter((k) => k.exposed && !TEXTURE_INFO[mainProduct(inputs).texture].springy);
  if (wanting.length === 0) return undefined;
  return {
    code: 'knot.loopStays',
    severity: 'caution',
    station: 'hair',
    what: `${wanting.length} one-leg knots on a loop that can’t come off.`,
    why: 'One side has to go through alone, so both sides must be free. They are planned as ordinary knots and may show; a thread loop, or one that comes off, would do it.',
    knotIds: wanting.map((k) => k.id),
    mend: { deed: 'Plan without one-leg knots', change: { kind: 'setSchool', school: 'oneLeg', value: 'never' } },
  };
};

const tenderThroughHair: Check = (inputs, { knots }) => {
  const on = knots.filter((k) => k.tenderOrThin && k.through !== 'net');
  if (on.length === 0) return undefined;
  return {
    code: 'tender.throughHair',
    severity: 'caution',
    station: 'rows',
    what:
      on.length === 1 ? 'One knot hangs on a tender or thin spot' : `${on.length} knots hang on a tender or thin spot`,
    why: 'that you marked. Hair there carries badly and hurts.',
    knotIds: on.map((k) => k.id),
    ...(inputs.cap.dome === 'none'
      ? {
          mend: {
            deed: 'Put a closed cap over the base',
            change: { kind: 'setCap', change: { dome: 'closed' } } as const,
          },
        }
      : {
          mend: {
            deed: on.length === 1 ? 'Hook it through the net only' : `Hook all ${on.length} through the net only`,
            change: { kind: 'setSchool', school: 'tender', value: 'netOnly' } as const,
          },
        }),
  };
};

/** From here a head of hair is felt by evening (guess). */
const HEAVY_G = 300;

const heavy: Check = (inputs, { load }) => {
  if (load.massG <= HEAVY_G) return undefined;
  const worst = Math.max(...load.sections.map((s) => s.timesOwnHair[1]));
  const fingers = Object.fromEntries(ZONES.map((z) => [z, inputs.spacing.fingers[z] + 0.25]));
  return {
    code: 'load.heavy',
    severity: 'caution',
    station: 'check',
    what: `${Math.round(load.massG)} g is heavy.`,
    why: `Wet it is ${Math.round(load.wetG[0])} to ${Math.round(load.wetG[1])} g; the fullest section carries up to ${worst.toFixed(1)} times the weight of its own hair. No figure promises safety: headache or sore roots mean take some out.`,
    mend: { deed: 'A quarter finger wider everywhere', change: { kind: 'setSpacing', fingers } },
  };
};

const splitTooFine: Check = (inputs) => {
  const bad = inputs.cuts.find((c) => c.split > productOf(inputs, c.product).strandsPerPiece);
  if (!bad) return undefined;
  const { strandsPerPiece } = productOf(inputs, bad.product);
  return {
    code: 'hair.splitTooFine',
    severity: 'stop',
    station: 'hair',
    what: `A piece of ${strandsPerPiece} strands can’t be split in ${bad.split}.`,
    why: 'A strand is the least that can be hooked.',
    mend: { deed: 'Hook whole pieces', change: { kind: 'setCut', cut: bad.id, change: { split: 1 } } },
  };
};

const latex: Check = (inputs) => {
  if (!inputs.products.some((p) => p.loop === 'slidingBand')) return undefined;
  return {
    code: 'hair.latex',
    severity: 'note',
    station: 'hair',
    what: 'The bands may hold latex.',
    why: 'It can cause allergy: wear one band at the wrist for a day first. Itching or a rash means leave it; ask a doctor if it stays.',
  };
};

const noKnots: Check = (_, { knots, rowScheme }) => {
  if (knots.length > 0 || rowScheme.cannotLay) return undefined;
  return {
    code: 'rows.none',
    severity: 'stop',
    station: 'rows',
    what: 'There is no place left for a piece.',
    why: 'Own hair in sight and no-go spots leave no room for a row. Wipe out a part of them in Measure, or choose another base.',
  };
};

const CHECKS: readonly Check[] = [
  noKnots,
  impossibleHead,
  contradictoryMeasure,
  hairlineAgainstTape,
  splitTooFine,
  tenderThroughHair,
  knotsCrowd,
  spacingBeyondTexture,
  smoothUnheld,
  loopStays,
  noReserve,
  heavy,
  estimatedMeasures,
  latex,
];
