// The signature: strokes of whole numbers on the field's own scale, carried by the form.
export const signature = () => ({
  drawing: false,

  pad() { return this.$root.querySelector('.signature-pad'); },

  add(event, parting) {
    const field = this.$root.elements.strokes;
    const box = this.pad().getBoundingClientRect();
    const { width, height } = this.pad().viewBox.baseVal;
    const within = (part, size) => Math.max(0, Math.min(size, Math.round(part * size)));
    const x = within((event.clientX - box.left) / box.width, width);
    const y = within((event.clientY - box.top) / box.height, height);
    field.value += `${field.value ? parting : ''}${x},${y}`;
    const path = field.value.split(' ').map((stroke) => `M${stroke.replaceAll(';', 'L').replaceAll(',', ' ')}`).join('');
    this.pad().querySelector('.signature-ink').setAttribute('d', path);
  },

  down(event) {
    event.preventDefault();
    this.pad().setPointerCapture(event.pointerId);
    this.drawing = true;
    this.add(event, ' ');
  },

  move(event) {
    if (this.drawing) this.add(event, ';');
  },

  up() { this.drawing = false; },

  clear() {
    this.$root.elements.strokes.value = '';
    this.pad().querySelector('.signature-ink').setAttribute('d', '');
  },
});
