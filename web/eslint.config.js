import js from '@eslint/js'
import hooks from 'eslint-plugin-react-hooks'
import ts from 'typescript-eslint'

/** A number a rule needs never stands on the page: it is the server's. What is left is counted here. */
const numbers = [
  'error',
  {
    selector:
      'BinaryExpression[operator=/^([<>]=?|===|!==|[-+*/%])$/] > Literal[raw=/^(?!([012]|100)$)[0-9][0-9._]*$/]',
    message:
      'No number of the job on the page. Ask the server for it; a number of a drawing or a unit belongs into a file named in eslint.config.js.',
  },
]
/** Drawings, units of measure, clocks, sizes of files. */
const COUNTING = [
  'src/ui/Contour.tsx',
  'src/ui/Figure.tsx',
  'src/features/groups/Contours.tsx',
  'src/features/run/group/LaneLines.tsx',
  'src/features/limits/Figure.tsx',
  'src/features/limits/OnDate.tsx',
  'src/features/limits/LimitRibbon.tsx',
  'src/features/movements/FamilyPage.tsx',
  'src/features/tolerance/Diary.tsx',
  'src/features/tolerance/Strip.tsx',
  'src/features/tolerance/Sessions.tsx',
  'src/features/tolerance/scale.ts',
  'src/features/review/pictures.tsx',
  'src/features/tolerance/Charts.tsx',
  'src/features/adapt/steps.ts',
  'src/features/limits/caps.ts',
  'src/features/run/useRunLog.ts',
  'src/lib/api.ts',
  'src/lib/clock.ts',
  'src/lib/format.ts',
]

export default ts.config(
  { ignores: ['dist', 'target', 'src/lib/api.gen.ts', '*.mjs'] },
  js.configs.recommended,
  ...ts.configs.strict,
  hooks.configs.flat['recommended-latest'],
  { rules: { 'no-undef': 'off' } }, // tsc knows better
  {
    files: ['src/**/*.{ts,tsx}'],
    ignores: [...COUNTING, 'src/**/*.test.{ts,tsx}', 'src/test/**'],
    rules: { 'no-restricted-syntax': numbers },
  },
)
