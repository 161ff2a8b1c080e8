export { canonicalJson, contentDigest, readDocument, writeDocument } from './documents/keptDocument.ts';
export { printSet } from './documents/printSet.ts';
export { writeStatementCsv } from './documents/writeStatementCsv.ts';
export { writeStatementWorkbook } from './documents/writeStatementWorkbook.ts';
export { entities } from './persistence/entities/index.ts';
export { type ServeOptions, type Serving, serve } from './serve.ts';
