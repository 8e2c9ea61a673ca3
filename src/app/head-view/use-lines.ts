/** Lines over the picture, drawn again only when something they are drawn from is another. */
import { useEffect, useRef } from 'react';
import { shallow } from 'zustand/shallow';
import { useTheme } from '../session/theme.ts';
import type { Drawn, Mode } from './modes/drawn.ts';

export function useLines(canvas: React.RefObject<HTMLCanvasElement | null>, drawn: Drawn, mode: Mode | undefined) {
  const { theme } = useTheme();
  const steady = useSteady(drawn);
  // biome-ignore lint/correctness/useExhaustiveDependencies: colours change with the theme
  useEffect(() => {
    const { width, height } = steady.seen;
    const ctx = canvas.current?.getContext('2d');
    if (!ctx || !canvas.current || width === 0) return;
    const ratio = Math.max(1, window.devicePixelRatio || 1);
    canvas.current.width = Math.round(width * ratio);
    canvas.current.height = Math.round(height * ratio);
    ctx.setTransform(ratio, 0, 0, ratio, 0, 0);
    ctx.clearRect(0, 0, width, height);
    ctx.lineJoin = 'round';
    ctx.lineCap = 'round';
    if (steady.result) mode?.draw(ctx, steady, steady.result);
  }, [canvas, steady, mode, theme]);
}

/** The same object for as long as each of its entries is the same. */
function useSteady<T extends object>(value: T): T {
  const last = useRef(value);
  if (!shallow(last.current, value)) last.current = value;
  return last.current;
}
