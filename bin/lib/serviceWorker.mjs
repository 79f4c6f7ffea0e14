// The service worker that keeps the whole app on the device, so that it opens in a cellar.
import { join } from 'node:path';
import { generateSW } from 'workbox-build';

export async function makeServiceWorker(dist) {
  await generateSW({
    globDirectory: dist,
    globPatterns: ['**/*.{html,js,css,ttf,woff2,png,svg,ico,json,webmanifest}'],
    globIgnores: ['**/metadata.json', '**/*.map', 'sw.js', 'workbox-*.js'],
    swDest: join(dist, 'sw.js'),
    mode: 'production',
    sourcemap: false,
    inlineWorkboxRuntime: true,
    skipWaiting: false,
    clientsClaim: true,
    cleanupOutdatedCaches: true,
    navigateFallback: '/index.html',
    navigateFallbackDenylist: [/^\/api\//, /\/[^/?]+\.[^/]+$/],
    dontCacheBustURLsMatching: /(-|\.)[0-9a-f]{32}\./,
    maximumFileSizeToCacheInBytes: 8 * 1024 * 1024,
  });
}
