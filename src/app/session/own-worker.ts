/** A worker of a page's own: started when it is first asked, ended with the page, or to stop what it does. */
import { type Remote, wrap } from 'comlink';
import { useCallback, useEffect, useRef } from 'react';

/** @param start the same function each time */
export function useOwnWorker<Jobs>(start: () => Worker) {
  const worker = useRef<{ readonly remote: Remote<Jobs>; readonly end: () => void }>(undefined);
  const end = useCallback(() => {
    worker.current?.end();
    worker.current = undefined;
  }, []);
  useEffect(() => end, [end]);
  const remote = useCallback((): Remote<Jobs> => {
    if (!worker.current) {
      const own = start();
      worker.current = { remote: wrap<Jobs>(own), end: () => own.terminate() };
    }
    return worker.current.remote;
  }, [start]);
  return { remote, end };
}
