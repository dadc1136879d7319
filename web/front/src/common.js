// What the visitors' pages and the desk share.
import Alpine from '@alpinejs/csp';
import './back.js';
import './fold.js';
import htmx from 'htmx.org';
import 'htmx.org/dist/ext/hx-alpine-compat.js';
import './opening.js';
import { parsed } from './parsed.js';
import { reach } from './reach.js';
import { isTyping } from './typing.js';

// The search of a listing: "/" goes to the page's first from anywhere, Esc leaves it. Among very many rows one letter
// or two are the slowest to search, and mostly the beginning of more: they wait for what follows.
Alpine.data('searchBox', () => ({
  waiting: 0,
  wait(event) {
    clearTimeout(this.waiting);
    const letters = event.target.value.trim().length;
    if (!('large' in this.$root.dataset) || !event.isTrusted || letters === 0 || letters > 2) return;
    event.stopPropagation();
    this.waiting = setTimeout(() => this.$refs.box.dispatchEvent(new Event('input', { bubbles: true })), 1000);
  },
  hurry() {
    clearTimeout(this.waiting);
  },
  jump(event) {
    const isFirst = document.querySelector('.bar-search input') === this.$refs.box;
    if (!isFirst || isTyping(event.target) || event.ctrlKey || event.metaKey || event.altKey) return;
    event.preventDefault();
    this.$refs.box.focus();
    this.$refs.box.select();
  },
  leave() {
    this.$refs.box.blur();
  },
}));

// The values of a field, in a box that opens: closes when one clicks elsewhere or presses Esc.
Alpine.data('menu', () => ({
  close(event) {
    if (!this.$el.open) return;
    this.$el.open = false;
    if (event.key === 'Escape') this.$el.querySelector('summary').focus();
  },
}));

// On a page with several listings each goes on from what the address bar says of the others now.
document.addEventListener('htmx:config:request', ({ detail: { ctx } }) => {
  const prefix = ctx.sourceElement.closest('.sheet')?.dataset.prefix;
  if (!prefix) return;
  const isOthers = name => name.includes('~') && !name.startsWith(prefix);
  const asked = new URL(ctx.request.action, location);
  for (const parameters of [asked.searchParams, ctx.request.body]) {
    for (const name of [...parameters.keys()].filter(isOthers)) parameters.delete(name);
  }
  for (const [name, value] of new URLSearchParams(location.search)) {
    if (isOthers(name)) asked.searchParams.append(name, value);
  }
  ctx.request.action = asked.pathname + asked.search;
});

// What the answer says of a choice holds, also where somebody had ticked it by hand; what is being typed stays.
document.addEventListener('htmx:after:swap', event => {
  if (event.detail?.ctx?.target?.matches?.('[data-counted]')) return;
  for (const element of document.querySelectorAll('.sheet :is(.bar, .boxes) :is(input, option)')) {
    if (element.type === 'checkbox' || element.type === 'radio') element.checked = element.defaultChecked;
    else if (element.tagName === 'OPTION') element.selected = element.defaultSelected;
    else if (element !== document.activeElement) element.value = element.defaultValue;
  }
});

// How many rows there are of what one can narrow to is asked for once the rows are there, as far as it is in sight.
async function countValues(sheet) {
  const { valueCounts } = sheet.dataset;
  const places = valueCounts ? [...sheet.querySelectorAll('[data-untold]')].filter(each => !each.closest('details:not([open])')) : [];
  if (!places.length) return;
  const asked = new URL(valueCounts, location);
  for (const place of places) {
    delete place.dataset.untold; // asked for once
    asked.searchParams.append('of', place.dataset.counted);
  }
  const answer = await reach(asked);
  // where it takes too long nobody is told; rows that have changed meanwhile ask anew
  if (!answer?.ok || sheet.dataset.valueCounts !== valueCounts) return;
  const told = await parsed(answer);
  for (const place of places) {
    const fresh = told.querySelector(`[data-counted="${place.dataset.counted}"]`);
    if (!fresh || !place.isConnected) continue;
    // what somebody has ticked meanwhile stays so
    for (const element of fresh.querySelectorAll('input')) {
      const now = [...place.querySelectorAll('input')].find(each => each.name === element.name && each.value === element.value);
      if (now) element.toggleAttribute('checked', now.checked);
    }
    htmx.swap({ target: place, text: fresh.outerHTML, swap: 'outerMorph' });
  }
  distribution(sheet);
}
const countAll = () => document.querySelectorAll('.sheet[data-value-counts]').forEach(countValues);
document.addEventListener('DOMContentLoaded', countAll);
document.addEventListener('htmx:after:swap', countAll);
document.addEventListener('toggle', event => {
  const sheet = event.target.open && event.target.closest('.sheet[data-value-counts]');
  if (sheet) countValues(sheet);
}, true);

