/**
 * The work in the order of the route, like with like: what to prepare, when the border goes back, the rows in
 * groups of one kind, when to check, cut, open, smooth and try on. Common practice, no source; where workers
 * disagree the schools decide.
 */

import { ANCHOR_NAMES, type AnchorPlace, type AnchorStep } from '../cap/anchors.ts';
import type { OpeningOnHead } from '../cap/opening.ts';
import { type Cut, cutInWords, type HookedPiece } from '../hair/preparation.ts';
import type { KnotDecision } from '../knots/rules/situation.ts';
import type { RowChoice } from '../rows/choice.ts';
import type { RowKind } from '../rows/levels/row.ts';
import type { Cap } from '../trade/caps.ts';
import { knotName } from '../trade/knots.ts';
import { DRESSING_INFO } from '../trade/preparation.ts';
import type { Schools } from '../trade/schools.ts';
import { lowerFirst, upperFirst } from '../trade/words.ts';
import type { KnotZone } from '../trade/zones.ts';

export const STEP_KINDS = [
  'prepare',
  'cap',
  'part',
  'border',
  'anchor',
  'rows',
  'check',
  'cut',
  'close',
  'tryOn',
  'open',
  'smooth',
  'trim',
  'finish',
] as const;
export type StepKind = (typeof STEP_KINDS)[number];

export interface WorklistStep {
  readonly kind: StepKind;
  readonly what: string;
  readonly how: string;
  /** Knots of the order of work that it lays, from..to (exclusive). */
  readonly knots?: readonly [from: number, to: number];
  readonly minutes: number;
}

export interface WorkRow {
  readonly label: string;
  readonly kind: RowKind;
  readonly second: boolean;
  readonly firstKnot: number;
  readonly knotCount: number;
}

export interface WorkKnot extends Pick<KnotDecision, 'kind' | 'wraps' | 'lock' | 'through'> {
  readonly zone: KnotZone;
  readonly cut: string;
  readonly onNet: 'net' | 'margin' | 'cutOut' | 'none';
  readonly blending: boolean;
  readonly seconds: number;
  readonly piece: { readonly product: string; readonly pack: number };
}

export interface WorkGround {
  readonly cap: Cap;
  readonly knotsToCloseTop: number;
  readonly opening: OpeningOnHead;
  readonly anchors: readonly AnchorStep[];
  readonly cutAfterKnot: number;
  readonly cuts: readonly Cut[];
  readonly pieces: ReadonlyMap<string, HookedPiece>;
  readonly rowChoice: RowChoice;
  readonly hasPart: boolean;
  readonly schools: Schools;
  readonly rows: readonly WorkRow[];
  readonly knots: readonly WorkKnot[];
  readonly paceFactor: number;
  readonly fingerMm: number;
}

/** The border goes back, if late, once this share of the hair is in (common practice: well over half). */
const LATE_SHARE = 0.6;

const ZONE_WORDS: Readonly<Record<KnotZone, string>> = {
  nape: 'nape',
  back: 'back',
  side: 'sides',
  top: 'top',
  part: 'beside the part',
  crown: 'round the crown',
  faceEdge: 'face edge',
};

export function worklist(g: WorkGround): WorklistStep[] {
  const between = stepsBetween(g);
  const steps: WorklistStep[] = [...preparing(g), ...puttingOn(g), ...(between.get(0) ?? [])];
  for (const [from, to, words] of rowGroups(g, between)) {
    const knots = g.knots.slice(from, to);
    steps.push({
      kind: 'rows',
      what: words,
      how: likeWithLike(knots, g.cuts),
      knots: [from, to],
      minutes: knots.reduce((sum, k) => sum + k.seconds, 0) / 60,
    });
    steps.push(...(between.get(to) ?? []));
  }
  return [...steps, ...finishing(g)];
}

/** What belongs between rows: by the number of knots that are in before it. */
type Between = Map<number, WorklistStep[]>;

