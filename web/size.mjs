// Prints the JavaScript of the first page, gzipped, and fails over the limit.
import { readFileSync } from 'node:fs'
import { gzipSync } from 'node:zlib'
const html = readFileSync('dist/index.html', 'utf8')
const files = [...html.matchAll(/(?:src|href)="\/(assets\/[^"]+\.js)"/g)].map((m) => m[1])
const kb = files.reduce((n, f) => n + gzipSync(readFileSync(`dist/${f}`)).length, 0) / 1000
console.log(`first page: ${kb.toFixed(1)} kB of JavaScript, gzip (limit 250)`)
if (kb > 250) process.exit(1)
