/** Practice: knots as moving ropes, test rows, questions that come back. */
export { type PracticeRow, type RowFigures, rowFigures, toldByRow } from './test-row.ts';
