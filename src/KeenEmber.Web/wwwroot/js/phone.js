// The rules and words of the server, in this browser: a visit judged where there is no signal.
import { all, begunAt } from './outbox.js';

let core;
let opened = '';

/** The program itself, some 4 MB once; the worker keeps it. */
export function load() {
  core ??= import('/_framework/dotnet.js').then(async ({ dotnet }) => {
    const { getAssemblyExports } = await dotnet.create();
    return (await getAssemblyExports('KeenEmber.Phone.dll')).KeenEmber.Phone.Phone;
  });
  return core;
}

const visitHere = () => location.pathname.match(/^\/visits\/([0-9a-f-]{36})/)?.[1];

const written = (visit) => fetch(`/api/visits/${visit}/case`);

/** Has the worker keep what this visit is judged by as it is now. */
export async function refresh() {
  opened = '';
  await written(visitHere());
}

async function open(visit) {
  const phone = await load();
  if (opened === visit) return phone;
  const answer = await written(visit);
  if (!answer.ok) throw new Error('This visit was not taken along.');
  phone.Open(await answer.text(), (await begunAt(visit)) ?? null);
  opened = visit;
  return phone;
}

/* The forms of this visit that wait. */
async function waiting(visit) {
  return (await all()).flatMap(({ to, made, fields }) => {
    const address = new URL(to, location.href);
    const handler = address.searchParams.get('handler');
    if (!address.pathname.startsWith(`/visits/${visit}/`)) return [];
    const texts = Object.fromEntries(fields.filter(([, value]) => typeof value === 'string'));
    return [{ key: texts.lineId ?? texts.entryId, handler, made, fields: texts }];
  });
}

/** How the visit of this page stands with what waits here. */
export async function judge() {
  const visit = visitHere();
  const phone = await open(visit);
  return JSON.parse(phone.Judge(JSON.stringify(await waiting(visit))));
}

/** What a line would be taken for. */
export const understand = async (line) => JSON.parse((await open(visitHere())).Understand(line));
