/**
 * Lines between sections, in words that a finger can follow. Only lines that will show need to be straight:
 * those are guided from landmark to landmark; the others are told in a phrase, and any reasonable line will do
 * (common practice, no source).
 */
import { distance, nearestVertex } from '../../geometry/index.ts';
import type { Point } from '../../head/index.ts';
import { fingersInWords } from '../../trade/index.ts';
import type { BaseContext } from '../context.ts';
import { type Border, borders } from './borders.ts';
import type { PartOnHead } from './fields.ts';
import type { SectionMap, SectionSeed } from './section-map.ts';

export interface BaseLine {
  readonly key: string;
  readonly a: string;
  readonly b: string;
  readonly lengthMm: number;
  readonly pointsMm: Float32Array;
  /** Scalp will be seen along it. */
  readonly shown: boolean;
  readonly locked: boolean;
  /** How she finds it. */
  readonly words: string;
}

/** A line this near to the part, on average, is the part, mm. */
const IS_PART_MM = 6;
/** Shorter stretches are corners, not lines, mm. */
const LEAST_LINE_MM = 15;
/** Way over straight distance from which a line is called curved. */
const CURVED = 1.35;

export function baseLines(
  ground: BaseContext,
  map: SectionMap,
  all: readonly Border[],
  part: PartOnHead,
  locked: ReadonlySet<string>,
): BaseLine[] {
  const roles = new Map(map.sections.map((s) => [s.id, s.role]));
  return all
    .filter((line) => line.lengthMm >= LEAST_LINE_MM)
    .map((line): BaseLine => {
      const shown = roles.get(line.a) !== roles.get(line.b) || isPart(line, part);
      return {
        key: line.key,
        a: line.a,
        b: line.b,
        lengthMm: line.lengthMm,
        pointsMm: line.pointsMm,
        shown,
        locked: locked.has(line.key),
        words: shown ? shownWords(ground, line) : coveredWords(ground, line),
      };
    });
}

function isPart(line: Border, part: PartOnHead): boolean {
  const q = part.pointsMm;
  if (q.length < 6) return false;
  // Every point of the part lies near the line: the line may run on beyond it.
  let sum = 0;
  let count = 0;
  for (let i = 0; i < q.length; i += 9) {
    let nearest = Number.POSITIVE_INFINITY;
    for (let k = 0; k < line.pointsMm.length; k += 3) {
      const d =
        (q[i] - line.pointsMm[k]) ** 2 +
        (q[i + 1] - line.pointsMm[k + 1]) ** 2 +
        (q[i + 2] - line.pointsMm[k + 2]) ** 2;
      if (d < nearest) nearest = d;
    }
    sum += Math.sqrt(nearest);
    count++;
  }
  return sum / count < IS_PART_MM;
}

const pointAt = (line: Pick<Border, 'pointsMm'>, share: number): Point => {
  const i = 3 * Math.round(share * (line.pointsMm.length / 3 - 1));
  return [line.pointsMm[i], line.pointsMm[i + 1], line.pointsMm[i + 2]];
};

/** A line as it is drawn at the mirror: in one go, however many sections it borders. */
export interface WorkLine {
  readonly key: string;
  readonly shown: boolean;
  readonly what: string;
  readonly words: string;
}

/**
 * Lines in the order in which they are drawn: those that will show, then those between groups of sections (what
 * is behind from what is in front), the longest first, then those inside a group.
 */
export function workLines(ground: BaseContext, map: SectionMap, lines: readonly BaseLine[]): WorkLine[] {
  const isTied = (id: string) => map.sections.find((s) => s.id === id)?.role === 'base';
  const shown = (key: string, words: string): WorkLine => ({ key, shown: true, what: 'a line that will show', words });
  const around = joinedBorders(ground, map, (s) => (s.role === 'base' ? 'tied' : s.id)).map((line) =>
    shown(line.key, shownWords(ground, line)),
  );
  const part = lines.filter((l) => l.shown && isTied(l.a) && isTied(l.b)).map((l) => shown(l.key, l.words));
  const groups = new Map(map.sections.map((s) => [s.id, groupOf(s)]));
  const names = new Map(map.sections.map((s) => [groupOf(s), groupName(s)]));
  const isPart = (a: string, b: string) => lines.some((l) => l.shown && groups.get(l.a) === a && groups.get(l.b) === b);
  const between = joinedBorders(ground, map, groupOf)
    .filter((l) => isTied(l.a) && isTied(l.b))
    .map((l) => ({ ...l, a: groups.get(l.a) as string, b: groups.get(l.b) as string }))
    .filter((l) => !isPart(l.a, l.b) && !isPart(l.b, l.a))
    .sort((x, y) => y.lengthMm - x.lengthMm)
    .map((l) => covered(l.key, names.get(l.a), names.get(l.b), coveredWords(ground, l)));
  const inside = lines
    .filter((l) => !l.shown && groups.get(l.a) === groups.get(l.b))
    .sort((x, y) => x.key.localeCompare(y.key, 'en', { numeric: true }))
    .map((l) => covered(l.key, nameOf(map, l.a), nameOf(map, l.b), l.words));
  return [...around, ...part, ...between, ...inside];
}

