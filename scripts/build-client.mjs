#!/usr/bin/env node
// Exports the client to client/dist, unless what it is made of has not changed since the last time.
import {
  copyFileSync,
  cpSync,
  existsSync,
  mkdirSync,
  readdirSync,
  readFileSync,
  renameSync,
  writeFileSync,
} from 'node:fs'
import { join } from 'node:path'
import { brotliCompressSync, constants, gzipSync } from 'node:zlib'
import { run } from './lib/command.mjs'
import { madeOf } from './lib/made-of.mjs'
import { ROOT } from './lib/paths.mjs'
import { runScript, say, Trouble } from './lib/say.mjs'

const MADE_OF = [
  'client/src',
  'client/app.json',
  'client/babel.config.cjs',
  'client/direct-imports.cjs',
  'client/metro.config.cjs',
  'client/package.json',
  'client/icons',
  'core/src',
  'contract/src',
  'formats/src',
  'package-lock.json',
  'scripts/build-client.mjs',
]
const CLIENT = join(ROOT, 'client')
const MARK = join(CLIENT, 'dist/.made-of')

const FONTS = [
  ...[400, 500, 700].map((weight) => ['next', weight]),
  ...[400, 500, 600].map((weight) => ['mono', weight]),
]

/** The faces ship with the application: they are copied out of their npm packages. */
function copyFonts() {
  const folder = join(ROOT, 'client/public/fonts')
  mkdirSync(folder, { recursive: true })
  for (const [family, weight] of FONTS) {
    const name = `atkinson-hyperlegible-${family}`
    copyFileSync(
      join(ROOT, `node_modules/@fontsource/${name}/files/${name}-latin-${weight}-normal.woff2`),
      join(folder, `${family}-${weight}.woff2`),
    )
  }
}

/** What the first screen needs and the page itself does not name: without this each is asked for only when the one before has run. */
const aheadOf = (dist) => {
  const scripts = '_expo/static/js/web'
  return [
    ...readdirSync(join(dist, scripts))
      .filter((name) => /^(_layout|index)-.*\.js$/.test(name))
      .map((name) => `<link rel="preload" as="script" href="/${scripts}/${name}">`),
    ...['next-500', 'next-700'].map(
      (name) =>
        `<link rel="preload" as="font" type="font/woff2" href="/fonts/${name}.woff2" crossorigin>`,
    ),
  ].join('\n')
}

/** Head of the page: how it is installed, and its icon where a device asks for a file of its own. */
const HEAD = `<link rel="manifest" href="/manifest.webmanifest">
<link rel="icon" type="image/svg+xml" href="/icons/icon.svg">
<link rel="apple-touch-icon" href="/icons/icon-180.png">
<meta name="apple-mobile-web-app-capable" content="yes">
<meta name="apple-mobile-web-app-title" content="Pine Compass">`

const MANIFEST = {
  name: 'Pine Compass',
  short_name: 'Pine Compass',
  description:
    'Set-up companion at the machine: lengths, signs, order of work, judgement and record.',
  id: '/',
  start_url: '/',
  scope: '/',
  display: 'fullscreen',
  display_override: ['fullscreen', 'standalone'],
  background_color: '#f8f5ee',
  theme_color: '#1d5c46',
  icons: [
    { src: '/icons/icon.svg', sizes: 'any', type: 'image/svg+xml' },
    { src: '/icons/icon-192.png', sizes: '192x192', type: 'image/png' },
    { src: '/icons/icon-512.png', sizes: '512x512', type: 'image/png' },
    { src: '/icons/icon-full-512.png', sizes: '512x512', type: 'image/png', purpose: 'maskable' },
  ],
}

