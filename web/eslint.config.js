import js from '@eslint/js'
import hooks from 'eslint-plugin-react-hooks'
import ts from 'typescript-eslint'

export default ts.config(
  { ignores: ['dist', 'target', 'src/lib/api.gen.ts', '*.mjs'] },
  js.configs.recommended,
  ...ts.configs.strict,
  hooks.configs.flat['recommended-latest'],
  { rules: { 'no-undef': 'off' } }, // tsc knows better
)
