const whole = new Intl.NumberFormat('en');

/** `1 account`, `10,000 accounts`; a plural that does not end in s, or words that follow, are given. */
export function counted(count: number, one: string, many = `${one}s`): string {
  return `${whole.format(count)} ${count === 1 ? one : many}`;
}