const covered = (key: string, a = '', b = '', words = ''): WorkLine => ({
  key,
  shown: false,
  what: `Separate ${a} from ${b}`,
  words,
});

const nameOf = (map: SectionMap, id: string) =>
  (map.sections.find((s) => s.id === id)?.name ?? id).replace(', from your left', '');

/** Lines of the sections when all of a group count as one; named by the first section of each. */
function joinedBorders(ground: BaseContext, map: SectionMap, group: (s: SectionSeed) => string): Border[] {
  const first = new Map<string, number>();
  map.sections.forEach((s, i) => {
    if (!first.has(group(s))) first.set(group(s), i);
  });
  const joined = map.sections.map((s) => first.get(group(s)) as number);
  return borders(ground.mesh, { ...map, labels: map.labels.map((label) => joined[label]) }).filter(
    (line) => line.lengthMm >= LEAST_LINE_MM,
  );
}

/** Sections that a generator cuts side by side share all of their id but the last number. */
function groupOf({ id, role }: SectionSeed): string {
  return role === 'base' ? id.replace(/\d+(-\d+)*$/, '') : id;
}

/** "behind", "band 2 from the nape". */
function groupName({ name }: SectionSeed): string {
  return / in ((?:band|row) [^,]*)/.exec(name)?.[1] ?? name.replace(/ \d.*$/, '');
}

/** "From the middle of the hairline two fingers to the left, straight back to the crown: about nine fingers". */
function shownWords(ground: BaseContext, line: Border): string {
  const from = pointAt(line, 0);
  const to = pointAt(line, 1);
  const about = `about ${fingersInWords(Math.max(1, Math.round(line.lengthMm / ground.fingerMm)))}`;
  if (line.closed) return `All the way round, ${placeWords(ground, pointAt(line, 0.5))}: ${about}.`;
  const run = line.lengthMm / distance(from, to) > CURVED ? 'in a curve' : 'straight';
  const middle = line.lengthMm > 6 * ground.fingerMm ? ` by way of ${placeWords(ground, pointAt(line, 0.5))},` : '';
  return `From ${placeWords(ground, from)}, ${run} ${directionWords(from, to)}${middle} to ${placeWords(ground, to)}: ${about}.`;
}

function coveredWords(ground: BaseContext, line: Border): string {
  const about = fingersInWords(Math.max(1, Math.round(line.lengthMm / ground.fingerMm)));
  return `Roughly ${directionWords(pointAt(line, 0), pointAt(line, 1))} from ${placeWords(ground, pointAt(line, 0))}, about ${about}; any line that separates will do.`;
}

function directionWords(from: Point, to: Point): string {
  const d = [to[0] - from[0], to[1] - from[1], to[2] - from[2]];
  const most = Math.max(...d.map(Math.abs));
  if (Math.abs(d[2]) === most) return d[2] < 0 ? 'back' : 'forward';
  if (Math.abs(d[1]) === most) return d[1] < 0 ? 'down' : 'up';
  return d[0] < 0 ? 'across to the right' : 'across to the left';
}

/** Places that a finger knows, mm away at most. */
const AT_LANDMARK_MM = 14;

/** A place by the landmark next to it, in her own fingers. */
export function placeWords(ground: BaseContext, at: Point): string {
  const { mark, scalp, mesh, fingerMm } = ground;
  const side = at[0] > 0 ? 'left' : 'right';
  const near = (p: Point) => Math.sqrt((Math.abs(at[0]) - p[0]) ** 2 + (at[1] - p[1]) ** 2 + (at[2] - p[2]) ** 2);
  if (near(mark.crown) < AT_LANDMARK_MM) return 'the crown';
  if (near(mark.earTop) < 1.6 * AT_LANDMARK_MM) return `the top of your ${side} ear`;
  if (near(mark.temple) < AT_LANDMARK_MM) return `your ${side} temple`;
  const v = nearestVertex(mesh, ...at);
  const fingers = (mm: number) => Math.round((2 * mm) / fingerMm) / 2;
  const aside = fingers(scalp.fromMidline[v]);
  const asideWords = aside === 0 ? '' : ` ${fingersInWords(aside)} to the ${side}`;
  if (scalp.fromFrontHairline[v] < AT_LANDMARK_MM) return `the middle of the hairline${asideWords}`;
  if (scalp.fromNape[v] < AT_LANDMARK_MM) return `the middle of the nape line${asideWords}`;
  const isBehind = ground.beforeEars[v] < 0;
  const back = fingers(isBehind ? scalp.fromNape[v] : scalp.fromFrontHairline[v]);
  const where = isBehind ? 'above the nape line' : 'behind the front hairline';
  return `${fingersInWords(back)} ${where}${aside === 0 ? ', on the middle' : `, ${fingersInWords(aside)} to the ${side}`}`;
}
