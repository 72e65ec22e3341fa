import js from '@eslint/js';
import hooks from 'eslint-plugin-react-hooks';
import ts from 'typescript-eslint';

export default ts.config(
  { ignores: ['dist', 'src/api/schema.d.ts', 'node_modules'] },
  js.configs.recommended,
  ...ts.configs.recommended,
  { rules: { '@typescript-eslint/consistent-type-imports': 'error' } },
  // Rules of React compile what they look at, which costs more than all others: not for tests and brushes.
  { files: ['src/**/*.{ts,tsx}'], ignores: ['**/*.test.*', 'src/painting/**'], plugins: { 'react-hooks': hooks }, rules: hooks.configs.recommended.rules },
);
