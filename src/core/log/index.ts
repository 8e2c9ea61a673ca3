/** A style as one record: what was planned, what really was, how long it was worn. */
export { countedRows, type StyleFigures, type StyleRow, styleFigures } from './style.ts';
export { type WornFor, wornFor } from './worn.ts';
