export interface RunningDatabase {
  readonly url: string;
  readonly port: number;
  readonly pid: number;
  untilEnded(): Promise<unknown>;
  stop(): Promise<void>;
}

export const withoutSync: readonly string[];

export function startMariaDb(
  folder: string,
  options?: { small?: boolean; database?: string; port?: number; extra?: readonly string[] },
): Promise<RunningDatabase>;
