// What the server answers; null where no answer comes, of which whoever asks says what is to be said.
export const reach = (address, options) => fetch(address, options).catch(() => null);

const SOON = [1000, 3000, 9000]; // so many milliseconds after one try the next
const BUSY = [429, 503];
const after = time => new Promise(resolve => setTimeout(resolve, time));

// The same for what is worth asking for again where the server has too much to do now.
export async function reachSoon(address) {
  for (const pause of SOON) {
    const answer = await reach(address);
    if (answer && !BUSY.includes(answer.status)) return answer;
    await after(pause);
  }
  return reach(address);
}
