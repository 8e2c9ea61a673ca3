/** What the mirror needs of the device: keys, a screen that stays awake, a voice. */
import { useEffect } from 'react';

interface MirrorKeys {
  readonly next: () => void;
  readonly back: () => void;
  readonly pause: () => void;
  readonly hurts: () => void;
  readonly enabled: boolean;
}

/** Pedals type one of these: a space, an arrow, a page up or down, Enter. */
const ON: ReadonlySet<string> = new Set(['ArrowRight', 'ArrowDown', 'PageDown']);
const ON_UNLESS_PRESSED: ReadonlySet<string> = new Set([' ', 'Enter']);
const BACK: ReadonlySet<string> = new Set(['ArrowLeft', 'ArrowUp', 'PageUp', 'Backspace']);

export function useInstallKeys(keys: MirrorKeys) {
  useEffect(() => {
    if (!keys.enabled) return;
    const onKey = (event: KeyboardEvent) => {
      const target = event.target as HTMLElement;
      if (event.repeat || event.ctrlKey || event.metaKey || event.altKey) return;
      if (target.closest('textarea, input, select, dialog, fieldset, [role="radiogroup"]')) return;
      // A button that has the focus takes these itself.
      const isPressed = ON_UNLESS_PRESSED.has(event.key) && target.closest('button, a') !== null;
      if (isPressed) return;
      if (ON.has(event.key) || ON_UNLESS_PRESSED.has(event.key)) keys.next();
      else if (BACK.has(event.key)) keys.back();
      else if (event.key === 'p' || event.key === 'P') keys.pause();
      else if (event.key === 'h' || event.key === 'H') keys.hurts();
      else return;
      event.preventDefault();
    };
    window.addEventListener('keydown', onKey);
    return () => window.removeEventListener('keydown', onKey);
  }, [keys]);
}

/** Keeps the screen awake while she works, where the browser can. */
export function useScreenAwake(wanted: boolean) {
  useEffect(() => {
    if (!wanted || !('wakeLock' in navigator)) return;
    let lock: WakeLockSentinel | undefined;
    let over = false;
    const take = () => {
      navigator.wakeLock.request('screen').then(
        (l) => {
          if (over) void l.release();
          else lock = l;
        },
        // Refused on low battery or in a hidden tab: the install works without it.
        () => undefined,
      );
    };
    take();
    const again = () => document.visibilityState === 'visible' && take();
    document.addEventListener('visibilitychange', again);
    return () => {
      over = true;
      document.removeEventListener('visibilitychange', again);
      void lock?.release();
    };
  }, [wanted]);
}

export function useSpeech(words: string | undefined) {
  useEffect(() => {
    if (!('speechSynthesis' in window)) return;
    window.speechSynthesis.cancel();
    if (words) window.speechSynthesis.speak(new SpeechSynthesisUtterance(words));
  }, [words]);
}
