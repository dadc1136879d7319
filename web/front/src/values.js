// Single values changed where they stand: by a click, or by "e" in a row; Enter keeps, Escape gives up.
import htmx from 'htmx.org';
import { again } from './again.js';
import { note } from './note.js';
import { reach } from './reach.js';
import { isTyping } from './typing.js';

function close(cell, focus = true) {
  cell.querySelector('form.value-form')?.remove();
  cell.classList.remove('value-open');
  if (focus) cell.querySelector('.value')?.focus();
}

async function open(button) {
  const cell = button.closest('td');
  if (cell.querySelector('form.value-form')) return;
  for (const other of document.querySelectorAll('td.value-open')) close(other, false);
  const answer = await reach(button.dataset.value + location.search);
  // it cannot be changed any more, or whoever could has been signed out: the page as it is now tells
  if (!answer?.ok) return location.reload();
  place(cell, await answer.text());
}

function place(cell, html) {
  cell.querySelector('form.value-form')?.remove();
  cell.insertAdjacentHTML('beforeend', html);
  cell.classList.add('value-open');
  const form = cell.querySelector('form.value-form');
  htmx.process(form);
  const control = form.querySelector('select, textarea, input:not([type=hidden])');
  control?.focus();
  control?.select?.();
}

function against(form, text) {
  form.querySelector('.value-lost')?.remove();
  form.append(note(text, 'control-problem value-lost'));
}

// What cannot be kept is said where it was typed, which stays.
async function keep(form, button) {
  const cell = form.closest('td');
  const sheet = form.closest('.sheet');
  const { value } = cell.querySelector('.value').dataset;
  const answer = await reach(form.action, { method: 'POST', body: new URLSearchParams(new FormData(form, button)) });
  if (!answer) return against(form, document.body.dataset.lost);
  const html = await answer.text();
  if (html.includes('value-form')) {
    place(cell, html);
    return;
  }
  if (!answer.ok) return against(form, document.body.dataset.unkept ?? document.body.dataset.lost);
  await again(sheet);
  const fresh = document.getElementById(sheet.id);
  fresh.querySelector('.notices').innerHTML = html;
  [...fresh.querySelectorAll('.value')].find(each => each.dataset.value === value)?.focus();
}

document.addEventListener('click', event => {
  const cell = event.target.closest('td');
  const button = event.target.closest('.value') ?? (event.target.closest('a, button, form, input') ? null : cell?.querySelector('.value'));
  if (!button) return;
  event.preventDefault();
  event.stopPropagation();
  open(button);
}, true);

document.addEventListener('keydown', event => {
  const form = event.target.closest?.('form.value-form');
  if (form && event.key === 'Escape') {
    event.stopPropagation();
    close(form.closest('td'));
  }
  const isPlain = !event.ctrlKey && !event.metaKey && !event.altKey && !isTyping(event.target);
  if (event.key === 'e' && isPlain) {
    const value = event.target.closest('tr')?.querySelector('.value') ?? document.querySelector('.value');
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
