import { fileURLToPath } from 'node:url';
import tailwindcss from '@tailwindcss/vite';
import react from '@vitejs/plugin-react';
import { defineConfig } from 'vite';
import { VitePWA } from 'vite-plugin-pwa';

const folder = (path: string) => fileURLToPath(new URL(path, import.meta.url));
const API = `http://127.0.0.1:${process.env.API_PORT ?? 4600}`;

export default defineConfig({
  root: folder('.'),
  plugins: [
    react(),
    tailwindcss(),
    // The shell opens without the network; data comes from the device's own store.
    VitePWA({
      registerType: 'autoUpdate',
      injectRegister: null,
      manifest: {
        name: 'Wrenchman',
        short_name: 'Wrenchman',
        description: 'Count, lock and torque kits in order, and keep the record.',
        theme_color: '#0f1a22',
        background_color: '#d9dee1',
        display: 'standalone',
        icons: [{ src: '/icon.svg', sizes: 'any', type: 'image/svg+xml', purpose: 'any' }],
      },
      workbox: {
        globPatterns: ['**/*.{js,css,html,svg,woff2}'],
        // Pages and figures of sheets are named by their bytes: once here they are here for good, network or not.
        runtimeCaching: [
          {
            urlPattern: /\/api\/kit-library\/pictures\//,
            handler: 'CacheFirst',
            options: {
              cacheName: 'kit-pictures',
              expiration: { maxEntries: 600 },
              cacheableResponse: { statuses: [200] },
            },
          },
        ],
        navigateFallbackDenylist: [/^\/api\//, /^\/healthz/, /^\/readyz/],
      },
    }),
  ],
  // A catalogue is read as one table; the parser of JSON is faster at it than that of code.
  json: { stringify: true },
  build: {
    outDir: folder('../dist/web'),
    emptyOutDir: true,
    target: 'es2022',
    // The sources are the shop's, not the public's.
    sourcemap: false,
    assetsInlineLimit: 0,
    manifest: true,
    rolldownOptions: {
      output: {
        codeSplitting: {
          // What every screen needs, and what every screen of a job needs, is one file each: a hundred small ones take
          // longer to ask for than to fetch.
          groups: [
            // Before the first schema: it says how all of them are built.
            { name: 'first', test: /web\/src\/(app\/zod-without-eval|shop\/own-language)\.ts$/, priority: 3 },
            { name: 'frame', test: /web\/src\/app\/start\.tsx$/, priority: 2 },
            { name: 'job', test: /core\/src\/job\//, priority: 1 },
          ],
        },
      },
    },
  },
  server: { port: Number(process.env.WEB_PORT ?? 4601), proxy: { '/api': { target: API, ws: true } } },
});
