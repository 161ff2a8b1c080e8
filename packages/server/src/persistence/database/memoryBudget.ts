import type { KeptInMemory, KeptKind, KeptShare } from '../../application/ports/index.ts';

interface Kept {
  readonly kind: KeptKind;
  readonly value: object;
  readonly bytes: number;
}

/** All that one thread keeps of companies, least recently used out first. What alone takes more than the budget is kept alone. */
export class MemoryBudget implements KeptInMemory {
  /** In the order of use. */
  private readonly kept = new Map<string, Kept>();
  private bytes = 0;
  private readonly made = new Map<KeptKind, number>();

  constructor(readonly budget: number) {}

  get<Value extends object>(kind: KeptKind, key: string): Value | undefined {
    const name = `${kind} ${key}`;
    const found = this.kept.get(name);
    if (!found) return undefined;
    this.kept.delete(name);
    this.kept.set(name, found);
    return found.value as Value;
  }

  keep(kind: KeptKind, key: string, value: object, bytes: number): void {
    const name = `${kind} ${key}`;
    this.drop(name);
    this.kept.set(name, { kind, value, bytes });
    this.bytes += bytes;
    this.made.set(kind, (this.made.get(kind) ?? 0) + 1);
    for (const oldest of this.kept.keys()) {
      if (this.bytes <= this.budget || oldest === name) break;
      this.drop(oldest);
    }
  }

  shares(): KeptShare[] {
    const shares = new Map<KeptKind, KeptShare>([...this.made].map(([kind, made]) => [kind, { kind, count: 0, bytes: 0, made }]));
    for (const { kind, bytes } of this.kept.values()) {
      const share = shares.get(kind) as KeptShare;
      shares.set(kind, { ...share, count: share.count + 1, bytes: share.bytes + bytes });
    }
    return [...shares.values()].sort((a, b) => b.bytes - a.bytes);
  }

  private drop(name: string): void {
    this.bytes -= this.kept.get(name)?.bytes ?? 0;
    this.kept.delete(name);
  }
}
