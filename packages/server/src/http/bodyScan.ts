const deepest = 64;
/** A chart of ten thousand accounts asks for as many in one object. */
const mostMembers = 50_000;
const [quote, backslash, openObject, closeObject, openList, closeList, comma] = [0x22, 0x5c, 0x7b, 0x7d, 0x5b, 0x5d, 0x2c];

type Refused = 'unknown_key' | 'too_deep' | 'too_many_members';

/**
 * What is wrong with JSON that would take long to read, seen before it is: keys that nobody knows (beside `fields`, of its outermost object), at the first of
 * them; more depth or members than anything has. Only its frame is looked at: whether it is JSON is found out by reading it.
 */
export function scanBody(json: Buffer, fields: ReadonlySet<string> | null): Refused | null {
  const isObject: boolean[] = [];
  const members: number[] = [];
  let isKeyNext = false;
  for (let at = 0; at < json.length; at++) {
    switch (json[at]) {
      case quote: {
        const end = endOfText(json, at);
        const depth = isObject.length - 1;
        if (isKeyNext) {
          members[depth] = (members[depth] ?? 0) + 1;
          if ((members[depth] ?? 0) > mostMembers) return 'too_many_members';
          if (depth === 0 && fields && !fields.has(json.toString('utf8', at + 1, end))) return 'unknown_key';
        }
        isKeyNext = false;
        at = end;
        break;
      }
      case openObject:
      case openList:
        isKeyNext = json[at] === openObject;
        isObject.push(isKeyNext);
        members[isObject.length - 1] = 0;
        if (isObject.length > deepest) return 'too_deep';
        break;
      case closeObject:
      case closeList:
        isObject.pop();
        isKeyNext = false;
        break;
      case comma:
        isKeyNext = isObject.at(-1) ?? false;
    }
  }
  return null;
}

/** Where the text that begins here has its closing quote, or the end of all. */
function endOfText(json: Buffer, from: number): number {
  for (let at = from + 1; ; at++) {
    at = json.indexOf(quote, at);
    if (at < 0) return json.length;
    let slashes = 0;
    while (json[at - 1 - slashes] === backslash) slashes++;
    if (slashes % 2 === 0) return at;
  }
}
