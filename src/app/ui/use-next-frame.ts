/** Draws before the next picture is shown, each canvas by itself, so that no one piece of script is long. */
import { useCallback, useState } from 'react';

/** @returns what draws, and gives back how to leave it; where drawing throws, the part of the page that it belongs to does */
export function useNextFrame(): (draw: () => void) => () => void {
  const [fault, setFault] = useState<{ readonly error: unknown }>();
  // The guard round it looks at what is rendered, not at frames.
  if (fault) throw fault.error;
  return useCallback((draw) => {
    const frame = requestAnimationFrame(() => {
      try {
        draw();
      } catch (error) {
        setFault({ error });
      }
    });
    return () => cancelAnimationFrame(frame);
  }, []);
}
