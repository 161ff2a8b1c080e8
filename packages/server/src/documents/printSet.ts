import { captionWords, drawDocument, longDay, type MarkedComment, markComments, printWords } from '@ivory-ladder/core';
import pdfmake from 'pdfmake';
import type { Content, ContextPageSize, TDocumentDefinitions } from 'pdfmake/interfaces';
import type { PrintedSet, WrittenFile } from '../application/ports/index.ts';
import { fileName } from './fileName.ts';
import { printFonts } from './printFonts.ts';
import { ink, isWidePage, second, statementTable, transferTable } from './statementTable.ts';

const rule = '#C9BC9F';

pdfmake.setFonts(printFonts);
// Nothing is fetched for a page, and no other file than the fonts is read.
pdfmake.setUrlAccessPolicy(() => false);
const fontFiles = new Set(Object.values(printFonts).flatMap(({ normal, bold }) => [normal, bold]));
pdfmake.setLocalAccessPolicy((path) => fontFiles.has(path));

/**
 * A cover with contents, then each statement on a page of its own with its comments under it. A4; wide ones lie on their side. Where what stands under a
 * statement would begin a page alone, its last lines go along.
 */
export async function printSet(set: PrintedSet): Promise<WrittenFile> {
  const { name, company, span } = set;
  const first = await laidOut(set, new Set());
  const { content } = first.alone.size === 0 ? first : await laidOut(set, first.alone);
  return { name: fileName(company, `${name} ${span.lastDay}.pdf`), type: 'application/pdf', content };
}

interface LaidOut {
  readonly content: Buffer;
  /** Places of the statements whose foot begins a page without any line. */
  readonly alone: ReadonlySet<number>;
}

/** `together`: places of statements whose last lines begin a page. */
async function laidOut(set: PrintedSet, together: ReadonlySet<number>): Promise<LaidOut> {
  const { name, company, span, language, statements, isUnfinished } = set;
  const words = printWords[language];
  const pageOf = new Map<string, number>();
  const content: Content[] = [
    { text: company, fontSize: 12, color: second, margin: [0, 120, 0, 6] },
    { text: name, font: 'serif', fontSize: 26, bold: true, margin: [0, 0, 0, 8] },
    { text: longDay(span.lastDay, language), fontSize: 12, margin: [0, 0, 0, 28] },
    ...(isUnfinished ? [{ text: words.unfinished, fontSize: 10, bold: true, color: '#A1343C', margin: [0, 0, 0, 20] } as Content] : []),
    {
      toc: {
        title: { text: words.contents, font: 'serif', fontSize: 14, bold: true, margin: [0, 0, 0, 8] },
        textStyle: { fontSize: 11 },
        numberStyle: { fontSize: 11 },
        textMargin: [0, 3, 0, 3],
      },
    },
    ...statements.flatMap((statement, at) => statementPages(statement, at, together.has(at))),
  ];
  const footer = (page: number, pages: number, { width }: ContextPageSize): Content =>
    page === 1
      ? ''
      : {
          margin: [48, 10, 48, 0],
          stack: [
            { canvas: [{ type: 'line', x1: 0, y1: 0, x2: width - 96, y2: 0, lineWidth: 0.5, lineColor: rule }] },
            {
              margin: [0, 5, 0, 0],
              fontSize: 8,
              color: second,
              columns: [{ text: `${company} · ${name}` }, { text: words.page(page, pages), alignment: 'right', width: 120 }],
            },
          ],
        };
  const definition: TDocumentDefinitions = {
    pageSize: 'A4',
    pageMargins: [48, 44, 48, 46],
    info: { title: `${company}: ${name}`, author: company },
    language,
    // Its figures all have one width; asking for that would have each text shaped anew.
    defaultStyle: { font: 'sans', fontSize: 9, color: ink },
    content,
    footer,
    pageBreakBefore: ({ id, startPosition }) => {
      if (id) pageOf.set(id, startPosition.pageNumber);
      return false;
    },
  };
  const printed = await pdfmake.createPdf(definition).getBuffer();
  const alone = [...statements.keys()].filter((at) => (pageOf.get(`foot ${at}`) ?? 0) > (pageOf.get(`last ${at}`) ?? 0));
  return { content: printed, alone: new Set(alone) };
}

function statementPages({ document, comments }: PrintedSet['statements'][number], at: number, isTogether: boolean): Content[] {
  const statement = drawDocument(document);
  const { company, title, dates, language, columns, unit, rounding, transfers } = statement;
  const { marked } = markComments(statement.rows, comments);
  const isWide = isWidePage(columns);
  const head: Content[] = [
    {
      text: title,
      font: 'serif',
      fontSize: 20,
      bold: true,
      tocItem: true,
      pageBreak: 'before',
      pageOrientation: isWide ? 'landscape' : 'portrait',
      margin: [0, 0, 0, 3],
    } as Content,
    { text: company, fontSize: 10, bold: true },
    { text: dates, fontSize: 10, color: second, margin: [0, 1, 0, 12] },
  ];
  const foot: Content[] = [];
  if (transfers.length > 0) foot.push(transferTable(statement));
  for (const note of statement.notes) foot.push({ text: note, fontSize: 8, color: second, margin: [0, 6, 0, 0] });
  if (unit)
    foot.push({
      text: captionWords[language][rounding === 'footed' ? 'roundedFooted' : 'roundedEach'],
      fontSize: 8,
      color: second,
      margin: [0, 12, 0, 0],
    });
  // Found by the heading of the comments, since whatever comes before them is on no later page; else by what comes first.
  const found = { id: `foot ${at}` };
  const [first, ...others] = marked.map(commentText);
  if (foot[0] && !first) Object.assign(foot[0], found);
  if (first) {
    const heading = { text: printWords[language].comments, ...found, font: 'serif', fontSize: 12, bold: true, margin: [0, 14, 0, 0] } as Content;
    foot.push({ unbreakable: true, stack: [heading, first] }, ...others);
  }
  const marks = new Map(marked.map(({ lineKey, mark }) => [lineKey, mark]));
  return [...head, ...statementTable(statement, marks, { lastId: `last ${at}`, isTailApart: isTogether }), ...foot];
}

function commentText({ mark, caption, text }: MarkedComment<{ text: string }>): Content {
  return {
    margin: [0, 5, 0, 0],
    columns: [
      { width: 16, text: mark, bold: true },
      { width: '*', text: [{ text: `${caption}: `, bold: true }, text] },
    ],
  };
}
