/** What goes into the base, section by section: how many fit, what they weigh on, how thick it gets, and whether they hide the tie. */
import type { Section } from '../base/index.ts';
import type { HookedPiece } from '../hair/index.ts';
import { INTO_INFO, type IntoWay } from '../trade/index.ts';

export interface IntoSection {
  readonly section: string;
  readonly pieces: number;
  readonly massG: number;
  /** That may be borne, g, low and high (guess, no promise). */
  readonly bearsG: readonly [low: number, high: number];
  /** Pieces that fit side by side round the tied root; undefined where pieces sit along something. */
  readonly room: number | undefined;
  /** Where pieces sit the base is so thick with them, mm. */
  readonly thicknessMm: number;
  /** Pieces cover the band of the tie from most sides. */
  readonly hidesTie: boolean;
}

export interface IntoFigures {
  readonly entry: string;
  readonly way: IntoWay;
  readonly knots: number;
  readonly sections: readonly IntoSection[];
}

export interface KnotInto {
  readonly entry: string;
  readonly way: IntoWay;
  /** Index of the section that bears it. */
  readonly section: number;
  readonly piece: Pick<HookedPiece, 'massG' | 'thicknessMm' | 'knotWidthMm'>;
}

/** Pieces side by side over this share of the way round hide a band (guess). */
const HIDES_FROM = 0.5;

export function intoFigures(
  entries: ReadonlyArray<{ readonly id: string; readonly way: IntoWay }>,
  sections: ReadonlyArray<Pick<Section, 'id' | 'tailThicknessMm' | 'carriesG'>>,
  knots: readonly KnotInto[],
): IntoFigures[] {
  return entries.map(({ id, way }) => {
    const own = knots.filter((k) => k.entry === id);
    const used = [...new Set(own.map((k) => k.section))].sort((a, b) => a - b);
    return {
      entry: id,
      way,
      knots: own.length,
      sections: used.map((s) =>
        sectionFigures(
          way,
          sections[s],
          own.filter((k) => k.section === s).map((k) => k.piece),
        ),
      ),
    };
  });
}

function sectionFigures(
  way: IntoWay,
  { id, tailThicknessMm: tieMm, carriesG }: Pick<Section, 'id' | 'tailThicknessMm' | 'carriesG'>,
  pieces: ReadonlyArray<KnotInto['piece']>,
): IntoSection {
  const widest = Math.max(...pieces.map((p) => p.knotWidthMm));
  const isTie = INTO_INFO[way].what === 'tie';
  // Round a tie all pieces sit at one place, along a tail one.
  const thick = isTie
    ? pieces.reduce((sum, p) => sum + p.thicknessMm ** 2, 0)
    : Math.max(...pieces.map((p) => p.thicknessMm)) ** 2;
  const round = pieces.reduce((sum, p) => sum + p.knotWidthMm, 0);
  return {
    section: id,
    pieces: pieces.length,
    massG: pieces.reduce((sum, p) => sum + p.massG, 0),
    bearsG: carriesG,
    room: isTie ? roomRound(tieMm, widest) : undefined,
    thicknessMm: Math.sqrt(tieMm * tieMm + thick),
    hidesTie: isTie && round >= HIDES_FROM * Math.PI * tieMm,
  };
}

/** Knots of this width side by side round a tie: their middles lie on a circle half a knot outside it. */
export const roomRound = (tieMm: number, knotMm: number) => Math.floor((Math.PI * (tieMm + knotMm)) / knotMm);
