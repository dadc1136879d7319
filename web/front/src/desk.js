import Alpine from '@alpinejs/csp';
import Sortable from 'sortablejs';
import { start } from './common.js';
import './bench.js';
import { note } from './note.js';
import { say } from './say.js';
import { keepTyped } from './typed.js';

// Where a part of the page could not be asked for, or something not be kept, that is said until there is an answer again.
const trouble = document.querySelector('[data-trouble]');
const tell = why => {
  trouble.replaceChildren(...(why ? [note(trouble.dataset[why])] : []));
};
document.addEventListener('htmx:after:request', ({ detail: { ctx } }) => { if (ctx.response.status < 400) tell(''); });
document.addEventListener('htmx:error', ({ detail: { ctx } }) => { if (ctx) tell('lost'); });
document.addEventListener('htmx:response:error', ({ detail: { ctx } }) => {
  const { status } = ctx.response;
  const { gone } = ctx.target?.dataset ?? {};
  if (status === 404 && gone) location.assign(gone);
  else tell({ 401: 'out', 403: 'refused' }[status] ?? 'lost');
});

// Moves a line a place up or down, or takes it out, by the button that was clicked; gives the line, if it was one.
function moveLine(event) {
  const way = event.target.closest('[data-move]')?.dataset.move;
  const line = event.target.closest('li');
  if (way === 'up') line.previousElementSibling?.before(line);
  if (way === 'down') line.nextElementSibling?.after(line);
  if (way === 'out') line.remove();
  return way && line;
}

// Goes through rows that wait by keys: arrows from one to the next, y approves, n rejects, x ticks. After a decision the next
// one has the focus, also where some were skipped before.
Alpine.data('queue', () => ({
  init() {
    const { at } = this.$root.dataset;
    (this.$root.querySelector(`tr[data-row="${CSS.escape(at)}"]`) ?? this.$root.querySelector('tr[data-row]'))?.focus();
    this.$root.addEventListener('submit', event => this.leading(event.submitter?.closest('tr')), true);
  },

  leading(row) {
    const next = row?.nextElementSibling ?? row?.previousElementSibling;
    this.$refs.next.value = next?.dataset.row ?? '';
  },

  tick(event) {
    for (const box of this.$root.querySelectorAll('[name=row]')) box.checked = event.target.checked;
  },

  pressed(event) {
    const row = event.target;
    if (row.tagName !== 'TR' || event.ctrlKey || event.metaKey || event.altKey) return;
    const next = { ArrowDown: row.nextElementSibling, ArrowUp: row.previousElementSibling }[event.key];
    if (next) {
      event.preventDefault();
      next.focus();
    }
    if (event.key === 'x') row.querySelector('[name=row]').click();
    const decision = { y: 'through', n: 'away' }[event.key];
    if (decision) row.querySelector(`[value^="${decision}:"]`).click();
  },
}));

// Brings in a file by dropping or choosing it, and shows how far it is. XMLHttpRequest, for fetch does not tell.
Alpine.data('dropZone', () => ({
  over: false,
  busy: false,
  percent: 0,
  problem: '',

  get said() {
    return this.percent < 100 ? say('sent', this.percent) : say('reading');
  },

  dropped(event) {
    this.over = false;
    const [file] = event.dataTransfer.files;
    if (file) this.upload(file);
  },

  send() {
    const [file] = this.$refs.file.files;
    if (file) this.upload(file);
  },

  upload(file) {
    if (this.busy) return;
    const form = new FormData(this.$root);
    form.set('file', file);
    this.busy = true;
    this.percent = 0;
    this.problem = '';
    const request = new XMLHttpRequest();
    request.upload.addEventListener('progress', event => {
      this.percent = Math.round(100 * event.loaded / Math.max(1, event.total));
    });
    request.addEventListener('load', () => this.answered(request));
    request.addEventListener('error', () => this.refuse(say('notSent')));
    request.open('POST', this.$root.action);
    request.send(form);
  },

  answered(request) {
    if (request.status < 300) {
      window.location.assign(request.responseURL);
      return;
    }
    const answer = new DOMParser().parseFromString(request.responseText, 'text/html');
    const refusal = answer.querySelector('[data-refusal], main .note-warn, main h1 + p');
    this.refuse(refusal?.textContent ?? say('notBrought'));
  },

  refuse(sentence) {
    this.busy = false;
    this.problem = sentence;
    this.$refs.file.value = '';
  },
}));

