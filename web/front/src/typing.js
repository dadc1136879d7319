// Whether somebody types or chooses there, so that letters are not commands.
export const isTyping = target => target.closest('input, select, textarea, [contenteditable]') !== null;
