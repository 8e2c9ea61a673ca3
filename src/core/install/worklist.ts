/**
 * The work in the order of the route, like with like: what to prepare, when the border goes back, the rows in
 * groups of one kind, when to check, cut, open, smooth and try on. Common practice, no source; where workers
 * disagree the schools decide.
 */

import { cutInWords, isUntouched, type Preparation } from '../hair/index.ts';
import {
  type Cap,
  DRESSING_INFO,
  FINISH,
  INTO_INFO,
  type IntoWay,
  isOffHead,
  KNOT_ZONE_WORDS,
  type KnotZone,
  knotName,
  knotsCounted,
  lowerFirst,
  MOST_IS_IN,
  STEP_INFO,
  upperFirst,
} from '../trade/index.ts';
import { finishing } from './finishing.ts';
import { anchorStep, lateBorder, puttingOn, tryOn } from './putting-on.ts';
import { dressings, openingOfPackOne } from './stages.ts';
import { strandSteps } from './strands.ts';
import {
  knotsOf,
  rowEnd,
  type ToldStep,
  type WorkContext,
  type WorkKnot,
  type WorklistStep,
  type WorkRow,
} from './work-step.ts';

export function worklist(g: WorkContext): ToldStep[] {
  const between = stepsBetween(g);
  const steps: WorklistStep[] = [
    ...preparing(g),
    ...strandSteps(g, 'bracePuff'),
    ...puttingOn(g),
    ...(between.get(0) ?? []),
  ];
  for (const [from, to, words, into] of rowGroups(g, between)) {
    const knots = g.knots.slice(from, to);
    steps.push({
      kind: 'rows',
      what: words,
      how: likeWithLike(knots, g.cuts),
      ...(into ? { wrong: INTO_INFO[into].wrong } : {}),
      knots: [from, to],
      minutes: knots.reduce((sum, k) => sum + k.seconds, 0) / 60,
    });
    steps.push(...(between.get(to) ?? []));
  }
  return [...steps, ...finishing(g)].map(told);
}

/** What goes wrong and what can hurt is said at the first step of its kind: said at each of them nobody reads it. */
function told(step: WorklistStep, i: number, all: readonly WorklistStep[]): ToldStep {
  const { tools, ...warnings } = STEP_INFO[step.kind];
  const isFirst = all.findIndex((s) => s.kind === step.kind) === i;
  return { waitMinutes: 0, tools, ...(isFirst ? warnings : {}), ...step };
}

/** What belongs between rows: by the number of knots that are in before it. */
type Between = Map<number, WorklistStep[]>;

function stepsBetween(g: WorkContext): Between {
  const between: Between = new Map();
  const total = g.knots.length;
  const rowDone = (knot: number) => rowEnd(g, knot);
  const at = (knot: number, ...steps: WorklistStep[]) => between.set(knot, [...(between.get(knot) ?? []), ...steps]);
  for (const a of g.anchors) {
    if (a.afterKnot > 0 && g.cap.filledOn === 'head' && !(a.place === 'front' && g.schools.border === 'late'))
      at(rowDone(a.afterKnot), anchorStep(a.place, a, g));
  }
  at(rowDone(Math.ceil(total / 2)), {
    kind: 'check',
    what: 'Look, half way',
    how: `It looks bald between the rows now; that is how this stage is meant to look. The rows to come fall over it. Tug one knot of each row lightly: none slides, ${isOffHead(g.cap) ? 'the net doesn’t pucker' : 'no skin lifts'}.`,
    minutes: 2,
  });
  // For the last row the next pack lies ready before it: after it nothing is hooked but what fills gaps.
  const before = (knot: number) => g.rows.findLast((r) => r.firstKnot <= knot)?.firstKnot ?? 0;
  if (g.schools.prepare === 'packByPack')
    for (const [knot, pack, colour] of packEnds(g))
      at(rowDone(knot) < total ? rowDone(knot) : before(knot), nextPack(pack, colour));
  if (g.cap.dome !== 'none' && g.cap.filledOn === 'head' && g.schools.border === 'late')
    at(goesBackAt(g) ?? rowDone(Math.ceil(MOST_IS_IN * total)), lateBorder(g));
  const when = {
    pack: rowDone(packEnds(g)[0]?.[0] ?? Math.ceil(total / 3)),
    half: rowDone(Math.ceil(total / 2)),
    end: total,
  };
  for (const { at: moment, step } of openingOfPackOne(g)) at(moment, step);
  for (const { at: moment, step } of dressings(g)) at(when[moment], step);
  const cutting = openingStep(g);
  if (cutting) at(openedFrom(g), cutting);
  if ((cutting || g.cap.opening === 'openU') && g.opening.piecesToClose > 0) at(total, closing(g));
  if (g.cap.wig && g.cap.topKept && g.isWorn && isOffHead(g.cap)) at(stripStart(g), tryOn);
  for (const pass of ['windows', 'thin', 'fill'] as const) {
    const second = g.rows.find((r) => r.second && r.pass === pass);
    if (second) at(second.firstKnot, secondLook(pass));
  }
  return between;
}

