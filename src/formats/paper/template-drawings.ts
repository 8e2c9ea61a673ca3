/** The template: one drawing for each piece of the scalp at its true size, and a page that says how they go together. */
import type { PlanResult } from '../../core/findings/index.ts';
import type { PaperTemplate } from '../../core/plan/index.ts';
import { FILLED_INFO, isOffHead, isWorn, knotName, upperFirst } from '../../core/trade/index.ts';
import type { PlanDocument } from '../../model/plan.ts';
import { signPath } from '../signs.ts';
import { type Drawing, type LineStyle, type Mark, wrapped } from './drawing.ts';
import { legendEntries } from './knot-chart.ts';

/** Free round a piece, mm. */
const AIR = 3;
const SIGN = 1.3;
/** From mark to mark along a seam, counted from the crown, mm: those of neighbours meet. */
const NOTCH_MM = 30;
const NOTCH_LONG = 3;
const SMALL = 2.6;
/** Along a seam, from its middle outwards. */
const LETTER_SHARES = [0.5, 0.47, 0.53, 0.44, 0.56, 0.41, 0.59, 0.38, 0.62];

type Piece = PaperTemplate['pieces'][number];

export function templateDrawings(plan: PlanDocument, result: PlanResult, template: PaperTemplate): Drawing[] {
  return [
    howItGoes(plan, result, template),
    ...template.pieces.map((piece, i) => pieceDrawing(plan, result, template, piece, i)),
  ];
}

const isWhole = ({ cut }: PaperTemplate) => cut === 'darts';
const pieceName = (template: PaperTemplate, { name }: Piece) =>
  isWhole(template) ? 'Whole head' : `${upperFirst(name)} gore`;

/** From the plane of the pattern, y up, to the paper, y down. */
class Frame {
  readonly widthMm: number;
  readonly heightMm: number;
  private readonly left: number;
  private readonly top: number;

  constructor(edges: Piece['edges']) {
    let [x0, x1, y0, y1] = [0, 0, 0, 0];
    for (const { atMm } of edges)
      for (let i = 0; i < atMm.length; i += 2) {
        x0 = Math.min(x0, atMm[i]);
        x1 = Math.max(x1, atMm[i]);
        y0 = Math.min(y0, atMm[i + 1]);
        y1 = Math.max(y1, atMm[i + 1]);
      }
    this.left = x0 - AIR;
    this.top = y1 + AIR;
    this.widthMm = x1 - x0 + 2 * AIR;
    this.heightMm = y1 - y0 + 2 * AIR;
  }

  at(x: number, y: number): readonly [number, number] {
    return [x - this.left, this.top - y];
  }

  line(at: ArrayLike<number>): number[] {
    return Array.from({ length: at.length / 2 }, (_, i) => this.at(at[2 * i], at[2 * i + 1])).flat();
  }
}

function pieceDrawing(
  plan: PlanDocument,
  result: PlanResult,
  template: PaperTemplate,
  piece: Piece,
  index: number,
): Drawing {
  const frame = new Frame(piece.edges);
  const knots = template.knots.filter((k) => k.piece === index);
  const lines = (all: PaperTemplate['parts'], style: LineStyle): Mark[] =>
    all.filter((l) => l.piece === index).map((l) => ({ kind: 'line', at: frame.line(l.atMm), style }));
  const name = pieceName(template, piece);
  return {
    name,
    id: piece.name.replace(/ /g, '-'),
    widthMm: frame.widthMm,
    heightMm: frame.heightMm,
    description: `${name} of “${plan.name}” at its true size, with ${knots.length} knots. ${strainWords(piece)}`,
    marks: [
      ...piece.edges.flatMap((edge) => edgeMarks(template, frame, edge, knots)),
      ...template.rows.flatMap((runs, row) => rowMarks(result, frame, runs, row, index)),
      ...lines(template.parts, 'part'),
      ...lines(template.opening, 'opening'),
      ...lines(template.scissors, 'scissors'),
      ...template.combs.filter((c) => c.piece === index).map((c): Mark => comb(...frame.at(...c.atMm))),
      ...knots.map((k): Mark => {
        const [x, y] = frame.at(...k.atMm);
        const knot = result.knots[k.knot];
        return {
          kind: 'sign',
          d: signPath(knot, SIGN),
          x,
          y,
          turn: (-k.turnRad * 180) / Math.PI,
          id: knot.id,
          title: `${knot.id}: ${knotName(knot)}. ${knot.where.words}.`,
        };
      }),
      ...titleMarks(plan, template, piece, frame),
    ],
  };
}

/** Beside the tip, where a gore is narrow and a whole head round. */
function titleMarks(plan: PlanDocument, template: PaperTemplate, piece: Piece, frame: Frame): Mark[] {
  const [cx, cy] = frame.at(0, 0);
  const room = isWhole(template) ? 62 : Math.max(22, frame.widthMm / 2 - 14);
  const words = [
    { text: pieceName(template, piece), size: 4.2 },
    ...wrapped(plan.name, SMALL, room)
      .slice(0, 2)
      .map((text) => ({ text, size: SMALL })),
    ...wrapped(strainWords(piece), SMALL, room).map((text) => ({ text, size: SMALL })),
  ];
  let y = 1;
  return [
    ...words.map(({ text, size }): Mark => {
      y += size * 1.3;
      return { kind: 'text', x: 1, y, text, size };
    }),
    { kind: 'text', x: cx, y: cy + (isWhole(template) ? 0 : -0.6), text: 'crown', size: 2.2, anchor: 'middle' },
  ];
}

