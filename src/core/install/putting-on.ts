/** The cap put on, held and tried before anything is cut. */
import { ANCHOR_NAMES, type AnchorPlace, type AnchorStep } from '../cap/index.ts';
import { type Cap, COMB_NAMES, FILLED_INFO, isOffHead, upperFirst } from '../trade/index.ts';
import { surplusTied } from './stages.ts';
import { strandSteps } from './strands.ts';
import type { WorkContext, WorklistStep } from './work-step.ts';

export function lateBorder(g: WorkContext): WorklistStep {
  const front = g.anchors.find((a) => a.place === 'front');
  return {
    kind: 'border',
    what: 'Push the border back behind the hairline',
    how: `Most is in, so it can’t creep. ${front ? `Now the front can be held: ${holdsInWords(front)}.` : ''}`.trim(),
    minutes: 3,
  };
}

export const tryOn: WorklistStep = {
  kind: 'tryOn',
  what: 'Try it on over the base',
  how: 'The last strip round the opening stays empty until it sits on the head that wears it; then fill, part and shape it worn.',
  minutes: 8,
};

export function puttingOn(g: WorkContext): WorklistStep[] {
  const { cap } = g;
  if (cap.dome === 'none') return [];
  const steps: WorklistStep[] = [];
  const onBlock = isOffHead(cap);
  steps.push({
    kind: onBlock ? 'block' : 'cap',
    what: FILLED_INFO[cap.filledOn].put,
    how: FILLED_INFO[cap.filledOn].how,
    minutes: cap.filledOn === 'block' ? 5 : cap.filledOn === 'head' ? 4 : 2,
  });
  steps.push(...surplusTied(g));
  if (g.strands.some((s) => s.job === 'closeTop')) steps.push(...strandSteps(g, 'closeTop'));
  else if (g.knotsToCloseTop > 0) {
    steps.push({
      kind: 'close',
      what: 'Draw the open top shut',
      how: `About ${g.knotsToCloseTop} knots round its rim, a handful, each through both sides.`,
      minutes: 0.6 * g.knotsToCloseTop,
    });
  }
  if (!onBlock && g.schools.border === 'atOnce') {
    steps.push({
      kind: 'border',
      what: 'Push the border back behind the hairline',
      how: `At once, so that the front can be held from the start${cap.combs.includes('front') ? ' by its comb' : ''}.`,
      minutes: 2,
    });
  }
  if (g.hasPart && !g.parting.onlyWorn) {
    steps.push({
      kind: 'part',
      what: g.parting.two ? 'Draw both parts on the net' : 'Draw the part on the net',
      how: 'With a washable pencil, in the mirror, from the front hairline back.',
      minutes: g.parting.two ? 4 : 2,
    });
  }
  // On a block nothing is held to a head.
  if (!onBlock) steps.push(...heldFirst(g));
  return steps;
}

/** What combs and pins hold before the first knot. */
function heldFirst(g: WorkContext): WorklistStep[] {
  return g.anchors
    .filter((a) => a.afterKnot === 0 && (a.combs > 0 || a.pins > 0))
    .filter((a) => a.place !== 'front' || g.schools.border !== 'late')
    .map((a) => anchorStep(a.place, a, g));
}

/** Filled on a block and worn over the base: put on, and held there. A wig says what holds it at its own step. */
export function wornAfterBlock(g: WorkContext): WorklistStep[] {
  if (!isOffHead(g.cap) || g.cap.wig) return [];
  return [
    {
      kind: 'cap',
      what: 'Put it on over the base',
      how: FILLED_INFO.head.how,
      minutes: 4,
    },
    ...heldFirst(g),
  ];
}

export function anchorStep(place: AnchorPlace, a: AnchorStep, g: WorkContext): WorklistStep {
  const late = a.afterKnot > 0 ? 'The row has reached it. ' : '';
  return {
    kind: 'anchor',
    what: `Hold the ${ANCHOR_NAMES[place]}`,
    how: `${late}${upperFirst(holdsInWords(a))}.${isLastHold(a, g) ? ' Now the corners hold: from here the net may be cut.' : ''}`,
    minutes: 0.5 * (a.combs + a.pins),
  };
}

/** Said once, at the last hold that the scissors wait for. */
function isLastHold(a: AnchorStep, g: WorkContext): boolean {
  if (g.opening.lengthMm === 0 || g.cap.opening === 'openU' || isOffHead(g.cap)) return false;
  const held = g.anchors.filter((b) => b.place !== 'front' && (b.afterKnot > 0 || b.combs + b.pins > 0));
  const last = held.reduce<AnchorStep | undefined>((x, y) => (x && x.afterKnot > y.afterKnot ? x : y), undefined);
  return a.place === last?.place;
}

function holdsInWords(a: AnchorStep): string {
  const parts = [
    a.knotIds.length > 0
      ? `${a.knotIds.length} ${a.knotIds.length === 1 ? 'anchor' : 'anchors'} through hair and under the border`
      : '',
    a.combs > 0 ? `${a.combs} ${a.combs === 1 ? 'comb' : 'combs'}` : '',
    a.pins > 0 ? `${a.pins} ${a.pins === 1 ? 'bent pin' : 'bent pins'}` : '',
  ].filter(Boolean);
  return parts.join(', ') || 'it holds by the band';
}

/** "combs at the sides, round the opening and at 2 places of your own, strap". */
export function holdsOfWig(cap: Cap): string {
  const places = [
    ...cap.combs.map((c) => COMB_NAMES[c]),
    ...(cap.combsAt.length > 0
      ? [`at ${cap.combsAt.length} ${cap.combsAt.length === 1 ? 'place' : 'places'} of your own`]
      : []),
  ];
  const combs = places.length === 0 ? 'combs' : `combs ${places.join(', ')}`;
  return cap.wigHolds.map((h) => (h === 'combs' ? combs : h)).join('; ');
}

/** Made for a head that is not here: what holds it is sewn in, and told to whoever will wear it. */
export function forWhomItIs(cap: Cap): WorklistStep {
  const holds = holdsOfWig(cap);
  return {
    kind: 'check',
    what: 'Look at it from all sides, and shake it',
    how: `${holds === '' ? 'Nothing holds it yet: combs, a strap or pins are chosen with the head that will wear it.' : `What will hold it: ${holds}.`} Its size and how it sits are judged on that head.`,
    minutes: 3,
  };
}

export function wigCheck(cap: Cap): WorklistStep {
  const holds = cap.wigHolds.length > 0 ? holdsOfWig(cap) : 'nothing yet';
  const blending = cap.blending === 'none' ? '' : ' The blending pieces stay in your own hair when it comes off.';
  return {
    kind: 'tryOn',
    what: 'Put it on and shake your head',
    how: `What holds it: ${holds}.${blending}`,
    minutes: 3,
  };
}
