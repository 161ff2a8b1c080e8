import { deflateRawSync } from 'node:zlib';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { TestServer } from '../support/server.ts';
import { createCompany, handIn } from '../support/trialBalance.ts';

let server: TestServer;
let companyId: number;
beforeAll(async () => {
  server = await TestServer.shared();
  companyId = (await createCompany(server)).id;
});
afterAll(() => server.stop());

/** A zip archive of the given parts; enough of the format for a workbook, made by hand so that it can be made badly. */
function pack(parts: Readonly<Record<string, string>>): Uint8Array {
  const crcTable = Array.from({ length: 256 }, (_, n) => Array.from({ length: 8 }).reduce<number>((c) => (c & 1 ? 0xedb88320 ^ (c >>> 1) : c >>> 1), n) >>> 0);
  const crc32 = (bytes: Buffer) => (bytes.reduce((crc, byte) => ((crcTable[(crc ^ byte) & 255] as number) ^ (crc >>> 8)) >>> 0, 0xffffffff) ^ 0xffffffff) >>> 0;
  const [locals, centrals]: [Buffer[], Buffer[]] = [[], []];
  let offset = 0;
  for (const [name, text] of Object.entries(parts)) {
    const [raw, packed, nameBytes] = [Buffer.from(text), deflateRawSync(Buffer.from(text)), Buffer.from(name)];
    const fields = Buffer.alloc(26);
    fields.writeUInt16LE(20, 0);
    fields.writeUInt16LE(8, 4);
    fields.writeUInt32LE(crc32(raw), 10);
    fields.writeUInt32LE(packed.length, 14);
    fields.writeUInt32LE(raw.length, 18);
    fields.writeUInt16LE(nameBytes.length, 22);
    const local = Buffer.concat([Buffer.from('PK\x03\x04'), fields, nameBytes, packed]);
    const tail = Buffer.alloc(14);
    tail.writeUInt32LE(offset, 10);
    centrals.push(Buffer.concat([Buffer.from('PK\x01\x02\x14\x00'), fields.subarray(0, 26), tail, nameBytes]));
    locals.push(local);
    offset += local.length;
  }
  const central = Buffer.concat(centrals);
  const end = Buffer.alloc(22);
  end.write('PK\x05\x06', 0, 'latin1');
  end.writeUInt16LE(centrals.length, 8);
  end.writeUInt16LE(centrals.length, 10);
  end.writeUInt32LE(central.length, 12);
  end.writeUInt32LE(offset, 16);
  return new Uint8Array(Buffer.concat([...locals, central, end]));
}

const main = 'http://schemas.openxmlformats.org/spreadsheetml/2006/main';
const relationships = 'http://schemas.openxmlformats.org/officeDocument/2006/relationships';
const rows =
  '<row r="1"><c r="A1" t="inlineStr"><is><t>Number</t></is></c><c r="B1" t="inlineStr"><is><t>Name</t></is></c><c r="C1" t="inlineStr"><is><t>Balance</t></is></c></row><row r="2"><c r="A2"><v>1</v></c><c r="B2" t="inlineStr"><is><t>Bank</t></is></c><c r="C2"><v>0.1</v></c></row>';

function workbook(sheet: string, more: Readonly<Record<string, string>> = {}): Uint8Array {
  return pack({
    '[Content_Types].xml':
      '<?xml version="1.0"?><Types xmlns="http://schemas.openxmlformats.org/package/2006/content-types"><Default Extension="xml" ContentType="application/xml"/></Types>',
    'xl/workbook.xml': `<?xml version="1.0"?><workbook xmlns="${main}" xmlns:r="${relationships}"><sheets><sheet name="One" sheetId="1" r:id="rId1"/></sheets></workbook>`,
    'xl/_rels/workbook.xml.rels': `<?xml version="1.0"?><Relationships xmlns="http://schemas.openxmlformats.org/package/2006/relationships"><Relationship Id="rId1" Type="${relationships}/worksheet" Target="worksheets/sheet1.xml"/></Relationships>`,
    ...(sheet === '' ? {} : { 'xl/worksheets/sheet1.xml': sheet }),
    ...more,
  });
}

const sheetOf = (inside: string, after = '') => `<?xml version="1.0"?><worksheet xmlns="${main}"><sheetData>${inside}</sheetData>${after}</worksheet>`;
const rehearse = async (content: Uint8Array) => {
  const fileId = await handIn(server, companyId, content, 'tb.xlsx');
  return server.call<{ code?: string; facts?: Record<string, unknown>; rows?: unknown[] }>(
    'POST',
    `/companies/${companyId}/trial-balance-files/${fileId}/rehearsal`,
    {},
  );
};

describe('workbooks that mean harm', () => {
  it('a plain one is read', async () => {
    const { status, body } = await rehearse(workbook(sheetOf(rows)));
    expect([status, body.rows?.length]).toEqual([200, 1]);
  });

  it.each([
    ['a merge over a million cells', sheetOf(rows, '<mergeCells count="1"><mergeCell ref="A1:XFD1048576"/></mergeCells>')],
    [
      'a validation over the whole sheet',
      sheetOf(
        rows,
        '<dataValidations count="1"><dataValidation type="list" sqref="A1:XFD1048576"><formula1>"a,b"</formula1></dataValidation></dataValidations>',
      ),
    ],
  ])('%s does no harm', async (_name, sheet) => {
    const began = Date.now();
    const { status, body } = await rehearse(workbook(sheet));
    expect([status, body.rows?.length]).toEqual([200, 1]);
    expect(Date.now() - began).toBeLessThan(15_000);
  });

  it.each([
    ['padding that inflates to 60 MB', workbook(sheetOf(rows + ' '.repeat(60 << 20))), { code: 'file_limit_exceeded', facts: { limit: 'inflated_bytes' } }],
    ['a sheet that is not there', workbook(''), { code: 'file_not_a_table', facts: { found: 'empty' } }],
    ['a far cell', workbook(sheetOf('<row r="1"><c r="XFD1"><v>1</v></c></row>')), { code: 'file_limit_exceeded', facts: { limit: 'columns' } }],
    ['a far row', workbook(sheetOf('<row r="1048576"><c r="A1048576"><v>1</v></c></row>')), { code: 'file_limit_exceeded', facts: { limit: 'rows' } }],
    [
      'an entity definition',
      workbook(sheetOf(rows).replace('<worksheet', '<!DOCTYPE w [<!ENTITY a "aaaa">]><worksheet')),
      { code: 'file_unreadable', facts: { reason: 'entity_definition' } },
    ],
    [
      'a crowd of parts',
      workbook(sheetOf(rows), Object.fromEntries(Array.from({ length: 30 }, (_, at) => [`xl/media/${at}.xml`, 'x']))),
      { code: 'file_limit_exceeded', facts: { limit: 'parts' } },
    ],
    ['a damaged archive', workbook(sheetOf(rows)).slice(0, 400), { code: 'file_unreadable', facts: { reason: 'archive_damaged' } }],
  ])('%s is refused', async (_name, content, problem) => {
    const { status, body } = await rehearse(content);
    expect([status, body]).toMatchObject([422, problem]);
  });
});
