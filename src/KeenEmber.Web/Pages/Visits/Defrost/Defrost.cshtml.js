// A run that is watched: its minutes go on between answers of the server, and the next round of readings asks for itself.
export const stopwatch = () => ({
  timer: null,
  began: 0,
  read: 0,

  init() {
    const { elapsed, since } = this.$root.dataset;
    this.began = Date.now() - Number(elapsed) * 1000;
    this.read = Date.now() - Number(since) * 1000;
    this.every().value = localStorage.getItem('round-minutes') ?? '5';
    this.show();
    this.timer = setInterval(() => this.show(), 1000);
  },

  destroy() { clearInterval(this.timer); },

  every() { return this.$root.querySelector('.round-minutes'); },

  keep() {
    localStorage.setItem('round-minutes', this.every().value);
    this.show();
  },

  show() {
    const clock = (seconds) => `${Math.floor(seconds / 60)}:${String(Math.floor(seconds % 60)).padStart(2, '0')}`;
    this.$root.querySelector('.run-clock').textContent = clock((Date.now() - this.began) / 1000);
    const left = Number(this.every().value) * 60 - (Date.now() - this.read) / 1000;
    const due = this.$root.querySelector('.round-due');
    if (left <= 0 && !due.classList.contains('now')) navigator.vibrate?.([200, 100, 200]);
    due.classList.toggle('now', left <= 0);
    due.textContent = left > 0 ? `next round in ${clock(left)}` : `next round is due, ${clock(-left)} ago`;
  },
});
