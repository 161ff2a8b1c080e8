import { parentPort } from 'node:worker_threads';
import { getDocument } from 'pdfjs-dist/legacy/build/pdf.mjs';

// The library puts slower ones in the place of JSON.stringify and others of the language: in a thread that does nothing else.
parentPort?.on('message', async ({ id, bytes }) => {
  try {
    parentPort?.postMessage({ id, pages: await pagesOf(bytes) });
  } catch (error) {
    parentPort?.postMessage({ id, failed: String(error) });
  }
});

async function pagesOf(bytes) {
  const document = await getDocument({ data: bytes, verbosity: 0 }).promise;
  const pages = [];
  for (let number = 1; number <= document.numPages; number++) {
    const page = await document.getPage(number);
    const { width, height } = page.getViewport({ scale: 1 });
    const lines = new Map();
    for (const item of (await page.getTextContent()).items) {
      if (!('str' in item) || item.str.trim() === '') continue;
      const [x, y] = [item.transform[4], Math.round(item.transform[5])];
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
