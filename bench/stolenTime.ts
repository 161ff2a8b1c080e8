import { readFileSync } from 'node:fs';

/** Hundredths of a second of both processors since the machine began: worked, and wanted but given to another machine of the same host. */
interface Spent {
  readonly worked: number;
  readonly stolen: number;
}

const most = 5;
const undisturbedShare = 0.02;

/**
 * So many rounds as the host left alone: a figure taken beside another load is none, also where the load is another machine's. Rounds are made anew until enough
 * of them lost at most two hundredths of their working time, up to five times as many; those that lost least are what is had. Says how many there were.
 */
export async function undisturbed<Round>(what: string, wanted: number, round: () => Promise<Round>): Promise<Round[]> {
  const made: { readonly lost: number; readonly value: Round }[] = [];
  const quiet = () => made.filter(({ lost }) => lost <= undisturbedShare).length;
  while (quiet() < wanted && made.length < wanted * most) {
    const before = spent();
    const value = await round();
    const after = spent();
    const stolen = after.stolen - before.stolen;
    made.push({ lost: stolen / Math.max(1, after.worked - before.worked + stolen), value });
  }
  process.stdout.write(`  ${what}: ${quiet()} of ${made.length} rounds were left alone by the host\n`);
  return made
    .sort((a, b) => a.lost - b.lost)
    .slice(0, wanted)
    .map(({ value }) => value);
}

/** proc(5), the line `cpu` of /proc/stat: user, nice, system, idle, iowait, irq, softirq, steal. */
function spent(): Spent {
  const [line = ''] = readFileSync('/proc/stat', 'utf8').split('\n', 1);
  const [user = 0, nice = 0, system = 0, , , irq = 0, softirq = 0, steal = 0] = line.trim().split(/\s+/).slice(1).map(Number);
  return { worked: user + nice + system + irq + softirq, stolen: steal };
}
