// What somebody is in the middle of stays, whatever is answered meanwhile: what others have changed waits until it is
// done with, and the answer to another change leaves it where it stands.
const HIDDEN = 'input[type=hidden]';

function differs(control) {
  if (control.type === 'checkbox' || control.type === 'radio') return control.checked !== control.defaultChecked;
  if (control.tagName === 'SELECT') {
    const usual = [...control.options].findIndex(option => option.defaultSelected);
    return control.multiple ? [...control.options].some(option => option.selected !== option.defaultSelected)
      : control.selectedIndex !== Math.max(usual, 0);
  }
  return ['INPUT', 'TEXTAREA'].includes(control.tagName) && !['hidden', 'submit', 'button'].includes(control.type)
    && control.value !== control.defaultValue;
}

// Forms that are sent by a button; all others are sent as soon as something in them changes.
const forms = part => [...part.querySelectorAll('form[hx-trigger=submit]')];
const isBegun = form => [...form.elements].some(differs);

export const inTheMiddle = part => forms(part).filter(isBegun);

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
  const begun = inTheMiddle(part).filter(form => !form.contains(ctx.sourceElement) && !form.contains(part));
  if (begun.length === 0) return;
  if (ctx.request.method.toUpperCase() !== 'POST') {
    event.preventDefault();
    return;
  }
  kept = begun.map(form => {
    const place = form.cloneNode(true);
    const entry = { form, name: name(form), focused: form.contains(document.activeElement) ? document.activeElement : null };
    form.replaceWith(place);
    return entry;
  });
});
document.addEventListener('htmx:after:swap', ({ detail: { ctx } }) => {
  const part = kept.length > 0 && ctx.target && document.getElementById(ctx.target.id);
  if (!part) return;
  for (const { form, name: was, focused } of kept) {
    forms(part).find(fresh => name(fresh) === was)?.replaceWith(form);
    focused?.focus();
  }
  kept = [];
});
