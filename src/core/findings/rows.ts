/** What can go wrong with rows and knots: a scheme the base can't carry, hand changes that were lost, knots that show. */

import {
  CROWDED,
  FAMILY_INFO,
  gapsInWords,
  LEAST_CENTRES_MM,
  lowerFirst,
  SCHEME_INFO,
  type SpacingZone,
  TEXTURE_INFO,
  upperFirst,
  ZONES,
  zoneName,
} from '../trade/index.ts';
import type { Check } from './check.ts';
import { mainProduct } from './hair.ts';

/** The base that a scheme asks for. */
const FAMILY_FOR = { grid: 'grid', rods: 'threaded', fromTie: 'puff', found: 'flatTwists' } as const;

const cannotLay: Check = (inputs, { rowScheme }) => {
  const { scheme } = inputs.rows;
  if (!rowScheme.cannotLay) return undefined;
  const family = FAMILY_FOR[scheme as keyof typeof FAMILY_FOR];
  return {
    code: 'rows.cannotLay',
    severity: 'stop',
    station: 'rows',
    what: `“${SCHEME_INFO[scheme].name}” can’t be laid on this base.`,
    why: rowScheme.cannotLay,
    fix: {
      deed: `Lay rows: ${lowerFirst(SCHEME_INFO.joined.name)}`,
      change: { kind: 'setRows', change: { scheme: 'joined' } },
    },
    ...(family
      ? {
          otherwise: {
            deed: `Change the base: ${lowerFirst(FAMILY_INFO[family].name)}`,
            change: { kind: 'chooseFamily', family } as const,
          },
        }
      : {}),
  };
};

const followsBase: Check = (inputs, { rowScheme }) => {
  const { family } = inputs.base;
  const { scheme } = inputs.rows;
  if (inputs.cap.dome !== 'none' || rowScheme.cannotLay || inputs.rows.intoBase.length > 0) return undefined;
  const wanted =
    family === 'grid' ? 'grid' : family === 'threaded' ? 'rods' : family === 'puff' ? 'fromTie' : undefined;
  if (wanted === undefined || wanted === scheme) return undefined;
  return {
    code: 'rows.notOnBase',
    severity: 'caution',
    station: 'rows',
    what: `Rows lie beside the ${lowerFirst(FAMILY_INFO[family].name)}.`,
    why: 'Without a cap pieces go where the base gives them something to hook onto.',
    fix: {
      deed: `Lay them: ${lowerFirst(SCHEME_INFO[wanted].name)}`,
      change: { kind: 'setRows', change: { scheme: wanted } },
    },
  };
};

const lostChanges: Check = (inputs, { rowScheme }) => {
  const lost = rowScheme.lostChanges;
  if (lost.length === 0) return undefined;
  const ids = [...new Set(lost.map((l) => l.id))];
  return {
    code: 'rows.lostChange',
    severity: 'caution',
    station: 'rows',
    what:
      ids.length === 1 ? 'One change by hand could not be kept.' : `${ids.length} changes by hand could not be kept.`,
    why: `Change ${inputs.rows.hand.findIndex((h) => h.id === lost[0].id) + 1}: ${lost[0].why}. It is remembered and comes back when there is room for it again.`,
    fix: {
      deed: ids.length === 1 ? 'Forget that change' : 'Forget those changes',
      change: { kind: 'dropHand', ids },
    },
  };
};

const lostWishes: Check = (_, { rowScheme }) => {
  const lost = rowScheme.lostWishes;
  if (lost.length === 0) return undefined;
  const ids = [...new Set(lost.map((l) => l.id))];
  return {
    code: 'rows.lostWish',
    severity: 'caution',
    station: 'rows',
    what:
      ids.length === 1 ? 'A knot of your choice can’t be made.' : `${ids.length} knots of your choice can’t be made.`,
    why: `${upperFirst(lost[0].why)}. The rules decide there meanwhile.`,
    fix: {
      deed: ids.length === 1 ? 'Let the rules decide there' : 'Let the rules decide at those',
      change: { kind: 'dropWishes', ids },
    },
  };
};

const smoothLeftOpen: Check = (inputs, { knots }) => {
  if (TEXTURE_INFO[mainProduct(inputs).texture].springy) return undefined;
  const open = knots.filter((k) => k.exposed && k.schools.exposed === 'springy' && k.schools.oneLeg === 'exposed');
  if (open.length === 0) return undefined;
  return {
    code: 'rows.smoothLeftOpen',
    severity: 'caution',
    station: 'rows',
    what: `${open.length} knots would show.`,
    why: 'This hair doesn’t spring and spread, so it does not hide its own knots.',
    knotIds: open.map((k) => k.id),
    fix: { deed: 'One-leg at open places', change: { kind: 'setSchool', school: 'exposed', value: 'oneLeg' } },
  };
};

/** Below this knots stand one above the other about as often as not (measured: a random phase gives 0.5). */
const WORST_BRICKS = 0.6;