function stepsBetween(g: WorkGround): Between {
  const between: Between = new Map();
  const total = g.knots.length;
  const ends = g.rows.filter((r) => r.knotCount > 0).map((r) => r.firstKnot + r.knotCount);
  // Nobody stops in the middle of a row: what belongs after a knot is said after its row.
  const rowEnd = (knot: number) => ends.find((end) => end >= knot) ?? total;
  const at = (knot: number, ...steps: WorklistStep[]) => between.set(knot, [...(between.get(knot) ?? []), ...steps]);
  for (const a of g.anchors) {
    if (a.afterKnot > 0 && !(a.place === 'front' && g.schools.border === 'late'))
      at(rowEnd(a.afterKnot), anchorStep(a.place, a, g));
  }
  at(rowEnd(Math.ceil(total / 2)), {
    kind: 'check',
    what: 'Look, half way',
    how: 'It looks bald between the rows now; that is how this stage is meant to look. The rows to come fall over it. Tug one knot of each row lightly: none slides, no skin lifts.',
    minutes: 3,
  });
  if (g.schools.prepare === 'packByPack') for (const [knot, pack] of packEnds(g)) at(rowEnd(knot), nextPack(pack));
  if (g.cap.dome !== 'none' && g.cap.filledOn === 'head' && g.schools.border === 'late')
    at(rowEnd(Math.ceil(LATE_SHARE * total)), lateBorder(g));
  const when = {
    pack: rowEnd(packEnds(g)[0]?.[0] ?? Math.ceil(total / 3)),
    half: rowEnd(Math.ceil(total / 2)),
    end: total,
  };
  for (const { at: moment, step } of smoothing(g)) at(when[moment], step);
  const cutting = cutBefore(g, rowEnd);
  if (cutting) at(cutting.at, cutting.step, ...(g.opening.piecesToClose > 0 ? [closing(g)] : []));
  if (g.cap.wig && g.cap.topKept && g.cap.filledOn === 'block') at(stripStart(g), tryOn);
  const second = g.rows.find((r) => r.second);
  if (second) at(second.firstKnot, secondLook(g));
  return between;
}

function lateBorder(g: WorkGround): WorklistStep {
  const front = g.anchors.find((a) => a.place === 'front');
  return {
    kind: 'border',
    what: 'Push the border back behind the hairline',
    how: `Most is in, so it can’t creep. ${front ? `Now the front can be held: ${holdsInWords(front)}.` : ''}`.trim(),
    minutes: 3,
  };
}

const tryOn: WorklistStep = {
  kind: 'tryOn',
  what: 'Try it on over the base',
  how: 'The last strip round the opening stays empty until it sits on the head that wears it; then fill, part and shape it worn.',
  minutes: 15,
};

function secondLook(g: WorkGround): WorklistStep {
  return {
    kind: 'check',
    what: g.rowChoice.secondPass === 'windows' ? 'Look at the windows' : 'Find the thin places',
    how: 'Shake it out, part it with a finger, look from both sides. Fill only what you see; the list says where it is widest.',
    minutes: 4,
  };
}

/** Rows that follow each other in one part of the head, of one pass and kind, with nothing to be done between. */
function rowGroups(g: WorkGround, between: Between): Array<readonly [from: number, to: number, words: string]> {
  const groups: Array<{ from: number; to: number; zone: KnotZone; key: string; labels: string[]; row: WorkRow }> = [];
  for (const row of g.rows) {
    if (row.knotCount === 0) continue;
    const knots = knotsOf(g, row);
    const zone = commonest(knots.map((k) => k.zone));
    const special = row.kind === 'front' || row.kind === 'fringe' ? row.kind : '';
    // What is laid after a cut is a group of its own.
    const inside = knots.some((k) => waitsForCut(g, k));
    const key = `${zone} ${row.second} ${special} ${inside}`;
    const last = groups[groups.length - 1];
    const to = row.firstKnot + row.knotCount;
    if (last && last.key === key && !between.has(row.firstKnot)) {
      last.to = to;
      last.labels.push(row.label);
    } else {
      groups.push({ from: row.firstKnot, to, zone, key, labels: [row.label], row });
    }
  }
  return groups.map(({ from, to, zone, labels, row }) => [from, to, groupWords(labels, zone, row)] as const);
}

