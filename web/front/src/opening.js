// Rows that open: over the list in a slip, or between its rows. Without scripts each is a page of its own.
import { parsed } from './parsed.js';
import { reach } from './reach.js';

const sheetOf = element => element.closest('.sheet');
const howOf = sheet => /\bopens-([a-z-]+)/.exec(sheet?.className ?? '')?.[1];

async function fetched(address) {
  const answer = await reach(address, { headers: { Accept: 'text/html' } });
  const opened = answer?.ok && (await parsed(answer)).getElementById('opened');
  return opened ? document.importNode(opened, true) : null;
}

export function dialog(how, close) {
  let slip = document.querySelector('dialog.row-slip');
  if (!slip) {
    slip = document.createElement('dialog');
    slip.className = 'row-slip';
    slip.addEventListener('cancel', event => {
      event.preventDefault();
      history.back();
    });
    slip.addEventListener('mousedown', event => {
      if (event.target === slip && event.offsetX < 0) history.back();
    });
    document.body.append(slip);
  }
  slip.dataset.how = how;
  slip.dataset.close = close;
  return slip;
}

export function fill(slip, opened) {
  const shut = document.createElement('button');
  shut.className = 'button button-small slip-shut';
  shut.textContent = slip.dataset.close;
  shut.addEventListener('click', () => history.back());
  slip.replaceChildren(shut, opened);
  slip.setAttribute('aria-labelledby', opened.querySelector('h1').id);
}

async function inSlip(link, how) {
  const opened = await fetched(link.href);
  if (!opened) return window.location.assign(link.href);
  const slip = dialog(how, sheetOf(link).dataset.close);
  fill(slip, opened);
  slip.filled = sheetOf(link).id;
  slip.showModal();
  history.pushState({ slip: true }, '', link.href);
}

// From one row to the next the slip stays, and so does the step that Back takes.
async function along(link, slip) {
  const opened = await fetched(link.href);
  if (!opened) return window.location.assign(link.href);
  fill(slip, opened);
  slip.scrollTop = 0;
  slip.querySelector(`[rel=${link.rel}]`)?.focus();
  history.replaceState({ slip: true }, '', link.href);
}

async function unfolded(link) {
  const line = link.closest('tr, .card');
  if (line.nextElementSibling?.classList.contains('unfolded')) {
    line.nextElementSibling.remove();
    line.classList.remove('has-unfolded');
    link.setAttribute('aria-expanded', 'false');
    return;
  }
  const opened = await fetched(link.href);
  if (!opened) return window.location.assign(link.href);
  // there may be several of them on the page
  for (const named of [opened, opened.querySelector('h1')]) named.removeAttribute('id');
  opened.removeAttribute('aria-labelledby');
  const isCard = line.tagName === 'LI';
  const below = document.createElement(isCard ? 'li' : 'tr');
  below.className = 'unfolded';
  if (isCard) {
    below.append(opened);
  } else {
    const cell = document.createElement('td');
    cell.colSpan = line.children.length;
    cell.append(opened);
    below.append(cell);
  }
  line.classList.add('has-unfolded');
  link.setAttribute('aria-expanded', 'true');
  line.after(below);
}

// Whether a click means to go on here, not in another window.
export const isPlain = event => !event.ctrlKey && !event.metaKey && !event.shiftKey && event.button === 0;

function opens(event, link) {
  const how = howOf(sheetOf(link));
  if (!isPlain(event) || !how || how === 'page' || how === 'link') return false;
  event.preventDefault();
  if (how === 'unfold') unfolded(link);
  else inSlip(link, how);
  return true;
}

document.addEventListener('click', event => {
  const slip = event.target.closest('dialog.row-slip');
  const step = event.target.closest('.opened-steps a');
  if (slip && step) {
    event.preventDefault();
    along(step, slip);
    return;
  }
  const link = event.target.closest('a.opens');
  if (link && sheetOf(link)) {
    opens(event, link);
    return;
  }
  const small = event.target.closest('.gallery-small a');
  if (small) {
    event.preventDefault();
    picture(small);
    return;
  }
  // a click anywhere on the row is one on what names it, but not where something is selected or done
  const line = event.target.closest('.sheet tbody tr, .sheet .card');
  const own = line?.querySelector('a.opens:not(.button)');
  if (!own || line.classList.contains('unfolded') || event.target.closest('a, button, input, label, summary, .opened')) return;
  if (String(getSelection()) === '') own.click();
});

function picture(small) {
  const gallery = small.closest('.gallery');
  const large = gallery.querySelector('.gallery-large');
  large.href = small.href;
  large.querySelector('img').src = small.dataset.large;
  gallery.querySelector('[aria-current]')?.removeAttribute('aria-current');
  small.setAttribute('aria-current', 'true');
}

// Arrows go through the pictures while one of them has the focus.
document.addEventListener('keydown', event => {
  const gallery = event.target.closest?.('.gallery');
  if (!gallery || !['ArrowLeft', 'ArrowRight'].includes(event.key)) return;
  const all = [...gallery.querySelectorAll('.gallery-small a')];
  const at = all.findIndex(each => each.hasAttribute('aria-current'));
  const next = all[at + (event.key === 'ArrowRight' ? 1 : -1)];
  if (!next) return;
  event.preventDefault();
  picture(next);
  if (document.activeElement !== gallery.querySelector('.gallery-large')) next.focus();
});
