/** The order in which a base is laid, with minutes, and the tools and consumables that it takes. */

import type { OwnHair } from '../../hair/index.ts';
import { PARKING_NAMES, upperFirst } from '../../trade/index.ts';
import type { Laying } from '../choice.ts';
import type { BaseLine, WorkLine } from '../sections/lines.ts';
import type { Section } from '../sections/section-figures.ts';

export interface WorkStep {
  readonly id: string;
  readonly what: string;
  /** How she finds it or knows that it is right; may be empty. */
  readonly how: string;
  readonly minutes: number;
  /** Has to be straight, or any reasonable result will do; only for lines. */
  readonly line?: 'shown' | 'covered';
  readonly sectionId?: string;
}

/** A line that shows is drawn with a tail comb and looked at twice; one that is covered is drawn once (common practice). */
const SHOWN_LINE_MINUTES = 2;
const COVERED_LINE_MINUTES = 0.4;
const COMB_OUT_MINUTES = 6;
const EDGES_MINUTES = 5;

export function workSteps(
  choice: Laying,
  sections: readonly Section[],
  lines: readonly WorkLine[],
  own: OwnHair,
): WorkStep[] {
  if (choice.family === 'found') return foundSteps(choice, sections);
  const steps: WorkStep[] = [
    {
      id: 'comb',
      what: 'Comb out, moisturise, oil the scalp',
      how: `Section by section, from the ends up. Dry before anything covers it.${own.freshEnds ? ' Your ends are fresh: have clips, wax or tip bands at hand.' : ''}`,
      minutes: COMB_OUT_MINUTES,
    },
    {
      id: 'edges',
      what: 'Free and lay the edges',
      how: 'The fine hair of the hairline goes into no band.',
      minutes: EDGES_MINUTES,
    },
  ];
  const shown = lines.filter((line) => line.shown);
  const covered = lines.filter((line) => !line.shown);
  shown.forEach((line, i) => {
    steps.push({
      id: `line-${line.key}`,
      what: `Line ${i + 1}, straight: it will show`,
      how: `${line.words} Feel it with a finger, look at it in the mirror, then clip both sides away.`,
      minutes: SHOWN_LINE_MINUTES,
      line: 'shown',
    });
  });
  if (covered.length > MANY_LINES) {
    steps.push({
      id: 'lines',
      what: `${covered.length} lines that are covered`,
      how: 'Take them as you come to each section; they only have to separate.',
      minutes: covered.length * COVERED_LINE_MINUTES,
      line: 'covered',
    });
  } else {
    for (const { key, what, words } of covered) {
      steps.push({ id: `line-${key}-${what}`, what, how: words, minutes: COVERED_LINE_MINUTES, line: 'covered' });
    }
  }
  for (const section of inOrder(sections)) steps.push(sectionStep(choice, section, sections));
  return steps;
}

/** More than this many covered lines are told in one step. */
const MANY_LINES = 14;

function nameOf(sections: readonly Section[], id: string): string {
  return sections.find((s) => s.id === id)?.name ?? id;
}

/** Ties within so much count as equally high, mm. */
const LEVEL_MM = 25;

/** From the nape up, so that what is done is clipped out of the way of what is next; her left first. */
function inOrder(sections: readonly Section[]): Section[] {
  const level = (s: Section) => Math.round(s.tieMm[1] / LEVEL_MM);
  return sections.filter((s) => s.role === 'base').sort((a, b) => level(a) - level(b) || b.tieMm[0] - a.tieMm[0]);
}

function sectionStep(choice: Laying, section: Section, sections: readonly Section[]): WorkStep {
  const into = section.parking.into ? ` (${nameOf(sections, section.parking.into)})` : '';
  const parked = `${PARKING_NAMES[section.parking.how]}${into}`;
  return {
    id: `section-${section.id}`,
    sectionId: section.id,
    what: upperFirst(section.name),
    how: `${bindWords(choice, section)}. Its tail is then ${parked}. The skin must not lift.`,
    minutes: section.minutes,
  };
}

