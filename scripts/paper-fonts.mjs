/** npm run paper-fonts: the letters of sheets for paper, as PDF files take them, from the package that the screen has them from. */
import { readFileSync, writeFileSync } from 'node:fs';
import { createRequire } from 'node:module';
import { dirname, join } from 'node:path';
import subsetFont from 'subset-font';
import { root, say } from './lib.mjs';

const files = join(
  dirname(createRequire(import.meta.url).resolve('@fontsource-variable/atkinson-hyperlegible-next/package.json')),
  'files',
);
/** A little stronger than running text on a screen: paper is read at arm's length. */
const WEIGHT = 450;
const range = (from, to) => String.fromCodePoint(...Array.from({ length: to - from + 1 }, (_, i) => from + i));
const LETTERS = {
  latin: `${range(0x20, 0xff) + range(0x2010, 0x2044)}ıŒœ€™−↑→↓←×÷≈≤≥`,
  'latin-ext': `${range(0x100, 0x24f) + range(0x1e00, 0x1eff)}₦₵₹`,
};

for (const [name, letters] of Object.entries(LETTERS)) {
  const whole = readFileSync(join(files, `atkinson-hyperlegible-next-${name}-wght-normal.woff2`));
  const font = await subsetFont(whole, letters, { targetFormat: 'sfnt', variationAxes: { wght: WEIGHT } });
  writeFileSync(join(root, 'src/formats/paper/fonts', `${name}.ttf`), font);
  say(`Fonts: ${name}, ${font.length} bytes.`);
}
