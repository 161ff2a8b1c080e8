export interface Blocker {
  readonly code: string;
  readonly count: number;
}

/** What stands in the way of posting, each counted. */
export class Blockers {
  readonly list: Blocker[] = [];
  add(code: string, count: number): void {
    if (count > 0) this.list.push({ code, count });
  }
}
