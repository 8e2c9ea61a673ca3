/** Plans that could not be shown last time: the start page does not open them by itself. Kept in the browser's local store. */
const KEY = 'meshwork-failed';

function read(): string[] {
  try {
    const kept: unknown = JSON.parse(window.localStorage.getItem(KEY) ?? '[]');
    return Array.isArray(kept) ? kept.filter((id) => typeof id === 'string') : [];
  } catch {
    return [];
  }
}

function write(ids: readonly string[]) {
  try {
    window.localStorage.setItem(KEY, JSON.stringify(ids));
  } catch {
    // A store that is shut or full forgets it: she is asked nothing, and can still go back.
  }
}

export const hasFailed = (id: string) => read().includes(id);

export function markFailed(id: string) {
  write([...read().filter((other) => other !== id), id].slice(-20));
}

export function clearFailed(id: string) {
  const ids = read();
  if (ids.includes(id)) write(ids.filter((other) => other !== id));
}
