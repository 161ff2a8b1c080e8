import type { GuidedSheet, WrittenFile } from '../application/ports/index.ts';
import { csvFile } from './csvFile.ts';
import { fileName } from './fileName.ts';

export function writeGuidedCsv({ company, title, columns, rows }: GuidedSheet): WrittenFile {
  const lines = [columns.map(({ heading }) => heading), ...rows.map((row) => columns.map(({ key }) => row[key] ?? ''))];
  return csvFile(fileName(company, `${title}.csv`), lines);
}
