/** For `memo`: props that are the same but for what is called. That must do the same in every drawing: hold no state but through a ref. */
export function sameButFunctions<Props extends object>(a: Props, b: Props): boolean {
  return (Object.keys(a) as (keyof Props)[]).every((key) => typeof a[key] === 'function' || a[key] === b[key]);
}
