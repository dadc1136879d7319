// What others change is shown within a moment, unless that would take away what one is about to do.
import { again } from './again.js';

const parts = () => [...document.querySelectorAll('[data-live]')];
const isBusy = part => part.querySelector('.value-form, details[open], .unfolded') !== null || part.contains(document.querySelector('dialog[open]'))
  || (part.contains(document.activeElement) && document.activeElement.matches('input, select, textarea'));

let waiting = false;

async function follow() {
  if (waiting) return;
  waiting = true;
  while (document.hidden || parts().some(isBusy)) {
    await new Promise(resolve => setTimeout(resolve, 1000));
  }
  waiting = false;
  for (const part of parts()) await again(part);
}

export function followChanges() {
  const listings = new Set(parts().map(part => part.dataset.live));
  if (listings.size === 0) return;
  const query = new URLSearchParams([...listings].map(listing => ['listing', listing]));
  new EventSource(`/listings/live.events?${query}`).addEventListener('rows', follow);
}
