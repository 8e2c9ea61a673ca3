/** How she wants to be told: kept by the browser, the same for every install. */
import { useLiveQuery } from 'dexie-react-hooks';
import { useCallback, useMemo, useState } from 'react';
import { TELLINGS, type Telling } from '../../../core/install/index.ts';
import { db } from '../../session/database.ts';

export const MIRRORS = ['none', 'one', 'two'] as const;
export type Mirrors = (typeof MIRRORS)[number];

export interface MirrorSettings {
  readonly telling: Telling;
  readonly mirrors: Mirrors;
  readonly showsMoves: boolean;
  readonly isSpoken: boolean;
  readonly listens: boolean;
}

const START: MirrorSettings = { telling: 'knot', mirrors: 'two', showsMoves: true, isSpoken: false, listens: false };

/** Hers and her helper's are told apart: they stand before one screen each. */
export function useMirrorSettings(forHelper: boolean) {
  const key = forHelper ? 'mirror-helper' : 'mirror';
  const kept = useLiveQuery(async () => read((await db.settings.get(key))?.value), [key]);
  const [chosen, setChosen] = useState<Partial<MirrorSettings>>({});
  const settings = useMemo(() => ({ ...(kept ?? START), ...chosen }), [kept, chosen]);
  const set = useCallback(
    (change: Partial<MirrorSettings>) => {
      setChosen((before) => ({ ...before, ...change }));
      // A full store forgets it with the tab, and nothing else.
      db.settings.put({ key, value: JSON.stringify({ ...settings, ...change }) }).catch(() => undefined);
    },
    [key, settings],
  );
  return [settings, set] as const;
}

/** Anything else than what was kept is as nothing kept. */
function read(text: string | undefined): MirrorSettings {
  try {
    const told = JSON.parse(text ?? '{}') as Partial<MirrorSettings>;
    return {
      telling: TELLINGS.find((t) => t === told.telling) ?? START.telling,
      mirrors: MIRRORS.find((m) => m === told.mirrors) ?? START.mirrors,
      showsMoves: told.showsMoves !== false,
      isSpoken: told.isSpoken === true,
      listens: told.listens === true,
    };
  } catch {
    return START;
  }
}
