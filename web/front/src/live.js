// What others change is shown within a moment, unless that would take away what one is about to do. Only a page that is
// looked at listens: a browser has few connections to one site.
import { again } from './again.js';

const parts = () => [...document.querySelectorAll('[data-live]')];
const isBusy = part => part.querySelector('.value-form, details[open], .unfolded') !== null
  || document.querySelector('dialog[open]') !== null
  || (part.contains(document.activeElement) && document.activeElement.matches('input, select, textarea'));

const BETWEEN = 1000; // so long at least from one look to the next, however often rows change
const pause = () => new Promise(resolve => setTimeout(resolve, BETWEEN));

let source = null;
let isTold = false;
let isFollowing = false;

async function follow() {
  isTold = true;
  if (isFollowing) return;
  isFollowing = true;
  while (isTold) {
    while (parts().some(isBusy)) await pause();
    isTold = false;
    for (const part of parts()) await again(part);
    await pause();
  }
  isFollowing = false;
}

function listen() {
  // from which state each part was drawn, so that what has changed since is told at once
  const query = new URLSearchParams(parts().flatMap(part => [['listing', part.dataset.live], ['state', part.dataset.state]]));
  source = new EventSource(`/listings/live.events?${query}`);
  source.addEventListener('rows', follow);
}

export function followChanges() {
  if (parts().length === 0) return;
  if (!document.hidden) listen();
  document.addEventListener('visibilitychange', () => {
    source?.close();
    source = null;
    if (document.hidden) return;
    listen();
  });
}
