import tailwindcss from '@tailwindcss/vite';
import react from '@vitejs/plugin-react';
import { defineConfig } from 'vite';
import { compression, defineAlgorithm } from 'vite-plugin-compression2';
import { VitePWA } from 'vite-plugin-pwa';

export default defineConfig({
  root: 'web',
  plugins: [
    react(),
    tailwindcss(),
    // Once here, not for every tablet that comes: half a second of the server's time each.
    compression({ algorithms: [defineAlgorithm('gzip', { level: 9 })], include: /\.(js|css|svg|wasm|data)$/ }),
    VitePWA({
      strategies: 'injectManifest',
      srcDir: 'offline',
      filename: 'service-worker.ts',
      injectRegister: false,
      injectManifest: {
        // Everything but the page: that comes from the server with a content policy of its own.
        globPatterns: ['**/*.{js,css,woff2,wasm,svg,png}'],
        // The solver is large and of no use without the server.
        globIgnores: ['**/minizinc*'],
        maximumFileSizeToCacheInBytes: 8_000_000,
      },
      manifest: {
        name: 'Glaphyra',
        short_name: 'Glaphyra',
        description: 'Plans, times and records the layers a protection installer puts on every kind of surface.',
        display: 'standalone',
        background_color: '#eef2f3',
        theme_color: '#13232f',
        icons: [
          { src: '/mark-192.png', sizes: '192x192', type: 'image/png' },
          { src: '/mark-512.png', sizes: '512x512', type: 'image/png', purpose: 'any' },
        ],
      },
    }),
  ],
  worker: { format: 'es' },
  build: { outDir: '../dist/web', emptyOutDir: true, target: 'es2022', chunkSizeWarningLimit: 700 },
  server: { host: '127.0.0.1', port: 4681, proxy: { '/api': { target: 'http://127.0.0.1:4680' } } },
});
