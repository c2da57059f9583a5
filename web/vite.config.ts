import react from '@vitejs/plugin-react'
import tailwindcss from '@tailwindcss/vite'
import { defineConfig } from 'vitest/config'

export default defineConfig({
  plugins: [react(), tailwindcss()],
  // what counts is the gzipped size by first page, held to limits in size.mjs, which reads the manifest
  build: { manifest: true, sourcemap: false, assetsInlineLimit: 0, chunkSizeWarningLimit: 1500 },
  server: { proxy: { '/api': 'http://127.0.0.1:8080' } },
  test: {
    environment: 'happy-dom',
    environmentOptions: { happyDOM: { url: 'http://studio.test/' } },
  },
})
