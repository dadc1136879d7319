// A choice that wants a second one is sent together with it; until then it stands as it was chosen. What it wants is the
// name of controls of the same form, of which one is to be filled in; it may be that only some of its values want that.
export const isTick = control => ['checkbox', 'radio'].includes(control.type);
const isFilled = control => isTick(control) ? control.checked : control.value.trim() !== '';
const isWanting = control => {
  const { wants, wantsIf } = control.dataset;
  return wants !== undefined && isFilled(control) && (wantsIf === undefined || wantsIf.split(' ').includes(control.value));
};

const wanting = form => [...form.elements].find(control => isWanting(control)
  && ![...form.elements].some(other => other.name === control.dataset.wants && isFilled(other)));

export const isHalf = form => wanting(form) !== undefined;

// What a form has sent and is not answered yet.
const sent = new WeakMap();
const dataOf = form => new URLSearchParams(new FormData(form)).toString();

// What belongs to one value of a choice is there with it.
function show(choice) {
  for (const part of document.querySelectorAll(`[data-with="${choice.id}"]`)) {
    part.hidden = part.dataset.value !== choice.value;
    if (part.hidden) part.querySelectorAll('input').forEach(input => { input.checked = false; });
  }
}

// Before whoever sends the form hears of it.
document.addEventListener('change', event => {
  const { target } = event;
  const { form } = target;
  if (!form?.hasAttribute('hx-post')) return;
  if (target.id) show(target);
  const choice = wanting(form);
  if (!choice) {
    sent.set(form, dataOf(form));
    return;
  }
  event.stopPropagation();
  [...form.elements].find(other => other.name === choice.dataset.wants && other.offsetParent)?.focus();
}, true);

// The Enter key ends a change and submits the form besides: where both are sent alike, the same is not sent twice.
document.addEventListener('submit', event => {
  const form = event.target;
  if (form.getAttribute('hx-trigger') !== 'change, submit' || sent.get(form) !== dataOf(form)) return;
  event.preventDefault();
  event.stopPropagation();
}, true);
document.addEventListener('htmx:finally:request', ({ detail: { ctx } }) => sent.delete(ctx.request.form));
