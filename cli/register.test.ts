/** The register of defaults against the source of the core: a test of files, so it is not the core's own. */
import { readdirSync, readFileSync } from 'node:fs';
import path from 'node:path';
import ts from 'typescript';

/** Every declaration of the core whose comment calls it an engineering default, and what follows it without a comment of its own. */
function declaredDefaults(): { readonly file: string; readonly name: string; readonly isTable: boolean }[] {
  const files = readdirSync('core', { recursive: true, encoding: 'utf8' })
    .filter((file) => file.endsWith('.ts') && !/\.test\.ts$|^(defaults|testing)/.test(file))
    .map((file) => path.join('core', file));
  return files.flatMap((file) => {
    const text = readFileSync(file, 'utf8');
    let isDefault = false;
    return ts.createSourceFile(file, text, ts.ScriptTarget.Latest, true).statements.flatMap((statement) => {
      const before = text.slice(statement.getFullStart(), statement.getStart());
      if (before.trim() !== '') isDefault = /\/\*\*[^]*engineering default/i.test(before);
      else if (/\n\s*\n/.test(before)) isDefault = false;
      if (!isDefault || !ts.isVariableStatement(statement)) return [];
      return statement.declarationList.declarations
        .map((declared) => declared.name.getText())
        .filter((name) => !name.endsWith('_IDS'))
        .map((name) => ({ file, name, isTable: name === 'TABLE' }));
    });
  });
}

test('no engineering default of the core is missing from the register', () => {
  const declared = declaredDefaults();
  expect(declared.length).toBeGreaterThan(55);
  const register = readdirSync('core/defaults')
    .filter((file) => !file.endsWith('.test.ts'))
    .map((file) => readFileSync(path.join('core/defaults', file), 'utf8'))
    .join('\n');
  // A table of kinds goes by the name it is let out under.
  const outName = (file: string) => {
    const [, name] = /export const (\w+): Readonly<Record<[^]*?>> = TABLE;/.exec(readFileSync(file, 'utf8'))!;
    return name!;
  };
  const missing = declared
    .map(({ file, name, isTable }) => ({ file, name: isTable ? outName(file) : name }))
    .filter(({ name }) => !new RegExp(`\\b${name}\\b`).test(register));
  expect(missing).toEqual([]);
});
