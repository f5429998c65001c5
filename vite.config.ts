import tailwindcss from '@tailwindcss/vite';
import react from '@vitejs/plugin-react';
import laravel from 'laravel-vite-plugin';
import { defineConfig } from 'vite';
import { VitePWA } from 'vite-plugin-pwa';

const built = String(Date.now());

/** An answer that comes in while somebody signs out is not kept: the cache named `keeping` is there while this device may keep anything. */
const whileSignedIn = {
  cacheWillUpdate: async ({ response }: { response: Response }) => ((await caches.has('keeping')) ? response : null),
};

/** So with the practice corner, and the cache named `practising`. */
const whilePractising = {
  cacheWillUpdate: async ({ response }: { response: Response }) => ((await caches.has('practising')) ? response : null),
};

/**
 * That this device was signed out from elsewhere is told to every page that is open: the answer itself may reach none, where the page
 * was shown what is kept.
 */
const saysWhoIsOut = {
  fetchDidSucceed: async ({ response }: { response: Response }) => {
    const problem =
      response.status === 401
        ? await response
            .clone()
            .json()
            .catch(() => null)
        : null;
    if (problem?.errors?.some((fault: { field: string }) => fault.field === '/device'))
      new BroadcastChannel('compadre').postMessage('signed out');
    return response;
  },
};

/** What is kept says so: its time is not now. */
const marked = {
  cachedResponseWillBeUsed: async ({ cachedResponse }: { cachedResponse?: Response }) =>
    cachedResponse
      ? new Response(cachedResponse.body, {
          status: cachedResponse.status,
          headers: { ...Object.fromEntries(cachedResponse.headers), 'X-Kept': 'yes' },
        })
      : null,
};

/** An answer that came in late, where a page was shown what was kept, is said to be here. */
const saysItIsHere = {
  cacheDidUpdate: async ({ request }: { request: Request }) => {
    const { pathname, search } = new URL(request.url);
    new BroadcastChannel('compadre-answers').postMessage(pathname + search);
  },
};

/** Kept for a field without a network. */
const keptOf = (cacheName: string) => ({
  cacheName,
  cacheableResponse: { statuses: [200] },
  plugins: [whileSignedIn, marked, saysWhoIsOut, saysItIsHere],
});

/** And no longer than two weeks. All that is kept is looked through at every answer: for hundreds of them that is too much. */
const kept = (cacheName: string, maxEntries: number) => ({
  ...keptOf(cacheName),
  expiration: { maxEntries, maxAgeSeconds: 14 * 24 * 3600 },
});

export default defineConfig({
  plugins: [
    laravel({ input: ['resources/js/main.ts'] }),
    react(),
    tailwindcss(),
    // Once opened, the app opens without a network: its own files are kept, and the last answers of the server with them.
    VitePWA({
      strategies: 'generateSW',
      registerType: 'autoUpdate',
      injectRegister: false,
      outDir: 'public',
      base: '/',
      buildBase: '/build/',
      scope: '/',
      filename: 'sw.js',
      manifestFilename: 'app.webmanifest',
      manifest: {
        id: '/',
        name: 'Compadre',
        short_name: 'Compadre',
        description: 'Plan, demonstrate and check off knot lessons.',
        start_url: '/',
        scope: '/',
        display: 'standalone',
        background_color: '#f3f4ee',
        theme_color: '#11242d',
        icons: [{ src: '/mark.svg', sizes: 'any', type: 'image/svg+xml', purpose: 'any' }],
      },
      workbox: {
        globDirectory: 'public/build',
        globPatterns: ['assets/*.{js,css,woff2,svg}'],
        modifyURLPrefix: { '': '/build/' },
        additionalManifestEntries: [
          { url: '/', revision: built },
          { url: '/mark.svg', revision: built },
        ],
        navigateFallback: '/',
        navigateFallbackDenylist: [/^\/(api|sanctum|build|up)(\/|$)/],
        cleanupOutdatedCaches: true,
        clientsClaim: true,
        skipWaiting: true,
        inlineWorkboxRuntime: true,
        runtimeCaching: [
          {
            // Asked right after something was written: an answer from before that is none, however long the server takes.
            urlPattern: ({ url, request }) =>
              request.method === 'GET' &&
              request.cache === 'reload' &&
              /^\/api\/(knots|badges)(\/|$)/.test(url.pathname),
            handler: 'NetworkFirst',
            options: keptOf('knots'),
          },
          {
            // Knots change with the app: shown at once, and looked up again behind.
            urlPattern: ({ url, request }) =>
              request.method === 'GET' && /^\/api\/(knots|badges)(\/|$)/.test(url.pathname),
            handler: 'StaleWhileRevalidate',
            options: {
              cacheName: 'knots',
              cacheableResponse: { statuses: [200] },
              plugins: [whileSignedIn, saysWhoIsOut],
            },
          },
          {
            // What a card of the practice corner opens: kept for home, and looked up again behind. It names nobody.
            urlPattern: ({ url, request }) => request.method === 'GET' && url.pathname.startsWith('/api/corner/'),
            handler: 'StaleWhileRevalidate',
            options: {
              cacheName: 'corner',
              cacheableResponse: { statuses: [200] },
              plugins: [whilePractising],
            },
          },
          {
            urlPattern: ({ url, request }) =>
              request.method === 'GET' &&
              request.cache === 'reload' &&
              /^\/api\/(rigs|choice|instruments|measures)(\/|$)/.test(url.pathname),
            handler: 'NetworkFirst',
            options: kept('bench', 80),
          },
          {
            // Rigs and instruments as they were last worked out, apart from the group's own pages: a dragged handle asks often.
            urlPattern: ({ url, request }) =>
              request.method === 'GET' && /^\/api\/(rigs|choice|instruments|measures)(\/|$)/.test(url.pathname),
            handler: 'NetworkFirst',
            options: { networkTimeoutSeconds: 4, ...kept('bench', 80) },
          },
          {
            urlPattern: ({ url, request }) =>
              request.method === 'GET' &&
              request.cache === 'reload' &&
              /^\/api\/(house|me|course|crew|meetings|learners|check)(\/|$)/.test(url.pathname) &&
              !url.pathname.endsWith('/clock'),
            handler: 'NetworkFirst',
            options: kept('group', 200),
          },
          {
            // The group's own pages: fresh where there is a network, else as they were last seen, for two weeks.
            urlPattern: ({ url, request }) =>
              request.method === 'GET' &&
              /^\/api\/(house|me|course|crew|meetings|learners|check)(\/|$)/.test(url.pathname) &&
              // Where a clock stood a while ago is no help.
              !url.pathname.endsWith('/clock'),
            handler: 'NetworkFirst',
            options: { networkTimeoutSeconds: 4, ...kept('group', 200) },
          },
        ],
      },
    }),
  ],
  build: { target: 'es2022', assetsInlineLimit: 0 },
});
