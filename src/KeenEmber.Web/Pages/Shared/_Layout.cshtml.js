// What every page has: keys that help, doors that begin shut on a phone, and whether there is signal.
import { all, flush, isInReach, isSignedOut, reach, renew } from '../../js/outbox.js';

export const isTyping = (target) => target.matches('input:not([type=radio]):not([type=checkbox]), textarea, select');

export const shortcuts = () => ({
  key(event) {
    if (event.key === '?' && !isTyping(event.target)) {
      event.preventDefault();
      this.$root.showModal();
    }
  },
});

export const drawer = () => ({
  init() {
    if (window.matchMedia('(max-width: 899px)').matches) this.$root.open = false;
  },
});

const TRIED_EVERY = 20_000;

/* Signal, and what waits on this phone for it. */
export const signal = () => ({
  isAway: false,
  /* Not looked yet. */
  count: -1,
  refused: 0,
  words: 'Signal',

  init() {
    navigator.serviceWorker?.register('/worker.js', { type: 'module' });
    this.forgetPagesOfOthers();
    if ('keptPage' in document.body.dataset) for (const form of document.forms) renew(form);
    this.send();
    setInterval(() => this.send(), TRIED_EVERY);
  },

  async send() {
    await this.look();
    if (this.count > this.refused) await flush();
    else if (this.isAway) await reach();
    await this.look();
    await this.tell();
  },

  /* The lead sees which devices still hold something. One that never held anything has nothing to say. */
  async tell() {
    const said = `${this.count} ${this.refused}`;
    if (this.isAway || said === (localStorage.getItem('told') ?? '0 0')) return;
    const oldest = (await all()).map((item) => item.made).sort()[0] ?? null;
    try {
      const answer = await fetch('/waiting', { method: 'POST', headers: { 'Content-Type': 'application/json' },
        body: JSON.stringify({ kept: this.count, refused: this.refused, oldest }) });
      // Signed out, it is led to the door, which is open: nobody was told.
      if (answer.ok && !answer.redirected) localStorage.setItem('told', said);
    } catch {
      // Told the next time.
    }
  },

  async look() {
    const kept = await all();
    this.count = kept.length;
    this.refused = kept.filter((item) => item.reason).length;
    this.isAway = !isInReach();
    const waits = this.count === 0 ? '' : ` · ${this.count} kept on this phone`;
    const why = isSignedOut() ? ', sign in to send' : '';
    this.words = `${this.isAway ? 'No signal' : 'Signal'}${waits}${this.refused ? `, ${this.refused} refused` : why}`;
  },

  /* Pages that one account has seen are not for the next. */
  forgetPagesOfOthers() {
    const { account = '' } = document.body.dataset;
    const before = localStorage.getItem('account');
    if ('keptPage' in document.body.dataset || before === account) return;
    localStorage.setItem('account', account);
    if (before) navigator.serviceWorker?.ready.then((worker) => worker.active.postMessage({ forget: true }));
  },
});
