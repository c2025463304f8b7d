import js from '@eslint/js';
import angular from 'angular-eslint';
import tseslint from 'typescript-eslint';

export default tseslint.config(
  { ignores: ['**/dist/**', '**/node_modules/**', '.angular/**', '.plindo/**', 'web/.angular/**'] },
  {
    files: ['**/*.ts'],
    extends: [js.configs.recommended, ...tseslint.configs.strict, ...tseslint.configs.stylistic],
    rules: {
      // An index that was just checked, or a loop over a typed array's own length.
      '@typescript-eslint/no-non-null-assertion': 'off',
      '@typescript-eslint/consistent-type-imports': 'error',
      '@typescript-eslint/no-unused-vars': ['error', { argsIgnorePattern: '^_', varsIgnorePattern: '^_' }],
      '@typescript-eslint/no-extraneous-class': ['error', { allowWithDecorator: true }],
      '@typescript-eslint/unified-signatures': 'off',
      // NaN stands for "no value" in columns, and comparing a number with itself is how it is told apart.
      'no-self-compare': 'off',
      // Values of a listing are a record by field key, in which a field without a value is absent.
      '@typescript-eslint/no-dynamic-delete': 'off',
      // HttpClient's methods take the type of an answer without content.
      '@typescript-eslint/no-invalid-void-type': 'off',
      'max-lines-per-function': ['error', { max: 60, skipBlankLines: true, skipComments: true }],
      'max-params': ['error', 5],
      'no-control-regex': 'off',
      eqeqeq: ['error', 'always', { null: 'ignore' }],
    },
  },
  {
    // Angular's dependency injection reads the types of constructor parameters and DTO properties.
    files: ['server/src/http/dto/**/*.ts'],
    rules: { '@typescript-eslint/consistent-type-imports': 'off' },
  },
  {
    // Tests, and lists of declarations: what is long there is not a function's logic.
    files: [
      '**/*.spec.ts',
      '**/testing/**/*.ts',
      'e2e/**/*.ts',
      'server/src/http/routes/*.ts',
      'server/src/store/migrations/*.ts',
      'server/src/store/models.ts',
    ],
    rules: { 'max-lines-per-function': 'off' },
  },
  {
    files: ['core/src/**/*.ts'],
    ignores: ['**/*.spec.ts'],
    rules: {
      'no-restricted-globals': ['error', 'window', 'document', 'process', 'Buffer', 'setTimeout', 'fetch'],
      'no-restricted-imports': ['error', { patterns: ['node:*', '@angular/*', '@plindo/server*', 'rxjs*'] }],
      'no-restricted-syntax': [
        'error',
        { selector: "NewExpression[callee.name='Date'][arguments.length=0]", message: 'The clock is a parameter.' },
        {
          selector: "CallExpression[callee.object.name='Date'][callee.property.name='now']",
          message: 'The clock is a parameter.',
        },
        {
          selector: "CallExpression[callee.object.name='Math'][callee.property.name='random']",
          message: 'Core is pure.',
        },
      ],
    },
  },
  {
    files: ['web/projects/**/*.ts'],
    extends: [...angular.configs.tsRecommended],
    processor: angular.processInlineTemplates,
    rules: {
      '@angular-eslint/component-selector': ['error', { type: 'element', prefix: 'pl', style: 'kebab-case' }],
      '@angular-eslint/prefer-on-push-component-change-detection': 'error',
    },
  },
  {
    files: ['web/projects/**/*.html'],
    extends: [...angular.configs.templateRecommended, ...angular.configs.templateAccessibility],
  },
  {
    // What visitors read stands in the table of words (core/src/values/words), in every language.
    files: ['web/projects/listing-view/**/*.html', 'web/projects/site/**/*.html'],
    ignores: ['web/projects/site/src/editor/**', 'web/projects/site/src/index.html', '**/explanation.ts/**'],
    rules: {
      'no-restricted-syntax': [
        'error',
        ...[
          'Text[value=/\\p{L}{2}/u]',
          'TextAttribute[name=/^(aria-label|placeholder|title|alt)$/][value=/\\p{L}/u]',
          'BoundText LiteralPrimitive[value=/^\\p{Lu}/u]',
          'BoundAttribute[name=/^(aria-label|placeholder|title|alt)$/] LiteralPrimitive[value=/\\p{L}{2} |^\\p{Lu}/u]',
        ].map((selector) => ({ selector, message: 'Put what visitors read into the table of words.' })),
      ],
    },
  },
  {
    files: ['**/*.mjs', '**/*.cjs'],
    extends: [js.configs.recommended],
    languageOptions: {
      globals: { process: 'readonly', console: 'readonly', URL: 'readonly', module: 'writable', require: 'readonly' },
    },
  },
);
