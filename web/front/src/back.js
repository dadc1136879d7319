// Back closes a slip and leaves the list as it is; what else listens for it is not to ask for the page again. So this is
// there before all others.
window.addEventListener('popstate', event => {
  const slip = document.querySelector('dialog.row-slip[open]');
  if (!slip) return;
  event.stopImmediatePropagation();
  slip.close();
}, true);
