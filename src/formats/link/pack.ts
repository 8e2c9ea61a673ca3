/**
 * Text packed into signs that every address takes: DEFLATE (RFC 1951) against a text that is alike, so that only what differs takes
 * room, and six signs of a SHA-256 before it, so that a link that lost a letter is known.
 */
import { sha256 } from '@noble/hashes/sha2.js';
import { deflateSync, inflateSync, strFromU8, strToU8 } from 'fflate';

const SUM_SIGNS = 6;

export function pack(text: string, dictionary: string): string {
  const bytes = strToU8(text);
  return `${sumOf(bytes)}${base64Url(deflateSync(bytes, { level: 9, dictionary: strToU8(dictionary) }))}`;
}

/**
 * @param longest bytes that the text may have
 * @returns undefined where a part is missing or was changed
 */
export function unpack(packed: string, dictionary: string, longest: number): string | undefined {
  const bytes = bytesOf(packed.slice(SUM_SIGNS));
  const text = bytes && inflated(bytes, dictionary, longest);
  return text && sumOf(text) === packed.slice(0, SUM_SIGNS) ? strFromU8(text) : undefined;
}

const sumOf = (bytes: Uint8Array) => base64Url(sha256(bytes)).slice(0, SUM_SIGNS);

function inflated(bytes: Uint8Array, dictionary: string, longest: number): Uint8Array | undefined {
  try {
    // Into so much room and no more: what would unpack to gigabytes is refused.
    return inflateSync(bytes, { dictionary: strToU8(dictionary), out: new Uint8Array(longest) });
  } catch {
    return undefined;
  }
}

function base64Url(bytes: Uint8Array): string {
  return btoa(strFromU8(bytes, true)).replaceAll('+', '-').replaceAll('/', '_').replace(/=+$/, '');
}

function bytesOf(text: string): Uint8Array | undefined {
  if (!/^[\w-]+$/.test(text)) return undefined;
  try {
    return strToU8(atob(text.replaceAll('-', '+').replaceAll('_', '/')), true);
  } catch {
    return undefined;
  }
}