function bindWords(choice: Laying, section: Section): string {
  const place = `Tie it ${section.tieWords}`;
  switch (choice.family) {
    case 'laidFlat':
      return 'Brush it back under the net in flat layers, a pin where it wants to lift';
    case 'flatTwists':
      return 'Start at the front with two strands, take hair up from both sides as you go, and keep it against the scalp';
    case 'grid':
      return `Band the box ${section.tieWords} with an oiled band`;
    case 'threaded':
      return `Wrap from root to tip every ${choice.wrapPitchMm} mm with ${(section.threadMm / 1000).toFixed(1)} m of thread; knot both ends; pieces will go on ${ROD_WORDS[choice.rodPieces]}, so wrap closest there`;
    case 'puff':
      return `${place}, check the smoothness, tie it again`;
    default: {
      const bind =
        section.tail === 'plait'
          ? 'plait it, band the tip'
          : section.tail === 'twist'
            ? 'twist it, band the tip'
            : 'brush it smooth';
      return `${place} with an oiled band, ${bind}`;
    }
  }
}

const ROD_WORDS = { root: 'at the root', along: 'all along', tip: 'near the tip' } as const;

function foundSteps(choice: Laying, sections: readonly Section[]): WorkStep[] {
  return [
    {
      id: 'found',
      what: `${sections.filter((s) => s.role === 'base').length} ${FOUND_NAMES[choice.found.what]} that are already there`,
      how: `${choice.found.ageDays} days old; ends ${endsWords(sections)}. Feel along each: nothing sore, nothing that slips at a light tug. Nothing has to be made.`,
      minutes: 0,
    },
  ];
}

const FOUND_NAMES = { rows: 'rows', flatTwists: 'flat twists', plaits: 'plaits', looseTwists: 'loose twists' } as const;

function endsWords(sections: readonly Section[]): string {
  const hows = [...new Set(sections.filter((s) => s.role === 'base').map((s) => PARKING_NAMES[s.parking.how]))];
  return hows.join(' or ');
}

export interface Consumable {
  readonly name: string;
  readonly count: number;
  readonly unit: string;
  readonly because: string;
}

/** Bands break and pins vanish: this share more than counted (common practice). */
const SPARE = 0.15;

export function consumables(choice: Laying, sections: readonly Section[], lines: readonly BaseLine[]): Consumable[] {
  const sum = (of: (s: Section) => number) => sections.reduce((total, s) => total + of(s), 0);
  const spare = (n: number) => Math.ceil(n * (1 + SPARE));
  const bands = sum((s) => s.bands);
  const pins = sum((s) => s.pins);
  const threadM = sum((s) => s.threadMm) / 1000;
  const clips = Math.min(8, Math.max(2, sections.length));
  const sewn = sections.filter((s) => s.parking.how === 'sewn').length;
  const list: Array<Consumable | false> = [
    bands > 0 && {
      name: 'small rubber bands',
      count: spare(bands),
      unit: '',
      because: `${bands} counted, root and tip; oil them first and cut them off later`,
    },
    pins > 0 && {
      name: 'bent hair pins',
      count: spare(pins),
      unit: '',
      because: `${pins} counted; a bent pin follows the skull`,
    },
    threadM > 0 && {
      name: choice.family === 'threaded' ? 'wrapping thread' : 'sewing thread',
      count: Math.ceil(threadM * (1 + SPARE)),
      unit: 'm',
      because: choice.family === 'threaded' ? 'a helix on every rod, and its knots' : `${sewn} tails sewn down`,
    },
    choice.tipsWaxed && { name: 'wax for tips', count: 1, unit: '', because: 'fresh ends slide out' },
    sewn > 0 && { name: 'blunt curved needle', count: 1, unit: '', because: 'to sew tails down flat' },
    choice.family !== 'found' && { name: 'section clips', count: clips, unit: '', because: 'to hold what waits' },
    choice.family !== 'found' && {
      name: 'tail comb',
      count: 1,
      unit: '',
      because: lines.some((line) => line.shown) ? 'for the lines that show' : 'to separate',
    },
    { name: 'hand mirror', count: 1, unit: '', because: 'for the back, with the wall mirror' },
    choice.family !== 'found' && {
      name: 'scalp oil',
      count: 1,
      unit: 'bottle',
      because: 'before the scalp disappears; also for the bands',
    },
  ];
  return list.filter((c): c is Consumable => c !== false);
}
