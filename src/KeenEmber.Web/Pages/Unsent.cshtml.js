// What waits on this phone: looked through, mended where the server refused it, or thrown away.
import { all, drop, flush, mend } from '../js/outbox.js';

/* As they lie in the store: what the page watches cannot be written back there. */
let kept = [];

export const unsent = () => ({
  items: [],

  init() {
    this.look();
  },

  async look() {
    kept = await all();
    this.items = kept.map(({ place, made, what, where, reason, fields, typed }) => ({ place, made, what, where, reason,
      typed: fields.map(([name, value], at) => ({ name: typed[name], value, at, id: `field-${place}-${at}` }))
        .filter(({ name }) => name !== undefined) }));
  },

  time: (item) => new Date(item.made).toLocaleTimeString('en-GB', { hour: '2-digit', minute: '2-digit' }),

  /* Mended is what was typed: what was chosen and what the form carries for itself stays as it is. */
  async again({ place }, form) {
    const item = kept.find((one) => one.place === place);
    const fields = item.fields.map(([name, value], at) => [name, form.querySelector(`[name="${at}"]`)?.value ?? value]);
    await mend(item, fields);
    await flush();
    await this.look();
  },

  async throwAway(item) {
    if (!window.confirm(`Throw away “${item.what}”? It is nowhere else.`)) return;
    await drop(item);
    await this.look();
  },
});
