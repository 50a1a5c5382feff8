import js from '@eslint/js';
import a11y from 'eslint-plugin-jsx-a11y';
import hooks from 'eslint-plugin-react-hooks';
import ts from 'typescript-eslint';

export default ts.config(
  { ignores: ['public', 'node_modules', 'vendor', 'var', 'ui/src/api/schema.d.ts', '*.config.*'] },
  js.configs.recommended,
  ...ts.configs.strictTypeChecked,
  a11y.flatConfigs.strict,
  hooks.configs.flat.recommended,
  {
    languageOptions: { parserOptions: { projectService: true } },
    rules: {
      '@typescript-eslint/restrict-template-expressions': ['error', { allowNumber: true }],
      '@typescript-eslint/no-confusing-void-expression': ['error', { ignoreArrowShorthand: true }],
      'max-lines': ['error', 300],
    },
  },
  // What is asked again after a change is written down in one place.
  {
    files: ['ui/src/**'],
    ignores: ['ui/src/api/changed.ts'],
    rules: {
      'no-restricted-syntax': [
        'error',
        {
          selector: "MemberExpression[property.name='invalidateQueries']",
          message: 'Say what changed: useChanged (ui/src/api/changed.ts).',
        },
      ],
    },
  },
  // Folders stand on each other in one order: api and parts below, then kinds, then the areas.
  ...Object.entries({
    'ui/src/api': ['areas', 'kinds', 'parts'],
    'ui/src/parts': ['areas', 'kinds'],
    'ui/src/kinds': ['areas'],
    'ui/src/areas/background': ['people', 'banks', 'bank', 'intake', 'blueprint', 'delivery', 'results'],
    'ui/src/areas/people': ['background', 'banks', 'bank', 'intake', 'blueprint', 'delivery', 'results'],
    'ui/src/areas/banks': ['bank', 'intake', 'blueprint', 'delivery', 'results'],
    'ui/src/areas/bank': ['banks', 'intake', 'blueprint', 'delivery', 'results'],
    'ui/src/areas/intake': ['banks', 'blueprint', 'delivery', 'results'],
    'ui/src/areas/blueprint': ['banks', 'intake', 'delivery', 'results'],
    'ui/src/areas/delivery': ['banks', 'bank', 'intake', 'blueprint', 'results'],
    'ui/src/areas/results': ['banks', 'bank', 'intake', 'blueprint'],
  }).map(([folder, above]) => ({
    files: [`${folder}/**`],
    rules: {
      'no-restricted-imports': [
        'error',
        { patterns: [{ group: above.map((name) => `**/${name}/**`), message: 'This folder stands below that one.' }] },
      ],
    },
  })),
);
