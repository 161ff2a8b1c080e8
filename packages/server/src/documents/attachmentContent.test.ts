import { describe, expect, it } from 'vitest';
import { attachmentContent } from './attachmentContent.ts';

type Kind = Parameters<typeof attachmentContent.beginsAs>[0];

async function* inPieces(bytes: Uint8Array, size: number): AsyncIterable<Uint8Array> {
  for (let at = 0; at < bytes.length; at += size) yield bytes.subarray(at, at + size);
}

async function looked(kind: Kind, bytes: Uint8Array, size = 7): Promise<boolean> {
  const [isIt, whole] = await attachmentContent.beginsAs(kind, inPieces(bytes, size));
  // What was looked at is there again, byte for byte.
  const pieces: Uint8Array[] = [];
  for await (const piece of whole) pieces.push(piece);
  expect(Buffer.concat(pieces)).toEqual(Buffer.from(bytes));
  return isIt;
}

const bytes = (...values: readonly (number | string)[]) =>
  Buffer.concat(values.map((value) => (typeof value === 'string' ? Buffer.from(value, 'latin1') : Buffer.from([value]))));
// Signatures as the formats' standards give them: PNG (ISO/IEC 15948, 5.2), JPEG (ISO/IEC 10918-1), PDF (ISO 32000-1, 7.5.2), ZIP (APPNOTE 4.3.7).
const png = bytes(0x89, 'PNG\r\n', 0x1a, '\n', 0, 0, 0, 0x0d, 'IHDR', 0, 0, 0, 1, 0, 0, 0, 1, 8, 2, 0, 0, 0);
const jpeg = bytes(0xff, 0xd8, 0xff, 0xe0, 0, 0x10, 'JFIF', 0, 1, 1, 0, 0, 1, 0, 1, 0, 0);
const zip = bytes('PK', 3, 4, 0x14, 0, 0, 0, 0, 0, ...new Array(20).fill(0), 'a.txt');

describe('how an attached file begins', () => {
  it('is what its name says', async () => {
    expect([await looked('png', png), await looked('jpg', jpeg), await looked('jpeg', jpeg), await looked('pdf', bytes('%PDF-1.7\n'))]).toEqual([
      true,
      true,
      true,
      true,
    ]);
    expect([await looked('zip', zip), await looked('xlsx', zip), await looked('docx', zip)]).toEqual([true, true, true]);
  });

  it('is not something else under that name', async () => {
    expect([await looked('png', jpeg), await looked('jpg', png), await looked('pdf', png), await looked('xlsx', bytes('<html>'))]).toEqual([
      false,
      false,
      false,
      false,
    ]);
    expect([await looked('csv', png), await looked('txt', zip), await looked('txt', bytes('MZ', 0x90, 0, 3, 0))]).toEqual([false, false, false]);
  });

  it('of a PDF may be something else for a while, as the standard lets it', async () => {
    expect(await looked('pdf', bytes('x'.repeat(1000), '%PDF-1.4'), 100)).toBe(true);
    expect(await looked('pdf', bytes('x'.repeat(1024), '%PDF-1.4'), 100)).toBe(false);
  });

  it('of a text is text in any letters, and nothing with a NUL in it', async () => {
    expect([await looked('csv', Buffer.from('Konto;Betrag\r\n1000;–5,00 €')), await looked('txt', Buffer.alloc(0))]).toEqual([true, true]);
    expect(await looked('txt', bytes('A', 0, 'B'))).toBe(false);
  });

  it('of a text in UTF-16, as spreadsheets save it, is text too, though its mark could begin a sound', async () => {
    const little = Buffer.from('\uFEFFKonto\tBetrag\r\n1000\t–5,00 €\r\n'.repeat(400), 'utf16le');
    const big = Buffer.from(little).swap16();
    expect([await looked('txt', little, 1001), await looked('csv', big, 1001)]).toEqual([true, true]);
    // Cut off within a character outside the first plane, where the look ends.
    const planes = Buffer.from(`\uFEFF${'a'.repeat(4094)}😀`, 'utf16le');
    expect(await looked('txt', planes, 4096)).toBe(true);
    const sound = bytes(0xff, 0xfe, ...new Array(40).fill(0), 0x12, 0xd8, 0x12, 0xd8);
    expect([await looked('txt', sound), await looked('txt', bytes(0xff, 0xfe, 0x00, 0xd8, 0x41, 0))]).toEqual([false, false]);
  });
});
