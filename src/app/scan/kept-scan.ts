/**
 * The scan that is worked on, kept beside the store until it is taken or put away, so that a reload loses neither the file nor what was
 * set of it. In the browser's own cache: a file of a hundred megabytes has no place in a record. Where there is none it is opened once more.
 */
import type { BrushStroke, Pose, ScanMarks } from '../../core/scan/index.ts';

/** What she set of a scan. */
export interface ScanWork {
  readonly pose: Pose;
  /** Of the marks those that she moved. */
  readonly moved: Partial<ScanMarks>;
  readonly hairMm: number;
  readonly strokes: readonly BrushStroke[];
}

const CACHE = 'meshwork-scan';
const fileOf = (planId: string) => `/scan-of/${encodeURIComponent(planId)}/file`;
const workOf = (planId: string) => `/scan-of/${encodeURIComponent(planId)}/work`;
const NAME = 'x-name';

/** What can't be kept (no room, no cache) is no harm: her file is where she has it. */
async function withCache<T>(work: (cache: Cache) => Promise<T>): Promise<T | undefined> {
  try {
    return await work(await caches.open(CACHE));
  } catch {
    return undefined;
  }
}

export const keepFile = (planId: string, file: File) =>
  withCache(async (cache) => {
    await cache.delete(workOf(planId));
    await cache.put(fileOf(planId), new Response(file, { headers: { [NAME]: encodeURIComponent(file.name) } }));
  });

export const keepWork = (planId: string, work: ScanWork) =>
  withCache((cache) => cache.put(workOf(planId), new Response(JSON.stringify(work))));

export const forgetScan = (planId: string) =>
  withCache(async (cache) => {
    await cache.delete(fileOf(planId));
    await cache.delete(workOf(planId));
  });

export const keptScan = (planId: string) =>
  withCache(async (cache) => {
    const kept = await cache.match(fileOf(planId));
    if (!kept) return undefined;
    const file = new File([await kept.blob()], decodeURIComponent(kept.headers.get(NAME) ?? 'scan'));
    const work = await cache.match(workOf(planId));
    return { file, work: work && ((await work.json()) as ScanWork) };
  });
