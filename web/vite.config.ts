import { readFileSync } from 'node:fs'
import react from '@vitejs/plugin-react'
import tailwindcss from '@tailwindcss/vite'
import type { Plugin, Rollup } from 'vite'
import { VitePWA } from 'vite-plugin-pwa'
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

/** The files of a run and of the list of those on the device: no other page has anything to show offline. */
function neededOffline(): Set<string> {
  const manifest = JSON.parse(readFileSync('dist/.vite/manifest.json', 'utf8')) as Record<
    string,
    { file: string; css?: string[]; assets?: string[]; imports?: string[]; dynamicImports?: string[] }
  >
  const needed = new Set(['index.html', 'mark.svg'])
  const add = (key: string, whole: boolean, seen = new Set<string>()) => {
    const chunk = manifest[key]
    if (!chunk || seen.has(key)) return
    seen.add(key)
    for (const f of [chunk.file, ...(chunk.css ?? []), ...(chunk.assets ?? [])]) needed.add(f)
    for (const k of [...(chunk.imports ?? []), ...(whole ? (chunk.dynamicImports ?? []) : [])])
      // a run leads back into the application, which is not needed for it
      if (!k.startsWith('src/app/')) add(k, whole, seen)
  }
  add('index.html', false)
  add('src/features/run/start.tsx', true)
  add('src/app/start.tsx', false)
  add('src/features/run/OnDevice.tsx', true)
  return needed
}

/**
 * The application on a device without a network: its own files, kept when it is first opened, and the drawings
 * of movements once they were shown. Nothing of a client is kept here: runs are in the device's database. A new
 * version waits until it is taken, or until nothing of the one before is open.
 */
const offline = VitePWA({
  registerType: 'prompt',
  injectRegister: false,
  manifest: {
    name: 'Riposo',
    short_name: 'Riposo',
    description: 'Strength sessions adapted to whom they are for',
    start_url: '/',
    scope: '/',
    display: 'standalone',
    background_color: '#F7F3EC',
    theme_color: '#F7F3EC',
    lang: 'en',
    icons: [
      { src: '/icon-192.png', sizes: '192x192', type: 'image/png', purpose: 'any' },
      { src: '/icon-512.png', sizes: '512x512', type: 'image/png', purpose: 'any' },
      { src: '/icon-512.png', sizes: '512x512', type: 'image/png', purpose: 'maskable' },
    ],
  },
  workbox: {
    globPatterns: ['index.html', 'mark.svg', 'assets/*.{js,css,woff2}'],
    navigateFallback: '/index.html',
    // what a client opens by a link is asked for each time, and papers are the server's
    navigateFallbackDenylist: [/^\/api\//, /^\/check-in\//, /^\/screen(\/|$)/],
    cleanupOutdatedCaches: true,
    // the page that brought it is served by it at once; a newer version still waits
    clientsClaim: true,
    manifestTransforms: [
      (all) => ({ manifest: all.filter((e) => neededOffline().has(e.url)), warnings: [] }),
    ],
    runtimeCaching: [
      {
        urlPattern: ({ url }) => /^\/api\/movements\/[^/]+\/figure\.svg$/.test(url.pathname),
        // shown at once, and asked anew for the next time: a drawing of one's own may have changed
        handler: 'StaleWhileRevalidate',
        options: {
          cacheName: 'riposo-figures',
          expiration: { maxEntries: 200, maxAgeSeconds: 14 * 24 * 3600, purgeOnQuotaError: true },
          cacheableResponse: { statuses: [200] },
        },
      },
    ],
  },
})

export default defineConfig({
  plugins: [react(), tailwindcss(), shared(), offline],
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
