import { readdirSync, readFileSync } from 'node:fs';
import { join } from 'node:path';
import { expect, it } from 'vitest';

it('nowhere is a field that would show days or times in the order of the browser’s country', () => {
  const sources = join(import.meta.dirname, '..', '..', '..');
  const native = /type=(?:\{?['"])(?:date|datetime-local|month|week|time)['"]/;
  const found = readdirSync(sources, { recursive: true, encoding: 'utf8' }).filter(
    (file) => file.endsWith('.tsx') && native.test(readFileSync(join(sources, file), 'utf8')),
  );
  expect(found).toEqual([]);
  expect(native.test('<input className={styles.day} type="date" />')).toBe(true);
});
