/** Lines over the picture, drawn again only when something they are drawn from is another. */
import { useEffect, useRef } from 'react';
import { shallow } from 'zustand/shallow';
import { useTheme } from '../session/theme.ts';
import { cleared } from '../ui/canvas.ts';
import { useNextFrame } from '../ui/use-next-frame.ts';
import type { Drawn, Mode } from './modes/drawn.ts';

export function useLines(canvas: React.RefObject<HTMLCanvasElement | null>, drawn: Drawn, mode: Mode | undefined) {
  const { theme } = useTheme();
  const steady = useSteady(drawn);
  const inNextFrame = useNextFrame();
  // biome-ignore lint/correctness/useExhaustiveDependencies: colours change with the theme
  useEffect(() => {
    const { width, height } = steady.seen;
    return inNextFrame(() => {
      const ctx = cleared(canvas.current, width, height);
      if (ctx && steady.result) mode?.draw(ctx, steady, steady.result);
    });
  }, [canvas, steady, mode, theme, inNextFrame]);
}

/** The same object for as long as each of its entries is the same. */
function useSteady<T extends object>(value: T): T {
  const last = useRef(value);
  if (!shallow(last.current, value)) last.current = value;
  return last.current;
}
