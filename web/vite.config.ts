import vue from '@vitejs/plugin-vue'
import { defineConfig } from 'vite'

export default defineConfig({
  plugins: [vue()],
  define: {
    __VUE_I18N_LEGACY_API__: 'false',
    __VUE_I18N_FULL_INSTALL__: 'false',
    __INTLIFY_PROD_DEVTOOLS__: 'false',
  },
  build: {
    outDir: '../dist/app/web',
    emptyOutDir: true,
    target: ['chrome111', 'edge111', 'firefox121', 'safari16.4'],
    chunkSizeWarningLimit: 600,
  },
  server: { proxy: { '/api': 'http://127.0.0.1:4180' } },
})
