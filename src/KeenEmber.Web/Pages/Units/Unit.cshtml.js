// Begins a visit, with signal or without: its pages are those of a visit to this unit that were taken along.
import { flush, keep } from '../../js/outbox.js';

export const start = () => ({
  async begin(event) {
    event.preventDefault();
    const form = event.target;
    const visit = form.elements.visitId.value;
    const answer = await flush(await keep(form, event.submitter));
    if (answer && !answer.ok) form.querySelector('.field-error').textContent = answer.reason ?? '';
    else location.assign(answer?.ok ? answer.url : `/visits/${visit}/circuit`);
  },
});
