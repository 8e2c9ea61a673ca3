/** The folders are the layers: who may import whom, and what core may know. Also held by the linter. */
import { spawnSync } from 'node:child_process';
import { existsSync, readdirSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { dirname, join, relative, resolve } from 'node:path';
import { describe, expect, it } from 'vitest';

const LAYERS: Readonly<Record<string, readonly string[]>> = {
  core: [],
  model: ['core'],
  formats: ['core', 'model'],
  workers: ['core'],
  store: ['core', 'model'],
  demo: ['core', 'model', 'formats'],
  server: ['demo', 'model'],
  cli: ['core', 'model', 'formats'],
  app: ['core', 'model', 'formats', 'workers', 'store'],
};
const LONGEST_FILE = 400;
/** Polygons, equality, colours as eyes see them, days, and a solver of integer programs. */
const CORE_PACKAGES = ['d3-polygon', 'dequal', 'culori', 'date-fns', 'highs'];

function sources(folder: string): string[] {
  return readdirSync(folder, { withFileTypes: true }).flatMap((entry) => {
    const path = join(folder, entry.name);
    if (entry.isDirectory()) return sources(path);
    return /\.tsx?$/.test(entry.name) && !/\.test\./.test(entry.name) ? [path] : [];
  });
}
const importsOf = (file: string) =>
  [...readFileSync(file, 'utf8').matchAll(/(?:from|import)\s*\(?\s*'([^']+)'/g)].map((m) => m[1]);
const layerOf = (path: string) => relative('src', path).split('/')[0];

describe('imports', () => {
  const files = sources('src');
  it('stay within the layers below', () => {
    const broken: string[] = [];
    for (const file of files) {
      const from = layerOf(file);
      for (const name of importsOf(file)) {
        if (!name.startsWith('.')) continue;
        const to = layerOf(relative('.', resolve(dirname(file), name)));
        if (to !== from && !LAYERS[from].includes(to)) broken.push(`${file} imports ${name}`);
      }
    }
    expect(files.length).toBeGreaterThan(60);
    expect(broken).toEqual([]);
  });

  it('of core are numerical libraries and days only', () => {
    const outside = sources('src/core').flatMap((f) =>
      importsOf(f).filter((n) => !n.startsWith('.') && !CORE_PACKAGES.includes(n)),
    );
    expect(outside).toEqual([]);
  });

  it('core has no clock, no chance, no screen', () => {
    const words = /\b(Math\.random|Date\.now|new Date|document\.|window\.|localStorage|process\.|performance\.)/;
    expect(sources('src/core').filter((f) => words.test(readFileSync(f, 'utf8')))).toEqual([]);
  });

  it('core takes no function from the engine whose last digit differs from one to the next', () => {
    const words = /\bMath\.(a?sin|a?cos|a?tan|atan2|sinh|cosh|tanh|exp|expm1|log|log2|log10|log1p|pow|cbrt|hypot)\b/;
    expect(sources('src/core').filter((f) => words.test(readFileSync(f, 'utf8')))).toEqual([]);
  });

  it('never go round in a ring, types included', () => {
    expect(ringsIn(importGraph(sources('src'), (path) => relative('.', path)))).toEqual([]);
  });

  it('enter a folder of the core by its index, which offers nothing that nobody takes', () => {
    const folderOf = (path: string) => /^src\/core\/[\w-]+(?=\/)/.exec(path)?.[0];
    const taken = new Map<string, Set<string>>();
    const past: string[] = [];
    for (const file of sources('src')) {
      for (const [, names, from] of readFileSync(file, 'utf8').matchAll(
        /import (?:type )?\{([^}]*)\} from '(\.[^']+)'/g,
      )) {
        const target = relative('.', resolve(dirname(file), from));
        const folder = folderOf(target);
        if (!folder || folder === folderOf(file)) continue;
        if (target !== `${folder}/index.ts`) past.push(`${file}: ${target}`);
        const known = taken.get(folder) ?? new Set();
        taken.set(folder, known);
        for (const name of names.split(','))
          known.add(
            name
              .trim()
              .replace(/^type /, '')
              .split(' as ')[0],
          );
      }
    }
    expect(past).toEqual([]);
    const offered = [...taken].flatMap(([folder, known]) =>
      [...readFileSync(`${folder}/index.ts`, 'utf8').matchAll(/export (?:type )?\{([^}]*)\}/g)]
        .flatMap(([, names]) => names.split(',').map((name) => name.trim().replace(/^type /, '')))
        .filter((name) => name !== '' && !known.has(name))
        .map((name) => `${folder}: ${name}`),
    );
    expect(offered).toEqual([]);
  });

  it('never go round in a ring between folders of the core', () => {
    const folder = (path: string) => relative('src/core', path).split('/')[0];
    expect(ringsIn(importGraph(sources('src/core'), folder))).toEqual([]);
  });
});

