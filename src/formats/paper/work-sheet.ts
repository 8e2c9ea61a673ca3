/** The work on paper: what to have ready, the steps in order with a box to tick, and where a finger finds each knot. */
import type { PlanResult } from '../../core/findings/index.ts';
import { neededBeside, neededWords } from '../../core/plan/index.ts';
import { duration, knotName, lowerFirst, rowWords, upperFirst } from '../../core/trade/index.ts';
import { capName } from '../../model/cap-name.ts';
import type { PlanDocument } from '../../model/plan.ts';
import { type Drawing, type Mark, wrapped } from './drawing.ts';

const PAGE = { width: 190, height: 238 } as const;
const BODY = 3.4;
const NOTE = 2.9;
const LEADING = 1.42;
const BOX = 3.4;

export function workSheets(plan: PlanDocument, result: PlanResult): Drawing[] {
  const pages = new Pages(plan.name);
  pages.say('Work sheet', 8);
  pages.say(
    `${[plan.wearer, plan.name].filter(Boolean).join(', ')}. ${result.knots.length} knots in ${result.rows.length} rows, ${result.supply.packs} packs. Left and right are your own; row 1 lies lowest.`,
  );
  pages.heading('Have ready');
  for (const n of neededBeside(result, capName(plan, result))) pages.tick(neededWords(n), []);
  pages.heading('The work in order');
  result.worklist.forEach((step, i) => {
    const minutes = step.minutes > 0 ? `, ${duration(step.minutes)}` : '';
    const wait = step.waitMinutes > 0 ? [`Then ${duration(step.waitMinutes)} waiting.`] : [];
    const wrong = step.wrong ? [`Goes wrong: ${step.wrong}`] : [];
    const caution = step.caution ? [step.caution] : [];
    pages.tick(`${i + 1}. ${step.what}${minutes}`, [step.how, ...wait, ...wrong, ...caution]);
  });
  pages.heading('Where a finger finds each knot');
  for (const row of result.rows) {
    const knots = result.knots.slice(row.firstKnot, row.firstKnot + row.knotCount);
    if (knots.length === 0) continue;
    pages.say(`${upperFirst(rowWords(row.label))}, ${knots.length} knots`, 4.2);
    for (const k of knots)
      pages.say(`${k.place}. ${knotName(k)}: ${lowerFirst(k.where.words)}; hook ${k.hookWords}.`, NOTE, 4);
  }
  return pages.drawings();
}

/** Words down a page, and on to the next where it is full. */
class Pages {
  private readonly pages: Mark[][] = [[]];
  private y = 0;

  constructor(private readonly title: string) {}

  say(text: string, size = BODY, indent = 0) {
    for (const line of wrapped(text, size, PAGE.width - indent)) this.line(line, size, indent);
  }

  heading(text: string) {
    // Never alone at the foot of a page.
    if (this.y > PAGE.height - 30) this.turn();
    this.y += 4;
    this.say(text, 5.4);
    this.y += 1;
  }

  /** A line with a box before it, what is said of it below. */
  tick(text: string, notes: readonly string[]) {
    if (this.y > PAGE.height - 14) this.turn();
    const box = [0, 0, BOX, 0, BOX, BOX, 0, BOX, 0, 0].map((v, i) => v + (i % 2 === 0 ? 0 : this.y + 0.9));
    this.pages.at(-1)?.push({ kind: 'line', at: box, style: 'row' });
    this.say(text, BODY, 6);
    for (const note of notes) this.say(note, NOTE, 6);
    this.y += 1;
  }

  drawings(): Drawing[] {
    return this.pages.map((marks, i) => ({
      name: this.pages.length > 1 ? `Work sheet ${i + 1}` : 'Work sheet',
      id: this.pages.length > 1 ? `work-${i + 1}` : 'work',
      widthMm: PAGE.width,
      heightMm: PAGE.height + 2,
      description: `Work sheet of “${this.title}”, page ${i + 1} of ${this.pages.length}.`,
      marks,
    }));
  }

  private line(text: string, size: number, indent: number) {
    if (this.y + size * LEADING > PAGE.height) this.turn();
    this.y += size * LEADING;
    this.pages.at(-1)?.push({ kind: 'text', x: indent, y: this.y, text, size });
  }

  private turn() {
    this.pages.push([]);
    this.y = 0;
  }
}