// A slip lies over its page: Esc and a click beside it go back to the page as it was.
Alpine.data('slip', () => ({
  init() {
    this.$el.close();
    this.$el.showModal();
    this.$el.addEventListener('mousedown', event => {
      if (event.target === this.$el && event.offsetX < 0) this.leave();
    });
    this.$el.querySelector('[aria-invalid=true], .slip-form :is(input:not([type=hidden]), select, textarea)')?.focus();
  },
  leave() {
    window.location.assign(this.$el.closest('dialog').dataset.back);
  },
}));

// What was typed and not kept is not lost by leaving without a word.
Alpine.data('careful', () => ({
  isTouched: false,
  init() {
    this.ask = event => { if (this.isTouched) event.preventDefault(); };
    window.addEventListener('beforeunload', this.ask);
  },
  destroy() {
    window.removeEventListener('beforeunload', this.ask);
  },
  touched() {
    this.isTouched = true;
  },
  done() {
    this.isTouched = false;
  },
}));

// Finds the row that a field points to by what it is called.
Alpine.data('rowPicker', () => ({
  options() {
    return [...this.$refs.found.querySelectorAll('[role=option]')];
  },
  get isMany() {
    return 'many' in this.$root.dataset;
  },
  opened() {
    this.$refs.found.hidden = false;
  },
  typed() {
    this.opened();
    if (!this.isMany) this.$refs.row.value = '';
    this.$refs.found.replaceChildren(); // what was found for fewer letters is not what is meant
    this.$refs.box.setAttribute('aria-expanded', 'true');
  },
  moved(event) {
    const options = this.options();
    const at = options.findIndex(option => option.getAttribute('aria-selected') === 'true');
    if (event.key === 'ArrowDown' || event.key === 'ArrowUp') {
      event.preventDefault();
      const next = options[Math.max(0, Math.min(options.length - 1, at + (event.key === 'ArrowDown' ? 1 : -1)))];
      options.forEach(option => option.setAttribute('aria-selected', option === next));
      next?.scrollIntoView({ block: 'nearest' });
    } else if (event.key === 'Enter' && at >= 0) {
      event.preventDefault();
      this.choose(options[at]);
    }
  },
  picked(event) {
    const option = event.target.closest('[role=option]');
    if (option) this.choose(option);
  },
  choose(option) {
    if (this.isMany) {
      this.add(option);
    } else {
      this.$refs.row.value = option.dataset.row;
      this.$refs.box.value = option.textContent;
    }
    this.$root.dispatchEvent(new Event('input', { bubbles: true }));
    this.close();
  },
  add(option) {
    const there = [...this.$refs.rows.querySelectorAll('input')].some(input => input.value === option.dataset.row);
    this.$refs.box.value = '';
    if (there) return;
    const line = this.$refs.line.content.firstElementChild.cloneNode(true);
    line.querySelector('input').value = option.dataset.row;
    line.querySelector('span').textContent = option.textContent;
    line.querySelector('button').setAttribute('aria-label', `Take ${option.textContent} out`);
    this.$refs.rows.append(line);
  },
  dropped(event) {
    const button = event.target.closest('[data-drop]');
    if (!button) return;
    button.closest('li').remove();
    this.$root.dispatchEvent(new Event('input', { bubbles: true }));
  },
  close() {
    this.$refs.found.replaceChildren();
    this.$refs.found.hidden = true; // what is still on its way would lie over the form
    this.$refs.box.setAttribute('aria-expanded', 'false');
  },
}));

