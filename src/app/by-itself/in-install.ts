/** Whether an install is open in any tab, by a lock that its screen holds: nothing is changed under her hands. */
import { useEffect } from 'react';

const LOCK = 'meshwork: at the mirror';

/** Held while the screen stands; a browser without locks holds none. */
export function useHeldForInstall() {
  useEffect(() => {
    let release: () => void = () => undefined;
    const held = new Promise<void>((resolve) => {
      release = resolve;
    });
    navigator.locks?.request(LOCK, { mode: 'shared' }, () => held).catch(() => undefined);
    return release;
  }, []);
}

export async function isInstallOpen(): Promise<boolean> {
  const locks = await navigator.locks?.query().catch(() => undefined);
  return locks?.held?.some((l) => l.name === LOCK) ?? false;
}
