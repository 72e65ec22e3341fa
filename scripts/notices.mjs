// Writes what ships with the program and under which terms: web/public/notices.txt. Run after a build, from the repository.
import { existsSync, readFileSync, readdirSync, writeFileSync } from 'node:fs';
import { homedir } from 'node:os';
import { join } from 'node:path';

const root = join(import.meta.dirname, '..');
const read = (...path) => readFileSync(join(...path), 'utf8');
const plain = (text) => text.replaceAll('\r\n', '\n').trim();
const licenceFile = (folder) =>
  readdirSync(folder).find((f) => /^(licen[cs]e|copying)(\.md|\.txt|-mit)?$/i.test(f));

/** Packages of the front end that are not only for building it. */
function fromNpm() {
  const lock = JSON.parse(read(root, 'web', 'package-lock.json'));
  return Object.entries(lock.packages)
    .filter(([path, p]) => path !== '' && !p.dev && !p.optional && !p.peer)
    .map(([path]) => {
      const folder = join(root, 'web', path);
      const { name, version, license } = JSON.parse(read(folder, 'package.json'));
      const file = licenceFile(folder);
      return { name, version, licence: license, text: file ? plain(read(folder, file)) : null };
    });
}

/** Packages that lie beside the program once it is built. */
function fromNuGet() {
  const deps = JSON.parse(read(root, 'src/MossLantern.Web/bin/Release/net10.0/MossLantern.Web.deps.json'));
  const store = process.env.NUGET_PACKAGES ?? join(homedir(), '.nuget', 'packages');
  return Object.entries(deps.libraries)
    .filter(([, l]) => l.type === 'package')
    .map(([id]) => {
      const [name, version] = id.split('/');
      const folder = join(store, name.toLowerCase(), version);
      const spec = read(folder, `${name.toLowerCase()}.nuspec`);
      const of = (tag) => spec.match(new RegExp(`<${tag}[^>]*>([^<]*)</${tag}>`))?.[1];
      const file = existsSync(folder) ? licenceFile(folder) : undefined;
      return {
        name,
        version,
        licence: of('license') ?? of('licenseUrl') ?? 'see its project',
        by: of('copyright') ?? of('authors'),
        text: file ? plain(read(folder, file)) : null,
      };
    });
}

const byName = (a, b) => a.name.localeCompare(b.name, 'en');
const told = ({ name, version, licence, by, text }) =>
  [`${name} ${version}`, `Licence: ${licence}`, by && `By: ${plain(by)}`, text && `\n${text}`]
    .filter(Boolean)
    .join('\n');
const line = `\n\n${'-'.repeat(72)}\n\n`;
const npm = fromNpm().sort(byName);
const fonts = npm.filter((p) => p.name.startsWith('@fontsource'));
const text = [
  'Third-party notices\n\nMoss Lantern ships with the fonts and packages below, each under its own terms.',
  ...['Fonts', fonts.map(told)].flat(),
  ...['Packages of the front end', npm.filter((p) => !fonts.includes(p)).map(told)].flat(),
  ...['Packages of the program', fromNuGet().sort(byName).map(told)].flat(),
].join(line);
writeFileSync(join(root, 'web', 'public', 'notices.txt'), `${text}\n`);
console.log(
  `${npm.length} packages of the front end, fonts among them, and ${fromNuGet().length} of the program`,
);
