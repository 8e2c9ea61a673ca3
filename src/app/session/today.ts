import { formatISO } from 'date-fns';

/** The day where she is, as "2026-12-05". */
export const today = () => formatISO(new Date(), { representation: 'date' });
