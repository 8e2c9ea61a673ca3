/** What comes when it is first wanted; undefined until then. */
import { useEffect, useState } from 'react';

export function useLoaded<T>(load: (() => Promise<T>) | undefined): T | undefined {
  const [loaded, setLoaded] = useState<{ readonly by: () => Promise<T>; readonly it: T }>();
  useEffect(() => {
    let gone = false;
    load?.().then((it) => {
      if (!gone) setLoaded({ by: load, it });
    });
    return () => {
      gone = true;
    };
  }, [load]);
  return loaded && loaded.by === load ? loaded.it : undefined;
}
