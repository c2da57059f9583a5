import js from '@eslint/js'
import hooks from 'eslint-plugin-react-hooks'
import ts from 'typescript-eslint'

export default ts.config(
  { ignores: ['dist', 'src/lib/api.gen.ts', '*.mjs'] },
  js.configs.recommended,
  ...ts.configs.strict,
  hooks.configs.flat['recommended-latest'],
  { languageOptions: { globals: { window: 'readonly', document: 'readonly', fetch: 'readonly', localStorage: 'readonly', crypto: 'readonly', console: 'readonly', setTimeout: 'readonly', setInterval: 'readonly', clearInterval: 'readonly', clearTimeout: 'readonly' } } },
)
