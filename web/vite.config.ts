import react from '@vitejs/plugin-react'
import tailwindcss from '@tailwindcss/vite'
import type { Plugin, Rollup } from 'vite'
import { defineConfig } from 'vitest/config'

/** What every part of the page begins with is fetched as soon as the document is read, before any script ran. */
function shared(): Plugin {
  return {
    name: 'shared-first',
    transformIndexHtml: {
      order: 'post',
      handler(_, { bundle, chunk }) {
        const of = (file: string) => bundle?.[file] as Rollup.OutputChunk
        const needs = (file: string, seen = new Set<string>()): Set<string> => {
          if (!seen.has(file)) {
            seen.add(file)
            of(file).imports.forEach((f) => needs(f, seen))
          }
          return seen
        }
        const parts = (chunk?.dynamicImports ?? []).filter((f) => of(f).exports.includes('start'))
        const [first, ...others] = parts.map((f) => needs(f))
        return [...(first ?? [])]
          .filter((f) => f !== chunk?.fileName && others.every((o) => o.has(f)))
          .map((f) => ({
            tag: 'link',
            injectTo: 'head' as const,
            attrs: { rel: 'modulepreload', crossorigin: true, href: `/${f}` },
          }))
      },
    },
  }
}

export default defineConfig({
  plugins: [react(), tailwindcss(), shared()],
  // what counts is the gzipped size by first page, held to limits in size.mjs, which reads the manifest
  build: { manifest: true, sourcemap: false, assetsInlineLimit: 0, chunkSizeWarningLimit: 1500 },
  server: { proxy: { '/api': 'http://127.0.0.1:8080' } },
  test: {
    environment: 'happy-dom',
    // every order of every log is tried: a busy machine takes longer, and that is no failure
    testTimeout: 30_000,
    environmentOptions: { happyDOM: { url: 'http://studio.test/' } },
  },
})
