// @vitest-environment node
import { readFileSync, readdirSync } from 'node:fs';
import { dirname, join, relative } from 'node:path';
import type { AtRule, Node, Rule } from 'postcss';
import postcss from 'postcss';
import { compileString } from 'sass';
import { describe, expect, it } from 'vitest';

const src = join(import.meta.dirname, '..');
const files = readdirSync(src, { recursive: true, encoding: 'utf8' });
const read = (file: string) => readFileSync(join(src, file), 'utf8');

/** The rooms that every part may use the classes of. */
const common = ['look', 'parts'];
/** What Bootstrap and the router name. */
const bootstrap = /^(active|btn|btn-.*|popover|modal.*|toast.*|visually-hidden.*|fade|show)$/;

interface Style {
  file: string;
  /** Where it stands among media and the like, and the selector. */
  selector: string;
  leading: string;
  classes: string[];
}

const classesOf = (selector: string) => [...selector.matchAll(/\.([a-z][\w-]*)/g)].map((m) => m[1]!);

/** What a rule stands in: media, key frames. */
function around(rule: Rule): string[] {
  const at: string[] = [];
  for (let up: Node | undefined = rule.parent; up; up = up.parent)
    if (up.type === 'atrule') at.push(`@${(up as AtRule).name} ${(up as AtRule).params}`);
  return at;
}

const styles: Style[] = files
  .filter((f) => f.endsWith('.scss') && f !== join('look', 'theme.scss'))
  .flatMap((file) => {
    const text = file.startsWith('look') ? `@use 'tokens' as *;${read(file)}` : read(file);
    const loadPaths = [join(src, 'look')];
    const { css } = compileString(file.endsWith('_tokens.scss') ? read(file) : text, { loadPaths });
    const found: Style[] = [];
    postcss.parse(css).walkRules((rule) => {
      if (around(rule).some((at) => at.startsWith('@keyframes'))) return;
      for (const selector of rule.selectors)
        found.push({
          file,
          selector: [...around(rule), selector].join(' '),
          leading: classesOf(selector.split(/[ >+~]/)[0]!)[0] ?? '',
          classes: classesOf(selector),
        });
    });
    return found;
  });

/** The file that a class is at home in: there it leads a selector. */
const homes = new Map<string, Set<string>>();
const spoken = new Map<string, Set<string>>();
const into = (map: Map<string, Set<string>>, key: string, value: string) =>
  map.set(key, (map.get(key) ?? new Set()).add(value));
for (const { file, leading, classes } of styles) {
  if (leading && !bootstrap.test(leading)) into(homes, leading, file);
  for (const c of classes) if (!bootstrap.test(c)) into(spoken, c, file);
}
/** Where a class is at home; one that leads nowhere is at home where it is spoken of. */
const homeOf = (c: string) => [...(homes.get(c) ?? spoken.get(c) ?? [])];

describe('styles', () => {
  it('are there', () => expect(styles.length).toBeGreaterThan(300));

  it('open no selector twice', () => {
    const seen = new Map<string, Set<string>>();
    const twice: string[] = [];
    for (const { file, selector } of styles) {
      if (seen.has(selector)) twice.push(`${selector} in ${[...seen.get(selector)!, file].join(' and ')}`);
      into(seen, selector, file);
    }
    expect(twice).toEqual([]);
  });

  it('have each class at home in one file', () => {
    const shared = [...spoken.keys()].filter((c) => homeOf(c).length > 1);
    expect(shared.map((c) => `${c} in ${homeOf(c).join(' and ')}`)).toEqual([]);
  });

  it('are of the part that uses them, or of all', () => {
    const strange: string[] = [];
    for (const file of files.filter((f) => f.endsWith('.tsx') && !f.includes('.test.'))) {
      const words = [...read(file).matchAll(/className=(?:"([^"]*)"|\{[^}]*\})/g)].flatMap((m) =>
        (m[1] ?? [...m[0].matchAll(/'([^']*)'/g)].map((q) => q[1]).join(' ')).split(/\s+/),
      );
      for (const word of words) {
        const [home] = homeOf(word);
        if (!home || common.includes(home.split('/')[0]!)) continue;
        if (relative(join(src, dirname(home)), join(src, file)).startsWith('..'))
          strange.push(`${word} of ${home} in ${file}`);
      }
    }
    expect(strange).toEqual([]);
  });

  it('are used', () => {
    const text = files
      .filter((f) => /\.tsx?$/.test(f) && !f.includes('.test.'))
      .map(read)
      .join('\n');
    const unused = [...spoken.keys()].filter((c) => !new RegExp(`['"\\s\`]${c}['"\\s\`]`).test(text));
    expect(unused).toEqual([]);
  });

  it('stand beside a part that takes them', () => {
    const taken = files.filter((f) => f.endsWith('.tsx')).map((f) => [f, read(f)] as const);
    for (const file of new Set(styles.map((s) => s.file).filter((f) => !f.startsWith('look'))))
      expect(
        taken.some(
          ([f, text]) => dirname(f) === dirname(file) && text.includes(`'./${file.split('/').at(-1)}'`),
        ),
        file,
      ).toBe(true);
  });
});
