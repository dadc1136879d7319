// The bench: words of the ticket open what they can be changed to, one at a time; the proof follows.
import Alpine from '@alpinejs/csp';
import { parsed } from './parsed.js';
import { reachSoon } from './reach.js';
import { say } from './say.js';
import { words } from './words.js';

const isTyping = target => target.closest?.('input:not([type=checkbox], [type=radio]), textarea') != null;

// Whoever fills in what belongs to a choice makes that choice; before it is sent, for an answer may have undone it meanwhile.
for (const name of ['input', 'change']) {
  document.addEventListener(name, ({ target }) => {
    const choice = document.getElementById(target.dataset.chooses);
    if (choice) choice.checked = true;
  }, true);
}

Alpine.data('bench', () => ({
  ...words('ticket'),
  width: 1280,
  by: '', // by whom the proof is seen
  said: '',

  init() {
    this.$el.addEventListener('click', event => this.clicked(event));
    this.listen();
    this.fit = () => this.scaled();
    window.addEventListener('resize', this.fit);
    this.mark = this.root().dataset.mark;
    const { proof } = this.$refs;
    proof.addEventListener('load', () => this.loaded());
    // it may have been there before these scripts
    const isThere = proof.contentDocument?.readyState === 'complete' && proof.contentWindow.location.pathname !== 'blank';
    if (isThere) this.loaded();
    else this.scaled();
  },
  destroy() {
    this.unlisten();
    window.removeEventListener('resize', this.fit);
  },

  // The sieve follows what is searched and narrowed to in the proof.
  loaded() {
    this.scaled();
    this.led(this.$refs.proof);
    this.sift();
    this.$refs.proof.contentDocument.addEventListener('htmx:after:swap', () => this.sift());
  },
  async sift() {
    const { sieve, proof } = this.$refs;
    if (!sieve.dataset.at) return;
    const asked = new URLSearchParams(proof.contentWindow.location.search);
    const why = sieve.querySelector('[name=why]')?.value;
    if (why) asked.set('why', why);
    if (this.by) asked.set('as', this.by);
    const mine = this.sifting = (this.sifting ?? 0) + 1;
    const answer = await reachSoon(`${sieve.dataset.at}?${asked}`);
    // an answer that comes late says nothing any more
    if (!answer?.ok || mine !== this.sifting) return;
    const text = await answer.text();
    // where somebody is by then
    const { id } = document.activeElement;
    sieve.innerHTML = text;
    if (id.startsWith('sieve-')) document.getElementById(id)?.focus();
  },
  asked() {
    this.sift();
  },
  addressOf(by) {
    const { page } = this.$refs.proof.dataset;
    return by ? `/desk/seen/${encodeURIComponent(by)}/${page}` : `/desk/proof/${page}`;
  },
  // To what the ticket is of. An address with a # would have the browser move all that is around the proof, too.
  led(frame) {
    const { contentDocument: proof, contentWindow: there } = frame;
    const part = proof.getElementById(this.$refs.proof.dataset.anchor);
    if (part) there.scrollTo(0, there.scrollY + part.getBoundingClientRect().top - 16);
  },
  // The draft as somebody else would have it: the proof and the sieve follow.
  seen() {
    const { seen, member, proof } = this.$refs;
    member.hidden = seen.value !== '?';
    this.by = seen.value === '?' ? member.value.trim() : seen.value;
    this.standing(seen.value === '?' && this.by !== '');
    if (seen.value === '?' && !this.by) {
      member.focus();
      return;
    }
    proof.src = this.addressOf(this.by);
  },
  // From here, where nothing is written, to the drafted page itself as that member.
  standing(isMember) {
    const { standIn, standsFor } = this.$refs;
    if (!standIn) return;
    standIn.hidden = !isMember;
    standsFor.value = isMember ? this.by : '';
  },
  // A second proof beside the first, by somebody else; both follow the ticket.
  paired() {
    const { pair, pairing, roomBeside } = this.$refs;
    const isPaired = roomBeside.hidden;
    pair.setAttribute('aria-pressed', isPaired);
    pairing.hidden = !isPaired;
    roomBeside.hidden = !isPaired;
    this.seenToo();
    this.scaled();
  },
  beside() {
    const { roomBeside } = this.$refs;
    if (!roomBeside.firstElementChild) {
      const frame = document.createElement('iframe');
      frame.title = roomBeside.dataset.title;
      frame.addEventListener('load', () => this.led(frame));
      roomBeside.append(frame);
      this.scaled();
    }
    return roomBeside.firstElementChild;
  },
  seenToo() {
    const { roomBeside, seenBeside, memberBeside } = this.$refs;
    memberBeside.hidden = roomBeside.hidden || seenBeside.value !== '?';
    if (roomBeside.hidden) return;
    const by = seenBeside.value === '?' ? memberBeside.value.trim() : seenBeside.value;
    if (by) this.beside().src = this.addressOf(by);
    else memberBeside.focus();
  },
  change() {
    if (this.opened !== 'keep') this.turn(this.root().querySelector('[data-opens=keep]'));
  },

  // Esc closes what is open, the innermost first; Ctrl-Z and Ctrl-Y go through the steps.
  pressed(event) {
    if (this.closed(event)) return;
    const isStep = (event.ctrlKey || event.metaKey) && ['z', 'y'].includes(event.key.toLowerCase());
    if (!isStep || isTyping(event.target)) return;
    event.preventDefault();
    const step = event.key.toLowerCase() === 'y' || event.shiftKey ? 'redo' : 'undo';
    this.root().querySelector(`[data-step=${step}]`).click();
  },

  followed() {
    const { mark } = this.root().dataset;
    if (mark !== this.mark) this.again();
    this.mark = mark;
  },
  // The proof is asked for again where it stands, with what was searched in it.
  async again() {
    const { proof, roomBeside } = this.$refs;
    await this.redrawn(proof);
    if (!roomBeside.hidden && roomBeside.firstElementChild) await this.redrawn(roomBeside.firstElementChild);
    this.sift();
    this.said = say('follows');
  },
  async redrawn(frame) {
    const { contentDocument: proof, contentWindow: there } = frame;
    const { href } = there.location;
    const answer = await fetch(href);
    const fresh = (await parsed(answer)).getElementById('content');
    // meanwhile it is seen by somebody else, perhaps as it was before the change, or something is looked for in it
    if (frame.contentDocument !== proof || there.location.href !== href) {
      await this.redrawn(frame);
      return;
    }
    if (!answer.ok || !fresh || !there.htmx) {
      there.location.reload();
      return;
    }
    there.htmx.swap({ target: proof.getElementById('content'), text: fresh.outerHTML, swap: 'outerMorph' });
  },

  sized(event) {
    this.width = Number(event.target.dataset.width);
    for (const button of event.target.parentElement.children) {
      button.setAttribute('aria-pressed', button === event.target);
    }
    this.scaled();
  },
  // A page wider than there is room for is drawn smaller, so that it is laid out as it will be.
  scaled() {
    const { proof, room, roomBeside } = this.$refs;
    for (const [frame, around] of [[proof, room], [roomBeside.firstElementChild, roomBeside]]) {
      if (!frame) continue;
      const scale = Math.min(1, around.clientWidth / this.width);
      frame.style.width = `${this.width}px`;
      frame.style.height = `${around.clientHeight / scale}px`;
      frame.style.transform = `scale(${scale})`;
    }
  },
}));

// Changes carry what tells that they come from this desk; some, how the proof is narrowed.
document.addEventListener('htmx:config:request', ({ detail: { ctx } }) => {
  if ('asksProof' in ctx.sourceElement.dataset) {
    ctx.request.body.set('state', document.querySelector('.proof-frame iframe').contentWindow.location.search);
  }
  const from = ctx.sourceElement.closest('[data-token]');
  if (from && ctx.request.method.toUpperCase() === 'POST') {
    ctx.request.headers[from.dataset.header] = from.dataset.token;
  }
});
