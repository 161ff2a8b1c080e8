import type { EntryBody, EntryList, JournalImport, JournalLook, TrialBalanceCheckBody } from '@ivory-ladder/contract';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { TestServer } from '../support/server.ts';
import { openShop } from '../support/shop.ts';

let server: TestServer;
beforeAll(async () => {
  server = await TestServer.shared();
});
afterAll(() => server.stop());

/** Names of elements as the OECD published them for the general ledger (SAF-T 2.0; from memory); the figures are invented. */
function auditFile(transactions: string, { encoding = 'UTF-8', prefix = '' } = {}): string {
  const tag = (name: string) => `${prefix}${name}`;
  return `<?xml version="1.0" encoding="${encoding}"?>
<${tag('AuditFile')} xmlns${prefix === '' ? '' : ':n1'}="urn:StandardAuditFile-Taxation-Financial">
 <${tag('Header')}><${tag('AuditFileVersion')}>2.00</${tag('AuditFileVersion')}><${tag('SelectionCriteria')}><${tag('SelectionStartDate')}>2026-10-01</${tag('SelectionStartDate')}></${tag('SelectionCriteria')}></${tag('Header')}>
 <${tag('MasterFiles')}><${tag('GeneralLedgerAccounts')}>
  <${tag('Account')}><${tag('AccountID')}>1000</${tag('AccountID')}><${tag('AccountDescription')}>Bank</${tag('AccountDescription')}><${tag('OpeningDebitBalance')}>700.00</${tag('OpeningDebitBalance')}></${tag('Account')}>
  <${tag('Account')}><${tag('AccountID')}>3100</${tag('AccountID')}><${tag('AccountDescription')}>Retained &amp; kept</${tag('AccountDescription')}><${tag('OpeningCreditBalance')}>700.00</${tag('OpeningCreditBalance')}></${tag('Account')}>
 </${tag('GeneralLedgerAccounts')}></${tag('MasterFiles')}>
 <${tag('GeneralLedgerEntries')}><${tag('NumberOfEntries')}>1</${tag('NumberOfEntries')}>${transactions.replaceAll('<', `<${prefix}`).replaceAll(`<${prefix}/`, `</${prefix}`)}</${tag('GeneralLedgerEntries')}>
</${tag('AuditFile')}>`;
}

const sale = `<Journal><JournalID>S</JournalID><Description>Sales journal</Description>
 <Transaction><TransactionID>17</TransactionID><TransactionDate>2026-10-05</TransactionDate><Description>Café sale</Description>
  <Line><RecordID>1</RecordID><AccountID>1000</AccountID><Description>cash</Description><DebitAmount><Amount>12.50</Amount></DebitAmount></Line>
  <Line><RecordID>2</RecordID><AccountID>4000</AccountID><CreditAmount><Amount>12.50</Amount></CreditAmount></Line>
 </Transaction>
 <Transaction><TransactionID>18</TransactionID><TransactionDate>2026-10-06</TransactionDate><GLPostingDate>2026-10-07</GLPostingDate>
  <Line><RecordID>1</RecordID><AccountID>6200</AccountID><DebitAmount>3.00</DebitAmount></Line>
  <Line><RecordID>2</RecordID><AccountID>1000</AccountID><CreditAmount>3.00</CreditAmount></Line>
 </Transaction></Journal>`;

async function open() {
  const shop = await openShop(server);
  const imports = `${shop.path}/journal-imports`;
  const read = async (content: Uint8Array) => {
    const look = await server.ok<JournalLook>('POST', `${shop.path}/journal-looks`, content);
    const { separator, encoding, reading } = look;
    const { id } = await server.ok<{ id: number }>('POST', imports, { name: 'audit.xml', bytes: content.length, separator, encoding, reading });
    return { look, id, found: await server.ok<JournalImport>('POST', `${imports}/${id}/content`, content) };
  };
  return { ...shop, imports, read };
}

describe('the general ledger part of an open audit file', () => {
  it.each([
    ['UTF-8', ''],
    ['UTF-8', 'n1:'],
    ['windows-1252', ''],
  ])('in %s with the prefix «%s» is read as entries, one for each transaction', async (encoding, prefix) => {
    const { read, imports, path } = await open();
    const text = auditFile(sale, { encoding, prefix });
    const content = encoding === 'UTF-8' ? new TextEncoder().encode(text) : Uint8Array.from(text, (character) => character.charCodeAt(0));
    const { look, id, found } = await read(content);
    expect(look.reading?.columns).toEqual({ date: 0, document: 1, description: 2, account: 3, debit: 4, credit: 5, text: 6 });
    expect(found).toMatchObject({ state: 'ready', summary: { entries: 2, lines: 4, debit: '1550', firstDay: '2026-10-05', lastDay: '2026-10-07' } });
    await server.ok('POST', `${imports}/${id}/posting`);
    const { entries } = await server.ok<EntryList>('GET', `${path}/entries?from=2026-10-01`);
    const entry = await server.ok<EntryBody>('GET', `${path}/entries/${entries.at(-1)?.id}`);
    expect([
      entry.date,
      entry.originDocument,
      entry.description,
      entry.lines.map(({ number, debit, credit, text: words }) => [number, debit, credit, words]),
    ]).toEqual([
      '2026-10-05',
      'S 17',
      'Café sale',
      [
        ['1000', '1250', '0', 'cash'],
        ['4000', '0', '1250', ''],
      ],
    ]);
  });

  it('is refused whole where it is not well formed, with an account that is not there, or out of balance', async () => {
    const { read } = await open();
    const broken = auditFile(sale).replace('</Transaction></Journal>', '</Transaction></Jrnl>');
    expect((await read(new TextEncoder().encode(broken))).found).toMatchObject({ state: 'wrong', summary: { faults: [{ code: 'file_malformed' }] } });
    const unknown = auditFile(sale.replace('<AccountID>4000', '<AccountID>4999').replace('3.00</CreditAmount>', '2.00</CreditAmount>'));
    expect((await read(new TextEncoder().encode(unknown))).found.summary?.faults.map(({ code }) => code)).toEqual(['account_unknown', 'entry_out_of_balance']);
    const entities = auditFile(sale).replace('?>', '?><!DOCTYPE AuditFile [<!ENTITY big "aaaaaaaaaaaa">]>').replace('Café sale', '&big;');
    expect((await read(new TextEncoder().encode(entities))).found.state).toBe('wrong');
  });

  it('gives its accounts with their opening balances as a trial balance', async () => {
    const { path } = await open();
    const content = new TextEncoder().encode(auditFile(sale));
    const { fileId } = await server.ok<{ fileId: number }>('POST', `${path}/trial-balance-files?name=audit.xml`, content);
    const rehearsal = await server.ok<TrialBalanceCheckBody>('POST', `${path}/trial-balance-files/${fileId}/rehearsal`, {});
    expect([rehearsal.date, rehearsal.rows.map(({ number, name, amount }) => [number, name, amount])]).toEqual([
      '2026-09-30',
      [
        ['1000', 'Bank', '70000'],
        ['3100', 'Retained & kept', '-70000'],
      ],
    ]);
  });
});
