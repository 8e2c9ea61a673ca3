/** Her voice, where the device recognises speech by itself; where it would have to send it away, it is not offered. */
import { useEffect, useRef, useState } from 'react';

interface Recognition extends EventTarget {
  lang: string;
  continuous: boolean;
  processLocally: boolean;
  start(): void;
  abort(): void;
}
interface RecognitionClass {
  new (): Recognition;
  available?(asked: { langs: string[]; processLocally: boolean }): Promise<string>;
}

const LANGUAGE = 'en-US';

const recognitionClass = (): RecognitionClass | undefined =>
  (window as unknown as { SpeechRecognition?: RecognitionClass }).SpeechRecognition;

export function useCanListen(): boolean {
  const [can, setCan] = useState(false);
  useEffect(() => {
    let gone = false;
    recognitionClass()
      ?.available?.({ langs: [LANGUAGE], processLocally: true })
      .then((state) => {
        if (!gone) setCan(state === 'available');
      })
      .catch(() => undefined);
    return () => {
      gone = true;
    };
  }, []);
  return can;
}

export type VoiceDeed = 'next' | 'back' | 'pause' | 'hurts';

/** The last word that means something decides. */
export function deedIn(heard: string): VoiceDeed | undefined {
  const words: ReadonlyArray<readonly [VoiceDeed, RegExp]> = [
    ['hurts', /\b(hurts?|ouch|stop|pain)\b/],
    ['back', /\b(back|undo)\b/],
    ['pause', /\b(pause|wait|rest)\b/],
    ['next', /\b(next|done|go on|yes)\b/],
  ];
  return words.find(([, pattern]) => pattern.test(heard.toLowerCase()))?.[0];
}

export function useVoice(isWanted: boolean, take: (deed: VoiceDeed) => void) {
  const latest = useRef(take);
  latest.current = take;
  useEffect(() => {
    const Made = recognitionClass();
    if (!isWanted || !Made) return undefined;
    const ear = new Made();
    let isOver = false;
    ear.lang = LANGUAGE;
    ear.continuous = true;
    ear.processLocally = true;
    ear.addEventListener('result', (event) => {
      // What was heard, by the name that the Web Speech API gives it.
      const results = (event as unknown as { results: ArrayLike<ArrayLike<{ transcript: string }>> }).results;
      const deed = deedIn(results[results.length - 1][0].transcript);
      if (deed) latest.current(deed);
    });
    // It stops by itself after a silence.
    ear.addEventListener('end', () => {
      if (!isOver) ear.start();
    });
    ear.addEventListener('error', () => {
      isOver = true;
    });
    ear.start();
    return () => {
      isOver = true;
      ear.abort();
    };
  }, [isWanted]);
}