const percentOf = (share: number) => `${(100 * share).toFixed(share < 0.0995 ? 1 : 0)}\u00a0%`;
const strainWords = ({ distortion: { mean, p95 } }: Piece) =>
  `Lines differ from the head by ${percentOf(mean)} on the whole, nearly everywhere by less than ${percentOf(p95)}.`;

function edgeMarks(
  template: PaperTemplate,
  frame: Frame,
  edge: Piece['edges'][number],
  knots: PaperTemplate['knots'],
): Mark[] {
  const { seam, atMm } = edge;
  const outline: Mark = { kind: 'line', at: frame.line(atMm), style: seam === undefined ? 'hairline' : 'cut' };
  if (seam === undefined) return [outline];
  // The piece lies to the left of its outline.
  const walk = alongEdge(atMm);
  const notches = walk.at(-1)!.mm;
  const crownLast = Math.abs(atMm.at(-1)!) + Math.abs(atMm.at(-2)!) < Math.abs(atMm[0]) + Math.abs(atMm[1]);
  const marks: Mark[] = [outline];
  for (let mm = NOTCH_MM; mm < notches - 5; mm += NOTCH_MM) {
    const { x, y, dx, dy } = onEdge(walk, crownLast ? notches - mm : mm);
    marks.push({ kind: 'line', at: frame.line([x, y, x - NOTCH_LONG * dy, y + NOTCH_LONG * dx]), style: 'thin' });
  }
  const [tx, ty] = letterPlace(frame, walk, knots);
  marks.push({ kind: 'text', x: tx, y: ty + 1.4, text: template.seams[seam].name, size: 4.4, anchor: 'middle' });
  return marks;
}

/** Of places beside the middle of a seam the one that is farthest from a knot, so that a letter hides none. */
function letterPlace(frame: Frame, walk: readonly Step[], knots: PaperTemplate['knots']): readonly [number, number] {
  const places = LETTER_SHARES.map((share) => {
    const { x, y, dx, dy } = onEdge(walk, share * walk.at(-1)!.mm);
    return [x - 6 * dy, y + 6 * dx] as const;
  });
  const free = ([x, y]: readonly [number, number]) =>
    knots.reduce(
      (nearest, { atMm }) => Math.min(nearest, Math.hypot(x - atMm[0], y - atMm[1])),
      Number.POSITIVE_INFINITY,
    );
  const best = places.reduce((a, b) => (free(b) > free(a) + 0.5 ? b : a));
  return frame.at(...best);
}

interface Step {
  readonly x: number;
  readonly y: number;
  /** From the start. */
  readonly mm: number;
}

function alongEdge(at: ArrayLike<number>): Step[] {
  const steps: Step[] = [];
  let mm = 0;
  for (let i = 0; i < at.length; i += 2) {
    if (i > 0) mm += Math.sqrt((at[i] - at[i - 2]) ** 2 + (at[i + 1] - at[i - 1]) ** 2);
    steps.push({ x: at[i], y: at[i + 1], mm });
  }
  return steps;
}

function onEdge(steps: readonly Step[], mm: number) {
  const i = Math.max(
    1,
    steps.findIndex((s) => s.mm >= mm),
  );
  const [a, b] = [steps[i - 1], steps[i]];
  const long = b.mm - a.mm || 1;
  const share = (mm - a.mm) / long;
  const [dx, dy] = [(b.x - a.x) / long, (b.y - a.y) / long];
  return { x: a.x + share * (b.x - a.x), y: a.y + share * (b.y - a.y), dx, dy };
}

function rowMarks(
  result: PlanResult,
  frame: Frame,
  runs: PaperTemplate['rows'][number],
  row: number,
  index: number,
): Mark[] {
  return runs
    .filter((r) => r.piece === index)
    .flatMap((run): Mark[] => {
      const at = frame.line(run.atMm);
      // In the middle of the run, above the line, where no seam takes it away.
      const middle = 2 * Math.floor(at.length / 4);
      return [
        { kind: 'line', at, style: 'row' },
        {
          kind: 'text',
          x: at[middle],
          y: at[middle + 1] - 1.9,
          text: result.rows[row].label,
          size: 2,
          anchor: 'middle',
        },
      ];
    });
}

/** A comb from above: a back and teeth. */
const comb = (x: number, y: number): Mark => ({
  kind: 'sign',
  d: 'M-6,-2H6V-0.8H-6ZM-5.6,-0.8H-5V2H-5.6ZM-3.6,-0.8H-3V2H-3.6ZM-1.6,-0.8H-1V2H-1.6ZM0.4,-0.8H1V2H0.4ZM2.4,-0.8H3V2H2.4ZM4.4,-0.8H5V2H4.4Z',
  x,
  y,
  title: 'comb',
});