/** Where a row along the border is laid as soon as it goes back: its first knot. */
function goesBackAt(g: WorkContext): number | undefined {
  if (g.rowChoice.borderRow.when !== 'border') return undefined;
  return g.rows.find((r) => r.kind === 'border' && !r.opened && r.knotCount > 0)?.firstKnot;
}

const LOOK_BEFORE: Readonly<Record<Exclude<WorkRow['pass'], 'none'>, Pick<WorklistStep, 'what' | 'how'>>> = {
  windows: {
    what: 'Look at the windows',
    how: 'Shake it out, part it with a finger, look from both sides. Fill only what you see; the list says where it is widest.',
  },
  thin: {
    what: 'Find the thin places',
    how: 'Shake it out, part it with a finger, look from both sides. Fill only what you see; the list says where it is widest.',
  },
  fill: {
    what: 'Lay out what is left over',
    how: 'Count it, sound pieces first, worn and odd ones for where they are least seen. Stop when it is enough: what is kept fills a gap next week.',
  },
};

const secondLook = (pass: Exclude<WorkRow['pass'], 'none'>): WorklistStep => ({
  kind: 'check',
  ...LOOK_BEFORE[pass],
  minutes: 3,
});

/** Rows that follow each other in one part of the head, of one pass and kind, with nothing to be done between. */
function rowGroups(
  g: WorkContext,
  between: Between,
): Array<readonly [from: number, to: number, words: string, into: WorkRow['into']]> {
  const groups: Array<{ from: number; to: number; zone: KnotZone; key: string; labels: string[]; row: WorkRow }> = [];
  for (const row of g.rows) {
    if (row.knotCount === 0) continue;
    const knots = knotsOf(g, row);
    const zone = commonest(knots.map((k) => k.zone));
    const special =
      row.kind === 'front' || row.kind === 'fringe' || row.kind === 'border' ? row.kind : (row.entry ?? '');
    // A row along the border is one whatever parts of the head it passes, and so is what goes into the base.
    const key = `${special === 'border' || row.into ? '' : zone} ${row.pass} ${special} ${row.opened}`;
    const last = groups[groups.length - 1];
    const to = row.firstKnot + row.knotCount;
    if (last && last.key === key && !between.has(row.firstKnot)) {
      last.to = to;
      last.labels.push(row.label);
    } else {
      groups.push({ from: row.firstKnot, to, zone, key, labels: [row.label], row });
    }
  }
  return groups.map(
    ({ from, to, zone, labels, row }) => [from, to, groupWords(g, labels, zone, row), row.into] as const,
  );
}

function groupWords(g: WorkContext, labels: readonly string[], zone: KnotZone, row: WorkRow): string {
  if (row.kind === 'border') return borderWords(g, row);
  if (row.into) return intoWords(labels, row.into);
  if (row.kind === 'front') return 'The row along the front hairline';
  if (row.kind === 'fringe') return 'The fringe, from the midline outwards';
  const numbers = labels.map((l) => l.split(', ')[0]);
  const later = labels[0].split(', ')[1];
  const first = numbers[0];
  const last = numbers[numbers.length - 1];
  const rows = first === last ? `Row ${first}` : `Rows ${first} to ${last}`;
  return `${rows}, ${later === undefined ? '' : `${later}, `}${KNOT_ZONE_WORDS[zone]}`;
}

