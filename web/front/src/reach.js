// What the server answers; null where no answer comes, of which whoever asks says what is to be said.
export const reach = (address, options) => fetch(address, options).catch(() => null);
