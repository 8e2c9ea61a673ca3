/** An install as it goes on: the order of work, where she is in it, a session from its events. */
export { carriedOver } from './carried.ts';
export {
  INSTALL_EVENT_KINDS,
  type InstallEvent,
  type InstallEventKind,
  inOrder,
  nextNumber,
  STEP_OUTCOMES,
  type StepOutcome,
} from './events.ts';
export { forecastInstall, handsIn, type InstallForecast, knotsBy, knotsToCome } from './forecast.ts';
export {
  HURT_INFO,
  HURT_KINDS,
  type HurtKind,
  OVER_PART_FINGERS,
  SEEN_INFO,
  SEEN_KINDS,
  type SeenKind,
  SORE_FINGERS,
  WHEN_TO_TAKE_OUT,
} from './noticed.ts';
export {
  type OrderStep,
  orderOfWork,
  type PlaceInOrder,
  placeIn,
  type StepStand,
  shareToCome,
  TELLINGS,
  type Telling,
  toldTogether,
} from './order.ts';
export { foldInstall, type InstallState, type Timed } from './session.ts';
export { GROUP_OF, type Strand, type ToldStep } from './work-step.ts';
export { worklist } from './worklist.ts';
