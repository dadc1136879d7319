// What was typed at the desk and not sent is there again when one comes back to the screen, until it is sent or discarded.
// It stays in this browser's tab; passwords, files and what is hidden are never kept.
import { note } from './note.js';

const KEY = 'typed:';
const isKept = control => control.name && ['text', 'search', 'email', 'url', 'textarea', undefined].includes(control.type)
  && !control.closest('[data-untyped]');
const forms = () => [...document.querySelectorAll('main form[method=post]:not([hx-post]), main form[data-typed]')];
const keyOf = form => `${KEY}${location.pathname} ${form.getAttribute('action')}`;

function remember(form) {
  const typed = [...form.elements].filter(control => isKept(control) && control.value !== control.defaultValue)
    .map(({ name, value, defaultValue }) => ({ name, value, was: defaultValue }));
  if (typed.length === 0) sessionStorage.removeItem(keyOf(form));
  else sessionStorage.setItem(keyOf(form), JSON.stringify(typed));
}

function tell(form) {
  const { back, discard } = document.querySelector('[data-trouble]').dataset;
  const said = note(`${back} `, 'note');
  const button = document.createElement('button');
  button.type = 'button';
  button.className = 'plain-link';
  button.textContent = discard;
  button.addEventListener('click', () => {
    form.reset();
    sessionStorage.removeItem(keyOf(form));
    said.remove();
  });
  said.append(button);
  form.prepend(said);
}

// Only where it still says what it said then: what somebody has changed meanwhile is not typed over.
function restore(form) {
  const kept = sessionStorage.getItem(keyOf(form));
  if (!kept) return;
  let isBack = false;
  for (const { name, value, was } of JSON.parse(kept)) {
    const control = [...form.elements].find(each => each.name === name && isKept(each));
    if (control && control.defaultValue === was && control.value === was) {
      control.value = value;
      isBack = true;
    }
  }
  if (isBack) tell(form);
}

export function keepTyped() {
  for (const form of forms()) restore(form);
  document.addEventListener('input', ({ target }) => {
    if (target.form && forms().includes(target.form)) remember(target.form);
  });
  document.addEventListener('submit', ({ target }) => sessionStorage.removeItem(keyOf(target)));
}
