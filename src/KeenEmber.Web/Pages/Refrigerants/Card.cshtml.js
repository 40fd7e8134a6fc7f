// The refrigerant card: the answer follows what is typed or slid.
export const reference = () => ({
  waiting: null,

  pick(event) {
    location.assign(`/refrigerants/${encodeURIComponent(event.target.value)}${location.search}`);
  },

  slide(event) {
    const us = event.target.dataset.units === 'us';
    document.getElementById('at').value = us ? `${Math.round(event.target.value * 1.8 + 32)} °F` : `${event.target.value} °C`;
    this.ask(event);
  },

  async ask(event) {
    event.preventDefault();
    const form = event.target.form ?? event.target;
    const asked = new URLSearchParams({ at: form.elements.at.value, elevation: form.elements.elevation.value });
    this.waiting?.abort();
    this.waiting = new AbortController();
    try {
      const answer = await fetch(`${location.pathname}?${asked}`, { signal: this.waiting.signal });
      if (!answer.ok) return;
      const page = new DOMParser().parseFromString(await answer.text(), 'text/html');
      document.querySelector('[data-swap=answer]').replaceChildren(...page.querySelector('[data-swap=answer]').childNodes);
      history.replaceState(null, '', `?${asked}`);
    } catch (error) {
      if (error.name !== 'AbortError') throw error;
    }
  },
});
