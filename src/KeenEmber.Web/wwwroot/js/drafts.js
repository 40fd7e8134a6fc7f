// What is typed and not sent yet outlives an exchange of the page, a reload and a walk to another station; a file that was chosen, the
// exchange.
const FORMS = 'form[data-enhance]:not(.log-form):not(.photo-form):not(#point-form)';

const fields = () => [...document.querySelectorAll(FORMS)].flatMap((form) => [...form.elements]).filter(isKept);

const isKept = (field) => field.name && field.form?.matches(FORMS)
  && !['hidden', 'file', 'submit', 'button', 'fieldset'].includes(field.type);

function key(field) {
  let which = field.id || field.name;
  if (field.type === 'checkbox') which = `${field.name}=${field.value}`;
  else if (field.type === 'radio') which = field.name;
  return `draft ${location.pathname} ${field.form.getAttribute('action')} ${which}`;
}

export function keep(field) {
  if (isKept(field)) sessionStorage.setItem(key(field), field.type === 'checkbox' ? field.checked : field.value);
}

export function forget(form) {
  for (const field of form.elements) if (isKept(field)) sessionStorage.removeItem(key(field));
}

export function restore() {
  for (const field of fields()) {
    const kept = sessionStorage.getItem(key(field));
    if (kept === null) continue;
    if (field.type === 'checkbox') field.checked = kept === 'true';
    else if (field.type === 'radio') field.checked = field.value === kept;
    else field.value = kept;
  }
}

/** Fields with a file that waits for its form's button, but for those of the form that was just sent. */
export const chosen = (sent) => [...document.querySelectorAll(`${FORMS} [type=file]:not([data-send])`)]
  .filter((field) => field.files.length && field.form !== sent);
