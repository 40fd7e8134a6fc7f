// Until somebody says otherwise, the circuit of a new unit is shown as it mostly is on units of its kind.
export const newUnit = () => ({
  isKnown: false,

  know() {
    this.isKnown = true;
  },

  asUsual(event) {
    if (this.isKnown) return;
    const { metering, condenser, parts } = event.target.selectedOptions[0].dataset;
    const fields = event.target.form.elements;
    fields.metering.value = metering;
    fields.condenser.value = condenser;
    for (const part of fields.parts) part.checked = parts.split(',').includes(part.value);
  },
});
