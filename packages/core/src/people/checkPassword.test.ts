import { describe, expect, it } from 'vitest';
import { checkPassword } from './checkPassword.ts';

describe('a password', () => {
  it.each([
    ['eleven char', 'too_short'],
    ['x'.repeat(129), 'too_long'],
    ['aaaaaaaaaaaa', 'too_simple'],
    ['123456789012', 'too_simple'],
    ['abcdefghijkl', 'too_simple'],
    ['ingrid.tveit1', 'names_its_owner'],
    ['Ingrid Tveit!!', 'names_its_owner'],
  ])('%s is refused: %s', (password, reason) => {
    expect(checkPassword(password, ['Ingrid', 'Tveit', 'ingrid.tveit'])).toEqual({ code: 'password_refused', reason });
  });

  it.each(['tide over quay', 'wet ropes, dry socks', '紙とインクと真鍮の梯子を登る', 'correct horse battery staple'])('%s is accepted', (password) => {
    expect(checkPassword(password, ['Ingrid', 'Tveit'])).toBeNull();
  });

  it('counts characters, not bytes, and no name so short that it stands in other words', () => {
    expect(checkPassword('a very long sentence', ['a', 'Al'])).toBeNull();
    expect(checkPassword('🐟🐠🐡🦈🐬🐳', [])).toEqual({ code: 'password_refused', reason: 'too_short' });
  });
});
