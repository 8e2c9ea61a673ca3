/** An install packed into a link: what one device has of it, for another one to add. Behind the # of an address, as a plan is. */
import type { InstallFile } from '../../model/install-schema.ts';
import type { Parsed } from '../../model/lengths.ts';
import { readInstallJson, writeInstallJson } from '../install-json.ts';
import { DICTIONARY_1 } from './dictionary-1.ts';
import { pack, unpack } from './pack.ts';

/** What a link of an install begins with; one of a plan begins with a digit. */
const SIGN = 'i';
const DICTIONARIES: Readonly<Record<string, string>> = { 1: DICTIONARY_1 };
const NEWEST = '1';
/** Longer addresses are cut short by what they are sent through (guess); the file takes all of it. */
export const LONGEST_INSTALL_LINK = 30_000;
const LONGEST_INSTALL = 10_000_000;

export const isInstallLink = (link: string) => link.startsWith(SIGN);

export const packInstall = (install: Parameters<typeof writeInstallJson>[0]) =>
  `${SIGN}${NEWEST}${pack(writeInstallJson(install), DICTIONARIES[NEWEST])}`;

export function unpackInstall(link: string): Parsed<InstallFile> {
  if (link.length > 2 * LONGEST_INSTALL_LINK) return refused('This link is far too long for an install.');
  const dictionary = isInstallLink(link) ? DICTIONARIES[link[1]] : undefined;
  if (dictionary === undefined)
    return refused(
      /^i[2-9]/.test(link) ? 'This link was made by a newer Meshwork.' : 'There is no install in this link.',
    );
  const text = unpack(link.slice(2), dictionary, LONGEST_INSTALL);
  if (text === undefined) return refused('This link is damaged: a part of it is missing, or was changed on the way.');
  return readInstallJson(text);
}

const refused = (why: string) => ({ ok: false, why }) as const;
