import js from '@eslint/js';
import prettier from 'eslint-config-prettier';
import vue from 'eslint-plugin-vue';
import globals from 'globals';
import ts from 'typescript-eslint';

const asking = ['alert', 'confirm', 'prompt'];
/** Components that a wrapper stands for. */
const wrapped = [
  'NInput',
  'NInputNumber',
  'NSelect',
  'NCheckbox',
  'NRadio',
  'NRadioGroup',
  'NDatePicker',
  'NTimePicker',
  'NColorPicker',
  'NSlider',
  'NUpload',
  'NTabs',
  'NSplit',
];

export default ts.config(
  { ignores: ['dist', 'target', 'src/shared/api/schema.d.ts'] },
  js.configs.recommended,
  {
    // rules that ask the compiler what things are
    files: ['src/**/*.ts', 'src/**/*.vue', 'vite.config.ts'],
    extends: [ts.configs.strictTypeChecked],
    rules: {
      '@typescript-eslint/no-confusing-void-expression': ['error', { ignoreArrowShorthand: true }],
      '@typescript-eslint/restrict-template-expressions': ['error', { allowNumber: true }],
    },
  },
  ...vue.configs['flat/recommended'],
  {
    files: ['**/*.vue', '**/*.ts'],
    languageOptions: {
      parserOptions: { parser: ts.parser, projectService: true, extraFileExtensions: ['.vue'] },
      globals: globals.browser,
    },
    rules: { 'vue/multi-word-component-names': 'off', 'vue/max-attributes-per-line': 'off', 'no-undef': 'off' },
  },
  {
    // What people work with is Naive UI's, through the wrappers: they alone close its gaps for assistive technology.
    files: ['src/**/*.vue', 'src/**/*.ts'],
    ignores: ['src/shared/controls/**'],
    rules: {
      'vue/no-restricted-html-elements': [
        'error',
        ...['input', 'select', 'textarea', 'button', 'details', 'dialog', 'fieldset', 'progress', 'meter'].map(
          (element) => ({
            element,
            message: 'Use a control of shared/controls.',
          }),
        ),
      ],
      'no-restricted-globals': ['error', ...asking],
      'no-restricted-properties': ['error', ...asking.map((property) => ({ object: 'window', property }))],
      'no-restricted-imports': [
        'error',
        { name: 'naive-ui', importNames: wrapped, message: 'Use the wrapper in shared/controls.' },
      ],
    },
  },
  {
    // Every text is in the message catalogue; what the controls' page for tests says is nobody's to read.
    files: ['src/**/*.vue'],
    ignores: ['src/shared/testing/**'],
    rules: {
      'vue/no-bare-strings-in-template': [
        'error',
        {
          // signs, names and formats, which are the same in every language
          allowlist: [
            ...'()·,.…:;/"“”–—→+−×|%#[]<>&'.split(''),
            'Jontrel',
            'Ctrl K',
            'SVG',
            'PNG',
            'https://',
            '#000000',
            'Authorization: Bearer …',
          ],
          attributes: {
            '/.+/': ['title', 'aria-label', 'aria-placeholder', 'placeholder', 'alt', 'label', 'legend', 'hint'],
          },
        },
      ],
    },
  },
  {
    // what a component takes, gives and exposes is checked by vue-tsc; to this linter it is unknown
    files: ['**/*.vue', 'src/main.ts', '**/*.test.ts', 'src/shared/testing/**'],
    rules: Object.fromEntries(
      ['argument', 'assignment', 'call', 'member-access', 'return'].map((unsafe) => [
        `@typescript-eslint/no-unsafe-${unsafe}`,
        'off',
      ]),
    ),
  },
  prettier,
);