function groupWords(labels: readonly string[], zone: KnotZone, row: WorkRow): string {
  if (row.kind === 'front') return 'The row along the front hairline';
  if (row.kind === 'fringe') return 'The fringe, from the midline outwards';
  const rows = labels.length === 1 ? `Row ${labels[0]}` : `Rows ${labels[0]} to ${labels[labels.length - 1]}`;
  return `${row.second ? 'Second pass: row' : rows.slice(0, 3)}${row.second ? `s ${labels[0]} to ${labels[labels.length - 1]}` : rows.slice(3)}, ${ZONE_WORDS[zone]}`;
}

function commonest<T>(values: readonly T[]): T {
  const counts = new Map<T, number>();
  for (const v of values) counts.set(v, (counts.get(v) ?? 0) + 1);
  return [...counts.entries()].reduce((a, b) => (b[1] > a[1] ? b : a))[0];
}

/** "34 double wraps, 4 anchors; split in 4". */
function likeWithLike(knots: readonly WorkKnot[], cuts: readonly Cut[]): string {
  const kinds = new Map<string, number>();
  for (const k of knots) kinds.set(knotName(k), (kinds.get(knotName(k)) ?? 0) + 1);
  const used = [...new Set(knots.map((k) => k.cut))];
  const named = used.flatMap((id) => {
    const cut = cuts.find((c) => c.id === id);
    return cut ? [`${cut.name} (${cutInWords(cut)})`] : [];
  });
  const words = [...kinds.entries()].map(([name, n]) => `${n} × ${lowerFirst(name)}`);
  return `${words.join(', ')}. Pieces: ${named.join('; ')}.`;
}

function preparing(g: WorkGround): WorklistStep[] {
  const counts = new Map<string, number>();
  for (const k of g.knots) counts.set(k.cut, (counts.get(k.cut) ?? 0) + 1);
  const test: WorklistStep = {
    kind: 'prepare',
    what: 'Open one pack and test it',
    how: 'Count it, tug one piece, pull one apart, hook one. What you find overrides the label.',
    minutes: 5,
  };
  if (g.schools.prepare === 'pieceByPiece') return [test];
  const steps = g.cuts.flatMap((cut): WorklistStep[] => {
    const count = counts.get(cut.id) ?? 0;
    const piece = g.pieces.get(cut.id);
    if (count === 0 || !piece || piece.secondsBefore === 0) return [];
    return [
      {
        kind: 'prepare',
        what: `${cut.name}: ${cutInWords(cut)}`,
        how:
          g.schools.prepare === 'all'
            ? `All ${count} pieces. Cut in half? Hook two at full length and look before you cut the rest.`
            : `${count} pieces in all, one pack at a time: what is cut can’t be uncut.`,
        minutes: (g.paceFactor * count * piece.secondsBefore) / 60,
      },
    ];
  });
  return [test, ...steps];
}

