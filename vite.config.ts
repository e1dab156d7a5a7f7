import vue from '@vitejs/plugin-vue'
import laravel from 'laravel-vite-plugin'
import { fileURLToPath } from 'node:url'
import { ElementPlusResolver } from 'unplugin-vue-components/resolvers'
import components from 'unplugin-vue-components/vite'
import { defineConfig } from 'vitest/config'

const underTest = process.env.VITEST !== undefined

export default defineConfig({
  plugins: [
    ...(underTest ? [] : [laravel({ input: ['resources/js/main.ts'], refresh: false })]),
    vue(),
    components({ dts: false, dirs: [], resolvers: [ElementPlusResolver({ importStyle: underTest ? false : 'css' })] }),
  ],
  resolve: { alias: { '@': fileURLToPath(new URL('./resources/js', import.meta.url)) } },
  build: { chunkSizeWarningLimit: 600, assetsInlineLimit: 0 },
  test: {
    environment: 'happy-dom',
    setupFiles: ['resources/js/testing/setup.ts'],
    include: ['resources/js/**/*.test.ts'],
    globals: false,
    // A file's tests find what those before it loaded: read anew for each, libraries take longer than all tests.
    isolate: false,
    testTimeout: 20_000,
  },
})
