import { randomBytes } from 'node:crypto';
import type { Company, JournalImport, JournalLook, PostedEntryBody, TrialBalanceViewBody } from '@ivory-ladder/contract';
import type { ServerProcess } from '../support/serverProcess.ts';
import { countEntries, findFaults, linesOfEntry } from './trialFaults.ts';

const accounts = 40;

const linesOfImport = 30_000;

type Asked = { readonly status: number; readonly body: unknown } | null;

/** A company of a trial: what was asked for in it, which must be there once afterwards, and nothing else. */
export class TrialCompany {
  private readonly sent = new Set<number>();
  private readonly answered = new Map<number, string>();
  private readonly imports: { readonly id: number; readonly key: string }[] = [];

  private constructor(
    private readonly databaseUrl: string,
    readonly id: number,
    private readonly accountIds: readonly number[],
  ) {}

  static async open(server: ServerProcess, databaseUrl: string): Promise<TrialCompany> {
    const { id } = await server.ok<Company>('POST', '/companies', {
      name: `Trial ${randomBytes(3).toString('hex')}`,
      currency: 'EUR',
      fiscalYearFirstMonth: 1,
    });
    const chart = Array.from({ length: accounts }, (_, at) => `${100 + at},Account ${at},asset,${at === 0 ? 1 : 0}`).join('\n');
    const { fileId } = await server.ok<{ fileId: number }>(
      'POST',
      `/companies/${id}/trial-balance-files?name=tb.csv`,
      `Number,Name,Element,Balance\n${chart}\n900,Capital,equity,-1`,
    );
    await server.ok('POST', `/companies/${id}/trial-balance-files/${fileId}/posting`, { date: '2026-01-31' });
    const { accounts: charted } = await server.ok<TrialBalanceViewBody>('GET', `/companies/${id}/trial-balance?from=2026-01-01&to=2026-01-31`);
    return new TrialCompany(
      databaseUrl,
      id,
      charted.map((account) => account.id),
    );
  }

  get path(): string {
    return `/companies/${this.id}`;
  }

  /** Asks for the entry of this number, once or again. */
  async post(server: ServerProcess, number: number): Promise<Asked> {
    this.sent.add(number);
    const lines = Array.from({ length: linesOfEntry }, (_, at) => {
      const accountId = this.accountIds[(number * 7 + at * 3) % this.accountIds.length];
      return at % 2 === 0 ? { accountId, debit: String(number + at + 1) } : { accountId, credit: String(number + at) };
    });
    const body = { date: `2026-0${1 + (number % 9)}-10`, description: `Trial ${number}`, lines };
    const answer = await server.call<PostedEntryBody>('POST', `${this.path}/entries`, body, { 'Idempotency-Key': `trial-${number}` });
    if (answer?.status === 201) this.answered.set(number, answer.body.documentNumber);
    return answer;
  }

  /** A file of documents that no file of another `name` has. */
  fileOf(name: string): string {
    let content = 'Date,Document,Account,Debit,Credit\n';
    for (let entry = 0; entry < linesOfImport / linesOfEntry; entry++)
      for (let line = 0; line < linesOfEntry; line++)
        content += `2026-0${1 + (entry % 9)}-20,${name}-${entry},${100 + ((entry + line) % accounts)},${line % 2 === 0 ? '1.00' : ''},${line % 2 === 0 ? '' : '1.00'}\n`;
    return content;
  }

  /** Reads a file; gives what to post it by, or `null` where it did not come to that. */
  async read(server: ServerProcess, content: string): Promise<{ readonly id: number; readonly key: string } | null> {
    const look = await server.call<JournalLook>('POST', `${this.path}/journal-looks`, content.slice(0, content.indexOf('\n', 4000) + 1));
    if (look?.status !== 200) return null;
    const { separator, encoding, reading } = look.body;
    const begun = await server.call<{ id: number }>('POST', `${this.path}/journal-imports`, {
      name: 'trial.csv',
      bytes: content.length,
      separator,
      encoding,
      reading,
    });
    if (begun?.status !== 201) return null;
    const read = await server.call<JournalImport>('POST', `${this.path}/journal-imports/${begun.body.id}/content`, content);
    if (read?.status !== 200 || read.body.state !== 'ready') return null;
    const one = { id: begun.body.id, key: randomBytes(8).toString('hex') };
    this.imports.push(one);
    return one;
  }

  postImport(server: ServerProcess, { id, key }: { readonly id: number; readonly key: string }): Promise<Asked> {
    return server.call<unknown>('POST', `${this.path}/journal-imports/${id}/posting`, undefined, { 'Idempotency-Key': key });
  }

  /** Whoever had no answer asks again with the same key; then each thing is there once. Gives what is wrong, and how much there is. */
  async settle(server: ServerProcess): Promise<{ readonly faults: string[]; readonly entries: number; readonly imports: number }> {
    const faults: string[] = [];
    for (const own of [...this.sent]) {
      const before = this.answered.get(own);
      const again = await this.post(server, own);
      if (again?.status !== 201) faults.push(`entry ${own} asked for again: ${JSON.stringify(again)}`);
      else if (before !== undefined && before !== this.answered.get(own)) faults.push(`entry ${own} has another document than it was answered`);
    }
    for (const one of this.imports) {
      const [first, second] = [await this.postImport(server, one), await this.postImport(server, one)];
      if (JSON.stringify(first?.body) !== JSON.stringify(second?.body)) faults.push(`import ${one.id} answers its second posting otherwise`);
    }
    const { entries, imported, documents, numbers } = await countEntries(this.databaseUrl, this.id);
    if (entries !== this.sent.size) faults.push(`${entries} entries of ${this.sent.size} asked for`);
    if (imported % (linesOfImport / linesOfEntry) !== 0) faults.push(`${imported} imported entries, which is no whole number of imports`);
    if (imported !== documents) faults.push(`${imported} imported entries of ${documents} documents`);
    if (numbers.some((value, at) => value !== at + 1)) faults.push('document numbers have a gap');
    faults.push(...(await findFaults(this.databaseUrl, this.id)));
    return { faults, entries, imports: imported / (linesOfImport / linesOfEntry) };
  }
}
