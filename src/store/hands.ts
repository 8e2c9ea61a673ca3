/** What a wearer's styles and test rows tell of her hands, and what she has decided of it. */
import {
  type HandsChoices,
  inColumns,
  type LearnedChoice,
  type LearnedName,
  type StyleTold,
} from '../core/hands/index.ts';
import { countedRows } from '../core/log/index.ts';
import { toldByRow } from '../core/practice/index.ts';
import type { LogEntry } from '../model/install-log.ts';
import type { DeedsRecord, MeshworkDatabase, PracticeRecord } from './database.ts';
import { plansOfHer, usedOverPlanned } from './installs.ts';

/** Whose hands: of a wearer, or of a plan that is nobody's. */
export const handsOf = async (db: MeshworkDatabase, planId: string): Promise<string> =>
  (await db.plans.get(planId))?.wearer?.id ?? planId;

const choicesKey = (of: string) => `hands-${of}`;

/** What she has decided of what is learned; nothing where what is kept of it can't be read. */
export async function handsChoices(db: MeshworkDatabase, of: string): Promise<HandsChoices> {
  const kept = await db.settings.get(choicesKey(of));
  try {
    return kept ? (JSON.parse(kept.value) as HandsChoices) : {};
  } catch {
    return {};
  }
}

export async function chooseHands(
  db: MeshworkDatabase,
  of: string,
  name: LearnedName,
  choice: LearnedChoice | undefined,
): Promise<void> {
  await db.transaction('rw', db.settings, async () => {
    const { [name]: _, ...others } = await handsChoices(db, of);
    await db.settings.put({
      key: choicesKey(of),
      value: JSON.stringify(choice ? { ...others, [name]: choice } : others),
    });
  });
}

/** What each style and each test row of hers tells of her hands. */
export async function toldOfHands(db: MeshworkDatabase, planId: string): Promise<StyleTold[]> {
  const of = await handsOf(db, planId);
  const hers = await plansOfHer(db, planId);
  const entries = (await db.log.toArray()).filter((e) => hers.has(e.planId));
  const deeds = await db.deeds.bulkGet(entries.map((e) => e.sessionId ?? ''));
  const rows = await db.practice.where('of').equals(of).toArray();
  return [...entries.map((e, i) => toldByStyle(e, deeds[i])), ...rows.flatMap(toldByPractice)];
}

const NONE_TIMED = inColumns([]);

function toldByStyle(entry: LogEntry, deeds: DeedsRecord | undefined): StyleTold {
  const { enough } = entry;
  const [used] = usedOverPlanned(entry);
  return {
    atMs: entry.atMs,
    timed: deeds?.timed ?? NONE_TIMED,
    counted: deeds ? countedRows(deeds) : [],
    used,
    enough: enough === undefined || used === undefined ? undefined : enough * used,
    strands: deeds?.strands,
  };
}

const toldByPractice = (record: PracticeRecord): StyleTold[] =>
  record.kind === 'row' ? [{ atMs: record.atMs, ...toldByRow(record.row) }] : [];
