import { readdirSync, readFileSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { brotliCompressSync, constants } from 'node:zlib';
import tailwindcss from '@tailwindcss/vite';
import react from '@vitejs/plugin-react';
import { defineConfig, type Plugin } from 'vite';

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
      if (isServerBuild) return;
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

export default defineConfig({
  plugins: [react(), tailwindcss(), precompressed()],
  worker: { format: 'es' },
  build: { target: 'es2023', sourcemap: false, chunkSizeWarningLimit: 900 },
});
