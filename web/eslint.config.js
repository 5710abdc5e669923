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
  ...ts.configs.strict,
  ...vue.configs['flat/recommended'],
  {
    files: ['**/*.vue', '**/*.ts'],
    languageOptions: { parserOptions: { parser: ts.parser }, globals: globals.browser },
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
  prettier,
);
