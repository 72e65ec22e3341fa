import js from '@eslint/js';
import style from '@stylistic/eslint-plugin';
import hooks from 'eslint-plugin-react-hooks';
import ts from 'typescript-eslint';

/** Rooms of the front end: each may look only into those before it. All that is in none of them is a page. */
const rooms = ['api', 'units', 'parts', 'painting', 'editor', 'stations'];
const pages = ['about', 'bench', 'cupboard', 'piece', 'reckoner', 'share', 'shelf', 'speed', 'standins'];

/** What a room must not look into. */
const arrows = rooms.map((room, i) => ({
  files: [`src/${room}/**/*.{ts,tsx}`],
  ignores: ['**/*.test.*'],
  rules: {
    'no-restricted-imports': [
      'error',
      {
        patterns: [...rooms.slice(i + 1), ...pages].map((later) => ({
          group: [`../**/${later}/*`],
          message: `${room} looks only into the rooms before it; ${later} comes after.`,
        })),
      },
    ],
  },
}));

/** Asking by hand is for the room that asks, and for the painter of drafts, whose thread has nothing else. */
const byHand = {
  files: ['src/**/*.{ts,tsx}'],
  ignores: ['src/api/**', 'src/painting/DraftLoop.ts', '**/*.test.*'],
  rules: {
    'no-restricted-globals': [
      'error',
      { name: 'fetch', message: 'What the workshop is asked for is a query or a change of the room api.' },
    ],
    '@typescript-eslint/no-restricted-imports': [
      'error',
      {
        patterns: [
          {
            regex: '/api/ask$',
            message: 'What the workshop is asked for is a query or a change of the room api.',
          },
        ],
      },
    ],
  },
};

/** The editor knows no view. */
const viewless = {
  files: ['src/editor/**/*.ts'],
  ignores: ['**/*.test.*'],
  rules: {
    '@typescript-eslint/no-restricted-imports': [
      'error',
      {
        patterns: [
          { regex: '^react|^@tanstack', message: 'The editor is plain TypeScript.' },
          { regex: '/api/ask$', message: 'The editor is handed its workshop.' },
        ],
      },
    ],
  },
};

const mostProps = 10;
const tooMany = `> TSPropertySignature:nth-child(${mostProps + 1})`;
const propsMessage = `A component has up to ${mostProps} properties; a context or an object says more in fewer.`;

/** A component is read in one go, and told what it needs in few words. */
const small = {
  files: ['src/**/*.tsx'],
  ignores: ['**/*.test.*'],
  rules: {
    'max-lines-per-function': ['error', { max: 300 }],
    'no-restricted-syntax': [
      'error',
      {
        selector: `TSInterfaceDeclaration[id.name=/Props$/] TSInterfaceBody ${tooMany}`,
        message: propsMessage,
      },
      {
        selector: `FunctionDeclaration[id.name=/^[A-Z]/] > ObjectPattern > Property:nth-child(${mostProps + 1})`,
        message: propsMessage,
      },
    ],
  },
};

export default ts.config(
  { ignores: ['dist', 'src/api/schema.d.ts', 'node_modules'] },
  js.configs.recommended,
  ...ts.configs.recommended,
  { rules: { '@typescript-eslint/consistent-type-imports': 'error' } },
  // Rules of React compile what they look at, which costs more than all others: not for tests and brushes.
  {
    files: ['src/**/*.{ts,tsx}'],
    ignores: ['**/*.test.*', 'src/painting/**'],
    plugins: { 'react-hooks': hooks },
    rules: hooks.configs.recommended.rules,
  },
  {
    plugins: { style },
    // What the formatter cannot break: sentences, templates and comments.
    rules: { 'style/max-len': ['error', { code: 140, ignoreUrls: true }] },
  },
  ...arrows,
  byHand,
  viewless,
  small,
);
