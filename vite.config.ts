import { copyFileSync, existsSync, readdirSync, readFileSync, writeFileSync } from 'node:fs';
import { dirname, join } from 'node:path';
import { brotliCompressSync, constants } from 'node:zlib';
import tailwindcss from '@tailwindcss/vite';
import react from '@vitejs/plugin-react';
import subsetFont from 'subset-font';
import { defineConfig, type Plugin } from 'vite';
import { VitePWA } from 'vite-plugin-pwa';

/** Brotli at its best beside every text file: too slow for each request, a sixth smaller than on the fly. */
function precompressed(): Plugin {
  let folder = '';
  let isServerBuild = false;
  return {
    name: 'precompressed',
    apply: 'build',
    configResolved(config) {
      folder = join(config.root, config.build.outDir, 'assets');
      isServerBuild = Boolean(config.build.ssr);
    },
    closeBundle() {
      // A build that failed has no files, and says itself why.
      if (isServerBuild || !existsSync(folder)) return;
      for (const name of readdirSync(folder).filter((n) => /\.(js|css|svg)$/.test(n))) {
        const text = readFileSync(join(folder, name));
        const params = {
          [constants.BROTLI_PARAM_QUALITY]: constants.BROTLI_MAX_QUALITY,
          [constants.BROTLI_PARAM_SIZE_HINT]: text.length,
        };
        writeFileSync(join(folder, `${name}.br`), brotliCompressSync(text, { params }));
      }
    },
  };
}

