import eslint from '@eslint/js';
import angular from 'angular-eslint';
import tseslint from 'typescript-eslint';

export default tseslint.config(
  {
    ignores: [
      '**/dist/**',
      '**/node_modules/**',
      '.angular/**',
      '.tmp/**',
      'data/**',
      'server/drizzle/**',
      'web/karma.conf.cjs',
      '.dependency-cruiser.cjs',
    ],
  },
  {
    files: ['**/*.ts'],
    extends: [eslint.configs.recommended, ...tseslint.configs.strictTypeChecked, ...tseslint.configs.stylisticTypeChecked],
    languageOptions: {
      parserOptions: {
        project: [
          'core/tsconfig.json',
          'cli/tsconfig.json',
          'server/tsconfig.json',
          'web/tsconfig.app.json',
          'web/tsconfig.spec.json',
          'web/tsconfig.worker.json',
          'e2e/tsconfig.json',
        ],
        tsconfigRootDir: import.meta.dirname,
      },
    },
    rules: {
      '@typescript-eslint/consistent-type-definitions': ['error', 'interface'],
      '@typescript-eslint/explicit-module-boundary-types': 'error',
      '@typescript-eslint/no-import-type-side-effects': 'error',
      '@typescript-eslint/switch-exhaustiveness-check': ['error', { considerDefaultExhaustiveForUnions: true }],
      // They compare whole types at every assignment and take half of the time; there is no enum here, and an interface stands for a class only where that is meant.
      '@typescript-eslint/no-unsafe-class-instance-assignment': 'off',
      '@typescript-eslint/no-unsafe-enum-assignment': 'off',
      'no-console': 'error',
      'no-restricted-properties': [
        'error',
        { object: 'Date', property: 'now', message: 'Time comes in through outside.ts, OWN_TIME or Clock.' },
        { object: 'Math', property: 'random', message: 'Chance comes in as a seed.' },
      ],
      eqeqeq: 'error',
    },
  },
  {
    files: ['web/src/**/*.ts'],
    extends: [...angular.configs.tsRecommended],
    processor: angular.processInlineTemplates,
    rules: {
      '@angular-eslint/component-selector': ['error', { type: 'element', prefix: 'tt', style: 'kebab-case' }],
      '@angular-eslint/prefer-on-push-component-change-detection': 'error',
      '@typescript-eslint/no-extraneous-class': ['error', { allowWithDecorator: true }],
      '@typescript-eslint/unbound-method': 'off',
    },
  },
  {
    files: ['web/src/**/*.html'],
    extends: [...angular.configs.templateRecommended, ...angular.configs.templateAccessibility],
    rules: {
      // NG-ZORRO's fields hold the input that a label stands for.
      '@angular-eslint/template/label-has-associated-control': [
        'error',
        { controlComponents: ['nz-select', 'tt-number', 'nz-date-picker'] },
      ],
    },
  },
  {
    files: ['**/*.spec.ts', 'core/spec/*.ts', 'web/spec/*.ts', 'server/spec/*.ts', 'e2e/**/*.ts'],
    rules: { '@typescript-eslint/no-non-null-assertion': 'off', 'no-restricted-properties': 'off' },
  },
  // The two places where time and chance come in.
  { files: ['server/src/outside.ts', 'web/src/app/services/own-time.ts'], rules: { 'no-restricted-properties': 'off' } },
  {
    files: ['scripts/**/*.mjs', '*.mjs'],
    extends: [eslint.configs.recommended],
    languageOptions: {
      globals: {
        process: 'readonly',
        console: 'readonly',
        setTimeout: 'readonly',
        clearTimeout: 'readonly',
        fetch: 'readonly',
        URL: 'readonly',
        performance: 'readonly',
      },
    },
  },
);
