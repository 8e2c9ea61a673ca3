import { formatISO } from 'date-fns';
import { useEffect, useState } from 'react';

/** The day where she is, as "2026-12-05". */
export const today = () => formatISO(new Date(), { representation: 'date' });

const EVERY_MS = 30_000;

/** The same on a page that stays open over midnight. */
export function useToday(): string {
  const [day, setDay] = useState(today);
  useEffect(() => {
    const look = () => setDay(today());
    const timer = setInterval(look, EVERY_MS);
    document.addEventListener('visibilitychange', look);
    return () => {
      clearInterval(timer);
      document.removeEventListener('visibilitychange', look);
    };
  }, []);
  return day;
}
