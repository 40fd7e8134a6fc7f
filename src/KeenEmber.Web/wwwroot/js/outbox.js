// What is sent from this phone is written here first, so that it outlives a dead spot, a reload and an empty battery. It is sent in the
// order in which it was made; the ids that forms carry see to it that twice is once.
const STORE = 'kept';
const STARTED = 'started';
const PATIENCE = 10_000;
const PATIENCE_FOR_PHOTOS = 120_000;

// Nothing is wrong with the form: the server, or what stands before it, cannot take it now.
const FOR_LATER = [408, 429, 502, 503, 504];

let opened;

function open() {
  opened ??= new Promise((done, failed) => {
    const asked = indexedDB.open('keen-ember', 1);
    asked.onupgradeneeded = () => {
      asked.result.createObjectStore(STORE, { keyPath: 'place', autoIncrement: true });
      asked.result.createObjectStore(STARTED, { keyPath: 'visit' });
    };
    asked.onsuccess = () => done(asked.result);
    asked.onerror = () => failed(asked.error);
  });
  return opened;
}

async function within(store, mode, act) {
  const db = await open();
  return new Promise((done, failed) => {
    const work = db.transaction(store, mode, { durability: 'strict' });
    const asked = act(work.objectStore(store));
    work.oncomplete = () => done(asked.result);
    work.onerror = work.onabort = () => failed(work.error);
  });
}

/** Everything that waits here, in the order in which it was made. */
export const all = () => within(STORE, 'readonly', (store) => store.getAll());

/** The unit of a visit that was begun on this phone. */
export const unitOf = async (visit) => (await begun(visit))?.unit;

/** When it was begun on this phone. */
export const begunAt = async (visit) => (await begun(visit))?.made;

const begun = (visit) => within(STARTED, 'readonly', (store) => store.get(visit));

export const drop = (item) => changed(within(STORE, 'readwrite', (store) => store.delete(item.place)));

/** Puts back what was mended, to be sent again in its old place. */
export const mend = (item, fields) =>
  changed(within(STORE, 'readwrite', (store) => store.put({ ...item, fields, reason: '' })));

/** The state of the line and of what waits here has changed: whoever shows it looks again. */
async function changed(work) {
  const done = await work;
  globalThis.dispatchEvent(new Event('kept-changed'));
  return done;
}

/** UUIDv7, as the server makes them: what is made later sorts later. */
export function newId(now = Date.now()) {
  const bytes = crypto.getRandomValues(new Uint8Array(16));
  for (let at = 0; at < 6; at++) bytes[at] = Math.floor(now / 2 ** (8 * (5 - at))) % 256;
  bytes[6] = 0x70 | (bytes[6] & 0x0f);
  bytes[8] = 0x80 | (bytes[8] & 0x3f);
  const hex = [...bytes].map((byte) => byte.toString(16).padStart(2, '0')).join('');
  return hex.replace(/^(.{8})(.{4})(.{4})(.{4})(.{12})$/, '$1-$2-$3-$4-$5');
}

/** Gives a form new ids: what it sends next is something else. */
export function renew(form) {
  for (const field of form.querySelectorAll('[name=entryId], [name=lineId], [name=visitId], [name=fileId]')) field.value = newId();
}

const account = () => document.body.dataset.account ?? '';

/** Writes a form down, with the time and the account it was made under. */
export async function keep(form, submitter) {
  const fields = [...new FormData(form, submitter)];
  const to = new URL(submitter?.getAttribute('formaction') ?? form.getAttribute('action') ?? '', location.href);
  const item = {
    to: to.pathname + to.search, fields, made: new Date().toISOString(), account: account(), reason: '',
    typed: Object.fromEntries([...form.elements].filter(isTypedInto).map((e) => [e.name, label(e)])),
    where: document.querySelector('h1')?.textContent.trim() ?? '', what: said(form, submitter, fields),
  };
  const visit = fields.find(([name]) => name === 'visitId')?.[1];
  if (visit) await within(STARTED, 'readwrite', (store) => store.put({ visit, unit: to.pathname.split('/').at(-1), made: item.made }));
  item.place = await changed(within(STORE, 'readwrite', (store) => store.add(item)));
  return item;
}

/* What somebody recognises it by. */
function said(form, submitter, fields) {
  const photos = fields.filter(([, value]) => value instanceof File && value.size > 0).length;
  if (photos > 0) return photos === 1 ? '1 photo' : `${photos} photos`;
  const chosen = [...form.elements].filter((e) => ['radio', 'checkbox'].includes(e.type) && e.checked).map(label);
  const typed = [...form.elements].filter((e) => isTypedInto(e) && e.value).map((e) => e.value);
  const asked = form.dataset.says ?? form.querySelector('legend, label')?.textContent.trim()
    ?? form.closest('details, section')?.querySelector('summary, h2')?.textContent.trim();
  const pressed = typed.length + chosen.length === 0 ? submitter?.textContent.trim() : '';
  return [asked, ...chosen, ...typed, pressed].filter(Boolean).join(' · ').replace(/\s+/g, ' ').slice(0, 160);
}

