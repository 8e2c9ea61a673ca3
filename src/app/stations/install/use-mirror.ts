/** What the mirror needs of the device: keys, a screen that stays awake, a voice. */
import { useEffect } from 'react';

export function useInstallKeys(keys: { next: () => void; back: () => void; pause: () => void; enabled: boolean }) {
  useEffect(() => {
    if (!keys.enabled) return;
    const onKey = (event: KeyboardEvent) => {
      const target = event.target as HTMLElement;
      if (event.repeat || target.closest('textarea, input, dialog')) return;
      const onButton = target.closest('button, a') !== null;
      if (event.key === 'ArrowRight' || (event.key === ' ' && !onButton)) keys.next();
      else if (event.key === ' ' && target.closest('[data-testid="next"]')) return;
      else if (event.key === ' ') return;
      else if (event.key === 'ArrowLeft' || event.key === 'Backspace') keys.back();
      else if (event.key === 'p' || event.key === 'P') keys.pause();
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
