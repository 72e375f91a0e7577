import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import ts from 'typescript';
import { expect, it } from 'vitest';

/** What sorts things and holds no figure. */
const NO_FIGURES = ['GROUND', 'THROWN'];

it('every constant of the model says that it is assumed, or its source', () => {
  const path = join(import.meta.dirname, 'assumed.ts');
  const text = readFileSync(path, 'utf8');
  const source = ts.createSourceFile(path, text, ts.ScriptTarget.Latest, true);
  const silent: string[] = [];
  let said = '';
  let told = 0;
  for (const statement of source.statements) {
    const exported = ts.canHaveModifiers(statement) && ts.getModifiers(statement)?.some(({ kind }) => kind === ts.SyntaxKind.ExportKeyword);
    if (!exported || !(ts.isVariableStatement(statement) || ts.isFunctionDeclaration(statement))) continue;
    const name = ts.isFunctionDeclaration(statement) ? statement.name!.text : statement.declarationList.declarations[0]!.name.getText();
    const own = (ts.getLeadingCommentRanges(text, statement.getFullStart()) ?? []).map(({ pos, end }) => text.slice(pos, end)).join(' ');
    // A constant without a comment belongs to the one above it.
    said = own === '' ? said : own;
    if (NO_FIGURES.includes(name)) continue;
    told += 1;
    if (!/assumed|standard atmosphere/i.test(said)) silent.push(name);
  }
  expect(silent).toEqual([]);
  expect(told).toBeGreaterThan(40);
});
