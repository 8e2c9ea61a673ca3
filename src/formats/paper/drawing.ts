/** What is drawn on paper, in mm from the upper left: black on white, told apart by line and shape alone. */

export const LINES = {
  /** Where scissors go round a piece. */
  cut: { width: 0.5, dash: [] },
  /** The edge of hair, where nothing is joined. */
  hairline: { width: 0.9, dash: [] },
  /** Of the net: where it is opened. */
  scissors: { width: 0.5, dash: [4, 1.6] },
  opening: { width: 0.3, dash: [1, 1] },
  part: { width: 1.1, dash: [] },
  row: { width: 0.25, dash: [] },
  thin: { width: 0.2, dash: [] },
  overlap: { width: 0.2, dash: [2, 2] },
} as const satisfies Readonly<Record<string, { readonly width: number; readonly dash: readonly number[] }>>;
export type LineStyle = keyof typeof LINES;

export type Mark =
  | {
      readonly kind: 'line';
      /** xy interleaved. */
      readonly at: ArrayLike<number>;
      readonly style: LineStyle;
      readonly name?: string;
    }
  | {
      /** SVG path data about its own origin, filled. */
      readonly kind: 'sign';
      readonly d: string;
      readonly x: number;
      readonly y: number;
      /** Clockwise on paper, degrees. */
      readonly turn?: number;
      readonly id?: string;
      readonly title?: string;
    }
  | {
      readonly kind: 'text';
      readonly x: number;
      readonly y: number;
      readonly text: string;
      /** mm. */
      readonly size: number;
      readonly anchor?: 'start' | 'middle' | 'end';
      /** Clockwise on paper, degrees. */
      readonly turn?: number;
    };

export interface Drawing {
  /** "Left front gore". */
  readonly name: string;
  /** Part of a file name. */
  readonly id: string;
  readonly widthMm: number;
  readonly heightMm: number;
  readonly marks: readonly Mark[];
  /** Said to who can't see it. */
  readonly description: string;
}

/** Mean width of a letter for its height, on the wide side, so that no line runs out of its room. */
const LETTER = 0.5;

export const widthOf = (text: string, size: number) => LETTER * size * text.length;

/** Words in lines no longer than the room. */
export function wrapped(text: string, size: number, widthMm: number): string[] {
  const most = Math.max(8, Math.floor(widthMm / (LETTER * size)));
  const lines: string[] = [];
  let line = '';
  for (const word of text.split(/[ \n]+/)) {
    if (line !== '' && line.length + 1 + word.length > most) {
      lines.push(line);
      line = '';
    }
    // A word without an end is broken where the room ends.
    let rest = word;
    while (rest.length > most) {
      lines.push(rest.slice(0, most));
      rest = rest.slice(most);
    }
    line = line === '' ? rest : `${line} ${rest}`;
  }
  return line === '' ? lines : [...lines, line];
}
