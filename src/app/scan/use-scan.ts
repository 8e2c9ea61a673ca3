/** A scan on its way to a plan: opened, set upright, measured; stopped, or taken. */
import { proxy } from 'comlink';
import { useRef, useState } from 'react';
import type { BrushStroke, Pose, ScanMarks } from '../../core/scan/index.ts';
import { useOwnWorker } from '../session/own-worker.ts';
import type { Measured, Opened, Phase, ScanJobs, Standing } from './scan.worker.ts';

export interface ScanOnTheWay {
  readonly name: string;
  readonly opened: Opened;
  readonly pose: Pose;
  readonly standing: Standing;
  /** What she set; undefined until a head is found. */
  readonly marks: ScanMarks | undefined;
  readonly hairMm: number;
  readonly strokes: readonly BrushStroke[];
  readonly measured: Measured | undefined;
}

export type Doing =
  | { readonly what: 'nothing'; readonly trouble?: string | undefined }
  | { readonly what: Phase | 'standing' | 'measuring' };

const start = () => new Worker(new URL('./scan.worker.ts', import.meta.url), { type: 'module' });

type IsNewest = () => boolean;

/** One thing at a time: of a newer wish than what is being worked out nothing older is shown. */
function useNewest() {
  const [doing, setDoing] = useState<Doing>({ what: 'nothing' });
  const newest = useRef(0);
  const attempt = async (work: (isNewest: IsNewest) => Promise<void>) => {
    const mine = ++newest.current;
    const isNewest = () => newest.current === mine;
    try {
      await work(isNewest);
      if (isNewest()) setDoing((d) => (d.what === 'nothing' ? d : { what: 'nothing' }));
    } catch (error) {
      if (isNewest()) setDoing({ what: 'nothing', trouble: error instanceof Error ? error.message : String(error) });
    }
  };
  const forget = () => {
    newest.current++;
    setDoing({ what: 'nothing' });
  };
  return { doing, setDoing, attempt, forget };
}

export function useScan() {
  const { remote, end } = useOwnWorker<ScanJobs>(start);
  const { doing, setDoing, attempt, forget } = useNewest();
  const [scan, setScan] = useState<ScanOnTheWay>();

  const measure = async (on: ScanOnTheWay, isNewest: IsNewest) => {
    if (!on.marks) return setScan(on);
    setDoing({ what: 'measuring' });
    const { marks, hairMm, strokes } = on;
    const measured = await remote().measure({ marks, hairMm, strokes });
    if (isNewest()) setScan({ ...on, measured });
  };
  const stand = async (on: Pick<ScanOnTheWay, 'name' | 'opened' | 'pose'>, isNewest: IsNewest) => {
    setDoing({ what: 'standing' });
    const standing = await remote().stand(on.pose);
    if (!isNewest()) return;
    const fresh = { ...on, standing, marks: standing.head?.marks, hairMm: 0, strokes: [], measured: undefined };
    setScan(fresh);
    await measure(fresh, isNewest);
  };
  const read = async (file: File, isNewest: IsNewest) => {
    setDoing({ what: 'reading' });
    const bytes = new Uint8Array(await file.arrayBuffer());
    end();
    const tell = proxy((what: Phase) => {
      if (isNewest()) setDoing({ what });
    });
    const opened = await remote().open(file.name, bytes, tell);
    if (!isNewest()) return;
    if (opened.ok) return stand({ name: file.name, opened: opened.value, pose: opened.value.pose }, isNewest);
    setScan(undefined);
    setDoing({ what: 'nothing', trouble: opened.why });
  };
  /** Shown as it is wished at once; what hangs on it follows. */
  const wish = (on: ScanOnTheWay, work: (on: ScanOnTheWay, isNewest: IsNewest) => Promise<void>) => {
    setScan(on);
    void attempt((isNewest) => work(on, isNewest));
  };
  return {
    doing,
    scan,
    open: (file: File) => attempt((isNewest) => read(file, isNewest)),
    stop: () => {
      end();
      setScan(undefined);
      forget();
    },
    turn: (change: Partial<Pose>) => scan && wish({ ...scan, pose: { ...scan.pose, ...change } }, stand),
    set: (change: Partial<Pick<ScanOnTheWay, 'marks' | 'hairMm' | 'strokes'>>) =>
      scan && wish({ ...scan, ...change }, measure),
  };
}
