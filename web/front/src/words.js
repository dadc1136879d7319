// Words that open what they can be changed to, one at a time; within one, perhaps another.
import Alpine from '@alpinejs/csp';
import { inTheMiddle } from './middle.js';
import { isTick } from './whole.js';

const HEARD = ['htmx:after:swap', 'htmx:error', 'htmx:response:error'];

// How many changes of a part are not answered yet, by its id.
const unanswered = new Map();
const isChange = request => request.method.toUpperCase() === 'POST';
const count = ({ target, request }, by) => {
  if (isChange(request)) unanswered.set(target?.id, (unanswered.get(target?.id) ?? 0) + by);
};
document.addEventListener('htmx:config:request', ({ detail: { ctx } }) => count(ctx, 1));
document.addEventListener('htmx:finally:request', ({ detail: { ctx } }) => count(ctx, -1));

export const words = id => ({
  opened: '', // the word that is open
  inner: '', // the word within it that is

  root() {
    return document.getElementById(id);
  },
  clicked(event) {
    const word = event.target.closest('[data-opens]');
    if (word) this.turn(word);
  },
  turn(word) {
    const { opens, within } = word.dataset;
    if (within) {
      this.inner = this.inner === opens ? '' : opens;
    } else {
      this.opened = this.opened === opens ? '' : opens;
      this.inner = '';
    }
    this.draw();
    if (word.getAttribute('aria-expanded') === 'true') {
      this.panel(opens)?.scrollIntoView({ block: 'nearest' });
      this.panel(opens)?.querySelector('input:not([type=hidden]), select, textarea, button')?.focus();
    }
  },
  panel(name) {
    return this.root().querySelector(`[data-panel="${name}"]`);
  },
  draw() {
    for (const panel of this.root().querySelectorAll('[data-panel]')) {
      panel.hidden = ![this.opened, this.inner].includes(panel.dataset.panel);
    }
    for (const word of this.root().querySelectorAll('[data-opens]')) {
      word.setAttribute('aria-expanded', [this.opened, this.inner].includes(word.dataset.opens));
    }
  },
  // Esc closes what is open, the innermost first.
  closed(event) {
    if (event.key !== 'Escape' || !this.opened) return false;
    const name = this.inner || this.opened;
    if (this.inner) this.inner = '';
    else this.opened = '';
    this.draw();
    this.root().querySelector(`[data-opens="${name}"]`)?.focus();
    return true;
  },
  // Follows what the part is answered with; what was not kept does not stand as if it were.
  listen() {
    this.hear = ({ type, detail: { ctx } }) => {
      if (!ctx?.target || ctx.target.id !== this.root()?.id) return;
      if (type === 'htmx:after:swap') this.draw();
      this.reset(ctx);
      if (type === 'htmx:after:swap') this.followed?.();
    };
    for (const name of HEARD) document.addEventListener(name, this.hear);
  },
  unlisten() {
    for (const name of HEARD) document.removeEventListener(name, this.hear);
  },
  // What the answer says of a choice holds, also where somebody had chosen by hand; what is being typed stays. So does
  // what has been chosen since: its own answer follows, and says of it what is so.
  reset({ target, request, sourceElement }) {
    if ((unanswered.get(target.id) ?? 0) > (isChange(request) ? 1 : 0)) return;
    const begun = inTheMiddle(this.root(), sourceElement);
    for (const element of this.root().querySelectorAll('input, select, textarea')) {
      // what leaves the page when it is sent is not answered before
      if (element.form && !element.form.matches('[hx-post], [hx-get]')) continue;
      if (begun.some(form => form.contains(element))) continue;
      if (isTick(element)) element.checked = element.defaultChecked;
      else if (element === document.activeElement) continue;
      else if (element.tagName === 'SELECT') [...element.options].forEach(each => { each.selected = each.defaultSelected; });
      else element.value = element.defaultValue;
    }
  },
});

// A part of the desk that is made of such words and answered anew with each change.
Alpine.data('words', () => ({
  ...words(''),
  root() {
    return document.getElementById(this.$root.dataset.words);
  },
  init() {
    this.$el.addEventListener('click', event => this.clicked(event));
    this.$el.addEventListener('keydown', event => this.closed(event));
    this.listen();
    this.draw();
  },
  destroy() {
    this.unlisten();
  },
}));
