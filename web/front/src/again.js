// A part of the page as it is now, in place of what it was; what is typed and where one is stay, and no step is added to
// those that Back takes.
import htmx from 'htmx.org';
import { parsed } from './parsed.js';
import { reach } from './reach.js';

const addressOf = part => part.querySelector('[data-again]')?.dataset.again ?? location.href;

export async function again(part) {
  const answer = await reach(addressOf(part), { headers: { Accept: 'text/html' } });
  if (!answer?.ok || answer.redirected) return;
  const fresh = (await parsed(answer)).getElementById(part.id);
  const now = document.getElementById(part.id);
  // what one has just done stays said, and can be taken back, whatever others do meanwhile
  const done = now?.querySelector('.notices .note-undo');
  if (done) fresh?.querySelector('.notices')?.append(done.cloneNode(true));
  if (fresh && now) htmx.swap({ target: now, text: fresh.outerHTML, swap: 'outerMorph' });
}
