import { execFileSync } from 'node:child_process';

/** pdf.js ships modern modules only, which the test runner does not load: it reads in a process of its own. */
const READER = `
import { getDocument } from 'pdfjs-dist/legacy/build/pdf.mjs';
const chunks = [];
for await (const chunk of process.stdin) chunks.push(chunk);
const papers = [];
for (const file of JSON.parse(Buffer.concat(chunks).toString())) {
  const pdf = await getDocument({ data: new Uint8Array(Buffer.from(file, 'base64')), verbosity: 0 }).promise;
  const pages = [];
  for (let page = 1; page <= pdf.numPages; page++) {
    const { items } = await (await pdf.getPage(page)).getTextContent();
    pages.push(items.map(({ str }) => str).join(' '));
  }
  papers.push(pages);
}
process.stdout.write(JSON.stringify(papers));
`;

/** The text of each page of some PDFs, as a reader of them would copy it. */
export function readPapers(files: readonly Uint8Array[]): string[][] {
  return JSON.parse(
    execFileSync(process.execPath, ['--input-type=module', '--eval', READER], {
      input: JSON.stringify(files.map((file) => Buffer.from(file).toString('base64'))),
      maxBuffer: 64e6,
    }).toString(),
  ) as string[][];
}

/** The text of each page of one. */
export const readPaper = (file: Uint8Array): string[] => readPapers([file])[0]!;
