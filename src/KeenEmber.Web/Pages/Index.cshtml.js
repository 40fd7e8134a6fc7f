import { load } from '../js/phone.js';

// Takes the units of a site along to where there is no signal: their pages, and those of a visit that may begin there.
export const takeAlong = () => ({
  words: 'Take along',

  async take() {
    this.words = 'Taking along';
    const units = [...this.$root.closest('section').querySelectorAll('.board a')].map((link) => link.getAttribute('href'));
    const worker = await navigator.serviceWorker?.ready;
    if (!worker) {
      this.words = 'This browser keeps nothing';
      return;
    }
    navigator.serviceWorker.addEventListener('message', ({ data }) => {
      this.words = data.isDone === undefined ? `Taken: ${data.taken} of ${data.of} pages`
        : data.isDone ? `${data.taken} pages are on this phone` : 'No signal: try again';
    });
    await load();
    worker.active.postMessage({ take: ['/', ...units, ...units.map((unit) => `${unit.replace('/equipment/', '/visits/')}/circuit`)] });
  },
});
