/** A plan packed into a link, against a plan as it begins. All of it stands behind the # of an address, which no browser sends to a server. */
import type { Parsed } from '../../model/lengths.ts';
import type { PlanDocument } from '../../model/plan.ts';
import { readPlan } from '../../model/read-plan.ts';
import { DICTIONARY_1 } from './dictionary-1.ts';
import { pack, unpack } from './pack.ts';

/** By the sign that a link begins with: older ones stay. */
const DICTIONARIES: Readonly<Record<string, string>> = { 1: DICTIONARY_1 };
const NEWEST = '1';
/** Longer is no plan, packed or not. */
const LONGEST_LINK = 100_000;
const LONGEST_PLAN = 2_000_000;

/** For behind the # of an address: letters, digits, - and _ only. */
export const packPlan = (plan: PlanDocument) => `${NEWEST}${pack(JSON.stringify(plan), DICTIONARIES[NEWEST])}`;

export function unpackPlan(link: string): Parsed<PlanDocument> {
  if (link.length > LONGEST_LINK) return refused('This link is far too long for a plan.');
  const dictionary = DICTIONARIES[link[0]];
  if (dictionary === undefined)
    return refused(/^[2-9]/.test(link) ? 'This link was made by a newer Meshwork.' : 'There is no plan in this link.');
  const text = unpack(link.slice(1), dictionary, LONGEST_PLAN);
  if (text === undefined) return refused('This link is damaged: a part of it is missing, or was changed on the way.');
  try {
    return readPlan(JSON.parse(text));
  } catch {
    return refused('There is no plan in this link.');
  }
}

const refused = (why: string) => ({ ok: false, why }) as const;
