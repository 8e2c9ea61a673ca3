/**
 * What the finished look has against the plan: too thin or too big for what she aimed at, bare places, knots that
 * show, bites that carry much. Thresholds are guesses, said beside each, and stand against what she aimed at.
 */

import { brushRadiusMm, meetsTheEye, michelson } from '../cover/index.ts';
import { directionDeg } from '../head/index.ts';
import { BITE_WORDS, type BiteGroup } from '../load/index.ts';
import { tan } from '../numerics/index.ts';
import type { Look, Plan, PlanInputs } from '../plan/index.ts';
import {
  isWorn,
  lowerFirst,
  PIECE_ZONE_NAMES,
  PIECE_ZONES,
  type PieceZone,
  percent,
  SPLITS,
  TEXTURE_INFO,
  ZONE_NAMES,
} from '../trade/index.ts';
import type { Finding } from './finding.ts';
import { groundOf, heavy, size, tooThin, tooWide } from './fullness.ts';
import { mainProduct } from './hair.ts';
import type { LookCheck } from './look-check.ts';

export function lookFindings(inputs: PlanInputs, result: Plan, look: Look): Finding[] {
  if (result.knots.length === 0) return [];
  return LOOK_CHECKS.filter((check) => isWorn(inputs.madeFor) || !ASKS_WEARER.has(check))
    .map((check) => check(inputs, result, look))
    .filter((f): f is Finding => f !== undefined);
}

/** A patch that a fingertip does not hide is told; beside the part scalp is meant to show. */
const WIDE_FINGERS = 1;
const BRUSH_FULLER = 0.8;

const barePatch: LookCheck = (inputs, { spacing }, { patches }) => {
  const wide = patches.filter((p) => p.widthMm > WIDE_FINGERS * inputs.fingerMm);
  const [worst] = wide;
  if (!worst) return undefined;
  const fingers = Math.round((2 * worst.widthMm) / inputs.fingerMm) / 2;
  return {
    code: 'cover.bare',
    severity: 'caution',
    station: 'check',
    what: `A patch ${fingers === 1 ? 'one finger' : `${fingers} fingers`} wide shows.`,
    why: `At ${worst.words}. ${wide.length > 1 ? `There are ${wide.length} such places. ` : ''}Fuller there, or hair laid over it from beside.`,
    fix: {
      deed: 'Fuller there',
      change: {
        kind: 'brush',
        stroke: { points: [directionDeg(worst.atMm)], radiusMm: brushRadiusMm(worst, spacing.mm.gapMm) },
        factor: BRUSH_FULLER,
      },
    },
  };
};

const knotsSeen: LookCheck = (inputs, { knots }, look) => {
  const seen = knots.filter((_, i) => look.knots[i]?.by === 'nothing');
  if (seen.length === 0) return undefined;
  const { exposed, oneLeg } = knots.find((_, i) => look.knots[i]?.by === 'nothing')?.schools ?? inputs.schools;
  // Where hair that does not spring is asked, it is one-leg already.
  const isSo = exposed === 'oneLeg' || (exposed === 'byHair' && !TEXTURE_INFO[mainProduct(inputs).texture].springy);
  const could = !isSo || oneLeg !== 'exposed';
  return {
    code: 'knots.seen',
    severity: 'caution',
    station: 'check',
    what: seen.length === 1 ? 'One knot would be seen.' : `${seen.length} knots would be seen.`,
    why: `No hair falls over them: first at ${lowerFirst(seen[0].where.words)}. One-leg knots, hair laid over the line, or a back-combed root hide them.`,
    knotIds: seen.map((k) => k.id),
    ...(could
      ? {
          fix: {
            deed: 'One-leg knots where nothing falls over',
            change: {
              kind: 'setSchool',
              school: isSo ? 'oneLeg' : 'exposed',
              value: isSo ? 'exposed' : 'oneLeg',
            } as const,
          },
        }
      : {}),
  };
};

/**
 * In bricks a knot is hidden by its two upper neighbours only where a piece spreads half a pitch by the next row, else by
 * the row two above, which its hair has to reach. So bricks cover the scalp better than a grid and yet leave the knots of
 * short, narrow strands open (our own trial: 27 mm of one strand 12 mm wide at 18 by 18 mm).
 */
