// What the desk's scripts say is written in the page, in the language that the page speaks.
export function say(what, ...details) {
  const name = `say${what[0].toUpperCase()}${what.slice(1)}`;
  const sentence = document.querySelector('[data-trouble]')?.dataset[name] ?? '';
  return sentence.replace(/\{(\d)\}/g, (place, number) => details[number] ?? place);
}
