// Speed on top of pages that work without it: forms are sent and their answer swapped in, tags open where they hang.
import * as drafts from '../../js/drafts.js';
import { flush, isInReach, keep, renew } from '../../js/outbox.js';
import { judge, load, refresh, understand } from '../../js/phone.js';
import { isTyping } from '../Shared/_Layout.cshtml.js';

/* So long nothing is typed before the phone takes the visit along. */
const IDLE = 20_000;

export const workplace = () => ({
  waiting: null,
  idle: null,
  timer: null,
  swapped: 0,

  init() {
    this.$root.addEventListener('click', (event) => this.tap(event));
    this.watchFiles();
    for (const kind of ['input', 'change']) this.$root.addEventListener(kind, (event) => drafts.keep(event.target));
    drafts.restore();
    document.querySelector('.station.here')?.scrollIntoView({ block: 'nearest', inline: 'center' });
    this.openNext();
    if ('keptPage' in document.body.dataset) this.judgeHere();
    else this.takeAlong();
  },

  /* A camera is open for as long as it takes. The answer that came in the meantime has exchanged the field that was tapped, and nothing
     that happens to it reaches the page any more: each one is listened to itself, and sends its own form wherever that is. */
  watchFiles() {
    for (const field of document.querySelectorAll('[data-send]'))
      field.onchange = () => field.files.length && this.send({ target: field.form, preventDefault() {} });
  },

  /* With the visit open and nothing to do, what it needs without signal is fetched: what it is judged by each time something was put on
     record, the rest of its pages and the program once. */
  takeAlong() {
    clearTimeout(this.idle);
    this.idle = setTimeout(async () => {
      const worker = await navigator.serviceWorker?.ready;
      if (!worker || !isInReach()) return;
      const here = location.pathname.split('/').slice(0, 3).join('/');
      await refresh();
      if (sessionStorage.getItem(`taken ${here}`)) return;
      sessionStorage.setItem(`taken ${here}`, 'yes');
      worker.active.postMessage({ take: [`${here}/circuit`] });
      await load();
    }, IDLE);
  },

  /* The log line: say what is understood while it is typed. */
  preview(event) {
    clearTimeout(this.timer);
    const { value, dataset } = event.target;
    this.timer = setTimeout(() => this.understand(value, dataset.understand), 120);
  },

  async understand(line, address) {
    this.waiting?.abort();
    this.waiting = new AbortController();
    try {
      const answer = await fetch(`${address}&line=${encodeURIComponent(line.slice(0, 2100))}`, { signal: this.waiting.signal });
      if (!answer.ok) return;
      const place = document.getElementById('understood');
      place.innerHTML = await answer.text();
      const count = place.querySelector('[data-clear]')?.dataset.clear;
      document.getElementById('save-line').textContent = count ? `Save ${count}` : 'Save';
    } catch (error) {
      if (error.name !== 'AbortError') await this.understandHere(line);
    }
  },

  /* Without signal, by the same words. */
  async understandHere(line) {
    const { understood, items } = await understand(line.slice(0, 2100));
    this.list(document.getElementById('understood'), 'span', items);
    document.getElementById('save-line').textContent = understood ? `Save ${understood}` : 'Save';
  },

  list(place, tag, texts) {
    place.replaceChildren(...texts.map((text) => Object.assign(document.createElement(tag), { textContent: text })));
  },

  /* How it stands with what waits on this phone, by the rules of the server. */
  async judgeHere() {
    let now;
    try {
      now = await judge();
    } catch {
      return;
    }
    const stands = document.querySelector('.drawer .stands');
    stands.textContent = now.stands;
    const next = Object.assign(document.createElement('span'), { className: 'next-brief', textContent: `Next: ${now.next}` });
    if (now.next) stands.append(next);
    const body = document.querySelector('.drawer-body');
    const worked = now.results.filter(({ note }) => !note.startsWith('needs'))
      .map(({ name, value, note }) => `${name} ${value}${note ? `, ${note}` : ''}`);
    const unread = now.unread ? ` ${now.unread} of what waits here is not in it.` : '';
    this.list(body, 'p', [now.why, ...now.lines, ...now.unfit, `Worked out on this phone, without signal.${unread}`].filter(Boolean));
    const results = document.createElement('ul');
    this.list(results, 'li', worked);
    body.append(results);
    for (const { code, value, validity } of now.readings)
      for (const tag of document.querySelectorAll(`[data-point="${code}"]`)) this.showAt(tag, value, validity);
    for (const { code, value, validity } of now.results) {
      const result = document.querySelector(`[data-result="${code}"] .result-value`);
      if (result) result.textContent = value;
      document.querySelector(`[data-result="${code}"]`)?.setAttribute('data-validity', validity);
    }
  },

  showAt(tag, value, validity) {
    const shown = tag.querySelector('.tag-value, .tag-empty');
    if (!shown) return;
    shown.classList.replace('tag-empty', 'tag-value');
    shown.textContent = value;
    for (const old of ['empty', 'asked', 'usable', 'provisional', 'unusable']) tag.classList.remove(old);
    tag.classList.add(validity);
  },

  /* Forms: send, then swap in the parts of the page that the answer brings. */
  async send(event) {
    const form = event.target;
    if (!form.matches('[data-enhance]')) return;
    event.preventDefault();
    clearTimeout(this.timer);
    this.waiting?.abort();
    let answer;
    try {
      answer = await flush(await keep(form, event.submitter));
    } catch {
      this.say(form, 'This phone has no room left to keep it: not saved. What you typed is still here.');
      return;
    }
    if (!answer || answer.isSignedOut) {
      this.stay(form, event.submitter, answer);
      return;
    }
    if (!answer.ok) {
      this.say(form, `Not saved. ${answer.reason} What you typed is still here.`);
      return;
    }
    const fromLine = form.classList.contains('log-form');
    const sent = form.matches('.photo-form');
    const { page } = answer;
    if ([...page.querySelectorAll('.field-error')].every((place) => place.textContent.trim() === '')) drafts.forget(form);
    this.swap(page, form);
    drafts.restore();
    this.takeAlong();
    const address = new URL(answer.url);
    history.replaceState(null, '', address.pathname);
    if (fromLine) document.getElementById('line').focus();
    else if (!sent) this.openNext();
  },

  /* No signal: it is written down here, and the form is ready for the next. */
  stay(form, submitter, answer) {
    drafts.forget(form);
    if (form.id === 'point-form') this.show(form);
    submitter?.classList.add('kept-here');
    form.reset();
    if (form.classList.contains('log-form')) form.elements.line.value = '';
    renew(form);
    this.say(form, `Kept on this phone. ${answer?.isSignedOut ? 'Sign in to send it.' : 'It is sent when there is signal.'}`);
    if (form.classList.contains('log-form')) {
      document.getElementById('save-line').textContent = 'Save';
      form.elements.line.focus();
    }
    this.judgeHere();
  },

  /* What was typed at a tag stands there at once. */
  show(form) {
    const tag = this.tagOf(form.elements.point.value);
    if (tag) this.showAt(tag, form.elements.value.value, 'provisional');
    form.classList.remove('open');
  },

  /* What waited on this phone is on record now, and the page is from before it was. Not under the hand of who types. */
  async catchUp() {
    const field = document.activeElement;
    if (isTyping(field) && (field.value || field.form?.id === 'point-form')) {
      field.addEventListener('blur', () => this.catchUp(), { once: true });
      return;
    }
    try {
      const answer = await fetch(location.href, { cache: 'no-store' });
      const page = new DOMParser().parseFromString(await answer.text(), 'text/html');
      if (!answer.ok || answer.redirected || 'keptPage' in page.body.dataset) return;
      this.swap(page);
      drafts.restore();
      this.takeAlong();
    } catch {
      // Gone again: the page stays as it is.
    }
  },

  swap(page, form) {
    const field = document.activeElement;
    const fromLine = form?.classList.contains('log-form');
    const chosen = drafts.chosen(form);
    for (const part of document.querySelectorAll('[data-swap]')) {
      const fresh = page.querySelector(`[data-swap=${part.dataset.swap}]`);
      if (!fresh) continue;
      if (part.dataset.swap === 'log' && !fromLine && this.isTyped(part)) this.freshen(part, fresh);
      else this.exchange(part, fresh, form);
    }
    for (const file of chosen) if (!file.isConnected) document.getElementById(file.id)?.replaceWith(file);
    this.watchFiles();
    if (isTyping(field) && !field.isConnected) this.swapped = Date.now();
  },

  /* What somebody has unfolded stays so; what the form that was sent stands in is as its answer says. */
  exchange(part, fresh, form) {
    const title = (details) => details.querySelector('summary')?.textContent.trim();
    const unfolded = [...part.querySelectorAll('details[open]')].filter((details) => !details.contains(form)).map(title);
    part.replaceChildren(...fresh.childNodes);
    for (const details of part.querySelectorAll('details')) if (unfolded.includes(title(details))) details.open = true;
  },

  isTyped(log) {
    const line = log.querySelector('#line');
    return line.value !== '' || line === document.activeElement;
  },

  /* Another form's answer leaves alone what is being typed in the log line; only what it says is shown. */
  freshen(log, fresh) {
    log.querySelector('.photo-form [name=lineId]').value = fresh.querySelector('.photo-form [name=lineId]').value;
    log.querySelector('.photo-form [type=file]').value = '';
    const said = fresh.querySelector('#understood');
    if (said.childElementCount) log.querySelector('#understood').replaceChildren(...said.childNodes);
  },

  say(form, message) {
    const place = form.querySelector('.field-error') ?? document.getElementById('understood');
    place.textContent = message;
  },

  /* Tags. */
  tap(event) {
    const link = event.target.closest('[data-point], [data-open]');
    const point = link?.dataset.point ?? link?.dataset.open;
    if (!point || !this.openPoint(point)) return;
    event.preventDefault();
  },

  tagOf(point) {
    return [...document.querySelectorAll(`[data-point="${point}"]`)].find((tag) => tag.getClientRects().length > 0);
  },

  openPoint(point) {
    const tag = this.tagOf(point);
    const form = document.getElementById('point-form');
    if (!tag || !form) return false;
    if (form.elements.point.value !== point || !form.classList.contains('open')) {
      form.elements.value.value = '';
      form.querySelector('.field-error').textContent = '';
      form.elements.value.classList.remove('is-invalid');
    }
    form.elements.point.value = point;
    form.elements.value.placeholder = tag.dataset.hint;
    document.getElementById('point-name').textContent = tag.dataset.label;
    const corrects = form.querySelector('.corrects');
    corrects.hidden = !tag.dataset.entry;
    form.elements.corrects.value = tag.dataset.entry;
    form.classList.add('open', 'at-tag');
    this.place(form, tag);
    form.elements.value.focus({ preventScroll: true });
    form.scrollIntoView({ block: 'nearest' });
    return true;
  },

  place(form, tag) {
    const map = form.parentElement.getBoundingClientRect();
    const at = tag.getBoundingClientRect();
    const left = Math.min(at.left - map.left, map.width - form.offsetWidth - 4);
    const top = Math.min(at.top - map.top, map.height - form.offsetHeight - 4);
    form.style.left = `${Math.max(4, left)}px`;
    form.style.top = `${Math.max(4, top)}px`;
  },

  openNext() {
    const next = document.querySelector('.sheet[data-next]')?.dataset.next;
    if (next) this.openPoint(next);
  },

  key(event) {
    const form = document.getElementById('point-form');
    if (event.key === 'Escape' && form?.classList.contains('open')) {
      form.classList.remove('open');
      this.swapped = 0;
      this.tagOf(form.elements.point.value)?.focus();
      return;
    }
    if (isTyping(event.target) || event.ctrlKey || event.metaKey || event.altKey) return;
    if (event.key === '/') {
      event.preventDefault();
      document.getElementById('line').focus();
    } else if (event.key.toLowerCase() === 'm') {
      const asked = [...document.querySelectorAll('.tag.asked')].find((tag) => tag.getClientRects().length > 0);
      if (asked && this.openPoint(asked.dataset.point)) event.preventDefault();
    } else if (Date.now() - this.swapped > 2000) {
      /* Not right after an exchange took away a field: the figure may be meant for it. */
      document.querySelector(`.station[data-key="${CSS.escape(event.key)}"]`)?.click();
    }
  },
});
