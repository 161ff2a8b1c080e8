import { getDocument } from 'pdfjs-dist/legacy/build/pdf.mjs';

export interface PdfPage {
  readonly isLandscape: boolean;
  /** Lines from top to bottom, the texts of each from left to right with a space between. */
  readonly lines: readonly string[];
}

/** What a reader sees of a PDF, read by another library than the one that wrote it. */
export async function readPdf(bytes: Uint8Array): Promise<readonly PdfPage[]> {
  const document = await getDocument({ data: bytes, verbosity: 0 }).promise;
  const pages: PdfPage[] = [];
  for (let number = 1; number <= document.numPages; number++) {
    const page = await document.getPage(number);
    const { width, height } = page.getViewport({ scale: 1 });
    const lines = new Map<number, { x: number; text: string }[]>();
    for (const item of (await page.getTextContent()).items) {
      if (!('str' in item) || item.str.trim() === '') continue;
      const [x, y] = [item.transform[4] as number, Math.round(item.transform[5] as number)];
      const at = [...lines.keys()].find((known) => Math.abs(known - y) <= 4) ?? y;
      lines.set(at, [...(lines.get(at) ?? []), { x, text: item.str.trim() }]);
    }
    const ordered = [...lines].sort(([one], [other]) => other - one);
    pages.push({
      isLandscape: width > height,
      lines: ordered.map(([, texts]) =>
        texts
          .sort((one, other) => one.x - other.x)
          .map(({ text }) => text)
          .join(' '),
      ),
    });
  }
  await document.destroy();
  return pages;
}
