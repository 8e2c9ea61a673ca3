/** The scalp and what lies on it as paper, true to scale. */
export { Paper, type PaperLine } from './on-paper.ts';
export { PATTERN_CUTS, type Pattern, type PatternCut, type PatternPiece, pattern } from './pattern.ts';