/** What makes a page of the export: it can be installed, and a service worker opens it without a network. */
async function finishPage(dist) {
  cpSync(join(CLIENT, 'icons'), join(dist, 'icons'), { recursive: true })
  // What reads labels: asked for by who scans one, and kept from then on.
  mkdirSync(join(dist, 'wasm'), { recursive: true })
  copyFileSync(
    join(ROOT, 'node_modules/zxing-wasm/dist/reader/zxing_reader.wasm'),
    join(dist, 'wasm/zxing_reader.wasm'),
  )
  writeFileSync(join(dist, 'manifest.webmanifest'), JSON.stringify(MANIFEST))
  const page = join(dist, 'index.html')
  writeFileSync(
    page,
    readFileSync(page, 'utf8').replace('</head>', `${HEAD}\n${aheadOf(dist)}</head>`),
  )
  const { generateSW } = await import('workbox-build')
  const { warnings } = await generateSW({
    globDirectory: dist,
    globPatterns: ['**/*.{html,js,css,woff2,svg,png,webmanifest}'],
    swDest: join(dist, 'service-worker.js'),
    inlineWorkboxRuntime: true,
    sourcemap: false,
    // These names carry a hash of what is in them.
    dontCacheBustURLsMatching: /_expo\//,
    mode: 'production',
    maximumFileSizeToCacheInBytes: 10_000_000,
    navigateFallback: '/index.html',
    navigateFallbackDenylist: [/^\/api\//],
    runtimeCaching: [
      { urlPattern: /\/wasm\//, handler: 'CacheFirst', options: { cacheName: 'readers' } },
    ],
    // A new version waits until a person takes it: nobody's page changes in mid-reading.
    skipWaiting: false,
    clientsClaim: true,
  })
  if (warnings.length > 0) throw new Trouble(`the service worker: ${warnings.join('; ')}`)
}

/** Nearly as small as can be, in a twentieth of the time: nobody waits for the last tenth before the first start. */
const QUICK = 9

/**
 * Each file once, small, beside itself: compressing at each request costs a phone its time. As small as can be takes twenty seconds of
 * a processor: that is done while the page is served already (scripts/compress-client.mjs).
 */
export function compressPage(dist, quality = QUICK) {
  for (const name of readdirSync(dist, { recursive: true })) {
    if (!/\.(html|js|css|svg|json|webmanifest|wasm)$/.test(name)) continue
    const path = join(dist, name)
    const bytes = readFileSync(path)
    const params = { [constants.BROTLI_PARAM_QUALITY]: quality }
    writeWhole(`${path}.br`, brotliCompressSync(bytes, { params }))
    writeWhole(`${path}.gz`, gzipSync(bytes, { level: 9 }))
  }
}

/** Who is sent the file meanwhile gets the one of before, or this one, and no half. */
function writeWhole(path, bytes) {
  writeFileSync(`${path}.new`, bytes)
  renameSync(`${path}.new`, path)
}

/** The client that was built, as small as can be; nothing where it is so already. */
export function compressClient() {
  const mark = join(CLIENT, 'dist/.smallest')
  const built = readFileSync(MARK, 'utf8')
  if (existsSync(mark) && readFileSync(mark, 'utf8') === built) return
  compressPage(join(CLIENT, 'dist'), constants.BROTLI_MAX_QUALITY)
  writeFileSync(mark, built)
}

/** Exports a project of Expo to its folder dist, ready to be served. */
export async function exportPage(project) {
  const cli = join(ROOT, 'node_modules/expo/bin/cli')
  const { code, output } = await run(
    process.execPath,
    [cli, 'export', '-p', 'web', '--output-dir', 'dist'],
    {
      cwd: project,
      env: { ...process.env, EXPO_OFFLINE: '1', EXPO_NO_TELEMETRY: '1', CI: '1' },
    },
  )
  if (code !== 0)
    throw new Trouble(
      `building the client failed:\n${output.trim().split('\n').slice(-25).join('\n')}`,
    )
  await finishPage(join(project, 'dist'))
  compressPage(join(project, 'dist'))
}

export async function buildClient() {
  const now = madeOf(MADE_OF)
  if (existsSync(MARK) && readFileSync(MARK, 'utf8') === now) return
  say('Building the client (about two minutes the first time) …')
  copyFonts()
  await exportPage(CLIENT)
  writeFileSync(MARK, now)
}

if (process.argv[1] === new URL(import.meta.url).pathname) await runScript(buildClient)