// Takes files that are dropped or chosen; they are sent at once, and stand in the row when it is kept.
Alpine.data('fileField', () => ({
  over: false,
  busy: false,
  problem: '',
  dropped(event) {
    this.over = false;
    this.upload([...event.dataTransfer.files]);
  },
  send() {
    this.upload([...this.$refs.chosen.files]);
  },
  async upload(files) {
    const { field, many, pictures } = this.$root.dataset;
    const taken = many === 'true' ? files : files.slice(0, 1);
    if (this.busy || !taken.length) return;
    const form = new FormData();
    form.set('_csrf', this.$root.closest('form').elements._csrf.value);
    form.set('field', field);
    form.set('pictures', pictures);
    taken.forEach(file => form.append('file', file));
    this.busy = true;
    this.problem = '';
    try {
      const answer = await fetch('/desk/files', { method: 'POST', body: form });
      if (!answer.ok) throw new Error(answer.statusText);
      this.take(await answer.text(), many === 'true');
    } catch (failed) {
      this.problem = say('tooLarge');
    }
    this.busy = false;
    this.$refs.chosen.value = '';
  },
  take(html, isMany) {
    const brought = [...new DOMParser().parseFromString(html, 'text/html').body.querySelectorAll('li')];
    this.problem = brought.filter(line => 'problem' in line.dataset).map(line => line.textContent).join(' ');
    const files = brought.filter(line => !('problem' in line.dataset));
    if (!files.length) return;
    if (!isMany) this.$refs.files.replaceChildren();
    this.$refs.files.append(...files);
    this.touched();
  },
  clicked(event) {
    if (moveLine(event)) this.touched();
  },
  touched() {
    this.$root.dispatchEvent(new Event('input', { bubbles: true }));
  },
}));

// Lines that move up and down by their buttons.
Alpine.data('lines', () => ({
  clicked(event) {
    const line = moveLine(event);
    if (line) {
      event.target.focus();
      line.dispatchEvent(new Event('change', { bubbles: true }));
    }
  },
}));

// Fields in their order: dragged by their handle, or lifted with Space and moved with the arrows.
Alpine.data('fieldOrder', () => ({
  said: '',
  lifted: null,
  before: null,
  init() {
    Sortable.create(this.$refs.list, { handle: '.handle', animation: 120, onEnd: () => this.keep() });
  },
  moved(event) {
    const handle = event.target.closest('.handle');
    if (!handle) return;
    const line = handle.closest('li');
    if (event.key === ' ' || event.key === 'Enter') {
      event.preventDefault();
      if (this.lifted) this.keep();
      else {
        this.lifted = line;
        this.before = line.nextElementSibling;
        line.classList.add('lifted');
        this.said = say('lifted');
      }
    } else if (this.lifted === line && (event.key === 'ArrowUp' || event.key === 'ArrowDown')) {
      event.preventDefault();
      if (event.key === 'ArrowUp') line.previousElementSibling?.before(line);
      else line.nextElementSibling?.after(line);
      handle.focus();
      this.said = say('place', [...line.parentElement.children].indexOf(line) + 1, line.parentElement.children.length);
    } else if (this.lifted === line && event.key === 'Escape') {
      this.$refs.list.insertBefore(line, this.before);
      line.classList.remove('lifted');
      this.lifted = null;
      handle.focus();
      this.said = say('back');
    }
  },
  // Lines that hold forms of their own are sent by one beside them.
  keep() {
    const { list, order } = this.$refs;
    if (order) {
      const all = [['do', 'order'], ...[...list.children].map(line => ['part', line.dataset.part])];
      order.replaceChildren(...all.map(([name, value]) => Object.assign(document.createElement('input'), { type: 'hidden', name, value })));
    }
    (order ?? list.closest('form')).requestSubmit();
  },
}));

// Shows only those of a list that have the letters typed.
Alpine.data('finder', () => ({
  typed(event) {
    const letters = event.target.value.trim().toLowerCase();
    for (const line of this.$refs.list.children) line.hidden = !line.firstElementChild.dataset.name.includes(letters);
  },
}));

start();
keepTyped();
