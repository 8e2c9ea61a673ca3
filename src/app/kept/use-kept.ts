/** The worker that writes and reads backups, for as long as their page is open. */
import { proxy } from 'comlink';
import { useState } from 'react';
import { noteWritten } from '../../store/backup/at-stake.ts';
import type { Choice } from '../../store/backup/difference.ts';
import { db } from '../session/database.ts';
import { offerBlob } from '../session/files.ts';
import { useOwnWorker } from '../session/own-worker.ts';
import type { KeptJobs, LookedAt, Told } from './kept.worker.ts';

export type Doing =
  | { readonly what: 'nothing'; readonly said?: string; readonly trouble?: string }
  | { readonly what: 'writing' | 'reading' | 'bringing'; readonly done: number; readonly of: number };

const start = () => new Worker(new URL('./kept.worker.ts', import.meta.url), { type: 'module' });

export function useKept() {
  const { remote } = useOwnWorker<KeptJobs>(start);
  const [doing, setDoing] = useState<Doing>({ what: 'nothing' });
  const [looked, setLooked] = useState<LookedAt>();
  const onProgress = (what: 'writing' | 'bringing') =>
    proxy((done: number, of: number) => setDoing({ what, done, of }));
  async function attempt<T>(
    what: 'writing' | 'reading' | 'bringing',
    work: () => Promise<Told<T>>,
    then: (v: T) => string,
  ) {
    setDoing({ what, done: 0, of: 0 });
    const end = await work().catch((): Told<T> => ({ state: 'refused', why: 'That did not work.' }));
    if (end.state === 'done') setDoing({ what: 'nothing', said: then(end.value) });
    else if (end.state === 'stopped') setDoing({ what: 'nothing', said: 'Stopped. Nothing of yours was changed.' });
    else setDoing({ what: 'nothing', trouble: `${end.why} Nothing of yours was changed.` });
  }
  return {
    doing,
    looked,
    stop: () => void remote().stop(),
    forget: () => setLooked(undefined),
    write: () =>
      attempt(
        'writing',
        () => remote().write(onProgress('writing')),
        ({ file, atMs }) => {
          const name = `meshwork-${new Date(atMs).toISOString().slice(0, 10)}.zip`;
          offerBlob(name, file);
          void noteWritten(db, atMs);
          return `${name}, ${sizeOf(file.size)}. Put it somewhere else than on this machine.`;
        },
      ),
    look: (file: File) =>
      attempt(
        'reading',
        () => remote().look(file),
        (value) => {
          setLooked(value);
          return '';
        },
      ),
    bringIn: (chosen: Readonly<Record<string, Choice>>) =>
      attempt(
        'bringing',
        () => remote().bringIn(chosen, onProgress('bringing')),
        ({ added, replaced, beside, lostPhotos }) => {
          setLooked(undefined);
          const more = [
            replaced > 0 ? `${replaced} taken as in the backup` : '',
            beside > 0 ? `${beside} beside yours` : '',
            lostPhotos > 0 ? `${lostPhotos} photos were damaged in the file` : '',
          ].filter((w) => w !== '');
          return `Brought in: ${added} ${added === 1 ? 'record that was' : 'records that were'} not here${more.map((m) => `, ${m}`).join('')}.`;
        },
      ),
  };
}

export function sizeOf(bytes: number): string {
  return bytes < 1e6
    ? `${Math.max(1, Math.round(bytes / 1e3))} kB`
    : `${(bytes / 1e6).toFixed(bytes < 1e7 ? 1 : 0)} MB`;
}
