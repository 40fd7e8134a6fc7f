// A thermometer that this phone hears itself, by the environmental sensing service of Bluetooth, whose numbers its specification fixes.
const SENSING = 'environmental_sensing', TEMPERATURE = 'temperature', BATTERY = 'battery_service', LEVEL = 'battery_level';

// It is asked, and what it says is passed on, this often.
const EVERY = 2000;

const UNKNOWN = -32768;

/* Hundredths of a degree Celsius, 16 bits, the low byte first; the lowest means that it does not know. */
export const celsius = (view) => {
  if (view.byteLength < 2) return null;
  const hundredths = view.getInt16(0, true);
  return hundredths === UNKNOWN ? null : hundredths / 100;
};

/* An id of ours: letters, digits and a few signs. */
export const idOf = (device) => `own-${device.id.replace(/[^A-Za-z0-9._-]/g, '').slice(0, 30)}`;

// What is heard outlives the pieces of page that are exchanged while it is.
const heard = { timer: null, says: '', show: null };

const say = (text) => {
  heard.says = text;
  heard.show?.();
};

const nameOf = (device) => device.name ?? 'The thermometer';

const batteryOf = async (server) => {
  try {
    const service = await server.getPrimaryService(BATTERY);
    return (await (await service.getCharacteristic(LEVEL)).readValue()).getUint8(0) / 100;
  } catch {
    return null;
  }
};

/* Without a signal a value is not passed on; the next one is. */
const pass = async (device, temperature, battery) => {
  const form = document.querySelector('.own-probe form');
  if (!form) return;
  try {
    const value = celsius(await temperature.readValue());
    if (value === null) return;
    const sent = new FormData(form);
    const name = device.name ?? 'own thermometer';
    for (const [field, text] of Object.entries({ probe: idOf(device), name, value, number: Date.now() })) sent.append(field, text);
    if (battery !== null) sent.append('battery', battery);
    const answer = await fetch(form.action, { method: 'POST', body: sent });
    say(answer.ok ? `${nameOf(device)} is heard.` : 'What it shows was not taken.');
  } catch {
    say('Not heard just now.');
  }
};

const listen = async (device) => {
  const server = await device.gatt.connect();
  const sensing = await server.getPrimaryService(SENSING);
  const temperature = await sensing.getCharacteristic(TEMPERATURE);
  const battery = await batteryOf(server);
  clearInterval(heard.timer);
  heard.timer = setInterval(() => pass(device, temperature, battery), EVERY);
  device.addEventListener('gattserverdisconnected', () => {
    clearInterval(heard.timer);
    say(`${nameOf(device)} is out of reach.`);
  }, { once: true });
  await pass(device, temperature, battery);
};

export const ownProbe = () => ({
  says: '',

  init() {
    this.$root.hidden = !navigator.bluetooth;
    heard.show = () => { this.says = heard.says; };
    heard.show();
  },

  async connect() {
    let device;
    try {
      device = await navigator.bluetooth.requestDevice({ filters: [{ services: [SENSING] }], optionalServices: [BATTERY] });
    } catch {
      say('No thermometer was chosen.');
      return;
    }
    try {
      await listen(device);
    } catch {
      say(`${nameOf(device)} does not answer. Hold it nearer and try again.`);
    }
  },
});
