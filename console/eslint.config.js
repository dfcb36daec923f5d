import js from '@eslint/js';
import svelte from 'eslint-plugin-svelte';
import globals from 'globals';
import ts from 'typescript-eslint';

export default ts.config(
  js.configs.recommended,
  ...ts.configs.recommended,
  ...svelte.configs.recommended,
  { languageOptions: { globals: globals.browser } },
  {
    files: ['**/*.svelte', '**/*.svelte.ts'],
    languageOptions: { parserOptions: { parser: ts.parser } },
    // Addresses are built by the router's own function where they have parts.
    rules: { 'svelte/no-navigation-without-resolve': 'off' },
  },
  { ignores: ['target', 'node_modules', 'src/lib/api/schema.d.ts'] },
);
