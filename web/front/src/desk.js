import Alpine from '@alpinejs/csp';
import { start } from './common.js';

// Brings in a file by dropping or choosing it, and shows how far it is. XMLHttpRequest, for fetch does not tell.
Alpine.data('dropZone', () => ({
  over: false,
  busy: false,
  percent: 0,
  problem: '',

  get said() {
    return this.percent < 100 ? `${this.percent} % sent` : 'Reading the file …';
  },

  dropped(event) {
    this.over = false;
    const [file] = event.dataTransfer.files;
    if (file) this.upload(file);
  },

  send() {
    const [file] = this.$refs.file.files;
    if (file) this.upload(file);
  },

  upload(file) {
    if (this.busy) return;
    const form = new FormData(this.$root);
    form.set('file', file);
    this.busy = true;
    this.percent = 0;
    this.problem = '';
    const request = new XMLHttpRequest();
    request.upload.addEventListener('progress', event => {
      this.percent = Math.round(100 * event.loaded / Math.max(1, event.total));
    });
    request.addEventListener('load', () => this.answered(request));
    request.addEventListener('error', () => this.refuse('The file could not be sent. Check the connection and try again.'));
    request.open('POST', this.$root.action);
    request.send(form);
  },

  answered(request) {
    if (request.status < 300) {
      window.location.assign(request.responseURL);
      return;
    }
    const answer = new DOMParser().parseFromString(request.responseText, 'text/html');
    const refusal = answer.querySelector('[data-refusal], main .note-warn, main h1 + p');
    this.refuse(refusal?.textContent ?? 'The file could not be brought in.');
  },

  refuse(sentence) {
    this.busy = false;
    this.problem = sentence;
    this.$refs.file.value = '';
  },
}));

start();