const bricksExpose: LookCheck = (inputs, { pieces, spacing, rowScheme }, look) => {
  if (rowScheme.brickScore < BRICKS) return undefined;
  const { gapMm, pitchMm } = spacing.mm;
  const { fanRad, ribbonWidthMm } = inputs.guesses;
  const shortest = pieces.reduce((a, b) => (b.lengthMm < a.lengthMm ? b : a));
  const texture = inputs.products.find((p) => p.id === shortest.product)?.texture;
  if (!texture || TEXTURE_INFO[texture].springy) return undefined;
  const spreads = gapMm * tan(Math.min(fanRad, 2.6) / 2) + ribbonWidthMm / 2;
  if (spreads >= pitchMm / 2 || shortest.lengthMm > 2 * gapMm - ribbonWidthMm / 2) return undefined;
  const seen = look.knots.filter((k) => k.by === 'nothing').length;
  return {
    code: 'knots.bricks',
    severity: 'note',
    station: 'check',
    what: 'Hair this short leaves the knots of bricks open.',
    why: `${percent(look.hiddenShare)} of ${groundOf(inputs)} is hidden, more than in a grid, but ${seen} knots show: a piece spreads ${Math.round(spreads)} mm to a side by the next row, half a gap is ${Math.round(pitchMm / 2)} mm, and it doesn’t reach the row after that. One piece right above the other hides knots better here and ${groundOf(inputs)} worse.`,
  };
};
/** From here rows lie in bricks, by their score. */
const BRICKS = 0.65;

/** From so many mg a hair, dry, a bite is told; at the edge and on tender places sooner (guesses; 2 g on 28 hairs without a net are 71). */
const MUCH_MG = { all: 200, edge: 130, tender: 70 } as const;

const bites: LookCheck = (inputs, { knots }, { bites: groups }) => {
  const [heaviest] = groups
    .filter((g) => g.worst !== undefined && g.worst.mgAHair[1] > MUCH_MG[g.name])
    .sort((a, b) => over(b) - over(a));
  if (!heaviest?.worst) return undefined;
  const { name, worst, loads } = heaviest;
  const knot = knots[worst.knot];
  const most = MUCH_MG[name];
  const zones = [...new Set(loads.filter((b) => b.mgAHair[1] > most).map((b) => knots[b.knot].pieceZone))];
  const now = inputs.cuts.find((c) => c.id === knot.cut)?.split ?? 1;
  const split = SPLITS.find((s) => s > now && (worst.mgAHair[1] * now) / s <= most);
  return {
    code: 'load.bite',
    severity: 'caution',
    station: 'check',
    what: `Bites ${BITE_WORDS[name]} carry much.`,
    why: `The worst, with ${knot.massG.toFixed(1)} g on about ${Math.round(worst.hairs)} hairs, bears ${span(worst.mgAHair)} mg a hair, ${span(worst.timesOwn)} times the weight of that hair, and half as much again when wet. Thinner pieces or a larger bite lower it. Soreness or bumps mean take it out; no figure promises safety.`,
    knotIds: loads.filter((b) => b.mgAHair[1] > most).map((b) => knots[b.knot].id),
    ...(split
      ? {
          fix: {
            deed: `Split in ${split} there: ${zones.map((z) => PIECE_ZONE_WORDS[z]).join(', ')}`,
            change: { kind: 'splitZones', zones, split } as const,
          },
        }
      : {}),
  };
};

const over = (g: BiteGroup) => (g.worst?.mgAHair[1] ?? 0) / MUCH_MG[g.name];

const PIECE_ZONE_WORDS = Object.fromEntries(
  PIECE_ZONES.map((z) => [
    z,
    z === 'fringe' || z === 'border' ? `the ${lowerFirst(PIECE_ZONE_NAMES[z])}` : lowerFirst(ZONE_NAMES[z]),
  ]),
) as Readonly<Record<PieceZone, string>>;

const span = ([low, high]: readonly [number, number]) =>
  Math.round(low) === Math.round(high) ? `about ${Math.round(low)}` : `${Math.round(low)} to ${Math.round(high)}`;

/** On a white block gaps meet the eye this much more before it is said. */
const BLOCK_FACTOR = 1.5;

const onBlock: LookCheck = (inputs, _, { seen, ground }) => {
  if (inputs.cap.filledOn !== 'block') return undefined;
  if (michelson(ground.hair, ground.block) < BLOCK_FACTOR * michelson(ground.hair, ground.worn)) return undefined;
  return {
    code: 'cover.onBlock',
    severity: 'note',
    station: 'check',
    what: 'On the block it will look emptier than worn.',
    why: `From above ${percent(meetsTheEye(seen.top, ground.hair, ground.block))} of it meets the eye over a white block, ${percent(meetsTheEye(seen.top, ground.hair, ground.worn))} over what is under it on your head. Put a dark cloth over the block before you judge.`,
  };
};

/** What is not asked while a wig is made for nobody's base. */
const ASKS_WEARER: ReadonlySet<LookCheck> = new Set([heavy, bites, onBlock]);

const LOOK_CHECKS: readonly LookCheck[] = [
  tooThin,
  tooWide,
  barePatch,
  knotsSeen,
  bricksExpose,
  size,
  heavy,
  bites,
  onBlock,
];
