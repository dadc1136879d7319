// A sentence that says what has come of something, or why nothing has, for its place on the page.
export function note(text, look = 'note note-warn') {
  const said = document.createElement('p');
  said.className = look;
  said.setAttribute('role', 'alert');
  said.textContent = text;
  return said;
}
