// What the visitors' pages and the desk share.
import Alpine from '@alpinejs/csp';
import './back.js';
import 'htmx.org';
import 'htmx.org/dist/ext/hx-alpine-compat.js';
import './opening.js';

const isTyping = target => target.closest('input, select, textarea, [contenteditable]') !== null;

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
document.addEventListener('htmx:after:swap', () => {
  for (const element of document.querySelectorAll('.sheet .bar :is(input, option)')) {
    if (element.type === 'checkbox') element.checked = element.defaultChecked;
    else if (element.tagName === 'OPTION') element.selected = element.defaultSelected;
    else if (element !== document.activeElement) element.value = element.defaultValue;
  }
});

// An answer that does not come is said at the place, and the rows stay as they were.
function say(element, text) {
  const place = element?.closest('.sheet')?.querySelector('.notices');
  if (!place || !text) return;
  const note = document.createElement('p');
  note.className = 'note note-warn';
  note.textContent = text;
  place.replaceChildren(note);
}
for (const name of ['htmx:error', 'htmx:response:error']) {
  document.addEventListener(name, event => {
    if (event.detail?.error?.name === 'AbortError') return;
    say(event.detail?.ctx?.sourceElement ?? event.target, document.body.dataset.lost);
  });
}

// The tab of the page one is on is in sight, also behind many others.
document.querySelector('.tabs [aria-current]')?.scrollIntoView({ block: 'nearest', inline: 'center' });

window.Alpine = Alpine;

export function start() {
  Alpine.start();
}
