// Single values changed where they stand, in a table, on a card, or on an opened row: by a click, or by "e" in a row; Enter
// keeps, Escape gives up. A yes or no is turned over by the click itself.
import htmx from 'htmx.org';
import { partOf, refreshed } from './again.js';
import { note } from './note.js';
import { reach } from './reach.js';
import { isTyping } from './typing.js';

const PLACES = 'td, dd';
const formIn = place => place.querySelector('form.value-form');

function close(place, focus = true) {
  formIn(place)?.remove();
  place.classList.remove('value-open');
  if (focus) place.querySelector('.value')?.focus();
}

async function open(button) {
  const place = button.closest(PLACES);
  if (formIn(place)) return;
  for (const other of document.querySelectorAll('.value-open')) close(other, false);
  const answer = await reach(button.dataset.value + location.search);
  // it cannot be changed any more, or whoever could has been signed out: the page as it is now tells
  if (!answer?.ok) return location.reload();
  put(place, await answer.text());
  if (button.dataset.turns) turn(formIn(place), button.dataset.turns);
}

function turn(form, to) {
  form.querySelector('select').value = to;
  form.hidden = true;
  keep(form);
}

function put(place, html) {
  formIn(place)?.remove();
  place.insertAdjacentHTML('beforeend', html);
  place.classList.add('value-open');
  const form = formIn(place);
  htmx.process(form);
  const control = form.querySelector('select, textarea, input:not([type=hidden])');
  control?.focus();
  control?.select?.();
}

function against(form, text) {
  form.hidden = false;
  form.querySelector('.value-lost')?.remove();
  form.append(note(text, 'control-problem value-lost'));
}

// What cannot be kept is said where it was typed, which stays.
async function keep(form, button) {
  const place = form.closest(PLACES);
  const part = partOf(form);
  const { value } = place.querySelector('.value').dataset;
  const answer = await reach(form.action, { method: 'POST', body: new URLSearchParams(new FormData(form, button)) });
  if (!answer) return against(form, document.body.dataset.lost);
  const html = await answer.text();
  if (html.includes('value-form')) {
    put(place, html);
    return;
  }
  if (!answer.ok) {
    const { gone, unkept, lost } = document.body.dataset;
    return against(form, (answer.status === 404 ? gone : unkept) ?? lost);
  }
  const fresh = await refreshed(part);
  fresh.querySelector('.notices').innerHTML = html;
  [...fresh.querySelectorAll('.value')].find(each => each.dataset.value === value)?.focus();
}

document.addEventListener('click', event => {
  const place = event.target.closest(PLACES);
  const button = event.target.closest('.value') ?? (event.target.closest('a, button, form, input') ? null : place?.querySelector(':scope > .value'));
  if (!button) return;
  event.preventDefault();
  event.stopPropagation();
  open(button);
}, true);

document.addEventListener('keydown', event => {
  const form = event.target.closest?.('form.value-form');
  if (form && event.key === 'Escape') {
    event.stopPropagation();
    close(form.closest(PLACES));
  }
  const isPlain = !event.ctrlKey && !event.metaKey && !event.altKey && !isTyping(event.target);
  if (event.key === 'e' && isPlain) {
    const value = event.target.closest('tr, .card, .opened')?.querySelector('.value') ?? document.querySelector('.value');
    if (!value) return;
    event.preventDefault();
    open(event.target.matches('.value') ? event.target : value);
  }
});

document.addEventListener('submit', event => {
  if (!event.target.matches('form.value-form')) return;
  event.preventDefault();
  keep(event.target, event.submitter);
});
