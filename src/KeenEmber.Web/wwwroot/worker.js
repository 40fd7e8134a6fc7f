// Between the pages and the network: keeps what was seen and what was taken along, and shows it where there is no signal.
import { unitOf } from './js/outbox.js';

const PAGES = 'pages';
const FILES = 'files';
const PATIENCE = 6_000;
const NO_SIGNAL = '/unsent';

/* A page that is opened cannot be asked for with a signal: whoever waits goes on, and the answer is kept when it comes. */
const inTime = (answer) => Promise.race([answer, new Promise((_, failed) => setTimeout(() => failed(new Error('slow')), PATIENCE))]);

const hasFingerprint = (path) => /\.[a-z0-9]{10}\.[a-z0-9]+$/.test(path);
const isFile = (path) => /\.(css|js|mjs|svg|woff2|wasm|dat|webmanifest)$/.test(path);
const isCase = (path) => /^\/api\/visits\/[^/]+\/case$/.test(path);
const isPage = (path) => /^\/($|visits\/|equipment\/|refrigerants|unsent)/.test(path);

self.addEventListener('install', (event) => {
  event.waitUntil(prepare().then(() => self.skipWaiting()));
});

self.addEventListener('activate', (event) => event.waitUntil(self.clients.claim()));

self.addEventListener('fetch', (event) => {
  const { request } = event;
  const address = new URL(request.url);
  if (request.method !== 'GET' || address.origin !== location.origin) return;
  if (isFile(address.pathname)) event.respondWith(file(request, address.pathname));
  else if (isCase(address.pathname)) event.respondWith(written(request, address.pathname));
  else if (request.mode === 'navigate' && isPage(address.pathname) && !address.searchParams.has('handler'))
    event.respondWith(page(request, address));
});

self.addEventListener('message', (event) => {
  if (event.data?.take) event.waitUntil(take(event.data.take, event.source));
  if (event.data?.forget) event.waitUntil(caches.delete(PAGES).then(prepare));
});

/* What is shown where nothing else is kept. */
const prepare = async () => (await caches.open(PAGES)).add(NO_SIGNAL);

/* A file with its content in its name never changes; the others come anew where there is signal. */
async function file(request, path) {
  const files = await caches.open(FILES);
  const kept = await files.match(request);
  if (kept && hasFingerprint(path)) return kept;
  try {
    const asked = fetch(request).then(async (fresh) => {
      if (fresh.ok) await files.put(request, fresh.clone());
      return fresh;
    });
    return await (kept ? inTime(asked) : asked);
  } catch (error) {
    if (kept) return kept;
    throw error;
  }
}

async function page(request, address) {
  const pages = await caches.open(PAGES);
  const kept = await pages.match(address.pathname);
  try {
    const asked = fetch(request).then(async (got) => {
      if (got.ok && !got.redirected && address.search === '') await pages.put(address.pathname, got.clone());
      return got;
    });
    const fresh = await (kept ? inTime(asked) : asked);
    return fresh.status === 404 ? (await begun(address.pathname, pages)) ?? fresh : fresh;
  } catch {
    return (kept && asKept(kept)) ?? (await begun(address.pathname, pages)) ?? asKept(await pages.match(NO_SIGNAL));
  }
}

/* What a visit is judged by: as fresh as can be, else as it was taken along. */
async function written(request, path) {
  const pages = await caches.open(PAGES);
  try {
    const fresh = await fetch(request, { signal: AbortSignal.timeout(PATIENCE) });
    if (fresh.ok) {
      await pages.put(path, fresh.clone());
      return fresh;
    }
  } catch {
    // No signal.
  }
  const visit = path.split('/')[3];
  const unit = await unitOf(visit);
  return (await pages.match(path)) ?? (unit && await pages.match(path.replace(visit, unit))) ?? Response.error();
}

/* A visit that was begun on this phone and is not sent yet has the pages of a visit to its unit that nobody has begun. */
async function begun(path, pages) {
  const visit = path.match(/^\/visits\/([0-9a-f-]{36})/)?.[1];
  const unit = visit && await unitOf(visit);
  const ahead = unit && await pages.match(path.replace(visit, unit));
  return ahead ? asKept(ahead, (text) => text.replaceAll(`/visits/${unit}`, `/visits/${visit}`)) : null;
}

/* The page says itself that it comes from the phone: its ids are old. */
async function asKept(kept, change = (text) => text) {
  const text = change(await kept.text()).replace('<body', '<body data-kept-page');
  return new Response(text, { status: 200, headers: kept.headers });
}

/* Pages to have along, one after the other, so that nobody waits behind them. A page of a visit names the others of it. */
async function take(paths, client) {
  const pages = await caches.open(PAGES);
  const seen = new Set();
  const left = [...paths];
  let failed = 0;
  while (left.length > 0 && failed < 3) {
    const path = left.shift();
    if (seen.has(path)) continue;
    seen.add(path);
    try {
      const fresh = await fetch(path, { headers: { accept: 'text/html' } });
      if (!fresh.ok || fresh.redirected) continue;
      await pages.put(path, fresh.clone());
      const visit = path.match(/^(\/visits\/[^/]+)\/circuit$/)?.[1];
      if (visit) left.unshift(`/api${visit}/case`);
      const inside = [...(await fresh.text()).matchAll(/class="station[^"]*" href="([^"]+)"/g)].map((match) => match[1]);
      left.push(...inside.filter((other) => !seen.has(other)));
    } catch {
      failed++;
    }
    client?.postMessage({ taken: seen.size, of: seen.size + left.length });
  }
  client?.postMessage({ taken: seen.size, of: seen.size, isDone: failed < 3 });
}