const isTypedInto = (field) => field.name
  && field.matches('input:not([type=hidden], [type=radio], [type=checkbox], [type=file]), textarea');

const label = (field) => field.labels?.[0]?.textContent.trim() ?? field.getAttribute('aria-label') ?? field.name;

const isSomebodyElses = (item) => item.account !== '' && item.account !== account();

/* Forms that somebody waits at, by their place, with what the server answered once it has. */
const awaited = new Map();

/** Sends what waits here, one after the other.
 * @param watched The form somebody waits at, and the last to be sent: what is wrong with it is theirs to mend there, so that
 * it does not stay here.
 * @returns What the server answered to that form; null where there is no signal, isSignedOut where nobody is signed in any
 * more. */
export async function flush(watched) {
  if (watched) awaited.set(watched.place, null);
  try {
    return await navigator.locks.request('keen-ember-outbox', () => awaited.get(watched?.place) ?? send(watched?.place));
  } finally {
    awaited.delete(watched?.place);
  }
}

async function send(upTo) {
  let isUnseen = false;
  try {
    for (const item of await all()) {
      const isWatched = awaited.has(item.place);
      if (!isWatched && (item.reason || isSomebodyElses(item))) continue;
      const got = await post(item, !isWatched);
      tell(got !== null, got?.isSignedOut);
      if (got === null || got.isSignedOut) return got;
      if (got.isForLater && !isWatched) return null;
      if (isWatched || got.reason === '') await drop(item);
      else await changed(within(STORE, 'readwrite', (store) => store.put({ ...item, ...got.left, reason: got.reason })));
      isUnseen = !isWatched;
      if (isWatched) awaited.set(item.place, got);
      if (item.place === upTo) return got;
    }
    return null;
  } finally {
    // Nobody waits for an answer that would show it.
    if (isUnseen) globalThis.dispatchEvent(new Event('kept-sent'));
  }
}

/* One form. Null: not delivered, to be tried again later. What waited says since when, by a clock that may be wrong. */
async function post(item, hasWaited, token) {
  const body = new FormData();
  for (const [name, value] of item.fields)
    body.append(name, name === '__RequestVerificationToken' && token ? token : value);
  const hasPhotos = item.fields.some(([, value]) => value instanceof File && value.size > 0);
  const headers = hasWaited ? { 'Keen-Ember-Made': item.made, 'Keen-Ember-Sent': new Date().toISOString() } : {};
  let answer;
  let text;
  try {
    answer = await fetch(item.to, { method: 'POST', body, headers,
      signal: AbortSignal.timeout(hasPhotos ? PATIENCE_FOR_PHOTOS : PATIENCE) });
    text = await answer.text();
    if (answer.status === 400 && !token) {
      const fresh = await fetch('/token', { signal: AbortSignal.timeout(PATIENCE) });
      if (fresh.ok && !fresh.redirected) return post(item, hasWaited, await fresh.text());
    }
  } catch {
    return null;
  }
  if (new URL(answer.url).pathname === '/sign-in') return { isSignedOut: true };
  if (!answer.ok)
    return { ok: false, isForLater: FOR_LATER.includes(answer.status), reason: fault(text), url: answer.url };
  const page = new DOMParser().parseFromString(text, 'text/html');
  return { ok: true, page, url: answer.url, ...refusal(page) };
}

const fault = (text) => new DOMParser().parseFromString(text, 'text/html').querySelector('[data-fault]')?.textContent.trim()
  ?? 'The server did not take it.';

/* What of a form the server gave back: the fields with something wrong in them, or the part of a line it did not understand. */
function refusal(page) {
  const reasons = [...page.querySelectorAll('.field-error')].map((place) => place.textContent.trim()).filter(Boolean);
  const line = page.querySelector('.log-form #line')?.value;
  if (line) reasons.push(page.getElementById('understood')?.textContent.replace(/\s+/g, ' ').trim());
  const left = line ? { fields: [['__RequestVerificationToken', ''], ['lineId', newId()], ['line', line]] } : {};
  return { reason: reasons.join(' '), left };
}

const line = { hasSignal: true, isSignedOut: false };

/** Whether the last thing sent or asked for went through. */
export const isInReach = () => line.hasSignal && navigator.onLine;

/** Whether what waits here waits for somebody to sign in. */
export const isSignedOut = () => line.isSignedOut;

function tell(hasSignal, isSignedOut = false) {
  if (hasSignal === line.hasSignal && isSignedOut === line.isSignedOut) return;
  Object.assign(line, { hasSignal, isSignedOut });
  globalThis.dispatchEvent(new Event('kept-changed'));
}

/** Asks whether the server can be reached; never answered from the phone's own store. */
export async function reach() {
  try {
    tell((await fetch('/healthz', { cache: 'no-store', signal: AbortSignal.timeout(PATIENCE) })).status < 600);
  } catch {
    tell(false);
  }
  return line.hasSignal;
}
