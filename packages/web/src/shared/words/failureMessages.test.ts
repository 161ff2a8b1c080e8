import { type FailureCode, failures } from '@ivory-ladder/contract';
import { describe, expect, it } from 'vitest';
import { z } from 'zod';
import { describeFailure } from './failureMessages.ts';

type Schema = {
  const?: unknown;
  enum?: unknown[];
  oneOf?: Schema[];
  anyOf?: Schema[];
  type?: string;
  items?: Schema;
  properties?: Record<string, Schema>;
  format?: string;
};

/** Facts as the schema has them, the shortest there are. */
function sample(schema: Schema): unknown {
  if (schema.const !== undefined) return schema.const;
  if (schema.enum) return schema.enum[0];
  const choices = schema.anyOf ?? schema.oneOf;
  if (choices) return sample(choices[0] as Schema);
  switch (schema.type) {
    case 'object':
      return Object.fromEntries(Object.entries(schema.properties ?? {}).map(([key, value]) => [key, key === 'at' ? '2026-09-30 14:05:11.123' : sample(value)]));
    case 'array':
      return [sample(schema.items as Schema)];
    case 'string':
      return schema.format === 'date' ? '2026-09-30' : '5';
    case 'integer':
    case 'number':
      return 5;
    case 'null':
      return null;
    default:
      return undefined;
  }
}

function factsOf(code: FailureCode): object {
  const schema: z.ZodObject = failures[code].facts;
  const facts = sample(z.toJSONSchema(schema, { unrepresentable: 'any' }) as Schema) as object;
  // Days of this failure are texts, which the words make days of.
  const days = ['day', ...(code === 'span_reversed' ? ['from', 'to'] : [])];
  return Object.fromEntries(Object.entries(facts).map(([key, value]) => [key, days.includes(key) ? '2026-09-30' : value]));
}

describe('words for failures', () => {
  it.each(Object.keys(failures) as FailureCode[])('%s is told as a sentence', (code) => {
    const words = describeFailure({ code, facts: factsOf(code) });
    expect(words).not.toMatch(/^Not done:/);
    expect(words).toMatch(/^[A-Z«1-9].*[.?]$/);
    expect(words).not.toMatch(/_|undefined|NaN|\[object/);
  });

  it('a conflict of versions names who made the one that stands, where that is known', () => {
    const facts = { thing: 'account', id: 5, current: null };
    const last = { by: 'Runa Holm', at: '2026-09-30 14:05:11.123' };
    expect(describeFailure({ code: 'version_conflict', facts: { ...facts, last } })).toMatch(
      /^Runa Holm changed this meanwhile, on \d+ Sept? 2026, \d\d:05\. .* the version of Runa Holm\.$/,
    );
    expect(describeFailure({ code: 'version_conflict', facts })).toMatch(/^Somebody else has changed this meanwhile/);
  });

  it('a code that nobody knows is still said, without its code form', () => {
    expect(describeFailure({ code: 'tide_too_low', facts: {} })).toBe('Not done: tide too low.');
    expect(describeFailure(undefined)).toBe('Not done: unknown reason.');
  });
});
