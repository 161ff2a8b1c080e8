import type { Failure } from '../application/failure.ts';

const mostAtOnce = 4;
const mostWaiting = 12;
const longestWaitSeconds = 30;
const minute = 60_000;

type TooMuch = Extract<Failure, { code: 'asked_for_much' }>;

interface OfPerson {
  running: number;
  /** In the order of their turns. */
  readonly waiting: (() => void)[];
  /** When each of the last minute began. */
  began: number[];
}

/**
 * What one person asks for that is heavy: a few at once, the rest in turn, so many a minute. Of one server; what follows from it holds for each. A flood
 * of one person's waits in front of its own door, with its body unread.
 */
export class PersonTurns {
  private readonly of = new Map<number, OfPerson>();

  /** `mostAMinute` 0: as many as there come. */
  constructor(private readonly mostAMinute: number) {}

  /** What to call when it is done, or in how many seconds to come again. `left`: nobody waits for it any more. */
  async enter(personId: number, left: AbortSignal): Promise<(() => void) | TooMuch> {
    const own = this.of.get(personId) ?? { running: 0, waiting: [], began: [] };
    this.of.set(personId, own);
    const now = Date.now();
    own.began = own.began.filter((at) => at > now - minute);
    const [oldest = now] = own.began;
    if (this.mostAMinute > 0 && own.began.length >= this.mostAMinute) return tooMuch(Math.ceil((oldest + minute - now) / 1000));
    if (own.running >= mostAtOnce && own.waiting.length >= mostWaiting) return tooMuch(longestWaitSeconds);
    own.began.push(now);
    if (own.running < mostAtOnce) own.running++;
    else if (!(await inTurn(own, left))) return tooMuch(longestWaitSeconds);
    return () => leave(own);
  }
}

function inTurn(own: OfPerson, left: AbortSignal): Promise<boolean> {
  return new Promise((resolve) => {
    const settle = (isItsTurn: boolean): void => {
      clearTimeout(timer);
      left.removeEventListener('abort', giveUp);
      own.waiting.splice(own.waiting.indexOf(take), 1);
      resolve(isItsTurn);
    };
    const take = (): void => settle(true);
    const giveUp = (): void => settle(false);
    const timer = setTimeout(giveUp, longestWaitSeconds * 1000);
    left.addEventListener('abort', giveUp);
    own.waiting.push(take);
  });
}

/** The place goes to who waits longest. */
function leave(own: OfPerson): void {
  const [next] = own.waiting;
  if (next) next();
  else own.running--;
}

function tooMuch(seconds: number): TooMuch {
  return { code: 'asked_for_much', seconds: Math.max(1, seconds) };
}
