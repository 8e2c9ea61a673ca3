/**
 * What the browser keeps. Every change is written at once, in a transaction. Versions only ever get added;
 * each has its upgrade and a test that opens data of the version before.
 */
import Dexie, { type EntityTable } from 'dexie';
import type { History } from '../model/history.ts';
import type { InstallSession, LogEntry, StoredInstallEvent } from '../model/install-log.ts';

export interface PlanRecord {
  readonly id: string;
  /** Counts up with every write: two tabs see each other by it. */
  readonly revision: number;
  readonly updatedAtMs: number;
  /** 0 while it is kept; deleted plans stay until undo is no longer wanted. */
  readonly deletedAtMs: number;
  /** The plan with its undo and redo, so that a reload loses neither. */
  readonly history: History;
}

export interface Setting {
  readonly key: string;
  readonly value: string;
}

export class MeshworkDatabase extends Dexie {
  plans!: EntityTable<PlanRecord, 'id'>;
  sessions!: EntityTable<InstallSession, 'id'>;
  events!: EntityTable<StoredInstallEvent & { seq: number }, 'seq'>;
  log!: EntityTable<LogEntry, 'id'>;
  settings!: EntityTable<Setting, 'key'>;

  constructor(name = 'meshwork') {
    super(name);
    this.version(1).stores({
      plans: 'id, updatedAtMs, deletedAtMs',
      sessions: 'id, planId, finished, startedAtMs',
      events: '++seq, sessionId',
      log: 'id, planId, atMs',
      settings: 'key',
    });
  }
}
