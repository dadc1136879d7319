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

// A menu with more pages than there is room for in a line unfolds by a button; without scripts it can be moved.
const menu = document.querySelector('nav.tabs[data-all]');
if (menu) {
  const button = document.createElement('button');
  button.type = 'button';
  button.className = 'tabs-all';
  button.textContent = menu.dataset.all;
  button.addEventListener('click', () => {
    button.setAttribute('aria-expanded', menu.classList.toggle('tabs-open'));
  });
  const fit = () => {
    if (menu.classList.contains('tabs-open')) return;
    const isTight = menu.scrollWidth > menu.clientWidth;
    if (isTight && !button.isConnected) {
      button.setAttribute('aria-expanded', false);
      menu.before(button);
    }
    if (!isTight) button.remove();
  };
  fit();
  window.addEventListener('resize', fit);
}
