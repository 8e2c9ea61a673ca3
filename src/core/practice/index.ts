/** Practice: knots as moving ropes, test rows, questions that come back. */
export { type Question, questionsOf } from './questions.ts';
export { dueQuestions } from './repeat.ts';
export { type Move, type MovingRope, movingRope, passesOf, type RopeFrame } from './rope/knot-rope.ts';
export { type PracticeRow, rowFigures, toldByRow } from './test-row.ts';
export { type Held, heldBy, ropeOf } from './to-rope.ts';
