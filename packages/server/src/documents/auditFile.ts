import { addDays, isDay } from '@ivory-ladder/core';
import { SaxesParser } from 'saxes';
import { tableLimits } from './tableLimits.ts';

/** Headings of the rows that journal lines of an audit file become; journal imports know columns by them. */
const lineHeadings = ['Date', 'Document', 'Description', 'Account', 'Debit', 'Credit', 'Text'];
/** Headings of its accounts with their opening balances; trial balances and chart files know them. */
const accountHeadings = ['Number', 'Name', 'Debit', 'Credit'];

/** Whether bytes begin as XML does; an audit file is the only XML that is read. */
export function beginsAsXml(head: Uint8Array): boolean {
  const text = new TextDecoder('utf-8').decode(head.subarray(0, 200)).trimStart();
  return /^<(\?xml|!--|AuditFile|[\w-]+:AuditFile)/.test(text);
}

/** As the declaration says, UTF-8 where it says nothing that is known. */
export function encodingOfXml(head: Uint8Array): string {
  const declared =
    /^<\?xml[^>]*encoding=["']([\w-]+)["']/i.exec(new TextDecoder('latin1').decode(head.subarray(0, 200)).replace(/^\u00ef\u00bb\u00bf/, ''))?.[1] ?? 'utf-8';
  try {
    return new TextDecoder(declared).encoding;
  } catch {
    return 'utf-8';
  }
}

/**
 * Reads the general ledger part of a Standard Audit File for Tax (OECD, SAF-T 2.0, general ledger; structure from memory) as
 * text comes: accounts of `MasterFiles/GeneralLedgerAccounts` and lines of `GeneralLedgerEntries/Journal/Transaction/Line`.
 * Names are taken without their namespace. Entities of a document type are never expanded. Throws the parser's error for text
 * that is not well formed, with code `XML_MALFORMED`.
 */
export class AuditFileReader {
  readonly accounts: string[][] = [accountHeadings];
  /** Rows that were read since they were taken last. */
  private lines: string[][] = [lineHeadings];
  private readonly path: string[] = [];
  private readonly parser = new SaxesParser();
  private readonly fields = new Map<string, string>();
  private text = '';

  constructor() {
    this.parser.on('opentag', ({ name }) => {
      if (this.path.length >= tableLimits.depth || this.fields.size > tableLimits.fields)
        throw Object.assign(new Error('nested too deep'), { code: 'XML_MALFORMED' });
      this.path.push(name.slice(name.indexOf(':') + 1));
      this.text = '';
    });
    this.parser.on('text', (text) => {
      this.text += text;
    });
    this.parser.on('cdata', (text) => {
      this.text += text;
    });
    this.parser.on('closetag', () => this.close());
    this.parser.on('error', (error) => {
      throw Object.assign(error, { code: 'XML_MALFORMED' });
    });
  }

  write(text: string): void {
    this.parser.write(text);
  }

  end(): void {
    this.parser.close();
  }

  takeLines(): string[][] {
    const taken = this.lines;
    this.lines = [];
    return taken;
  }

  /** The day that opening balances stand at the end of, where the file says when it begins. */
  get openingDay(): string | null {
    const begins = this.fields.get('Header/SelectionCriteria/SelectionStartDate') ?? this.fields.get('Header/StartDate') ?? '';
    return isDay(begins) ? addDays(begins, -1) : null;
  }

  private close(): void {
    const path = this.path.slice(1).join('/');
    const value = this.text.trim();
    this.text = '';
    if (path.startsWith('Header/')) this.fields.set(path, value);
    else if (path.startsWith(accountPath)) this.inAccount(path.slice(accountPath.length), value);
    else if (path.startsWith(journalPath)) this.inJournal(path.slice(journalPath.length), value);
    this.path.pop();
  }

  private inAccount(path: string, value: string): void {
    if (path !== '') {
      this.fields.set(`account${path}`, value);
      return;
    }
    const of = (field: string) => this.fields.get(`account/${field}`) ?? '';
    this.accounts.push([of('AccountID'), of('AccountDescription'), of('OpeningDebitBalance'), of('OpeningCreditBalance')]);
    this.forget('account/');
  }

  private inJournal(path: string, value: string): void {
    if (path === '' || path === '/Transaction') {
      this.forget(`${path}/`);
      return;
    }
    if (path !== '/Transaction/Line') {
      this.fields.set(path, value);
      return;
    }
    const of = (field: string) => this.fields.get(field) ?? '';
    const line = (field: string) => of(`/Transaction/Line/${field}`);
    const amount = (side: 'Debit' | 'Credit') => line(`${side}Amount/Amount`) || line(`${side}Amount`);
    this.lines.push([
      of('/Transaction/GLPostingDate') || of('/Transaction/TransactionDate'),
      [of('/JournalID'), of('/Transaction/TransactionID')].filter((part) => part !== '').join(' '),
      of('/Transaction/Description'),
      line('AccountID'),
      amount('Debit'),
      amount('Credit'),
      line('Description'),
    ]);
    this.forget('/Transaction/Line/');
  }

  /** What is inside an element ends with it. */
  private forget(prefix: string): void {
    for (const key of this.fields.keys()) if (key.startsWith(prefix)) this.fields.delete(key);
  }
}

const accountPath = 'MasterFiles/GeneralLedgerAccounts/Account';
const journalPath = 'GeneralLedgerEntries/Journal';
