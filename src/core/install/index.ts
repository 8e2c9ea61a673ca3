/** An install as it goes on: the order of work, a session from its events. */
export {
  foldInstall,
  forecastInstall,
  type InstallEventKind,
  type InstallForecast,
  type InstallState,
} from './session.ts';
export { GROUP_OF, type Strand, type ToldStep } from './work-step.ts';
export { worklist } from './worklist.ts';