/** "Along the top of a plait or twist: 4 of them". */
function intoWords(labels: readonly string[], into: IntoWay): string {
  const name = upperFirst(INTO_INFO[into].name);
  if (into === 'root') return name;
  const things = new Set(labels).size;
  return things === 1 ? `${name}: ${labels[0].split(', ').slice(1).join(', ')}` : `${name}: ${things} of them`;
}

function borderWords({ cap, rowChoice: { borderRow } }: WorkContext, row: WorkRow): string {
  const along = cap.dome === 'none' ? 'along the hairline' : 'along the border';
  const where = borderRow.where === 'round' ? 'all round' : 'from ear to ear';
  return `The row ${along}, ${row.opened ? 'in the opening' : where}`;
}

function commonest<T>(values: readonly T[]): T {
  const counts = new Map<T, number>();
  for (const v of values) counts.set(v, (counts.get(v) ?? 0) + 1);
  return [...counts.entries()].reduce((a, b) => (b[1] > a[1] ? b : a))[0];
}

/** "34 double wraps, 4 anchors; split in 4". */
function likeWithLike(knots: readonly WorkKnot[], cuts: readonly Preparation[]): string {
  const kinds = new Map<string, WorkKnot[]>();
  for (const k of knots) kinds.set(knotName(k), [...(kinds.get(knotName(k)) ?? []), k]);
  const used = [...new Set(knots.map((k) => k.cut))];
  const named = used.flatMap((id) => {
    const cut = cuts.find((c) => c.id === id);
    return cut ? [isUntouched(cut) ? lowerFirst(cut.name) : `${lowerFirst(cut.name)} (${cutInWords(cut)})`] : [];
  });
  const words = [...kinds.values()].map((same) => knotsCounted(same.length, same[0]));
  return `${words.join(', ')}. Pieces: ${named.join('; ')}.`;
}

function preparing(g: WorkContext): WorklistStep[] {
  const counts = new Map<string, number>();
  for (const k of g.knots) counts.set(k.cut, (counts.get(k.cut) ?? 0) + 1);
  const oneLeg = g.knots.some((k) => k.kind === 'oneLeg');
  const test: WorklistStep = {
    kind: 'prepare',
    what: 'Open one pack and test it',
    how: `Count it, tug one piece, pull one apart, hook one${oneLeg ? ', and one one-leg knot' : ''}. What you find overrides the label.`,
    minutes: 4,
  };
  if (g.schools.prepare === 'pieceByPiece') return [test];
  const steps = g.cuts.flatMap((cut): WorklistStep[] => {
    const count = counts.get(cut.id) ?? 0;
    const piece = g.pieces.get(cut.id);
    if (count === 0 || !piece || piece.secondsBefore === 0) return [];
    const halves = cut.half ? ' Hook two at full length and look before you cut the rest.' : '';
    return [
      {
        kind: 'prepare',
        what: `${cut.name}: ${cutInWords(cut)}`,
        how:
          g.schools.prepare === 'all'
            ? `All ${count} pieces.${halves}`
            : `${count} pieces in all, one pack at a time${cut.half ? ': what is cut can’t be uncut' : ''}.`,
        minutes: (count * piece.secondsBefore) / 60,
        waitMinutes: before(cut).dryMinutes,
      },
    ];
  });
  return [test, ...steps, ...cutToLength(g)];
}

/** What is done to pieces of a cut before they are hooked. */
const before = ({ dressed }: WorkContext['cuts'][number]) =>
  DRESSING_INFO[DRESSING_INFO[dressed].before ? dressed : 'asItIs'];

