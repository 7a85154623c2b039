import { CONTRACT_VERSION } from '../contract/contractVersion.ts'
import vue from '@vitejs/plugin-vue'
import { defineConfig } from 'vite'
import { compression, defineAlgorithm } from 'vite-plugin-compression2'
import { VitePWA } from 'vite-plugin-pwa'
import { compiledWords } from './building/compiledWords.ts'
import { firstLoadLimit } from './building/firstLoadLimit.ts'
import { lightLibrary } from './building/lightLibrary.ts'
import { withoutJsonSchema } from './building/withoutJsonSchema.ts'

export default defineConfig({
  plugins: [
    vue(),
    withoutJsonSchema(),
    lightLibrary(),
    compiledWords(),
    firstLoadLimit(),
    VitePWA({
      // A newer app waits until whoever is at the bar says so: nothing is reloaded in mid-shot.
      registerType: 'prompt',
      injectRegister: null,
      workbox: {
        globPatterns: ['**/*.{js,css,html,svg,woff2}'],
        navigateFallback: '/index.html',
        navigateFallbackDenylist: [/^\/api\//, /^\/healthz$/, /^\/readyz$/],
        cleanupOutdatedCaches: true,
        // The very first page is served from the device too, once all is there; later ones wait to be taken.
        clientsClaim: true,
        inlineWorkboxRuntime: true,
      },
      manifest: {
        name: 'Calm Apron',
        short_name: 'Calm Apron',
        description: 'Teaches new baristas to pull espresso.',
        display: 'standalone',
        orientation: 'any',
        background_color: '#F6F3EC',
        theme_color: '#1F5A4E',
        icons: [{ src: '/icon.svg', sizes: 'any', type: 'image/svg+xml' }],
      },
    }),
    compression({
      include: /\.(js|css|svg|webmanifest)$/,
      algorithms: [defineAlgorithm('brotliCompress'), defineAlgorithm('gzip', { level: 9 })],
    }),
  ],
  define: {
    // Of `index.html`.
    'import.meta.env.CONTRACT_VERSION': JSON.stringify(String(CONTRACT_VERSION)),
    __VUE_I18N_LEGACY_API__: 'false',
    __VUE_I18N_FULL_INSTALL__: 'false',
    __INTLIFY_PROD_DEVTOOLS__: 'false',
  },
  build: {
    outDir: '../dist/app/web',
    emptyOutDir: true,
    target: ['chrome111', 'edge111', 'firefox121', 'safari16.4'],
    chunkSizeWarningLimit: 600,
    rolldownOptions: {
      output: {
        // What the first view needs, in two files: a page over HTTP/1.1 fetches six at once, and twenty small ones would
        // wait for one another. Libraries change less often, and stay on the device longer.
        codeSplitting: {
          groups: [
            { name: 'libraries', tags: ['$initial'], test: /node_modules/ },
            { name: 'first', tags: ['$initial'] },
          ],
        },
      },
    },
  },
  server: { proxy: { '/api': 'http://127.0.0.1:4180' } },
})