/** Who imports whom, each file standing for what `nameOf` calls it. */
function importGraph(files: readonly string[], nameOf: (path: string) => string): Map<string, Set<string>> {
  const graph = new Map<string, Set<string>>();
  for (const file of files) {
    const from = nameOf(file);
    const to = graph.get(from) ?? new Set();
    graph.set(from, to);
    for (const name of importsOf(file).filter((n) => n.startsWith('.'))) {
      const other = nameOf(relative('.', resolve(dirname(file), name)));
      if (other !== from) to.add(other);
    }
  }
  return graph;
}

function ringsIn(graph: ReadonlyMap<string, ReadonlySet<string>>): string[] {
  const state = new Map<string, 'open' | 'done'>();
  const rings: string[] = [];
  const visit = (from: string) => {
    state.set(from, 'open');
    for (const to of graph.get(from) ?? []) {
      if (state.get(to) === 'open') rings.push(`${from} → ${to}`);
      else if (!state.has(to)) visit(to);
    }
    state.set(from, 'done');
  };
  for (const from of graph.keys()) if (!state.has(from)) visit(from);
  return rings;
}

it('the linter refuses an import against the layers', () => {
  const probe = 'src/core/geometry/probe-of-the-linter.ts';
  writeFileSync(probe, "import { newPlan } from '../../model/defaults.ts';\n\nexport const probe = newPlan;\n");
  try {
    const run = spawnSync(process.execPath, ['node_modules/@biomejs/biome/bin/biome', 'lint', probe], {
      encoding: 'utf8',
    });
    expect(run.status).not.toBe(0);
    expect(run.stdout + run.stderr).toMatch(/noRestrictedImports/);
  } finally {
    rmSync(probe);
  }
});

it('the documents name only files and folders that are there', () => {
  const documents = ['README.md', 'CONTRIBUTING.md', 'docs/how-it-works.md', 'docs/formats.md'];
  const top = readdirSync('src', { withFileTypes: true }).map((d) => d.name);
  const gone = documents.flatMap((name) =>
    [...readFileSync(name, 'utf8').matchAll(/`((?:[\w-]+\/)+[\w.-]*)`/g)]
      .map(([, path]) => path)
      .filter((path) => top.includes(path.split('/')[0]) || /^(src|tests|e2e|bench|docs|scripts)\//.test(path))
      .filter((path) => !existsSync(path) && !existsSync(join('src', path)))
      .map((path) => `${name}: ${path}`),
  );
  expect(gone).toEqual([]);
});

it('no file is longer than can be read at one sitting', () => {
  const linesOf = (file: string) => readFileSync(file, 'utf8').split('\n').length;
  expect(sources('src').filter((file) => linesOf(file) > LONGEST_FILE)).toEqual([]);
});

describe('the look', () => {
  const screens = sources('src/app');

  it('colours stand in theme.css alone; screens, canvas and shaders read them by name', () => {
    const colour = /#[0-9a-f]{6}\b|\brgba?\(\s*\d/;
    expect(screens.filter((file) => colour.test(readFileSync(file, 'utf8')))).toEqual([]);
  });

  it('sizes and widths come from the scale: what is made up on the spot is the exception', () => {
    const madeUp = /[\w:*-]+-\[[^\]'"]+\](?=[\s"'`])/g;
    const found = screens.flatMap((file) => readFileSync(file, 'utf8').match(madeUp) ?? []);
    expect(found.length).toBeLessThan(40);
    expect(found.filter((utility) => /^text-\[|^font-\[/.test(utility))).toEqual([]);
  });
});