/** Layers by piece: every piece is cut to what it will keep before it is hooked. */
function cutToLength(g: WorkContext): WorklistStep[] {
  if (g.schools.trim !== 'before' || g.outline === 'none') return [];
  return [
    {
      kind: 'trim',
      what: 'Cut the pieces to their length',
      how: 'By zone, shortest for the crown; each bundle at a slant, so that no line shows. Hook one and look before you cut the rest.',
      minutes: FINISH.outlineMinutes + (g.knots.length * FINISH.outlineSecondsAPiece) / 60,
    },
  ];
}

/** All that can be laid without it is in before the net is opened: the first knot of those that wait for it. */
function openedFrom(g: WorkContext): number {
  return g.rows.find((r) => r.opened && r.knotCount > 0)?.firstKnot ?? g.knots.length;
}

/** Scissors go slowly: so many mm of a line a minute, and as long again for the flaps (common practice, no source). */
const CUT_MM_A_MINUTE = 25;

function openingStep(g: WorkContext): WorklistStep | undefined {
  const { opening, cap } = g;
  if (opening.lengthMm === 0 || cap.opening === 'openU') return undefined;
  const length = fingers(opening.lengthMm, g.fingerMm);
  const how: Readonly<Record<Cap['opening'], string>> = {
    none: '',
    openU: '',
    stitchedU: `Just inside the stitching, ${length} from the front. Scissors with blunt tips, a finger between blade and scalp, in the mirror. Own hair is not cut, nor the pieces just hooked: comb them away.`,
    cut: `One slit down the line, ${length} long; open it, see what is hair, then take the flaps off slowly. Leave about half a finger of net all round. Blunt tips, a finger between blade and scalp, in the mirror; comb own hair and pieces away first.`,
    slit: 'Through the border only, no deeper than it is wide. Blunt tips, a finger between blade and scalp, in the mirror.',
  };
  return {
    kind: 'cut',
    what: cap.opening === 'slit' ? 'Slit the border' : 'Open the net',
    how: how[cap.opening],
    minutes: cap.opening === 'slit' ? 1 : 2 + (2 * opening.lengthMm) / CUT_MM_A_MINUTE,
  };
}

function closing(g: WorkContext): WorklistStep {
  return {
    kind: 'close',
    what: 'Hook the surplus of the opening closed',
    how: `It is ${fingers(g.opening.surplusMm, g.fingerMm)} longer than the part: about ${g.opening.piecesToClose} ${g.opening.piecesToClose === 1 ? 'piece' : 'pieces'} through both edges, from behind forwards.`,
    minutes: 0.6 * g.opening.piecesToClose,
  };
}

function fingers(mm: number, fingerMm: number): string {
  const half = Math.round((2 * mm) / fingerMm) / 2;
  return `${half} ${half === 1 ? 'finger' : 'fingers'}`;
}

/** Where the last strip begins: the rows beside the part, or round the crown. */
function stripStart(g: WorkContext): number {
  const strip = g.rows.find(
    (r) => r.knotCount > 0 && /^(part|crown)$/.test(commonest(knotsOf(g, r).map((k) => k.zone))),
  );
  return strip?.firstKnot ?? g.knots.length;
}

/** Where a pack is empty: the first knot of the next one of that product. */
function packEnds(g: WorkContext): Array<[knot: number, pack: number, colour: string | undefined]> {
  const ends: Array<[number, number, string | undefined]> = [];
  const opened = new Map<string, number>();
  g.knots.forEach(({ piece: { product, pack }, colour }, i) => {
    const held = `${product} ${colour}`;
    const before = opened.get(held);
    if (before !== undefined && pack > before) ends.push([i, pack, g.colourNames.get(colour)]);
    opened.set(held, Math.max(before ?? 0, pack));
  });
  return ends;
}

/** @param colour its name, where several are mixed */
function nextPack(pack: number, colour: string | undefined): WorklistStep {
  return {
    kind: 'check',
    what: `Look, then open pack ${pack}${colour === undefined ? '' : ` of ${colour}`}`,
    how: 'Pieces left against rows left. Too full happens as often as too thin.',
    minutes: 1,
  };
}