const poorBricks: Check = (inputs, { rowScheme, knots }) => {
  const given = inputs.rows.scheme === 'grid' || inputs.rows.scheme === 'rods';
  if (given || knots.length < 20 || rowScheme.brickScore >= WORST_BRICKS) return undefined;
  return {
    code: 'rows.poorBricks',
    severity: 'note',
    station: 'rows',
    what: 'Many knots stand one above the other.',
    why: `Bricks ${rowScheme.brickScore.toFixed(2)} (1 is best, 0.5 random). Gaps line up and scalp shows through; move knots by hand, or let the scheme lay them.`,
  };
};

/** A part shorter than told by this, or moved in by this, is worth a word, mm. */
const PART_SLACK_MM = 3;

const partOffHead: Check = ({ part, parting }, { part: { lengthMm, movedInMm, second } }) => {
  if (part.kind !== 'line' || lengthMm === undefined || movedInMm === undefined) return undefined;
  return (
    offHead('The part', part.lengthMm, { lengthMm, movedInMm }) ??
    (parting.second && second && offHead('The second part', parting.second.lengthMm, second))
  );
};

function offHead(
  name: string,
  toldMm: number,
  { lengthMm, movedInMm }: { readonly lengthMm: number; readonly movedInMm: number },
): ReturnType<Check> {
  const short = toldMm - lengthMm;
  if (short <= PART_SLACK_MM && movedInMm <= PART_SLACK_MM) return undefined;
  return {
    code: 'rows.partOffHead',
    severity: 'caution',
    station: 'rows',
    what: short > PART_SLACK_MM ? `${name} is too long for the head.` : `${name} begins too far aside.`,
    why:
      short > PART_SLACK_MM
        ? `It is told to run ${Math.round(toldMm)} mm and reaches the hairline or the nape after ${Math.round(lengthMm)}. Everything is worked out with the shorter one.`
        : `There is no front hairline so far out: it begins ${Math.round(movedInMm)} mm nearer to the middle. Everything is worked out with that.`,
  };
}

/** So many knots left out are a few. */
const FEW_LEFT_OUT = 3;

const leftOut: Check = (_, { rowScheme, knots }) => {
  const n = rowScheme.thinnedOutKnots;
  if (n === 0) return undefined;
  return {
    code: 'rows.leftOut',
    severity: n > FEW_LEFT_OUT && n > knots.length / 20 ? 'caution' : 'note',
    station: 'rows',
    what: n === 1 ? 'One knot was left out.' : `${n} knots were left out.`,
    why: 'Two rows come so near to each other there that two knots would sit on each other; the one nearer to the end of its row goes.',
  };
};

export const ROW_CHECKS: readonly Check[] = [
  partOffHead,
  leftOut,
  cannotLay,
  followsBase,
  lostChanges,
  lostWishes,
  smoothLeftOpen,
  poorBricks,
];

export const knotsCrowd: Check = (inputs, { pieces, spacing }) => {
  if (inputs.spacing.said === 'clear' || inputs.rows.scheme === 'grid') return undefined;
  const widthIn = (z: SpacingZone) => pieces.find((p) => p.cut === inputs.pieces[z].cut)!.knotWidthMm;
  const crowded = ZONES.filter(
    (z) => spacing.fingers[z] * inputs.fingerMm < Math.max(LEAST_CENTRES_MM, CROWDED * widthIn(z)),
  );
  if (crowded.length === 0) return undefined;
  const widest = Math.max(...crowded.map(widthIn));
  const fits = Object.fromEntries(
    crowded.map((z) => [z, Math.ceil((4 * Math.max(LEAST_CENTRES_MM, widthIn(z))) / inputs.fingerMm) / 4]),
  );
  return {
    code: 'spacing.crowded',
    severity: 'caution',
    station: 'rows',
    what: 'Knots would sit on each other.',
    why: `${crowded.map((z) => lowerFirst(zoneName(z, inputs.part.kind))).join(', ')}: ${crowded.map((z) => Math.round(spacing.centresMm[z])).join(', ')} mm from knot to knot; one is about ${Math.round(widest)} mm wide. Nearer than ${LEAST_CENTRES_MM} mm nothing is laid.`,
    fix: {
      deed: `Set ${gapsInWords(fits, inputs.part.kind)}`,
      change: { kind: 'setSpacing', fingers: fits },
    },
  };
};

export const tenderThroughHair: Check = (inputs, { knots }) => {
  const on = knots.filter((k) => k.tenderOrThin && k.through !== 'net' && k.pieceZone !== 'border');
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
          fix: {
            deed: 'Put a closed cap over the base',
            change: { kind: 'setCap', change: { dome: 'closed' } } as const,
          },
        }
      : {
          fix: {
            deed: on.length === 1 ? 'Hook it through the net only' : `Hook all ${on.length} through the net only`,
            change: { kind: 'setSchool', school: 'tender', value: 'netOnly' } as const,
          },
        }),
  };
};

export const noKnots: Check = (_, { knots, rowScheme }) => {
  if (knots.length > 0 || rowScheme.cannotLay) return undefined;
  return {
    code: 'rows.none',
    severity: 'stop',
    station: 'rows',
    what: 'There is no place left for a piece.',
    why: 'Own hair in sight and no-go spots leave no room for a row. Wipe out a part of them in Measure, or choose another base.',
  };
};
