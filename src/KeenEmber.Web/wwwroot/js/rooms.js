// The scripts of the rooms, each beside its page, by the names under which pages call for them.
import { drawer, shortcuts, signal } from '../Pages/Shared/_Layout.cshtml.js';
import { takeAlong } from '../Pages/Index.cshtml.js';
import { passkeyIn, passkeyNew } from '../Pages/People/SignIn.cshtml.js';
import { newUnit } from '../Pages/Units/Edit.cshtml.js';
import { start } from '../Pages/Units/Unit.cshtml.js';
import { unsent } from '../Pages/Unsent.cshtml.js';
import { reference } from '../Pages/Refrigerants/Card.cshtml.js';
import { signature } from '../Pages/Visits/Closing/Close.cshtml.js';
import { stopwatch } from '../Pages/Visits/Defrost/Defrost.cshtml.js';
import { ladder } from '../Pages/Visits/Electrical/Diagrams/ElectricalTrace.cshtml.js';
import { frost } from '../Pages/Visits/Frost/Frost.cshtml.js';
import { ownProbe } from '../Pages/Visits/Probing/_OwnProbe.cshtml.js';
import { probes } from '../Pages/Visits/Probing/_Live.cshtml.js';
import { workplace } from '../Pages/Visits/_Workplace.cshtml.js';

document.addEventListener('alpine:init', () => {
  const rooms = {
    drawer, frost, ladder, newUnit, ownProbe, passkeyIn, passkeyNew, probes, reference, shortcuts, signal, signature, start, stopwatch,
    takeAlong, unsent, workplace,
  };
  for (const [name, room] of Object.entries(rooms)) window.Alpine.data(name, room);
});
