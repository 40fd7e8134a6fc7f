// The ladder: the first tap chooses the one terminal, the second the other, a third begins again.
export const ladder = () => ({
  form() {
    return this.$root.querySelector('form.trace-form');
  },

  pick(event) {
    const terminal = event.target.closest('[data-terminal]')?.dataset.terminal;
    const { a, b } = this.form().elements;
    if (!a.value || b.value) {
      a.value = terminal;
      b.value = '';
    } else if (a.value !== terminal) {
      b.value = terminal;
      this.toType().focus();
    }
    this.mark();
  },

  both(event) {
    const { a, b } = this.form().elements;
    [a.value, b.value] = [event.target.dataset.a, event.target.dataset.b];
    this.mark();
    this.toType().focus();
  },

  // The field for the volts; in practice the button that reads the meter.
  toType() {
    return this.form().elements.volts ?? this.form().querySelector('[data-meter]');
  },

  mark() {
    const { a, b } = this.form().elements;
    for (const terminal of this.$root.querySelectorAll('[data-terminal]'))
      terminal.classList.toggle('picked', [a.value, b.value].includes(terminal.dataset.terminal));
  },
});
