/** The first `bytes` of what comes, or all of it where it is less, and all of it again from its beginning. */
export async function peek(content: AsyncIterable<Uint8Array>, bytes: number): Promise<readonly [head: Uint8Array, whole: AsyncIterable<Uint8Array>]> {
  const rest = content[Symbol.asyncIterator]();
  const first: Uint8Array[] = [];
  let held = 0;
  let isOver = false;
  while (held < bytes && !isOver) {
    const next = await rest.next();
    if (next.done) isOver = true;
    else {
      first.push(next.value);
      held += next.value.length;
    }
  }
  const whole = async function* (): AsyncGenerator<Uint8Array> {
    try {
      yield* first;
      for (let next = isOver ? null : await rest.next(); next && !next.done; next = await rest.next()) yield next.value;
    } finally {
      await rest.return?.();
    }
  };
  return [Buffer.concat(first), whole()];
}
