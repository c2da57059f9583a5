// Prints the JavaScript of each first page, gzipped, and fails over the limits: what the entry and the
// page import, without what is loaded on demand.
import { readFileSync } from 'node:fs'
import { gzipSync } from 'node:zlib'

const LIMITS = {
  'src/features/checkin/index.tsx': 78,
  'src/features/day/index.tsx': 120,
  'src/features/run/start.tsx': 120,
  'src/features/screen/start.tsx': 100,
}
const OTHERS = 145
// what a page of a client is shown in
const WITHIN =
  /^src\/features\/(clients\/(?!ClientsPage|ClientLayout)|screening|limits|pulse|tolerance|adapt)/

const manifest = JSON.parse(readFileSync('dist/.vite/manifest.json', 'utf8'))
const sizes = new Map()
const size = (file) => {
  if (!sizes.has(file)) sizes.set(file, gzipSync(readFileSync(`dist/${file}`)).length)
  return sizes.get(file)
}
function files(keys, found = new Set()) {
  for (const key of keys) {
    const chunk = manifest[key]
    if (!chunk) throw new Error(`not in the build: ${key}`)
    if (found.has(chunk.file)) continue
    found.add(chunk.file)
    files(chunk.imports ?? [], found)
  }
  return found
}

const app = 'src/app/start.tsx'
// a run gone to from inside comes with what is there already
const pages = manifest[app].dynamicImports.filter(
  (key) => key.startsWith('src/features/') && !key.endsWith('/RunPage.tsx'),
)
const ALONE = [
  'src/features/checkin/index.tsx',
  'src/features/run/start.tsx',
  'src/features/screen/start.tsx',
]
const routes = [
  ...ALONE.map((key) => [key, ['index.html', key]]),
  ...pages.map((key) => [
    key,
    ['index.html', app, ...(WITHIN.test(key) ? ['src/features/clients/ClientLayout.tsx'] : []), key],
  ]),
]
let over = false
for (const [key, parts] of routes) {
  const kb = [...files(parts)].reduce((sum, file) => sum + size(file), 0) / 1000
  const limit = LIMITS[key] ?? OTHERS
  over ||= kb > limit
  const name = key.replace('src/features/', '').replace(/(\/index)?\.tsx$/, '')
  console.log(
    `${kb > limit ? 'OVER ' : '     '}${name.padEnd(28)} ${kb.toFixed(1).padStart(6)} kB gzip of ${limit}`,
  )
}
if (over) {
  console.error('a first page is over its limit')
  process.exit(1)
}
