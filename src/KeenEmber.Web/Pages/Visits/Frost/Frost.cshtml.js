// The frost picture: stroke over cells with finger, pen or keys; the form carries one digit a cell.
export const frost = () => ({
  painting: false,

  cellAt(event) {
    return document.elementFromPoint(event.clientX, event.clientY)?.closest('[data-cell]');
  },

  down(event) {
    if (!event.target.closest('[data-cell]')) return;
    event.preventDefault();
    this.painting = true;
    this.paint(this.cellAt(event));
  },

  move(event) {
    if (this.painting) this.paint(this.cellAt(event));
  },

  up() {
    this.painting = false;
  },

  paint(cell) {
    if (!cell) return;
    const form = this.$root.querySelector('.frost-form');
    const state = form.elements.brush.value;
    const face = [...form.elements.face.value];
    face[cell.dataset.cell] = state;
    form.elements.face.value = face.join('');
    cell.setAttribute('class', `cell s${state}`);
    const place = cell.getAttribute('aria-label').split(':')[0];
    cell.setAttribute('aria-label', `${place}: ${['clear', 'frost', 'ice'][state]}`);
  },

  key(event) {
    const cell = event.target.closest?.('[data-cell]');
    if (!cell) return;
    const columns = Number(this.$root.querySelector('.frost-form').dataset.columns);
    const step = { ArrowLeft: -1, ArrowRight: 1, ArrowUp: -columns, ArrowDown: columns }[event.key];
    if (step) this.$root.querySelector(`[data-cell="${Number(cell.dataset.cell) + step}"]`)?.focus();
    else if (event.key === ' ' || event.key === 'Enter') this.paint(cell);
    else return;
    event.preventDefault();
  },
});
