// A part of the page as it is now, in place of what it was; what is typed and where one is stay, and no step is added to
// those that Back takes.
import htmx from 'htmx.org';
import { parsed } from './parsed.js';
import { reach } from './reach.js';

const addressOf = part => part.querySelector('[data-again]')?.dataset.again ?? location.href;

// What is drawn anew when something of a row has changed: the opened row, or else its list.
export const partOf = element => element.closest('.opened[id]') ?? element.closest('.sheet');

export const slipOf = element => element.closest('dialog.row-slip');

// The part as it is now, after its list where it is in a slip over that.
export async function refreshed(part) {
  const slip = slipOf(part);
  await again(part);
  if (slip?.filled) await again(document.getElementById(slip.filled));
  return document.getElementById(part.id);
}

export async function again(part) {
  const address = addressOf(part);
  const answer = await reach(address, { headers: { Accept: 'text/html' } });
  if (!answer?.ok || answer.redirected) return;
  const fresh = (await parsed(answer)).getElementById(part.id);
  const now = document.getElementById(part.id);
  // something else has been looked for meanwhile, and this would take it away
  if (now && addressOf(now) !== address) {
    await again(now);
    return;
  }
  // what one has just done stays said, and can be taken back, whatever others do meanwhile
  const done = now?.querySelector('.notices .note-undo');
  if (done) fresh?.querySelector('.notices')?.append(done.cloneNode(true));
  if (fresh && now) htmx.swap({ target: now, text: fresh.outerHTML, swap: 'outerMorph' });
}
