import type { EntryList } from '@ivory-ladder/contract';
import type { ApiClient } from '../tests/support/apiClient.ts';
import { againstBar, alternate, type Result } from './measure.ts';

const barMilliseconds = 100;

/** What no entry has, another text and amount each time, so that every entry is looked at; and texts that very many have. */
export async function measureSearch(client: ApiClient, companyId: number, lines: number): Promise<Result[]> {
  let asked = 0;
  const seek = async (query: string, isThere: boolean): Promise<void> => {
    const { entries } = await client.ok<EntryList>('GET', `/companies/${companyId}/entries?${query}`);
    if (entries.length > 0 !== isThere) throw new Error(`${query}: ${entries.length} entries`);
  };
  const size = `${(lines / 1e6).toLocaleString('en')} million journal lines`;
  const rare = await alternate('a search for what is nowhere', () => seek(`text=nowhere${asked++}&amount=${900_000_000 + asked}`, false), null);
  const frequent = await alternate('a search for what is everywhere', () => seek(`text=line%20${asked++ % 10}`, true), null);
  return [
    againstBar(`search for a text or an amount that no entry of ${size} has`, rare, barMilliseconds),
    againstBar('search for a text that very many have, the latest hundred', frequent, barMilliseconds),
  ];
}
