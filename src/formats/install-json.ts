/** An install as a file: what one device has of it, for another one. */
import type { WearEvent } from '../core/wear/index.ts';
import { INSTALL_FORMAT, INSTALL_VERSION, type InstallFile, readInstall } from '../model/install-schema.ts';
import type { Parsed } from '../model/lengths.ts';

/** Many touches, each with a plan in the worst case; a larger file is something else. */
const LARGEST_BYTES = 30_000_000;

/** Whose session a note is of stands in the file once. */
interface ToWrite extends Omit<InstallFile, 'wear'> {
  readonly wear?: ReadonlyArray<WearEvent & { readonly sessionId?: string }>;
}

export function writeInstallJson({ session, events, wear = [] }: ToWrite): string {
  const each = events.map(({ seq: _, sessionId: __, ...e }, i) => ({ n: i, key: `${session.id}-${i}`, ...e }));
  return `${JSON.stringify({ format: INSTALL_FORMAT, version: INSTALL_VERSION, session, events: each, wear: wear.map(({ sessionId: _, ...w }) => w) })}\n`;
}

export function readInstallJson(text: string): Parsed<InstallFile> {
  if (text.length > LARGEST_BYTES) return { ok: false, why: 'This file is far too large for an install.' };
  let value: unknown;
  try {
    value = JSON.parse(text.replace(/^\uFEFF/, ''));
  } catch {
    return { ok: false, why: 'This file isn’t JSON: it is another kind of file, or damaged or cut short.' };
  }
  return readInstall(value);
}
