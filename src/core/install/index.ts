/** An install as it goes on: the order of work, a session from its events. */
export { forecastInstall, type InstallForecast, knotsBy } from './forecast.ts';
export { foldInstall, type InstallEventKind, type InstallState } from './session.ts';
export { GROUP_OF, type Strand, type ToldStep } from './work-step.ts';
export { worklist } from './worklist.ts';
