/** Who did something: by name, as it was then, and by id, since two people may have one name; `null` where the installation itself did. */
export interface Actor {
  readonly name: string;
  readonly personId: number | null;
}
