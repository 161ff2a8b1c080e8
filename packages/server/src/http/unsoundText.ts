/** Characters that no text of ours has: controls but tab and line ends, and halves of characters. */
const refused = /[^\P{Cc}\t\n\r]|\p{Cs}/u;

/** How these stand in JSON: escaped, all but DEL and what follows ASCII. A backslash before it may make it another's text, so that what matches is looked at whole. */
const mayBeRefused = /\\(?:[bf]|u[0d])|[\x7f-\x9f]/;

/** Where in a value a text stands that no database, sheet or screen takes whole; `null` where there is none. `json`: the value, or what holds it, as JSON. */
export function unsoundText(json: string, value: unknown): readonly (string | number)[] | null {
  return mayBeRefused.test(json) ? find(value) : null;
}

function find(value: unknown): readonly (string | number)[] | null {
  const open: { readonly value: unknown; readonly path: readonly (string | number)[] }[] = [{ value, path: [] }];
  for (let next = open.pop(); next; next = open.pop()) {
    const { value: found, path } = next;
    if (typeof found === 'string') {
      if (refused.test(found)) return path;
    } else if (Array.isArray(found)) for (const [at, inner] of found.entries()) open.push({ value: inner, path: [...path, at] });
    else if (typeof found === 'object' && found !== null)
      for (const [key, inner] of Object.entries(found)) {
        if (refused.test(key)) return path;
        open.push({ value: inner, path: [...path, key] });
      }
  }
  return null;
}