// What a range would leave shows before it is picked: the bars in it, and about how many rows those are.
function distribution(within) {
  for (const place of within.querySelectorAll('.distribution')) {
    const bars = [...place.querySelectorAll('rect[data-rows]')];
    const [from, to] = ['from', 'to'].map(end => place.closest('fieldset').querySelector(`[data-end=${end}]`));
    const at = value => from.type === 'number' ? Number(value) : Date.parse(value) / 864e5;
    // whole numbers and days end one before the next begins
    const one = bars.length > 1 ? at(bars[1].dataset.from) - at(bars[0].dataset.to) : 1;
    let rows = 0;
    for (const bar of bars) {
      const [first, end] = [at(bar.dataset.from), at(bar.dataset.to) + one];
      const picked = Math.min(end, to.value ? at(to.value) + one : end) - Math.max(first, from.value ? at(from.value) : first);
      bar.classList.toggle('distribution-in', picked > 0);
      rows += Math.max(0, picked) / (end - first) * bar.dataset.rows;
    }
    const said = place.querySelector('.distribution-said');
    if (said) said.textContent = from.value || to.value ? said.dataset.said.replace('{0}', Math.round(rows).toLocaleString(document.documentElement.lang)) : '';
  }
}
document.addEventListener('htmx:after:swap', () => distribution(document));
document.addEventListener('input', event => {
  const control = event.target.matches('.range-end') && event.target.closest('fieldset');
  if (control) distribution(control);
});
document.addEventListener('click', event => {
  const bar = event.target.closest('.distribution-room');
  if (!bar) return;
  const control = bar.closest('fieldset');
  for (const end of ['from', 'to']) control.querySelector(`[data-end=${end}]`).value = bar.dataset[end];
  distribution(control);
  control.querySelector('[data-end=to]').dispatchEvent(new Event('change', { bubbles: true }));
});

// What leaves as a file is collected first; how far that is, is said, and that nobody wants it any more can be said too.
document.addEventListener('click', event => {
  const link = event.target.closest('a[data-carries]');
  const said = link?.closest('.sheet').querySelector('.carried');
  if (!said || !window.isSecureContext || link.href.includes('.pdf')) return;
  const name = crypto.randomUUID();
  const address = new URL(link.href);
  address.searchParams.set('watched', name);
  const plain = link.href;
  link.href = address;
  setTimeout(() => { link.href = plain; });
  watch(name, said);
});
function watch(name, said) {
  const [text, leave] = said.children;
  const end = () => { clearInterval(asking); said.hidden = true; };
  leave.onclick = () => { fetch(`/listings/carrying/${name}/leave`, { method: 'POST' }); end(); };
  const asking = setInterval(async () => {
    const answer = await fetch(`/listings/carrying/${name}`);
    if (!answer.ok) return end();
    const { rows, over } = await answer.json();
    text.textContent = over ? said.dataset.done : said.dataset.said.replace('{0}', rows.toLocaleString(document.documentElement.lang));
    leave.hidden = over;
    said.hidden = false;
    if (over) { clearInterval(asking); setTimeout(end, 4000); }
  }, 800);
}

// What stands in paragraphs or on lines of its own, in one line, a space where it goes on.
function inOneLine(cell) {
  const copy = cell.cloneNode(true);
  copy.querySelectorAll('br, p, li, blockquote, pre, h1, h2, h3, h4, h5, h6').forEach(block => block.after('\n'));
  return (cell.dataset.cell ?? copy.textContent).replace(/^[\r\n]+|[\r\n]+$/g, '').replace(/ *[\t\r\n]\s*/g, ' ');
}

// Rows are copied as they are printed, as a table and as text with tabs.
document.addEventListener('click', event => {
  const button = event.target.closest('[data-copies]');
  if (!button) return;
  const rows = fetch(button.dataset.copies).then(answer => answer.ok ? answer.text() : Promise.reject(new Error(document.body.dataset.lost)))
    .then(text => new DOMParser().parseFromString(text, 'text/html').querySelector('.print-rows'));
  const cells = table => [...table.rows].map(row => [...row.cells].map(inOneLine));
  const plain = rows.then(table => new Blob([cells(table).map(row => row.join('\t')).join('\n')], { type: 'text/plain' }));
  const rich = rows.then(table => {
    table.querySelectorAll('[data-cell]').forEach(cell => { cell.textContent = cell.dataset.cell; });
    table.querySelectorAll('img').forEach(picture => picture.remove());
    return new Blob([table.outerHTML], { type: 'text/html' });
  });
  navigator.clipboard.write([new ClipboardItem({ 'text/plain': plain, 'text/html': rich })])
    .then(async () => {
      const count = (await rows).rows.length - 1;
      tell(button, count === 1 ? button.dataset.one : button.dataset.done.replace('{0}', count), 'note');
    })
    .catch(failed => tell(button, failed.message, 'note note-warn'));
});

if ('print' in document.body.dataset) {
  addEventListener('load', () => print());
  document.querySelector('[data-print-again]').addEventListener('click', () => print());
}

// An answer that does not come is said at the place, and the rows stay as they were.
function say(element, text) {
  tell(element, text, 'note note-warn');
}
function tell(element, text, look) {
  const place = element?.closest('.sheet')?.querySelector('.notices');
  if (!place || !text) return;
  const note = document.createElement('p');
  note.className = look;
  note.textContent = text;
  place.replaceChildren(note);
}
for (const name of ['htmx:error', 'htmx:response:error']) {
  document.addEventListener(name, event => {
    if (event.detail?.error?.name === 'AbortError') return;
    say(event.detail?.ctx?.sourceElement ?? event.target, document.body.dataset.lost);
  });
}

// The tab of the page one is on is in sight, also behind many others. Only the tabs move, not what a proof stands in.
const tab = document.querySelector('.tabs [aria-current]');
if (tab) {
  const tabs = tab.parentElement;
  tabs.scrollLeft = tab.offsetLeft - tabs.offsetLeft - (tabs.clientWidth - tab.offsetWidth) / 2;
}

window.Alpine = Alpine;

export function start() {
  Alpine.start();
}
