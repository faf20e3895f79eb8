import { readdirSync, readFileSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { brotliCompressSync, constants } from 'node:zlib';
import tailwindcss from '@tailwindcss/vite';
import react from '@vitejs/plugin-react';
import { defineConfig, type Plugin } from 'vite';

const outDir = '../src/Web/wwwroot';

/**
 * Beside each asset stands what is sent of it: pressed once, here, as small as it gets, instead of in haste for each
 * visitor.
 */
function pressed(): Plugin {
  return {
    name: 'pressed',
    apply: 'build',
    closeBundle() {
      const folder = join(import.meta.dirname, outDir, 'assets');
      for (const name of readdirSync(folder).filter((file) => /\.(js|css|svg)$/.test(file))) {
        const file = join(folder, name);
        writeFileSync(
          `${file}.br`,
          brotliCompressSync(readFileSync(file), { params: { [constants.BROTLI_PARAM_QUALITY]: 11 } }),
        );
      }
    },
  };
}

export default defineConfig({
  plugins: [react(), tailwindcss(), pressed()],
  server: { proxy: { '/api': 'http://localhost:5080' } },
  build: { target: 'baseline-widely-available', outDir, emptyOutDir: true, assetsInlineLimit: 0 },
});
