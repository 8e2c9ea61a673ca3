/** Days of a week, Monday first, as ISO 8601 counts them; and how long an evening can be, minutes. */
export const WEEKDAYS = ['monday', 'tuesday', 'wednesday', 'thursday', 'friday', 'saturday', 'sunday'] as const;
export type Weekday = (typeof WEEKDAYS)[number];

/** Longer than half a day nobody hooks. */
export const LONGEST_EVENING = 720;
/** Hands and neck rest about so often, and so long, minutes (common practice, no source). */
export const BREAK_EVERY = 60;
export const BREAK_FOR = 10;
/** A style of crochet hair stays in about so many days (common practice, no source: four to eight weeks). */
export const USUALLY_WORN_DAYS = 28;
