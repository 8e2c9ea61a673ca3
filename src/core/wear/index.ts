/** Days of a worn style: what was noted, how far it has come, what is due, when it comes off. */
export { agedBy, type ComesOff, comesOff, hurtsSince, type WhyOff, type Worn } from './ageing.ts';
export { dryingHours, type Wet } from './drying.ts';
export { type Care, DONE_BY, type Due, dueUntil, nextDue, wetOn } from './due.ts';
export { foldWear, stepsOut, type WearEvent, type WearNote } from './notes.ts';
export { wearPlaceAt } from './places.ts';
export { restDays, type ShedVerdict, shedUsual, shedVerdict, tuftAcrossMm } from './shed.ts';
export { type OutKind, type OutStep, takedownOrder } from './takedown.ts';
