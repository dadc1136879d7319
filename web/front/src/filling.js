// Forms about rows laid over their list in a slip, where the list has it so. Without scripts each is a page of its own.
import htmx from 'htmx.org';
import { partOf, refreshed, slipOf } from './again.js';
import { back } from './back.js';
import { note } from './note.js';
import { dialog, fill, isPlain } from './opening.js';
import { parsed } from './parsed.js';
import { reach } from './reach.js';

const FORMS = /^\/listings\/[a-z0-9-]+\/rows\/(add|\d+\/(change|remove))$/;
const DEEDS = /^\/listings\/[a-z0-9-]+\/rows\/\d+\/do\/[0-9a-f]+$/;

// What is taken out of a page to stand in the slip; nothing where the page is another.
function lay(slip, page) {
  const filling = page.getElementById('filling');
  if (!filling) return false;
  const inside = document.importNode(filling, true);
  fill(slip, inside);
  htmx.process(inside);
  const controls = 'input:not([type=hidden]), select, textarea';
  (inside.querySelector(`.control-wrong :is(${controls})`) ?? inside.querySelector(controls))?.setAttribute('autofocus', '');
  if (slip.open) inside.querySelector('[autofocus]')?.focus();
  return true;
}

async function open(link) {
  const answer = await reach(link.href, { headers: { Accept: 'text/html' } });
  const inSlip = slipOf(link);
  const sheet = link.closest('.sheet');
  const slip = inSlip ?? dialog('slip', sheet.dataset.close);
  if (!answer?.ok || !lay(slip, await parsed(answer))) return window.location.assign(link.href);
  if (inSlip) return history.replaceState({ slip: true }, '', link.href);
  slip.filled = sheet.id;
  slip.showModal();
  history.pushState({ slip: true }, '', link.href);
}

function lost(form, why) {
  form.sending = false;
  form.querySelector('.slip-lost')?.remove();
  form.prepend(note(document.body.dataset[why] ?? document.body.dataset.lost, 'note note-warn slip-lost'));
}

// Whatever is against it is said in the slip, where what was typed stays. Else the list comes back as the server has it,
// with what was done and how to take it back.
async function send(form, button) {
  if (form.sending) return;
  form.sending = true;
  const slip = slipOf(form);
  const several = form.enctype === 'multipart/form-data';
  const data = new FormData(form, button);
  const answer = await reach(form.action, { method: 'POST', body: several ? data : new URLSearchParams(data) });
  if (!answer) return lost(form, 'lost');
  const page = await parsed(answer);
  if (!answer.redirected) {
    if (!lay(slip, page)) lost(form, answer.status === 404 ? 'gone' : 'unkept');
    return;
  }
  const fresh = page.getElementById(slip.filled);
  const now = document.getElementById(slip.filled);
  if (!fresh || !now) return window.location.assign(answer.url);
  back(() => {
    htmx.swap({ target: now, text: fresh.outerHTML, swap: 'outerMorph' });
    tell(page, document.getElementById(slip.filled));
  });
}

// What was done, and how to take it back, above the list or the row that it was done to.
function tell(page, before) {
  const said = page.querySelector('main > .note-good');
  for (const old of document.querySelectorAll('main > .note-good, dialog > .note-good')) old.remove();
  if (said) before.before(document.importNode(said, true));
}

// What a button does to a row can be taken back, so it is not asked about first: that is for whoever has no scripts.
async function carryOut(link) {
  const part = partOf(link);
  const asked = await reach(link.href, { headers: { Accept: 'text/html' } });
  const form = asked?.ok && (await parsed(asked)).querySelector('#filling form.fill-go');
  if (!form || !form.querySelector('button.button-main')) return window.location.assign(link.href);
  const answer = await reach(form.action, { method: 'POST', body: new URLSearchParams(new FormData(form)) });
  if (!answer?.redirected) return window.location.assign(link.href);
  const page = await parsed(answer);
  tell(page, await refreshed(part));
}

document.addEventListener('click', event => {
  const link = event.target.closest('a[href]');
  if (!link || !isPlain(event)) return;
  if (DEEDS.test(new URL(link.href).pathname) && link.closest('.sheet, .opened')) {
    event.preventDefault();
    if (link.carried) return;
    link.carried = true;
    carryOut(link).finally(() => { link.carried = false; });
    return;
  }
  const slip = slipOf(link);
  if (slip?.querySelector('#filling') && !FORMS.test(new URL(link.href).pathname)) {
    event.preventDefault();
    history.back();
    return;
  }
  if (!link.closest('.fills-in-slip') && !slip?.filled) return;
  if (!FORMS.test(new URL(link.href).pathname)) return;
  event.preventDefault();
  open(link);
});

document.addEventListener('submit', event => {
  if (!event.target.closest('dialog.row-slip #filling')) return;
  event.preventDefault();
  send(event.target, event.submitter);
});

// A field that leads to several rows has room for one more when the last is filled.
document.addEventListener('change', event => {
  const last = event.target.closest?.('.fill-another');
  if (!last?.value) return;
  const more = last.cloneNode();
  more.value = '';
  last.removeAttribute('id');
  last.classList.remove('fill-another');
  last.after(more);
  htmx.process(more);
});
