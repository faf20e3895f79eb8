// Prints whose work a release holds and under which licences: NuGet packages, npm packages with the fonts, the .NET
// runtime, and the data that the application reads. Taken from the packages themselves, as they were restored.
import { execFileSync } from 'node:child_process';
import { existsSync, readdirSync, readFileSync } from 'node:fs';
import { dirname, join } from 'node:path';
import { fileURLToPath } from 'node:url';

const root = join(dirname(fileURLToPath(import.meta.url)), '..');
const read = (...path) => readFileSync(join(...path), 'utf8');

const licenceFile = (folder) => {
  const file =
    existsSync(folder) &&
    readdirSync(folder, { withFileTypes: true }).find(
      (entry) => entry.isFile() && /^(licen[cs]e|copying)(\.(md|txt))?$/i.test(entry.name),
    );
  return file ? read(folder, file.name).trim() : '';
};

function nuGet() {
  const folder = execFileSync('dotnet', ['nuget', 'locals', 'global-packages', '-l'], { encoding: 'utf8' })
    .split(': ')[1]
    .trim();
  const packages = new Set();
  for (const project of ['Web', 'Counterparts', 'Connectors', 'Data', 'Formats', 'Core']) {
    const { targets } = JSON.parse(read(root, 'src', project, 'obj', 'project.assets.json'));
    for (const [name, { type, runtime, runtimeTargets }] of Object.entries(targets['net10.0'])) {
      if (type === 'package' && (runtime || runtimeTargets)) {
        packages.add(name);
      }
    }
  }

  return [...packages].sort().map((name) => {
    const [id, version] = name.toLowerCase().split('/');
    const at = join(folder, id, version);
    const spec = read(at, `${id}.nuspec`);
    const tag = (word) => new RegExp(`<${word}[^>]*>([^<]*)</${word}>`).exec(spec)?.[1].trim() ?? '';
    const stated = /<license type="file">/.test(spec) ? '' : tag('license');
    return {
      name: name.replace('/', ' '),
      licence: stated || tag('licenseUrl'),
      by: tag('copyright') || tag('authors'),
      text: licenceFile(at),
    };
  });
}

function npm() {
  const { packages } = JSON.parse(read(root, 'client', 'package-lock.json'));
  return Object.entries(packages)
    .filter(([path, { dev }]) => path.startsWith('node_modules/') && !dev)
    .map(([path, { version }]) => {
      const folder = join(root, 'client', path);
      if (!existsSync(folder)) {
        return null; // For another system than this one.
      }

      const about = JSON.parse(read(folder, 'package.json'));
      const author = typeof about.author === 'string' ? about.author : (about.author?.name ?? '');
      return {
        name: `${path.replace(/^.*node_modules\//, '')} ${version}`,
        licence: typeof about.license === 'string' ? about.license : '',
        by: author,
        text: licenceFile(folder),
      };
    })
    .filter(Boolean);
}

const others = [
  { name: '.NET and ASP.NET Core runtime', licence: 'MIT', by: '.NET Foundation and Contributors', text: '' },
  {
    name: 'Data of names',
    licence: '',
    by: '',
    text: read(root, 'src', 'Formats', 'Domains', 'Data', 'README.md').trim(),
  },
];

console.log('Home Start holds work of others:\n');
for (const [heading, entries] of [
  ['Runtime and data', others],
  ['NuGet packages', nuGet()],
  ['npm packages, fonts among them', npm()],
]) {
  console.log(`${'='.repeat(80)}\n${heading}\n${'='.repeat(80)}\n`);
  for (const { name, licence, by, text } of entries) {
    console.log([`${name}${licence && `, ${licence}`}`, by, text && `\n${text}`].filter(Boolean).join('\n') + '\n');
  }
}
