/** What came back the same, though it was worked out or copied anew, is the same object: what is drawn of it is drawn once. */
import { dequal } from 'dequal';
import { useRef } from 'react';

export function useSame<T>(value: T): T {
  const last = useRef(value);
  if (!dequal(last.current, value)) last.current = value;
  return last.current;
}
