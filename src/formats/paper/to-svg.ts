/** A drawing as SVG, true to scale: a millimetre of the drawing is one of the paper. */
import { type Drawing, LINES, type Mark } from './drawing.ts';

export function toSvg(drawing: Drawing): string {
  const { widthMm, heightMm, name, description, marks } = drawing;
  return `<?xml version="1.0" encoding="UTF-8"?>
<svg xmlns="http://www.w3.org/2000/svg" width="${n(widthMm)}mm" height="${n(heightMm)}mm" viewBox="0 0 ${n(widthMm)} ${n(heightMm)}" font-family="sans-serif" fill="#000" stroke="none">
<title>${escapeXml(name)}</title>
<desc>${escapeXml(description)}</desc>
<rect width="100%" height="100%" fill="#fff"/>
${marks.map(markSvg).join('\n')}
</svg>
`;
}

function markSvg(mark: Mark): string {
  switch (mark.kind) {
    case 'line': {
      const { width, dash } = LINES[mark.style];
      const dashed = dash.length > 0 ? ` stroke-dasharray="${dash.join(' ')}"` : '';
      const named = mark.name === undefined ? '' : ` class="${escapeXml(mark.name)}"`;
      return `<polyline${named} fill="none" stroke="#000" stroke-width="${width}"${dashed} points="${points(mark.at)}"/>`;
    }
    case 'sign': {
      const id = mark.id === undefined ? '' : ` id="${escapeXml(mark.id)}"`;
      const at = `translate(${n(mark.x)} ${n(mark.y)})${turned(mark.turn)}`;
      const title = mark.title === undefined ? '' : `<title>${escapeXml(mark.title)}</title>`;
      return `<path${id} d="${mark.d}" transform="${at}">${title}</path>`;
    }
    case 'text': {
      const at = mark.turn
        ? `transform="translate(${n(mark.x)} ${n(mark.y)})${turned(mark.turn)}"`
        : `x="${n(mark.x)}" y="${n(mark.y)}"`;
      const anchor = mark.anchor && mark.anchor !== 'start' ? ` text-anchor="${mark.anchor}"` : '';
      return `<text ${at} font-size="${n(mark.size)}"${anchor}>${escapeXml(mark.text)}</text>`;
    }
  }
}

const turned = (turn = 0) => (turn === 0 ? '' : ` rotate(${n(turn)})`);

function points(at: ArrayLike<number>): string {
  const out: string[] = [];
  for (let i = 0; i < at.length; i += 2) out.push(`${n(at[i])},${n(at[i + 1])}`);
  return out.join(' ');
}

const n = (v: number) => v.toFixed(2);

export function escapeXml(text: string): string {
  return text
    .replace(/[\u0000-\u0008\u000b\u000c\u000e-\u001f]/g, '')
    .replace(/&/g, '&amp;')
    .replace(/</g, '&lt;')
    .replace(/>/g, '&gt;')
    .replace(/"/g, '&quot;');
}
