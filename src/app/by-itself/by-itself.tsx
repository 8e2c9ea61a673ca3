/**
 * Meshwork kept by the browser, so that it works without its server. A newer one is fetched beside the old and waits:
 * it is told once, and taken when she says so, never while an install is open in any tab.
 */
import { useEffect, useRef, useState } from 'react';
import { useLocation } from 'react-router';
import { Workbox } from 'workbox-window';
import { isInstallOpen } from './in-install.ts';
import './by-itself.css';

/** What the browser asks for to install Meshwork; nobody waits for it on the first page. */
function nameManifest() {
  const link = document.createElement('link');
  link.rel = 'manifest';
  link.href = '/manifest.webmanifest';
  document.head.append(link);
}

type Told = 'newer' | 'install' | undefined;

export function ByItself() {
  const { pathname } = useLocation();
  const [told, setTold] = useState<Told>();
  const kept = useRef<Workbox>(undefined);
  useEffect(() => {
    if (kept.current || !import.meta.env.PROD || !('serviceWorker' in navigator)) return;
    nameManifest();
    const worker = new Workbox('/sw.js');
    kept.current = worker;
    worker.addEventListener('waiting', () => setTold('newer'));
    // What can't be kept (a private window, a full disk) is fetched each time, as before.
    void worker.register().catch(() => undefined);
  }, []);
  useEffect(() => {
    const look = () => document.visibilityState === 'visible' && void kept.current?.update().catch(() => undefined);
    document.addEventListener('visibilitychange', look);
    return () => document.removeEventListener('visibilitychange', look);
  }, []);
  const take = async () => {
    if (await isInstallOpen()) return setTold('install');
    // Only this tab is begun anew; others go on as they are until they are.
    kept.current?.addEventListener('controlling', () => location.reload());
    kept.current?.messageSkipWaiting();
  };
  if (told === undefined || pathname.startsWith('/install/')) return null;
  return (
    <div className="panel newer" role="status" data-testid="newer">
      <p>
        {told === 'newer'
          ? 'A newer Meshwork has come. Your plans stay as they are.'
          : 'An install is open in another tab: nothing changes until that is closed.'}
      </p>
      <div className="flex gap-6">
        <button type="button" className="word font-strong" onClick={take} data-testid="take-newer">
          Begin with it
        </button>
        <button type="button" className="word" onClick={() => setTold(undefined)}>
          Later
        </button>
      </div>
    </div>
  );
}
