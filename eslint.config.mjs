import angular from 'angular-eslint';
import tseslint from 'typescript-eslint';

// What .oxlintrc.json cannot hold: Angular's own rules, those of its templates, and the length of comments, which
// Prettier does not wrap. Everything that asks for types is there, where a run takes seconds and not minutes.
export default tseslint.config(
  { ignores: ['**/dist/**', '**/dist-spec/**', '**/node_modules/**', '.angular/**', '.data/**', '**/test-results/**'] },
  // A line switched off for the other linter is no concern of this one.
  { linterOptions: { reportUnusedDisableDirectives: 'off' } },
  {
    files: ['**/*.ts', '**/*.mjs'],
    plugins: { '@typescript-eslint': tseslint.plugin },
    rules: {
      'max-len': [
        'error',
        { code: 120, ignoreStrings: true, ignoreTemplateLiterals: true, ignoreRegExpLiterals: true, ignoreUrls: true },
      ],
    },
  },
  { files: ['**/*.ts'], languageOptions: { parser: tseslint.parser } },
  {
    files: ['web/**/*.ts'],
    extends: [...angular.configs.tsRecommended],
    processor: angular.processInlineTemplates,
    rules: {
      '@angular-eslint/component-selector': ['error', { type: 'element', prefix: 'wb', style: 'kebab-case' }],
      // Classes are named as people on the screen would: Tray, Frame, BenchStation.
      '@angular-eslint/component-class-suffix': 'off',
    },
  },
  {
    files: ['web/**/*.html'],
    extends: [...angular.configs.templateRecommended, ...angular.configs.templateAccessibility],
  },
);
