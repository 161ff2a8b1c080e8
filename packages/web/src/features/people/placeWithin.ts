/** Only a path of our own: an address from outside must not lead away after the sign-in. */
export function placeWithin(to: string | null): string {
  return to !== null && /^\/(?![/\\])/.test(to) ? to : '/companies';
}
