/** Calendars (RFC 5545), in the hour of wherever she is. */
import { createEvents, type EventAttributes } from 'ics';

export const FLOATING = { startInputType: 'local', startOutputType: 'local', productId: 'meshwork' } as const;

/** Of a day as it is written, "2026-12-05". */
export const dateOf = (day: string) => day.split('-').map(Number) as [number, number, number];

/** @throws Error where an event could not be written */
export function icsOf(events: readonly EventAttributes[], calName: string): string {
  const { error, value } = createEvents([...events], { calName });
  if (error || !value) throw error ?? new Error('The calendar could not be written.');
  return foldedByOctets(value);
}

/** RFC 5545, 3.1: at most 75 octets a line. The library counts letters, of which some take three. */
const LINE_OCTETS = 75;

function foldedByOctets(text: string): string {
  const encoder = new TextEncoder();
  const fold = (line: string): string => {
    let folded = '';
    let octets = 0;
    for (const letter of line) {
      const size = encoder.encode(letter).length;
      if (octets + size > LINE_OCTETS) {
        folded += '\r\n ';
        octets = 1;
      }
      folded += letter;
      octets += size;
    }
    return folded;
  };
  return text
    .replace(/\r\n[ \t]/g, '')
    .split('\r\n')
    .map(fold)
    .join('\r\n');
}
