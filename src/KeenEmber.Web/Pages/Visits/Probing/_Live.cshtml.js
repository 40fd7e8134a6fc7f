// What the probes show is fetched every two seconds; the tags of the map say it too.
const EVERY = 2000;

export const probes = () => ({
  timer: null,

  init() {
    this.tag();
    this.$root.addEventListener('change', (event) => event.target.form?.requestSubmit());
    this.timer = setInterval(() => this.fetch(), EVERY);
  },

  destroy() { clearInterval(this.timer); },

  /* Not while somebody has a list open here, or the page is out of sight. */
  async fetch() {
    if (document.hidden || this.$root.contains(document.activeElement)) return;
    try {
      const answer = await fetch('?handler=Live');
      if (!answer.ok || answer.redirected) return;
      const text = await answer.text();
      if (this.$root.contains(document.activeElement)) return;
      const wasOpen = this.$root.querySelector('details')?.open;
      this.$root.innerHTML = text;
      const details = this.$root.querySelector('details');
      if (details && wasOpen !== undefined) details.open = wasOpen;
      this.tag();
    } catch {
      for (const probe of this.$root.querySelectorAll('[data-probe], .live-round > span')) probe.className = 'lost';
      this.tag();
    }
  },

  /* A reader of screens hears what the tag shows. */
  tag() {
    for (const place of document.querySelectorAll('.has-live .tag-live')) {
      const tag = place.closest('.tag');
      place.textContent = '';
      tag.classList.remove('has-live');
      tag.setAttribute('aria-label', tag.dataset.plain);
    }
    for (const probe of this.$root.querySelectorAll('[data-live-point]:not([data-live-point=""])')) {
      const shown = probe.classList.contains('live') ? `● ${probe.dataset.shows}` : '○ no signal';
      for (const tag of document.querySelectorAll(`.tag[data-point="${probe.dataset.livePoint}"]`)) {
        tag.dataset.plain ??= tag.getAttribute('aria-label');
        tag.querySelector('.tag-live').textContent = shown;
        tag.setAttribute('aria-label', `${tag.dataset.label} ${tag.querySelector('.tag-value, .tag-empty').textContent} ${shown}`);
        tag.classList.add('has-live');
      }
    }
  },
});
