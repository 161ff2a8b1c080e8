import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { scanBody } from './bodyScan.ts';

const scan = (text: string, fields: readonly string[] | null = null) => scanBody(Buffer.from(text), fields && new Set(fields));
const nested = (depth: number) => '['.repeat(depth) + ']'.repeat(depth);

describe('a body that is looked at before it is read', () => {
  it('may have the keys that are expected, in any order, and further ones only further in', () => {
    expect(scan('{"name": 1, "lines": [{"other": {"more": 2}}]}', ['name', 'lines'])).toBeNull();
    expect(scan('{"lines": [], "other": 1}', ['name', 'lines'])).toBe('unknown_key');
    expect(scan('{"name": "other", "lines": ["other"]}', ['name', 'lines'])).toBeNull();
    expect(scan('[{"other": 1}]', ['name'])).toBeNull();
    expect(scan('{"other": 1}')).toBeNull();
  });

  it('is not led astray by quotes, slashes and braces within texts', () => {
    expect(scan('{"name": "a \\" , \\"other\\": {", "lines": 1}', ['name', 'lines'])).toBeNull();
    expect(scan('{"name": "ends in a slash \\\\", "other": 1}', ['name'])).toBe('unknown_key');
    expect(scan('{"name": "[[[[{{{{"}', ['name'])).toBeNull();
  });

  it('may be 64 deep, and have 50,000 members in one object', () => {
    expect([scan(nested(64)), scan(nested(65))]).toEqual([null, 'too_deep']);
    const members = (count: number) => `{${Array.from({ length: count }, (_, at) => `"${at}":0`).join()}}`;
    expect([scan(members(50_000)), scan(members(50_001))]).toEqual([null, 'too_many_members']);
    // In each, not in all together.
    expect(scan(`[${members(40_000)},${members(40_000)}]`)).toBeNull();
  });

  it('that breaks off, or is no JSON at all, is looked at to its end', () => {
    for (const text of ['', '{', '{"name', '{"name\\', ']]]]', '"', '{"a":1}}}}', ',,,,']) expect([text, scan(text)]).toEqual([text, null]);
  });

  it('of any JSON, has its outermost keys found, and nothing else taken for one', () => {
    fc.assert(
      fc.property(fc.dictionary(fc.string(), fc.jsonValue({ maxDepth: 4 })), (value) => {
        const keys = Object.keys(value);
        const text = JSON.stringify(value);
        // Keys are compared as they are written: those of the contract need no escapes.
        const written = keys.map((key) => JSON.stringify(key).slice(1, -1));
        expect(scan(text, written)).toBeNull();
        if (written.length > 0)
          expect(
            scan(
              text,
              written.slice(1).filter((key) => key !== written[0]),
            ),
          ).toBe('unknown_key');
      }),
    );
  });
});
