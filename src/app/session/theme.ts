/** Light, dark, or as the machine has it; kept in the store with the other settings. */
import { useLiveQuery } from 'dexie-react-hooks';
import { useEffect, useSyncExternalStore } from 'react';
import { db } from './database.ts';

export type ThemeChoice = 'auto' | 'light' | 'dark';

const darkQuery = matchMedia('(prefers-color-scheme: dark)');
const subscribe = (changed: () => void) => {
  darkQuery.addEventListener('change', changed);
  return () => darkQuery.removeEventListener('change', changed);
};

export function useTheme() {
  const stored = useLiveQuery(() => db.settings.get('theme'))?.value;
  const choice: ThemeChoice = stored === 'light' || stored === 'dark' ? stored : 'auto';
  const machineDark = useSyncExternalStore(subscribe, () => darkQuery.matches);
  const theme = choice === 'auto' ? (machineDark ? 'dark' : 'light') : choice;
  useEffect(() => {
    document.documentElement.dataset.theme = theme;
  }, [theme]);
  const choose = (value: ThemeChoice) => db.settings.put({ key: 'theme', value });
  return { theme, choice, choose } as const;
}
