/** A function that comes when it is first wanted; undefined until then. */
import { useEffect, useState } from 'react';

export function useLoaded<T>(wanted: boolean, load: () => Promise<T>): T | undefined {
  const [loaded, setLoaded] = useState<{ readonly it: T }>();
  useEffect(() => {
    let gone = false;
    if (wanted)
      load().then((it) => {
        if (!gone) setLoaded({ it });
      });
    return () => {
      gone = true;
    };
  }, [wanted, load]);
  return loaded?.it;
}
