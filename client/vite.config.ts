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

/**
 * Which programs each address needs, for the server to name in the page: they are on their way before the first of them
 * has been read. Routes are read from where they are written.
 */
function programsOfRoutes(): Plugin {
  const router = readFileSync(join(import.meta.dirname, 'src/app/router.tsx'), 'utf8');
  const routes = [
    ...router.matchAll(
      /createRoute\(\{\s*getParentRoute: \(\) => (root|site),\s*path: '([^']+)',(?:(?!createRoute)[\s\S])*?import\('\.\.(\/features\/[^']+)'\)/g,
    ),
  ].map(([, parent, path, module]) => ({
    path: `${parent === 'site' ? '/sites/$siteId' : ''}${path}`.replace(/\$\w+/g, '*'),
    modules: [...(parent === 'site' ? ['/features/site/SiteLayout'] : []), module!],
  }));
  return {
    name: 'programs-of-routes',
    apply: 'build',
    generateBundle(_, bundle) {
      const chunks = Object.values(bundle).filter((file) => file.type === 'chunk');
      const fileOf = (module: string) => {
        const chunk = chunks.find(({ facadeModuleId }) => facadeModuleId?.endsWith(`/src${module}.tsx`));
        if (!chunk) {
          this.error(`${module} is no program of its own`);
        }

        return [chunk.fileName, ...chunk.imports];
      };
      const entry = chunks.find(({ isEntry }) => isEntry)!;
      const always = [entry.fileName, ...entry.imports];
      const programs = Object.fromEntries(
        routes.map(({ path, modules }) => [
          path,
          [...new Set(modules.flatMap(fileOf))].filter((file) => !always.includes(file)),
        ]),
      );
      this.emitFile({ type: 'asset', fileName: 'programs.json', source: JSON.stringify(programs) });
    },
  };
}

/**
 * Few files, so that a page is not thirty requests away: what every page needs, what forms need, what reads answers
 * that come by other ways, and a file for each page with its own parts. Sheets, and what they need, come when one is
 * first opened.
 */
const forms = /node_modules\/react-hook-form|src\/api\/(site\/changeForm|wire\/sentForm)/;
const otherWays = /node_modules\/zod|src\/api\/(wire\/(shapes|zod|useLines)|card|names\/(names|ideas)|site\/scan)\b/;
const groups = [
  { name: 'base', priority: 3, test: /node_modules\/(react|react-dom|scheduler|@tanstack|openapi-fetch|clsx)\// },
  { name: 'forms', priority: 1, test: forms },
  { name: 'other-ways', priority: 1, test: otherWays },
  {
    name: 'parts',
    priority: 2, // Before those below, which would take what they stand on with them.
    test: (module: string) =>
      /src\/(api|format|ui)\/(?!.*Sheet\.tsx)/.test(module) && !forms.test(module) && !otherWays.test(module),
    minShareCount: 2,
  },
];

export default defineConfig({
  plugins: [react(), tailwindcss(), programsOfRoutes(), pressed()],
  server: { proxy: { '/api': 'http://localhost:5080' } },
  build: {
    target: 'baseline-widely-available',
    outDir,
    emptyOutDir: true,
    assetsInlineLimit: 0,
    rolldownOptions: { output: { codeSplitting: { groups } } },
  },
});
