import angular from 'angular-eslint';
import tseslint from 'typescript-eslint';

// What Angular alone knows of components and their templates; all else is checked, with types, by .oxlintrc.json.
export default tseslint.config(
  { linterOptions: { reportUnusedDisableDirectives: 'off' } },
  {
    files: ['web/src/**/*.ts'],
    extends: [...angular.configs.tsRecommended],
    languageOptions: { parser: tseslint.parser },
    processor: angular.processInlineTemplates,
    rules: {
      '@angular-eslint/component-selector': ['error', { type: 'element', prefix: 'tt', style: 'kebab-case' }],
      '@angular-eslint/prefer-on-push-component-change-detection': 'error',
    },
  },
  {
    files: ['web/src/**/*.html'],
    extends: [...angular.configs.templateRecommended, ...angular.configs.templateAccessibility],
    rules: {
      // NG-ZORRO's fields hold the input that a label stands for.
      '@angular-eslint/template/label-has-associated-control': [
        'error',
        { controlComponents: ['nz-select', 'tt-number', 'tt-quantity', 'nz-date-picker'] },
      ],
    },
  },
);
