/**
 * A plan packed into a link: DEFLATE (RFC 1951) against a plan as it begins, so that only what she chose takes room, and six signs of a
 * SHA-256 before it, so that a link that lost a letter is known. All of it stands behind the # of an address, which no browser
 * sends to a server.
 */
import { sha256 } from '@noble/hashes/sha2.js';
import { deflateSync, inflateSync, strFromU8, strToU8 } from 'fflate';
import type { Parsed } from '../../model/lengths.ts';
import type { PlanDocument } from '../../model/plan.ts';
import { readPlan } from '../../model/read-plan.ts';
import { DICTIONARY_1 } from './dictionary-1.ts';

/** By the sign that a link begins with: older ones stay. */
const DICTIONARIES: Readonly<Record<string, string>> = { 1: DICTIONARY_1 };
const NEWEST = '1';
const SUM_SIGNS = 6;
/** Longer is no plan, packed or not. */
const LONGEST_LINK = 100_000;
const LONGEST_PLAN = 2_000_000;

/** For behind the # of an address: letters, digits, - and _ only. */
export function packPlan(plan: PlanDocument): string {
  const text = strToU8(JSON.stringify(plan));
  const packed = deflateSync(text, { level: 9, dictionary: strToU8(DICTIONARIES[NEWEST]) });
  return `${NEWEST}${sumOf(text)}${base64Url(packed)}`;
}

export function unpackPlan(link: string): Parsed<PlanDocument> {
  if (link.length > LONGEST_LINK) return refused('This link is far too long for a plan.');
  const dictionary = DICTIONARIES[link[0]];
  if (dictionary === undefined)
    return refused(/^[2-9]/.test(link) ? 'This link was made by a newer Meshwork.' : 'There is no plan in this link.');
  const packed = bytesOf(link.slice(1 + SUM_SIGNS));
  const text = packed && unpacked(packed, dictionary);
  if (!text || sumOf(text) !== link.slice(1, 1 + SUM_SIGNS))
    return refused('This link is damaged: a part of it is missing, or was changed on the way.');
  try {
    return readPlan(JSON.parse(strFromU8(text)));
  } catch {
    return refused('There is no plan in this link.');
  }
}

const refused = (why: string) => ({ ok: false, why }) as const;

const sumOf = (bytes: Uint8Array) => base64Url(sha256(bytes)).slice(0, SUM_SIGNS);

function unpacked(packed: Uint8Array, dictionary: string): Uint8Array | undefined {
  try {
    // Into so much room and no more: what would unpack to gigabytes is refused.
    return inflateSync(packed, { dictionary: strToU8(dictionary), out: new Uint8Array(LONGEST_PLAN) });
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
