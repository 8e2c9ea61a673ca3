/** A scan on its way to a plan: opened, set upright, measured; kept as it is left, stopped, put away, or taken. */
import { proxy } from 'comlink';
import { useEffect, useRef, useState } from 'react';
import type { ScanMarks } from '../../core/scan/index.ts';
import { useOwnWorker } from '../session/own-worker.ts';
import { forgetScan, keepFile, keepWork, keptScan, type ScanWork } from './kept-scan.ts';
import type { Measured, Opened, Phase, ScanJobs, Standing } from './scan.worker.ts';

export interface ScanOnTheWay extends ScanWork {
  readonly name: string;
  readonly opened: Opened;
  readonly standing: Standing;
  /** As proposed, or as she moved them; undefined until a head is found. */
  readonly marks: ScanMarks | undefined;
  readonly measured: Measured | undefined;
}

export type Doing =
  | { readonly what: 'nothing'; readonly trouble?: string | undefined }
  | { readonly what: Phase | 'standing' | 'measuring' };

const start = () => new Worker(new URL('./scan.worker.ts', import.meta.url), { type: 'module' });
const UNTOUCHED = { moved: {}, hairMm: 0, strokes: [] } as const;

type IsNewest = () => boolean;

/** One thing at a time: of a newer wish than what is being worked out nothing older is shown. */
function useNewest() {
  const [doing, setDoing] = useState<Doing>({ what: 'nothing' });
  const newest = useRef(0);
  const attempt = async (work: (isNewest: IsNewest) => Promise<string | undefined>) => {
    const mine = ++newest.current;
    const isNewest = () => newest.current === mine;
    try {
      const trouble = await work(isNewest);
      if (isNewest()) setDoing({ what: 'nothing', trouble });
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

export function useScan(planId: string) {
  const { remote, end } = useOwnWorker<ScanJobs>(start);
  const { doing, setDoing, attempt, forget } = useNewest();
  const [scan, setScan] = useState<ScanOnTheWay>();

  const measure = async (on: ScanOnTheWay, isNewest: IsNewest) => {
    if (!on.marks) return undefined;
    setDoing({ what: 'measuring' });
    const { marks, hairMm, strokes } = on;
    const measured = await remote().measure({ marks, hairMm, strokes });
    if (isNewest()) setScan({ ...on, measured });
    return undefined;
  };
  /** What she set of it stands in every pose: marks and strokes lie on the head, not in the file. */
  const stand = async (on: Pick<ScanOnTheWay, 'name' | 'opened'> & ScanWork, isNewest: IsNewest) => {
    setDoing({ what: 'standing' });
    const standing = await remote().stand(on.pose);
    if (!isNewest()) return undefined;
    const marks = standing.head && { ...standing.head.marks, ...on.moved };
    const fresh: ScanOnTheWay = { ...on, standing, marks, measured: undefined };
    setScan(fresh);
    return measure(fresh, isNewest);
  };
  /** What is open already stays where this one is none. */
  const read = async (file: File, work: ScanWork | undefined, isNewest: IsNewest) => {
    setDoing({ what: 'reading' });
    const bytes = new Uint8Array(await file.arrayBuffer());
    const tell = proxy((what: Phase) => {
      if (isNewest()) setDoing({ what });
    });
    const opened = await remote().open(file.name, bytes, tell);
    if (!isNewest()) return undefined;
    if (!opened.ok) return opened.why;
    if (!work) void keepFile(planId, file);
    return stand({ name: file.name, opened: opened.value, pose: opened.value.pose, ...UNTOUCHED, ...work }, isNewest);
  };
  /** Shown and kept as it is wished at once; what hangs on it follows. */
  const wish = (on: ScanOnTheWay, work: (on: ScanOnTheWay, isNewest: IsNewest) => Promise<string | undefined>) => {
    setScan(on);
    const { pose, moved, hairMm, strokes } = on;
    void keepWork(planId, { pose, moved, hairMm, strokes });
    void attempt((isNewest) => work(on, isNewest));
  };
  const goOn = async () => {
    const kept = await keptScan(planId);
    if (kept) await attempt((isNewest) => read(kept.file, kept.work, isNewest));
  };
  // biome-ignore lint/correctness/useExhaustiveDependencies: as it was left, once, when the page opens
  useEffect(() => void goOn(), [planId]);
  const stop = () => {
    end();
    setScan(undefined);
    forget();
  };
  return {
    doing,
    scan,
    open: (file: File) => attempt((isNewest) => read(file, undefined, isNewest)),
    stop,
    putAway: () => {
      void forgetScan(planId);
      stop();
    },
    turn: (change: Partial<ScanWork['pose']>) => scan && wish({ ...scan, pose: { ...scan.pose, ...change } }, stand),
    set: (change: Partial<Omit<ScanWork, 'pose'>>) => {
      if (!scan) return;
      const on = { ...scan, ...change };
      wish({ ...on, marks: on.standing.head && { ...on.standing.head.marks, ...on.moved } }, measure);
    },
  };
}
