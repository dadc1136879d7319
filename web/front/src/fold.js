// On a phone the filters of listings fold behind a button; what is unfolded stays so, whatever is answered meanwhile.
const root = document.documentElement;
const tell = () => document.querySelectorAll('[data-fold]').forEach(button =>
  button.setAttribute('aria-expanded', root.classList.contains('finders-open')));

document.addEventListener('click', event => {
  if (!event.target.closest?.('[data-fold]')) return;
  root.classList.toggle('finders-open');
  tell();
});
document.addEventListener('htmx:after:swap', tell);
