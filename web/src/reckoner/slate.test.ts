import { beforeEach, expect, it } from 'vitest';
import { again, changed, keep, most, onTop, slateOf, wiped } from './slate';

const known = () => true;
const entry = (path: string, id = path) => ({ id, path, values: { x: 1 } });
const paths = (slate: { entries: { path: string }[] }) => slate.entries.map((e) => e.path);
const empty = { day: 'today', entries: [] };

beforeEach(() => localStorage.clear());

it('puts a new sum on top, and brings one that stands there already back up', () => {
  let slate = onTop(empty, 'mix', () => entry('mix'));
  slate = onTop(slate, 'load', () => entry('load'));
  expect(paths(slate)).toEqual(['load', 'mix']);
  slate = onTop(slate, 'mix', () => entry('mix', 'other'));
  expect(slate.entries.map((e) => e.id)).toEqual(['mix', 'load']);
  expect(onTop(slate, 'mix', () => entry('mix'))).toBe(slate);
});

it('reckons the same once more above the last, and wipes one off', () => {
  const twice = again(
    onTop(empty, 'mix', () => entry('mix', 'a')),
    entry('mix', 'b'),
  );
  expect(twice.entries.map((e) => e.id)).toEqual(['b', 'a']);
  expect(changed(twice, 'a', { x: 2 }).entries.map((e) => e.values)).toEqual([{ x: 1 }, { x: 2 }]);
  expect(wiped(twice, 'b').entries.map((e) => e.id)).toEqual(['a']);
});

it('holds so many and no more: the oldest goes', () => {
  let slate = { day: 'today', entries: [] as ReturnType<typeof entry>[] } as ReturnType<typeof slateOf>;
  for (let i = 0; i <= most; i++) slate = again(slate, entry('mix', `${i}`));
  expect(slate.entries).toHaveLength(most);
  expect(slate.entries.at(-1)!.id).toBe('1');
});

it('is there for the day and gone on the next, and nothing that is unknown is read', () => {
  keep(onTop({ day: 'today', entries: [] }, 'mix', () => entry('mix')));
  expect(paths(slateOf('today', known))).toEqual(['mix']);
  expect(slateOf('tomorrow', known).entries).toEqual([]);
  expect(slateOf('today', (path) => path !== 'mix').entries).toEqual([]);
  localStorage.setItem('slate', '{"day":"today","entries":7}');
  expect(slateOf('today', known).entries).toEqual([]);
  localStorage.setItem('slate', 'nonsense');
  expect(slateOf('today', known).entries).toEqual([]);
});
