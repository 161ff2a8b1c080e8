import { Worker } from 'node:worker_threads';

export interface PdfPage {
  readonly isLandscape: boolean;
  /** Lines from top to bottom, the texts of each from left to right with a space between. */
  readonly lines: readonly string[];
}

type Answer = { readonly id: number } & ({ readonly pages: readonly PdfPage[] } | { readonly failed: string });

let reader: Worker | null = null;
const waiting = new Map<number, (answer: Answer) => void>();
let asked = 0;

/** What a reader sees of a PDF, read by another library than the one that wrote it, in a thread of its own that ends with the process. */
export async function readPdf(bytes: Uint8Array): Promise<readonly PdfPage[]> {
  reader ??= startReader();
  const id = ++asked;
  const answered = new Promise<Answer>((resolve) => waiting.set(id, resolve));
  reader.postMessage({ id, bytes });
  const answer = await answered;
  if ('failed' in answer) throw new Error(answer.failed);
  return answer.pages;
}

function startReader(): Worker {
  const worker = new Worker(new URL('./pdfPages.mjs', import.meta.url));
  worker.unref();
  worker.on('message', (answer: Answer) => {
    waiting.get(answer.id)?.(answer);
    waiting.delete(answer.id);
  });
  worker.on('error', (error) => {
    throw error;
  });
  return worker;
}