const PAGE = { width: 190, height: 236 } as const;
const BODY = 3.6;

function howItGoes(plan: PlanDocument, result: PlanResult, template: PaperTemplate): Drawing {
  const marks: Mark[] = [];
  let y = 8;
  const say = (text: string, size = BODY) => {
    for (const line of wrapped(text, size, PAGE.width)) {
      marks.push({ kind: 'text', x: 0, y, text: line, size });
      y += size * 1.45;
    }
  };
  const heading = (text: string) => {
    y += 4;
    say(text, 5);
  };
  say('Template at true size', 8);
  say(
    `${[plan.wearer, plan.name].filter(Boolean).join(', ')}. ${result.knots.length} knots in ${result.rows.length} rows. Left and right are your own.`,
  );
  heading('How it goes together');
  for (const line of stepsOf(plan, result, template)) say(line);
  heading('Seams, the same on both sides');
  say(
    template.seams
      .map((s) => `${s.name} ${Math.round(Math.max(...s.lengthsMm))} mm`)
      .join(', ')
      .concat('.'),
  );
  heading('Lines');
  for (const [style, words] of lineWords(result, template)) {
    marks.push(
      { kind: 'line', at: [0, y - 1.2, 14, y - 1.2], style },
      { kind: 'text', x: 18, y, text: words, size: BODY },
    );
    y += BODY * 1.45;
  }
  heading('Knots');
  for (const { path, name, count } of legendEntries(result)) {
    marks.push(
      { kind: 'sign', d: path, x: 7, y: y - 1.2 },
      { kind: 'text', x: 18, y, text: `${name}, ${count}`, size: BODY },
    );
    y += BODY * 1.6;
  }
  heading('What paper can’t do');
  say(
    'A head is round in every direction, and paper is not. Each piece says how far its lines differ from the head; at the tips of darts it is most. Hold a piece to your head where you know a distance before you trust the rest.',
  );
  return {
    name: 'How it goes together',
    id: 'how',
    widthMm: PAGE.width,
    heightMm: Math.max(y, PAGE.height),
    description: `How the template of “${plan.name}” goes together.`,
    marks,
  };
}

/** Those lines that the template has. */
const lineWords = ({ cap }: PlanResult, { opening, scissors }: PaperTemplate): Array<readonly [LineStyle, string]> => [
  ['cut', 'cut round the piece; the same letters meet, and so do the small marks beside them'],
  ['hairline', 'hairline'],
  ['part', 'part'],
  ['row', 'row, with its number as it is worked'],
  ...shown('opening', opening, 'opening of the cap'),
  ...shown(
    'scissors',
    scissors,
    `where the scissors go${cap.cutAfterKnot > 0 ? `, once ${cap.cutAfterKnot} knots are in` : ''}`,
  ),
];

const shown = (style: LineStyle, lines: readonly unknown[], words: string) =>
  lines.length > 0 ? [[style, words] as const] : [];

function stepsOf(plan: PlanDocument, result: PlanResult, template: PaperTemplate): string[] {
  return [
    'Print at 100 %, not fitted to the page. Lay a ruler to the bar at the foot: it is 100 mm long, or nothing here is true.',
    isWhole(template)
      ? 'Glue the pages cross on cross, cut out along the outline, and close the four darts, edge to edge.'
      : 'Cut the gores out. Join same letters edge to edge, marks on marks, from the crown down; nothing overlaps.',
    tryOn(plan),
    markThrough(plan, result),
  ].map((step, i) => `${i + 1}. ${step}`);
}

const tryOn = ({ madeFor }: PlanDocument) =>
  isWorn(madeFor)
    ? 'Try it on over the base as it lies under the hair: the crown on the crown, the thick lines on the hairline.'
    : 'It has the size of the head that the hair is made for. Try it on that head, or on a form of that size: the crown on the crown, the thick lines on the hairline.';

/** Rows and knots come through the paper onto what takes them: a net off the head or on it, or a base without one. */
function markThrough({ cap: { filledOn } }: PlanDocument, { cap }: PlanResult) {
  if (cap.dome === 'none')
    return 'There is no cap: hold one piece at a time beside the mirror, and find rows and knots on your base by it.';
  if (!isOffHead({ dome: cap.dome, filledOn }))
    return 'Lay it over the cap on your head, and mark rows and knots through it with chalk, never with pins; or hold one piece beside the mirror.';
  const where = FILLED_INFO[filledOn].name;
  const through = 'Mark rows and knots through it onto the cap with chalk or pins';
  if (sameStretch(cap)) return `Lay it over the cap where you fill it, ${where}. ${through}.`;
  return `It is as large as the hair is worn; the cap lies otherwise where you fill it, ${where}. ${through} while the cap lies on a form as large as the head; else take the places of the knots by hole and by the rule, not by this paper.`;
}

/** Lengths that differ by less than a hand sees are one. */
const SAME = 0.01;
const sameStretch = ({ onForm, onHead }: PlanResult['cap']) =>
  (['across', 'up'] as const).every((way) => Math.abs(onForm.stretch[way] / onHead.stretch[way] - 1) < SAME);
