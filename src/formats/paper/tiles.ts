/** A drawing over pages: one where it fits, upright or turned; else as many as it takes, with overlaps to glue. */
import type { Drawing } from './drawing.ts';

export const PAPER_SIZES = ['a4', 'letter'] as const;
export type PaperSize = (typeof PAPER_SIZES)[number];

/** mm; ISO 216, and ANSI/ASME Y14.1 (8.5 × 11 inches). */
export const PAPER_MM: Readonly<Record<PaperSize, readonly [width: number, height: number]>> = {
  a4: [210, 297],
  letter: [215.9, 279.4],
};
/** What no printer reaches (common practice, no source). */
export const MARGIN_MM = 8;
/** Below the drawing: the scale bar, and which page it is. */
export const FOOT_MM = 13;
export const OVERLAP_MM = 12;

export interface Tile {
  readonly drawing: Drawing;
  /** Turned a quarter, so that its width runs down the page. */
  readonly isTurned: boolean;
  readonly row: number;
  readonly column: number;
  readonly rows: number;
  readonly columns: number;
  /** What of the (turned) drawing lies at the upper left of the page, mm. */
  readonly fromMm: readonly [x: number, y: number];
}

/** Room on a page, mm. */
export function roomOn(paper: PaperSize): readonly [number, number] {
  const [width, height] = PAPER_MM[paper];
  return [width - 2 * MARGIN_MM, height - 2 * MARGIN_MM - FOOT_MM];
}

const pagesAlong = (long: number, room: number) =>
  long <= room ? 1 : Math.ceil((long - OVERLAP_MM) / (room - OVERLAP_MM));

export function tiles(drawing: Drawing, paper: PaperSize): Tile[] {
  const [width, height] = roomOn(paper);
  const upright = [pagesAlong(drawing.widthMm, width), pagesAlong(drawing.heightMm, height)] as const;
  const turned = [pagesAlong(drawing.heightMm, width), pagesAlong(drawing.widthMm, height)] as const;
  const isTurned = turned[0] * turned[1] < upright[0] * upright[1];
  const [columns, rows] = isTurned ? turned : upright;
  return Array.from({ length: rows * columns }, (_, i) => {
    const [row, column] = [Math.floor(i / columns), i % columns];
    return {
      drawing,
      isTurned,
      row,
      column,
      rows,
      columns,
      fromMm: [column * (width - OVERLAP_MM), row * (height - OVERLAP_MM)],
    };
  });
}
