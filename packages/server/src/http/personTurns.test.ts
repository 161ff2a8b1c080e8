import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import { PersonTurns } from './personTurns.ts';

const stays = new AbortController().signal;
type Entered = Awaited<ReturnType<PersonTurns['enter']>>;
const leave = (entered: Entered | undefined): void => {
  if (typeof entered !== 'function') throw new Error('nobody entered');
  entered();
};

beforeEach(() => vi.useFakeTimers());
afterEach(() => vi.useRealTimers());

describe('what one person asks for that is heavy', () => {
  it('goes on four at once, and those that wait in the order in which they came', async () => {
    const turns = new PersonTurns(0);
    const entered = await Promise.all(Array.from({ length: 4 }, () => turns.enter(1, stays)));
    const order: number[] = [];
    const waiting = [5, 6].map((who) => turns.enter(1, stays).then((left) => [order.push(who), left] as const));
    await vi.advanceTimersByTimeAsync(1000);
    expect(order).toEqual([]);
    leave(entered[0]);
    const [[, fifth]] = [await (waiting[0] as Promise<readonly [number, Entered]>)];
    expect(order).toEqual([5]);
    leave(fifth);
    await waiting[1];
    expect(order).toEqual([5, 6]);
  });

  it('keeps nobody else waiting', async () => {
    const turns = new PersonTurns(0);
    await Promise.all(Array.from({ length: 4 }, () => turns.enter(1, stays)));
    expect(await turns.enter(2, stays)).toBeTypeOf('function');
  });

  it('is told to come again where twelve wait already, and after half a minute of waiting', async () => {
    const turns = new PersonTurns(0);
    await Promise.all(Array.from({ length: 4 }, () => turns.enter(1, stays)));
    const waiting = Array.from({ length: 12 }, () => turns.enter(1, stays));
    expect(await turns.enter(1, stays)).toEqual({ code: 'asked_for_much', seconds: 30 });
    await vi.advanceTimersByTimeAsync(30_000);
    expect(await Promise.all(waiting)).toEqual(waiting.map(() => ({ code: 'asked_for_much', seconds: 30 })));
  });

  it('gives up the place of whoever has gone away', async () => {
    const turns = new PersonTurns(0);
    const [first] = await Promise.all(Array.from({ length: 4 }, () => turns.enter(1, stays)));
    const gone = new AbortController();
    const [given, next] = [turns.enter(1, gone.signal), turns.enter(1, stays)];
    gone.abort();
    expect(await given).toEqual({ code: 'asked_for_much', seconds: 30 });
    leave(first);
    expect(await next).toBeTypeOf('function');
  });

  it('is so many a minute, and says in how many seconds the oldest is a minute ago', async () => {
    const turns = new PersonTurns(2);
    leave(await turns.enter(1, stays));
    await vi.advanceTimersByTimeAsync(20_000);
    leave(await turns.enter(1, stays));
    expect(await turns.enter(1, stays)).toEqual({ code: 'asked_for_much', seconds: 40 });
    await vi.advanceTimersByTimeAsync(40_001);
    expect(await turns.enter(1, stays)).toBeTypeOf('function');
  });
});