const SIGNS = '–—‘’“”„†•…‰′″€₦→←↑↓−×÷≈≤≥½¼¾⅓⅔⅛⅜⅝⅞';
const upTo = (last: number) => String.fromCodePoint(...Array.from({ length: last - 0x1f }, (_, i) => 0x20 + i));
/** No heading of ours has one of these; in somebody's name another font steps in. They take an eighth of the file. */
const NO_HEADING = /[#@[\\\]^_`{|}~†‰÷„•≤≥⅓⅔⅛⅜⅝⅞′″]/g;

/**
 * Axes and glyphs that the style sheet uses of each file: headings and figures have one weight and several widths, figures inside
 * running text the weight of the text. Sentences and names may hold any Latin letter; headings are our own words.
 */
const FONTS = {
  'bricolage-grotesque-latin-wdth': {
    glyphs: `${upTo(0x7e)}${SIGNS}£°·`.replace(NO_HEADING, ''),
    axes: { wght: 600, wdth: { min: 75, max: 100 } },
  },
  'bricolage-grotesque-latin-wght': { glyphs: '0123456789¼½¾', axes: { wght: { min: 400, max: 650 } } },
  'atkinson-hyperlegible-next-latin-wght': { glyphs: upTo(0x17f) + SIGNS, axes: { wght: { min: 400, max: 650 } } },
} as const;

/** Fonts with only what is used of them. */
function trimmedFonts(): Plugin {
  return {
    name: 'trimmed-fonts',
    apply: 'build',
    async generateBundle(_, bundle) {
      for (const file of Object.values(bundle)) {
        // Other alphabets come only when a page needs them, and whole.
        if (file.type !== 'asset' || !/-latin-w\w+-normal.*\.woff2$/.test(file.fileName)) continue;
        const font = Object.entries(FONTS).find(([name]) => file.fileName.includes(name))?.[1];
        if (!font) continue;
        const whole = Buffer.from(file.source as Uint8Array);
        file.source = await subsetFont(whole, font.glyphs, { targetFormat: 'woff2', variationAxes: font.axes });
      }
    },
  };
}

interface ModuleGraph {
  getModuleInfo(id: string): { readonly code: string | null; readonly importedIds: readonly string[] } | null;
}

const FROM = /(?:import|export)\s*(?:\{([^}]*)\}\s*from\s*|[\w*][^'"{]*from\s*|)["'](\.[^'"]+)["']/g;
const namesIn = (list: string) => list.split(',').map((n) => n.trim().split(/\s+as\s+/)[0]);

/** What a module takes of others of ours: by name where it takes it through the index of a folder. */
function taken(id: string, code: string): Array<readonly [id: string, names: readonly string[] | undefined]> {
  return [...code.matchAll(FROM)].map(([, names, path]) => [
    join(dirname(id), path),
    names ? namesIn(names) : undefined,
  ]);
}

/** All that an entry needs at once: what an index offers besides comes with whatever takes it. */
function neededAtOnce(entry: string, graph: ModuleGraph): Set<string> {
  const needed = new Set<string>();
  const asked = new Set<string>();
  const waiting: Array<readonly [id: string, names: readonly string[] | undefined]> = [[entry, undefined]];
  for (let next = waiting.pop(); next; next = waiting.pop()) {
    const [id, names] = next;
    const key = `${id} ${names?.join() ?? ''}`;
    const info = graph.getModuleInfo(id);
    if (asked.has(key) || !info) continue;
    asked.add(key);
    needed.add(id);
    const isOurs = id.includes('/src/') && info.code !== null;
    if (!isOurs) waiting.push(...info.importedIds.map((i) => [i, undefined] as const));
    else {
      const offers =
        id.endsWith('/index.ts') && names
          ? (n: readonly string[] = []) => n.some((x) => names.includes(x))
          : () => true;
      waiting.push(...taken(id, info.code as string).filter(([, n]) => offers(n)));
      waiting.push(...info.importedIds.filter((i) => !i.includes('/src/')).map((i) => [i, undefined] as const));
    }
  }
  return needed;
}

/** Sheets and notes that open over a page come when one is first opened. */
const OVER_THE_PAGE = /react-(popover|popper|dialog|dismissable|focus|portal|arrow)/;

/** What every page needs is one file, which compresses better than fifty small ones; so is what benches are made with. */
function fewFiles(files: ReadonlyArray<readonly [name: string, entry: string, isOf?: (id: string) => boolean]>) {
  return {
    groups: files.map(([name, entry, isOf = () => true], i) => {
      const start = join(import.meta.dirname, 'src', entry);
      let needed: Set<string> | undefined;
      return {
        debugName: name,
        priority: files.length - i,
        name: (id: string, graph: ModuleGraph) => {
          // Workers are built one by one with the same settings: only in its own is the entry there.
          if (!graph.getModuleInfo(start)) return null;
          needed ??= neededAtOnce(start, graph);
          return needed.has(id) && isOf(id) ? name : null;
        },
      };
    }),
  };
}

/** What the writer of PDF files takes for pages of HTML, which are never given to it. */
const FOR_HTML = ['html2canvas', 'dompurify', 'canvg'];

/** What packages ask of Node where they find themselves there; in a browser they never do, and nobody need be told. */
const OF_NODE = ['node:module', 'node:fs', 'node:path'];

function withoutNode(): Plugin {
  const EMPTY = '\0without-node';
  return {
    name: 'without-node',
    enforce: 'pre',
    resolveId: (id) => (OF_NODE.includes(id) || FOR_HTML.includes(id) ? EMPTY : undefined),
    load: (id) => (id === EMPTY ? 'export const createRequire = undefined;' : undefined),
  };
}

/** Hosts of plain files answer an address that is no file with this page: it opens the plan that the address names. */
function pageOfEveryAddress(): Plugin {
  let folder = '';
  return {
    name: 'page-of-every-address',
    apply: 'build',
    configResolved(config) {
      folder = join(config.root, config.build.outDir);
    },
    closeBundle() {
      // What is built for Node has no page.
      if (existsSync(join(folder, 'index.html'))) copyFileSync(join(folder, 'index.html'), join(folder, '404.html'));
    },
  };
}

/** All of it is kept by the browser, the solver too: the largest file. */
const LARGEST_FILE = 5_000_000;

/** Meshwork as an app of this device, whole without its server; a newer one waits until she takes it. */
const byItself = () =>
  VitePWA({
    registerType: 'prompt',
    injectRegister: null,
    // public/manifest.webmanifest; the page names it once the first one has been seen.
    manifest: false,
    workbox: {
      globPatterns: ['**/*.{html,js,css,woff2,ttf,svg,png,wasm}'],
      globIgnores: ['404.html'],
      maximumFileSizeToCacheInBytes: LARGEST_FILE,
      navigateFallback: '/index.html',
      navigateFallbackDenylist: [/^\/api\//],
      cleanupOutdatedCaches: true,
    },
  });

const packaged = (file: string) => `${import.meta.dirname}/node_modules/${file}`;

export default defineConfig({
  plugins: [react(), tailwindcss(), trimmedFonts(), precompressed(), ...byItself(), pageOfEveryAddress()],
  worker: {
    format: 'es',
    plugins: () => [withoutNode()],
    rolldownOptions: {
      checks: { pluginTimings: false },
      output: { codeSplitting: fewFiles([['core', 'workers/core.worker.ts']]) },
    },
  },
  // What these packages name first is their build for development, or for browsers of ten years ago.
  resolve: {
    alias: [
      { find: /^react-router$/, replacement: packaged('react-router/dist/production/index.mjs') },
      { find: /^dexie$/, replacement: packaged('dexie/dist/modern/dexie.mjs') },
    ],
  },
  build: {
    target: 'es2023',
    sourcemap: false,
    chunkSizeWarningLimit: 900,
    // Fonts and compression take their seconds; nobody who starts the app needs to be told.
    rolldownOptions: {
      checks: { pluginTimings: false },
      output: {
        codeSplitting: fewFiles([
          // Asked for by what nothing at first sight calls.
          ['first', 'app/shell/main.tsx', (id) => !id.endsWith('/numerics/powers.ts')],
          ['controls', 'app/stations/rows/bench.tsx', (id) => /@radix-ui/.test(id) && !OVER_THE_PAGE.test(id)],
        ]),
        // Every station has a file called bench: what is served is called by its station. The first file lists them all: short names
        // make it smaller.
        chunkFileNames: ({ facadeModuleId, name }) => {
          const station = /stations\/(\w+)\/bench\.tsx$/.exec(facadeModuleId ?? '')?.[1];
          return `assets/${station ? `station-${station}` : name}-[hash:7].js`;
        },
      },
    },
  },
});
