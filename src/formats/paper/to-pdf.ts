/** Drawings as one PDF, true to scale: tiled, with a bar on every page that tells whether the printer kept the scale. */
import { jsPDF } from 'jspdf';
import svgpath from 'svgpath';
import { type Drawing, LINES, type Mark } from './drawing.ts';
import { MARGIN_MM, OVERLAP_MM, PAPER_MM, type PaperSize, roomOn, type Tile, tiles } from './tiles.ts';

/** Two files of one family: letters up to U+00FF, and the Latin ones beyond. */
export interface PaperFonts {
  readonly latin: Uint8Array;
  readonly latinExt: Uint8Array;
}

/** Said in the foot of every page; what the bar must measure. */
export const BAR_MM = 100;
const PT_PER_MM = 72 / 25.4;

/** @param title of the document */
export function toPdf(
  drawings: readonly Drawing[],
  { paper, fonts, title }: { readonly paper: PaperSize; readonly fonts: PaperFonts; readonly title: string },
): Uint8Array {
  const doc = new jsPDF({ unit: 'mm', format: [...PAPER_MM[paper]], compress: true, putOnlyUsedFonts: true });
  doc.setProperties({ title, creator: 'Meshwork' });
  doc.viewerPreferences({ PrintScaling: 'None' });
  addFont(doc, 'latin', fonts.latin);
  addFont(doc, 'latin-ext', fonts.latinExt);
  const pen: Pen = { doc, fontOf: letterFonts(doc) };
  const pages = drawings.flatMap((d) => tiles(d, paper));
  pages.forEach((tile, i) => {
    if (i > 0) doc.addPage([...PAPER_MM[paper]]);
    drawTile(pen, tile, paper);
    drawFoot(pen, tile, paper, `${i + 1} of ${pages.length}`);
  });
  return new Uint8Array(doc.output('arraybuffer'));
}

function addFont(doc: jsPDF, name: string, bytes: Uint8Array) {
  let binary = '';
  for (let i = 0; i < bytes.length; i += 4096) binary += String.fromCharCode(...bytes.subarray(i, i + 4096));
  doc.addFileToVFS(`${name}.ttf`, btoa(binary));
  doc.addFont(`${name}.ttf`, name, 'normal');
}

/** From the drawing to the page. */
interface Place {
  readonly at: (x: number, y: number) => readonly [number, number];
  /** Clockwise, degrees. */
  readonly turn: number;
}

function placeOf({ drawing, isTurned, fromMm: [fx, fy] }: Tile): Place {
  const [left, top] = [MARGIN_MM - fx, MARGIN_MM - fy];
  if (!isTurned) return { at: (x, y) => [left + x, top + y], turn: 0 };
  return { at: (x, y) => [left + drawing.heightMm - y, top + x], turn: 90 };
}

function drawTile(pen: Pen, tile: Tile, paper: PaperSize) {
  const { doc } = pen;
  const [width, height] = roomOn(paper);
  const place = placeOf(tile);
  doc.saveGraphicsState();
  doc.rect(MARGIN_MM, MARGIN_MM, width, height, null);
  doc.clip();
  doc.discardPath();
  for (const mark of tile.drawing.marks) drawMark(pen, mark, place);
  doc.restoreGraphicsState();
  if (tile.rows * tile.columns > 1) drawOverlaps(pen, tile, width, height);
}

function drawMark(pen: Pen, mark: Mark, place: Place) {
  if (mark.kind === 'line') return drawLine(pen, mark.at, mark.style, place);
  if (mark.kind === 'text') {
    return drawText(pen, mark.text, { ...mark, at: place.at(mark.x, mark.y), turn: (mark.turn ?? 0) + place.turn });
  }
  const [x, y] = place.at(mark.x, mark.y);
  const path = svgpath(mark.d)
    .abs()
    .unarc()
    .rotate((mark.turn ?? 0) + place.turn)
    .translate(x, y)
    .abs();
  pen.doc.path(segmentsOf(path)).fillEvenOdd();
}

function drawLine({ doc }: Pen, at: ArrayLike<number>, style: keyof typeof LINES, place: Place) {
  const { width, dash } = LINES[style];
  doc.setLineWidth(width);
  doc.setLineDashPattern([...dash], 0);
  const lines = Array.from({ length: at.length / 2 }, (_, i) => ({
    op: i === 0 ? 'm' : 'l',
    c: [...place.at(at[2 * i], at[2 * i + 1])],
  }));
  doc.path(lines).stroke();
}

type Segment = { op: string; c: number[] };

/** Path data in the operators of a PDF. */
function segmentsOf(path: ReturnType<typeof svgpath>): Segment[] {
  const out: Segment[] = [];
  path.iterate((segment, _, x, y) => {
    const [command, ...c] = segment as [string, ...number[]];
    if (command === 'M') out.push({ op: 'm', c });
    else if (command === 'L') out.push({ op: 'l', c });
    else if (command === 'H') out.push({ op: 'l', c: [c[0], y] });
    else if (command === 'V') out.push({ op: 'l', c: [x, c[0]] });
    else if (command === 'C') out.push({ op: 'c', c });
    else out.push({ op: 'h', c: [] });
  });
  return out;
}

interface TextLook {
  readonly at: readonly [number, number];
  readonly size: number;
  readonly anchor?: 'start' | 'middle' | 'end';
  readonly turn?: number;
}

