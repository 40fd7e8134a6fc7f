// Passkeys: what the server asks the device to sign, and what the device answers.
const isPossible = () => Boolean(window.PublicKeyCredential?.parseRequestOptionsFromJSON) && !/^[\d.]+$|:/.test(location.hostname);

async function asked(form, handler) {
  const body = new FormData();
  body.append('__RequestVerificationToken', form.elements.__RequestVerificationToken.value);
  const answer = await fetch(`?handler=${handler}`, { method: 'POST', body });
  if (!answer.ok) throw new Error('The server cannot do that now.');
  return answer.json();
}

/* The device says the same for everything that somebody broke off. */
const reason = (error) => (error.name === 'NotAllowedError' ? 'Broken off, or no passkey here.' : error.message);

const room = (get) => () => ({
  isPossible: isPossible(),
  problem: '',

  init() {
    this.problem = this.$root.querySelector('.field-error').textContent;
  },

  async ask(event) {
    event.preventDefault();
    const form = event.target;
    try {
      form.elements.credential.value = JSON.stringify(await get(form));
    } catch (error) {
      this.problem = reason(error);
      return;
    }
    form.submit();
  },
});

/** Signs in by a passkey of this device. */
export const passkeyIn = room(async (form) => navigator.credentials.get({
  publicKey: PublicKeyCredential.parseRequestOptionsFromJSON(await asked(form, 'PasskeyOptions')),
}));

/** Makes one. */
export const passkeyNew = room(async (form) => navigator.credentials.create({
  publicKey: PublicKeyCredential.parseCreationOptionsFromJSON(await asked(form, 'PasskeyOptions')),
}));
