import { MeshworkDatabase } from '../../store/database.ts';

/** The one database of this browser. */
export const db = new MeshworkDatabase();

export function newId(): string {
  return crypto.randomUUID();
}
