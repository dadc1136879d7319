// Back closes a slip and leaves the list as it is; what else listens for it is not to ask for the page again. So this is
// there before all others.
let afterwards = null;

// One step back, after which that is done instead of anything else.
export function back(then) {
  afterwards = then;
  history.back();
}

const openSlip = () => document.querySelector('dialog.row-slip[open]');

window.navigation?.addEventListener('navigate', event => {
  if (event.navigationType === 'traverse' && (openSlip() || afterwards)) event.stopImmediatePropagation();
});

window.addEventListener('popstate', event => {
  const slip = openSlip();
  if (!slip && !afterwards) return;
  event.stopImmediatePropagation();
  slip?.close();
  const then = afterwards;
  afterwards = null;
  then?.();
}, true);
