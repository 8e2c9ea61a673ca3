/** A canvas made ready to be drawn on, in px of the page, whatever the screen makes of them. */
export function cleared(
  canvas: HTMLCanvasElement | null,
  width: number,
  height: number,
  ratio = Math.max(1, window.devicePixelRatio || 1),
): CanvasRenderingContext2D | undefined {
  const ctx = width > 0 ? canvas?.getContext('2d') : undefined;
  if (!canvas || !ctx) return undefined;
  canvas.width = Math.round(width * ratio);
  canvas.height = Math.round(height * ratio);
  ctx.setTransform(ratio, 0, 0, ratio, 0, 0);
  ctx.clearRect(0, 0, width, height);
  ctx.lineJoin = 'round';
  ctx.lineCap = 'round';
  return ctx;
}
