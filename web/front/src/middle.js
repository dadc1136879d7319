// What somebody is in the middle of stays, whatever is answered meanwhile: what others have changed waits until it is
// done with, and the answer to another change leaves it where it stands. So does what was refused, with the reason at its side.
import { isHalf, isTick } from './whole.js';

const HIDDEN = 'input[type=hidden]';

function differs(control) {
  if (isTick(control)) return control.checked !== control.defaultChecked;
  if (control.tagName === 'SELECT') {
    const usual = [...control.options].findIndex(option => option.defaultSelected);
    return control.multiple ? [...control.options].some(option => option.selected !== option.defaultSelected)
      : control.selectedIndex !== Math.max(usual, 0);
  }
  return ['INPUT', 'TEXTAREA'].includes(control.tagName) && !['hidden', 'submit', 'button'].includes(control.type)
    && control.value !== control.defaultValue;
}

const forms = part => [...part.querySelectorAll('form[hx-post]')];
// Some are sent by a button; all others as soon as something in them changes, if that is enough.
const isBegun = form => form.matches('[hx-trigger=submit]') ? [...form.elements].some(differs) : isHalf(form);
const isRefused = form => 'refused' in form.dataset;
// What was only ticked or picked is soon done anew; what was typed is not.
const isTyped = form => [...form.elements].some(control => !isTick(control)
  && control.tagName !== 'SELECT' && differs(control));

export const inTheMiddle = (part, source) => forms(part).filter(form => isRefused(form)
  || (isBegun(form) && !form.contains(source)));

// By where it stands and what it is for.
const name = form => [form.closest('[data-panel]')?.dataset.panel, ...[...form.querySelectorAll(HIDDEN)].map(({ value }) => value)].join(' ');

const partOf = ctx => {
  const part = ctx.target?.closest?.('[data-token]');
  return part === ctx.target ? part : null;
};

let kept = [];
document.addEventListener('htmx:before:swap', event => {
  const { ctx } = event.detail;
  const part = partOf(ctx);
  if (!part) return;
  const own = ctx.sourceElement.closest('form');
  if (own) {
    own.querySelector('[data-refusal]')?.remove();
    if (ctx.text.includes('data-refusal') && isTyped(own)) own.dataset.refused = '';
    else delete own.dataset.refused;
  }
  const begun = inTheMiddle(part, ctx.sourceElement).filter(form => !form.contains(part));
  if (begun.length === 0) return;
  if (ctx.request.method.toUpperCase() !== 'POST') {
    event.preventDefault();
    return;
  }
  kept = begun.map(form => {
    const place = form.cloneNode(true);
    const focused = form.contains(document.activeElement) ? document.activeElement : null;
    const entry = { form, isNews: form === own && isRefused(form), name: name(form), focused };
    form.replaceWith(place);
    return entry;
  });
});
document.addEventListener('htmx:after:swap', ({ detail: { ctx } }) => {
  const part = kept.length > 0 && ctx.target && document.getElementById(ctx.target.id);
  if (!part) return;
  for (const { form, isNews, name: was, focused } of kept) {
    forms(part).find(fresh => name(fresh) === was)?.replaceWith(form);
    if (isNews) form.prepend(part.querySelector(':scope > [data-refusal]') ?? '');
    focused?.focus();
  }
  kept = [];
});
