import { execFileSync } from 'node:child_process';

/** pdf.js ships modern modules only, which the test runner does not load: it reads in a process of its own. */
const READER = `
import { getDocument } from 'pdfjs-dist/legacy/build/pdf.mjs';
const chunks = [];
for await (const chunk of process.stdin) chunks.push(chunk);
const pdf = await getDocument({ data: new Uint8Array(Buffer.concat(chunks)), verbosity: 0 }).promise;
const pages = [];
for (let page = 1; page <= pdf.numPages; page++) {
  const { items } = await (await pdf.getPage(page)).getTextContent();
  pages.push(items.map(({ str }) => str).join(' '));
}
process.stdout.write(JSON.stringify(pages));
`;

/** The text of each page of a PDF, as a reader of it would copy it. */
export function readPaper(file: Uint8Array): string[] {
  return JSON.parse(
    execFileSync(process.execPath, ['--input-type=module', '--eval', READER], {
      input: file,
      maxBuffer: 64e6,
    }).toString(),
  ) as string[];
}
