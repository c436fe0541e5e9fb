import { randomUUID } from 'node:crypto'
import { fileURLToPath } from 'node:url'
import { narrowFont } from './scripts/narrowFont'
import { threadPlugin } from './scripts/threadPlugin'

const here = (path: string): string => fileURLToPath(new URL(path, import.meta.url))

/** Packages that only define what they export, and do not say so themselves: what is not used of them is left out. */
const PURE =
  /\/node_modules\/(@neaps\/tide-predictor|image-js|ssim\.js|jpeg-js|colord|file-type|fast-png|tiff|is-unsafe)\//
/** So do Dunecrest's own rooms without an interface. */
const OWN = ['core', 'words', 'shared'].map(room => here(`./${room}/`))
const moduleSideEffects = (id: string): boolean => !PURE.test(id) && !OWN.some(room => id.startsWith(room))

export default defineNuxtConfig({
  compatibilityDate: '2026-01-01',
  telemetry: { enabled: false },
  devtools: { enabled: false },
  // what a build writes on the way stands apart, so that it can be checked what is being built
  ...(process.env.DUNECREST_BUILD_DIR ? { buildDir: here(process.env.DUNECREST_BUILD_DIR) } : {}),
  // Every figure is worked out in the browser's own worker, so the server sends one shell and the data.
  ssr: false,
  sourcemap: { server: false, client: false },
  // The development server of this version wants a server entry; its pages are shells all the same.
  // The engine's thread is a program of its own there too, so that the server cannot be one file.
  $development: { ssr: true, routeRules: { '/**': { ssr: false } }, nitro: { inlineDynamicImports: false } },
  // What listens, and on which addresses, is Dunecrest's own.
  // Of Vue's two ways to write a component one is used, and the other is left out.
  $production: {
    nitro: { entry: here('./server/entry.ts') },
    vite: { vue: { features: { optionsAPI: false } } },
  },
  modules: ['@nuxt/ui', '@pinia/nuxt', '@vite-pwa/nuxt', 'nuxt-security', '@nuxt/eslint'],
  css: ['~/assets/css/main.css'],
  components: { dirs: [] },
  // every edge between files is an import that a reader, an editor and the import rules see
  imports: { autoImport: false },
  alias: {
    '#core': here('./core/index.ts'),
    '#schemas': here('./shared/schemas'),
    '#words': here('./words'),
  },
  app: {
    head: {
      title: 'Dunecrest',
      htmlAttrs: { lang: 'en' },
      meta: [{ name: 'description', content: 'Which rig, what size, what weight, and why.' }],
      link: [
        { rel: 'icon', type: 'image/svg+xml', href: '/favicon.svg' },
        // over the network it is given to paired devices alone
        { rel: 'manifest', href: '/manifest.webmanifest', crossorigin: 'use-credentials' },
      ],
    },
  },
  // a view comes when its link is pointed at: all of them at once would stand in the way of the first figures
  experimental: {
    defaults: { nuxtLink: { prefetchOn: { visibility: false, interaction: true } } },
  },
  hooks: {
    // nor by the shell: a file hinted at for later is not fetched ahead when its view is opened
    'build:manifest': manifest => {
      for (const file of Object.values(manifest)) {
        file.prefetch = false
        file.dynamicImports = []
      }
    },
  },
  // only what is used of the component library's own forms is laid down
  ui: {
    fonts: false,
    colorMode: false,
    theme: { colors: ['primary', 'error'] },
    experimental: { componentDetection: true },
  },
  icon: {
    provider: 'server',
    fallbackToApi: false,
    serverBundle: { collections: ['lucide'] },
    clientBundle: { scan: true, sizeLimitKb: 256 },
  },
  // The whole application stands on the device: any view opens without a connection. A newer build waits until it
  // is asked for, and the files of older ones go with it.
  pwa: {
    registerType: 'prompt',
    // it is registered once the sheet stands, so that it takes nothing from the first figures
    client: { registerPlugin: false },
    manifest: {
      name: 'Dunecrest',
      short_name: 'Dunecrest',
      description: 'Which rig, what size, what weight, and why.',
      lang: 'en',
      display: 'standalone',
      start_url: '/',
      background_color: '#f4eede',
      theme_color: '#f4eede',
      icons: [{ src: '/favicon.svg', sizes: 'any', type: 'image/svg+xml', purpose: 'any' }],
    },
    workbox: {
      globPatterns: ['**/*.{js,css,woff2,svg,webmanifest}'],
      globIgnores: [
        'sw.js',
        'workbox-*.js',
        // letters that only names of one's own can need: without a connection the device's own font has them
        '**/*-{latin-ext,cyrillic,cyrillic-ext,greek,greek-ext,vietnamese}-*.woff2',
      ],
      // every view is laid out in the browser, from one and the same shell
      additionalManifestEntries: [{ url: '/', revision: randomUUID() }],
      navigateFallback: '/',
      navigateFallbackDenylist: [/^\/api\//],
      cleanupOutdatedCaches: true,
      inlineWorkboxRuntime: true,
      maximumFileSizeToCacheInBytes: 4_000_000,
    },
  },
  vite: {
    plugins: [narrowFont()],
    worker: { format: 'es', rollupOptions: { treeshake: { moduleSideEffects } } },
    build: {
      rollupOptions: {
        treeshake: { moduleSideEffects },
        // what is less than a file's own trouble goes with a neighbour
        output: { experimentalMinChunkSize: 8_000 },
      },
    },
    optimizeDeps: { include: ['zod', 'ml-matrix', 'vue-draggable-plus'] },
  },
  nitro: {
    compressPublicAssets: { gzip: true, brotli: false },
    serverAssets: [{ baseName: 'migrations', dir: './db/migrations' }],
    rollupConfig: { output: {}, plugins: [threadPlugin([here('./server/db/files.ts')])] },
    externals: {
      // of many small files, every one of which a start would look for
      inline: ['drizzle-orm', 'zod'],
      traceInclude: [
        here(
          `./node_modules/fs-native-extensions/prebuilds/${process.platform}-${process.arch}/fs-native-extensions.node`,
        ),
      ],
    },
  },
  security: {
    rateLimiter: false,
    xssValidator: false,
    corsHandler: false,
    requestSizeLimiter: false,
    headers: {
      crossOriginEmbedderPolicy: false,
      xFrameOptions: 'DENY',
      strictTransportSecurity: false,
      contentSecurityPolicy: {
        'default-src': ["'self'"],
        'frame-ancestors': ["'none'"],
        'img-src': ["'self'", 'data:', 'blob:'],
        'media-src': ["'self'", 'blob:'],
        'script-src': ["'self'", "'strict-dynamic'", "'nonce-{{nonce}}'"],
        'style-src': ["'self'", "'unsafe-inline'"],
        'font-src': ["'self'"],
        'connect-src': ["'self'"],
        'worker-src': ["'self'"],
        'manifest-src': ["'self'"],
        'upgrade-insecure-requests': false,
      },
    },
  },
  eslint: { config: { stylistic: false } },
  typescript: {
    strict: true,
    tsConfig: {
      compilerOptions: {
        noUncheckedIndexedAccess: true,
        paths: {
          '#core': ['../core/index.ts'],
          '#schemas/*': ['../shared/schemas/*'],
          '#words/*': ['../words/*'],
        },
      },
    },
    nodeTsConfig: {
      compilerOptions: {
        paths: {
          '#core': ['../core/index.ts'],
          '#schemas/*': ['../shared/schemas/*'],
          '#words/*': ['../words/*'],
        },
      },
      include: [
        '../*.config.ts',
        '../server/types/*.d.ts',
        '../scripts/**/*',
        '../tests/**/*',
        '../cli/**/*',
        '../demo/**/*',
        '../core/**/*.test.ts',
      ],
    },
  },
})