function puttingOn(g: WorkGround): WorklistStep[] {
  const { cap } = g;
  if (cap.dome === 'none') return [];
  const steps: WorklistStep[] = [];
  const onBlock = cap.filledOn === 'block';
  steps.push({
    kind: 'cap',
    what: onBlock ? 'Pin the cap on the block' : 'Put the cap on over the base',
    how: onBlock
      ? 'The block has to be held still. Stretch the net evenly; set spacing in holes, since it opens up on your head.'
      : 'From the forehead, drawn down behind. Nothing under it is damp.',
    minutes: 6,
  });
  if (g.knotsToCloseTop > 0) {
    steps.push({
      kind: 'close',
      what: 'Draw the open top shut',
      how: `About ${g.knotsToCloseTop} knots round its rim, a handful, each through both sides.`,
      minutes: 4,
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
  if (g.hasPart) {
    steps.push({
      kind: 'part',
      what: 'Draw the part on the net',
      how: 'With a washable pencil, in the mirror, from the front hairline back.',
      minutes: 2,
    });
  }
  for (const a of g.anchors) {
    if (a.afterKnot > 0 || (a.combs === 0 && a.pins === 0)) continue;
    if (a.place === 'front' && g.schools.border === 'late') continue;
    steps.push(anchorStep(a.place, a, g));
  }
  return steps;
}

function anchorStep(place: AnchorPlace, a: AnchorStep, g: WorkGround): WorklistStep {
  const late = a.afterKnot > 0 ? 'The row has reached it. ' : '';
  return {
    kind: 'anchor',
    what: `Hold the ${ANCHOR_NAMES[place]}`,
    how: `${late}${upperFirst(holdsInWords(a))}.${a.afterKnot === g.cutAfterKnot && g.opening.lengthMm > 0 ? ' Now the corners hold: from here the net may be cut.' : ''}`,
    minutes: 1,
  };
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

/** Knots that can only be laid once the net is open: in the cut-out, and on its margin where she cuts it herself. */
function waitsForCut(g: WorkGround, k: WorkKnot): boolean {
  return k.onNet === 'cutOut' || (k.onNet === 'margin' && g.cap.opening === 'cut');
}

function cutBefore(g: WorkGround, rowEnd: (knot: number) => number) {
  const { opening, cap } = g;
  if (opening.lengthMm === 0) return undefined;
  const inside = g.rows.find((r) => knotsOf(g, r).some((k) => waitsForCut(g, k)));
  // Never before the corners hold, whatever comes first.
  const at = inside ? Math.max(inside.firstKnot, rowEnd(g.cutAfterKnot)) : g.knots.length;
  const length = fingers(opening.lengthMm, g.fingerMm);
  const how: Readonly<Record<Cap['opening'], string>> = {
    none: '',
    stitchedU: `Just inside the stitching, ${length} from the front. Scissors with blunt tips, a finger between blade and scalp, in the mirror. Own hair is not cut, nor the pieces just hooked: comb them away.`,
    cut: `One slit down the line, ${length} long; open it, see what is hair, then take the flaps off slowly. Leave about half a finger of net all round. Blunt tips, a finger between blade and scalp, in the mirror; comb own hair and pieces away first.`,
    slit: 'Through the border only, no deeper than it is wide. Blunt tips, a finger between blade and scalp, in the mirror.',
  };
  const step: WorklistStep = {
    kind: 'cut',
    what: cap.opening === 'slit' ? 'Slit the border' : 'Open the net',
    how: how[cap.opening],
    minutes: cap.opening === 'slit' ? 2 : 8,
  };
  return { at, step };
}

function closing(g: WorkGround): WorklistStep {
  return {
    kind: 'close',
    what: 'Hook the surplus of the opening closed',
    how: `It is ${fingers(g.opening.surplusMm, g.fingerMm)} longer than the part: about ${g.opening.piecesToClose} ${g.opening.piecesToClose === 1 ? 'piece' : 'pieces'} through both edges, from behind forwards.`,
    minutes: g.opening.piecesToClose,
  };
}

function fingers(mm: number, fingerMm: number): string {
  const half = Math.round((2 * mm) / fingerMm) / 2;
  return `${half} ${half === 1 ? 'finger' : 'fingers'}`;
}

/** Where the last strip begins: the rows beside the part, or round the crown. */
function stripStart(g: WorkGround): number {
  const strip = g.rows.find(
    (r) => r.knotCount > 0 && /^(part|crown)$/.test(commonest(knotsOf(g, r).map((k) => k.zone))),
  );
  return strip?.firstKnot ?? g.knots.length;
}

function knotsOf(g: WorkGround, row: WorkRow): readonly WorkKnot[] {
  return g.knots.slice(row.firstKnot, row.firstKnot + row.knotCount);
}

function packEnds(g: WorkGround): Array<[knot: number, pack: number]> {
  const ends: Array<[number, number]> = [];
  const seen = new Map<string, number>();
  g.knots.forEach((k, i) => {
    const before = seen.get(k.piece.product);
    if (before !== undefined && k.piece.pack > before) ends.push([i, k.piece.pack]);
    seen.set(k.piece.product, k.piece.pack);
  });
  return ends;
}

function nextPack(pack: number): WorklistStep {
  return {
    kind: 'check',
    what: `Look, then open pack ${pack}`,
    how: 'Pieces left against rows left. Too full happens as often as too thin.',
    minutes: 2,
  };
}

function smoothing(g: WorkGround): Array<{ at: 'pack' | 'half' | 'end'; step: WorklistStep }> {
  const where = { afterOnePack: 'pack', middle: 'half', end: 'end' } as const;
  return g.cuts.flatMap((cut) => {
    const count = g.knots.filter((k) => k.cut === cut.id).length;
    const info = DRESSING_INFO[cut.dressed];
    if (count === 0 || cut.dressed === 'asItIs' || info.before) return [];
    const step: WorklistStep = {
      kind: 'smooth',
      what: `${cut.name}: ${info.name}`,
      how: `${info.why} Judge it only then; what comes later is done the same way.`,
      minutes: (g.paceFactor * count * info.secondsAPiece) / 60,
    };
    return [{ at: where[g.schools.smoothing], step }];
  });
}

function finishing(g: WorkGround): WorklistStep[] {
  const steps: WorklistStep[] = [];
  for (const cut of g.cuts) {
    const knots = g.knots.filter((k) => k.cut === cut.id).length;
    const { opened } = cut;
    if (knots === 0 || opened.when !== 'after') continue;
    const strands = g.pieces.get(cut.id)?.strands ?? 0;
    steps.push({
      kind: 'open',
      what: `Open the strands of ${lowerFirst(cut.name)}`,
      how: `About ${Math.max(1, Math.round(opened.strands * strands))} of each piece, ${Math.round(opened.reach * 100)} % of the way up. Half, look, then the rest: an opened coil won’t go back through a net.`,
      minutes: (g.paceFactor * knots * (g.pieces.get(cut.id)?.secondsAfter ?? 0)) / 60,
    });
  }
  const trims: Readonly<Record<Schools['trim'], string>> = {
    before: 'Only what sticks out: it was cut before it was hooked.',
    sameDay: 'At a slant, in small cuts, head tipped so that the outline becomes an arc.',
    later: 'Little now, more next day: it settles overnight, and what is cut is gone.',
  };
  const fringe = g.rowChoice.fringe.how === 'cutAfter' ? ' The fringe last, longer than you think.' : '';
  return [
    ...steps,
    {
      kind: 'finish',
      what: 'Separate, shake out, fill the gaps',
      how: 'Gaps show now. Fill them from the reserve, one piece at a time.',
      minutes: 15,
    },
    { kind: 'trim', what: 'Trim', how: trims[g.schools.trim] + fringe, minutes: 10 },
    ...(g.cap.wig ? [wigCheck(g.cap)] : []),
  ];
}

function wigCheck(cap: Cap): WorklistStep {
  const holds = cap.wigHolds.length > 0 ? cap.wigHolds.join(', ') : 'nothing yet';
  const blending = cap.blending === 'none' ? '' : ' The blending pieces stay in your own hair when it comes off.';
  return {
    kind: 'tryOn',
    what: 'Put it on and shake your head',
    how: `What holds it: ${holds}.${blending}`,
    minutes: 3,
  };
}