/** In runs, each with the file that has its letters. */
function drawText({ doc, fontOf }: Pen, text: string, { at: [x, y], size, anchor = 'start', turn = 0 }: TextLook) {
  doc.setFontSize(size * PT_PER_MM);
  const runs = runsOf(text, fontOf).map((run) => {
    doc.setFont(run.font, 'normal');
    return { ...run, widthMm: doc.getTextWidth(run.text) };
  });
  const all = runs.reduce((sum, r) => sum + r.widthMm, 0);
  let along = anchor === 'middle' ? -all / 2 : anchor === 'end' ? -all : 0;
  const angle = (turn * Math.PI) / 180;
  for (const run of runs) {
    doc.setFont(run.font, 'normal');
    // jsPDF turns text counter-clockwise.
    doc.text(run.text, x + along * Math.cos(angle), y + along * Math.sin(angle), { angle: -turn });
    along += run.widthMm;
  }
}

type FontOf = (letter: string) => string | undefined;

interface Pen {
  readonly doc: jsPDF;
  readonly fontOf: FontOf;
}

/** Which file has a letter. */
function letterFonts(doc: jsPDF): FontOf {
  const known = ['latin', 'latin-ext'].map((name) => {
    const { metadata } = (doc as unknown as { getFont(n: string, s: string): unknown }).getFont(name, 'normal') as {
      readonly metadata: {
        readonly cmap: { readonly unicode: { readonly codeMap: Readonly<Record<number, number>> } };
      };
    };
    return { name, codes: metadata.cmap.unicode.codeMap };
  });
  return (letter) => known.find((f) => f.codes[letter.codePointAt(0) ?? 0])?.name;
}

/** A letter that neither file has goes without its marks, or as a question mark. */
function runsOf(text: string, fontOf: FontOf): Array<{ font: string; text: string }> {
  const runs: Array<{ font: string; text: string }> = [];
  for (const letter of text.normalize('NFC')) {
    if (/\p{M}/u.test(letter)) continue;
    const plain = letter.normalize('NFD').charAt(0);
    const shown = [letter, plain].find((l) => fontOf(l)) ?? '?';
    const font = fontOf(shown) ?? 'latin';
    const last = runs.at(-1);
    if (last?.font === font) last.text += shown;
    else runs.push({ font, text: shown });
  }
  return runs;
}

/** What of a page lies under or over its neighbour, and a cross at each corner of that, which lies on the cross of the other. */
function drawOverlaps(pen: Pen, { row, column, rows, columns }: Tile, width: number, height: number) {
  const place: Place = { at: (x, y) => [MARGIN_MM + x, MARGIN_MM + y], turn: 0 };
  const name = (r: number, c: number) => `${String.fromCharCode(65 + r)}${c + 1}`;
  const cross = (x: number, y: number) => {
    drawLine(pen, [x - 3, y, x + 3, y], 'thin', place);
    drawLine(pen, [x, y - 3, x, y + 3], 'thin', place);
  };
  const say = (text: string, x: number, y: number, turn = 0) =>
    drawText(pen, text, { at: place.at(x, y), size: 2.6, anchor: 'middle', turn });
  const xs = [column > 0 ? OVERLAP_MM / 2 : undefined, column < columns - 1 ? width - OVERLAP_MM / 2 : undefined];
  const ys = [row > 0 ? OVERLAP_MM / 2 : undefined, row < rows - 1 ? height - OVERLAP_MM / 2 : undefined];
  xs.forEach((x, side) => {
    if (x === undefined) return;
    drawLine(pen, [x, 0, x, height], 'overlap', place);
    for (const y of [0.2, 0.8]) cross(x, y * height);
    say(`glue to ${name(row, column + (side === 0 ? -1 : 1))}, cross on cross`, x - 1, height / 2, -90);
  });
  ys.forEach((y, side) => {
    if (y === undefined) return;
    drawLine(pen, [0, y, width, y], 'overlap', place);
    for (const x of [0.2, 0.8]) cross(x * width, y);
    say(`glue to ${name(row + (side === 0 ? -1 : 1), column)}, cross on cross`, width / 2, y - 1);
  });
  drawText(pen, name(row, column), { at: place.at(width - 2, 6), size: 6, anchor: 'end' });
}

function drawFoot(pen: Pen, { drawing, row, column, rows, columns }: Tile, paper: PaperSize, page: string) {
  const [width, height] = PAPER_MM[paper];
  const y = height - MARGIN_MM - 2;
  const left = width - MARGIN_MM - BAR_MM;
  const place: Place = { at: (px, py) => [px, py], turn: 0 };
  drawLine(pen, [left, y, left + BAR_MM, y], 'cut', place);
  for (let mm = 0; mm <= BAR_MM; mm += 10)
    drawLine(pen, [left + mm, y, left + mm, y - (mm % 50 === 0 ? 3 : 1.8)], 'thin', place);
  drawText(pen, 'This bar is 100 mm long. If it isn’t: print at 100 %, not fitted to the page.', {
    at: [left, y - 4.4],
    size: 2.6,
  });
  const part = rows * columns > 1 ? `, ${String.fromCharCode(65 + row)}${column + 1} of ${rows} × ${columns}` : '';
  drawText(pen, `${drawing.name}${part}`, { at: [MARGIN_MM, y - 4.4], size: 3 });
  drawText(pen, `page ${page}`, { at: [MARGIN_MM, y], size: 3 });
}
