/** Bounds on a file that is read as a table; beyond them it is refused whole. */
export const tableLimits = {
  rows: 100_000,
  /** Of a delimited file, empty ones among them. */
  lines: 1_000_000,
  /** Of elements in XML, and of texts in an audit file’s header. */
  depth: 100,
  fields: 2000,
  columns: 1000,
  cells: 1_000_000,
  inflatedBytes: 50 << 20,
  inflation: 100,
  parts: 20,
  seconds: 20,
  workerMegabytes: 400,
} as const;
