/** Bytes before the answer: its turn, which is odd while it is being written, its place in the order of answers, its length. */
const headBytes = 12;
const mostBytes = 512_000;

/**
 * Memory that a worker and its page share, for the latest answer: the page can look for it before it paints, where a message that is there already would
 * come after. `null` where the page is not isolated; then messages alone bring answers.
 */
export function shareAnswer(): SharedArrayBuffer | null {
  return typeof SharedArrayBuffer === 'undefined' ? null : new SharedArrayBuffer(headBytes + mostBytes);
}

/** What is too large is left to its message. */
export function writeAnswer(shared: SharedArrayBuffer, place: number, answer: string): void {
  const bytes = new TextEncoder().encode(answer);
  if (bytes.length > mostBytes) return;
  const head = new Int32Array(shared, 0, headBytes / 4);
  Atomics.add(head, 0, 1);
  new Uint8Array(shared, headBytes).set(bytes);
  Atomics.store(head, 1, place);
  Atomics.store(head, 2, bytes.length);
  Atomics.add(head, 0, 1);
}

/** The answer with that place; `null` where another one is there, or it is being written. */
export function readAnswer(shared: SharedArrayBuffer, place: number): string | null {
  const head = new Int32Array(shared, 0, headBytes / 4);
  const turn = Atomics.load(head, 0);
  if (turn % 2 === 1 || Atomics.load(head, 1) !== place) return null;
  const bytes = new Uint8Array(shared, headBytes, Atomics.load(head, 2)).slice();
  return Atomics.load(head, 0) === turn ? new TextDecoder().decode(bytes) : null;
}

/** The same, if it is there within so many milliseconds: they are spent before the screen is painted, which takes longer. */
export function awaitAnswer(shared: SharedArrayBuffer, place: number, mostWaited: number): string | null {
  const until = performance.now() + mostWaited;
  do {
    const answer = readAnswer(shared, place);
    if (answer !== null) return answer;
  } while (performance.now() < until);
  return null;
}
