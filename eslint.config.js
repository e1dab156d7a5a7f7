import vue from 'eslint-plugin-vue'
import accessibility from 'eslint-plugin-vuejs-accessibility'
import tseslint from 'typescript-eslint'

export default tseslint.config(
  { ignores: ['resources/js/api/generated/**'] },
  ...tseslint.configs.strictTypeChecked,
  ...tseslint.configs.stylisticTypeChecked,
  ...vue.configs['flat/recommended'],
  { rules: vue.configs['no-layout-rules'].rules },
  ...accessibility.configs['flat/recommended'],
  {
    languageOptions: {
      parserOptions: { parser: tseslint.parser, projectService: true, extraFileExtensions: ['.vue'] },
    },
    rules: {
      '@typescript-eslint/consistent-type-definitions': ['error', 'interface'],
      '@typescript-eslint/explicit-function-return-type': [
        'error',
        { allowExpressions: true, allowedNames: ['useSession', 'queriesOf', 'createDesk', 'createSheet'] },
      ],
      '@typescript-eslint/restrict-template-expressions': ['error', { allowNumber: true }],
      '@typescript-eslint/unbound-method': 'off',
      // Only an index access tells noUncheckedIndexedAccess to add `undefined`; a bracket also says that a name is
      // data.
      '@typescript-eslint/dot-notation': 'off',
      'vue/block-lang': ['error', { script: { lang: 'ts' } }],
      'vue/no-v-html': 'error',
      'vue/no-static-inline-styles': 'error',
      // Labels are bound to Element Plus fields by id, through FieldRow.
      'vuejs-accessibility/label-has-for': ['error', { required: { some: ['nesting', 'id'] } }],
      'vuejs-accessibility/form-control-has-label': ['error', { labelComponents: ['FieldRow'] }],
      // Only the first field of the sign-in page, where nothing else is to be read first.
      'vuejs-accessibility/no-autofocus': 'off',
      'vue/multi-word-component-names': 'off',
    },
  },
  {
    files: ['**/*.test.ts'],
    rules: {
      // A test makes the small components it needs.
      'vue/one-component-per-file': 'off',
    },
  },
)
