// Questions that hang on other answers come and go as these are given; which, the server knows.
import { reach } from './reach.js';

async function ask(form) {
  const mine = form.asking = (form.asking ?? 0) + 1;
  const answer = await reach(form.dataset.asked, { method: 'POST', body: new URLSearchParams(new FormData(form)) });
  // an answer that comes late says nothing any more
  if (!answer?.ok || mine !== form.asking) return;
  const asked = await answer.json();
  for (const question of form.querySelectorAll('[data-question]')) {
    question.hidden = !asked.includes(question.dataset.question);
  }
}

export function followAnswers() {
  for (const form of document.querySelectorAll('form[data-asked]')) {
    form.addEventListener('change', () => ask(form));
    ask(form);
  }
}

// A form that somebody's browser has filled in is sent within a moment; that keys or a pointer were used tells it from what a
// program sends.
export function noticeHands() {
  for (const what of ['pointerdown', 'keydown']) {
    document.addEventListener(what, ({ isTrusted }) => {
      if (!isTrusted) return;
      for (const mark of document.querySelectorAll('.sending input[name=hand]')) mark.value = 'yes';
    }, { capture: true });
  }
}
