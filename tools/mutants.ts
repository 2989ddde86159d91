import { readFileSync } from 'node:fs';
import ts from 'typescript';

/** One deliberate mistake: where, what stood there, and what stands there instead. */
export interface Mutant {
  readonly id: number;
  readonly file: string;
  readonly line: number;
  readonly was: string;
  readonly is: string;
}

const FLIPPED: Readonly<Partial<Record<ts.SyntaxKind, string>>> = {
  [ts.SyntaxKind.LessThanToken]: '<=',
  [ts.SyntaxKind.LessThanEqualsToken]: '<',
  [ts.SyntaxKind.GreaterThanToken]: '>=',
  [ts.SyntaxKind.GreaterThanEqualsToken]: '>',
  [ts.SyntaxKind.EqualsEqualsEqualsToken]: '!==',
  [ts.SyntaxKind.ExclamationEqualsEqualsToken]: '===',
  [ts.SyntaxKind.AmpersandAmpersandToken]: '||',
  [ts.SyntaxKind.BarBarToken]: '&&',
  [ts.SyntaxKind.PlusToken]: '-',
  [ts.SyntaxKind.MinusToken]: '+',
  [ts.SyntaxKind.AsteriskToken]: '/',
  [ts.SyntaxKind.SlashToken]: '*',
};
const SWAPPED: Readonly<Record<string, string>> = { min: 'max', max: 'min', some: 'every', every: 'some' };
const LESSER: Readonly<Record<string, string>> = {
  hazard: 'correction',
  correction: 'advisory',
  advisory: 'correction',
};

/**
 * A source with every mistake built in, each asleep until `globalThis.mutant` names it: one build serves all of them.
 * Mistakes: comparisons and arithmetic turned round, numbers one step on, columns of a table swapped, severities changed.
 */
export function instrument(file: string, path: string, firstId: number): { text: string; mutants: Mutant[] } {
  const source = ts.createSourceFile(path, readFileSync(path, 'utf8'), ts.ScriptTarget.Latest, true);
  const mutants: Mutant[] = [];
  const text = (node: ts.Node) => node.getText(source);

  const choose = (node: ts.Node, was: string, alternatives: readonly string[]): string => {
    const { line } = source.getLineAndCharacterOfPosition(node.getStart(source));
    const asleep = alternatives.map((is) => {
      const id = firstId + mutants.length;
      mutants.push({
        id,
        file,
        line: line + 1,
        was: text(node).replace(/\s+/g, ' ').slice(0, 90),
        is: is.replace(/\(globalThis[^]*$/, '…').slice(0, 90),
      });
      return `globalThis.mutant===${id}?(${is}):`;
    });
    return asleep.length > 0 ? `(${asleep.join('')}(${was}))` : was;
  };

  /** The node’s text with its children rewritten. */
  const through = (node: ts.Node): string => {
    let out = '';
    let from = node.getStart(source);
    ts.forEachChild(node, (child) => {
      out += source.text.slice(from, child.getStart(source)) + rewrite(child);
      from = child.getEnd();
    });
    return out + source.text.slice(from, node.getEnd());
  };

  const rewrite = (node: ts.Node): string => {
    if (
      ts.isTypeNode(node) ||
      ts.isImportDeclaration(node) ||
      ts.isExportDeclaration(node) ||
      ts.isInterfaceDeclaration(node)
    )
      return text(node);
    if (ts.isTypeAliasDeclaration(node) || ts.isTemplateExpression(node)) return text(node);
    if (ts.isNumericLiteral(node)) {
      if (ts.isPropertyAssignment(node.parent) && node.parent.name === node) return text(node);
      if (ts.isElementAccessExpression(node.parent)) return text(node);
      const value = Number(node.text);
      return choose(node, text(node), [String(Number.isInteger(value) ? value + 1 : value * 1.1)]);
    }
    if (ts.isStringLiteral(node) && ts.isPropertyAssignment(node.parent)) {
      const name = text(node.parent.name);
      if (name === 'severity') return choose(node, text(node), [`'${LESSER[node.text]}'`]);
      if (name === 'right' && ['yes', 'no'].includes(node.text))
        return choose(node, text(node), [`'${node.text === 'yes' ? 'no' : 'yes'}'`]);
      return text(node);
    }
    if (
      ts.isArrayLiteralExpression(node) &&
      node.elements.length > 1 &&
      node.elements.every((one) => ts.isNumericLiteral(one) || one.kind === ts.SyntaxKind.NullKeyword)
    ) {
      const cells = node.elements.map(rewrite);
      const plain = node.elements.map(text);
      const swaps = plain
        .slice(1)
        .flatMap((cell, i) =>
          cell === plain[i] ? [] : [`[${[...plain.slice(0, i), cell, plain[i]!, ...plain.slice(i + 2)].join(',')}]`],
        );
      return choose(node, `[${cells.join(',')}]`, swaps);
    }
    if (ts.isBinaryExpression(node)) {
      const flipped = FLIPPED[node.operatorToken.kind];
      const [left, right] = [rewrite(node.left), rewrite(node.right)];
      const whole = (operator: string) => `${left} ${operator} ${right}`;
      const concatenates =
        node.operatorToken.kind === ts.SyntaxKind.PlusToken &&
        [node.left, node.right].some((side) => ts.isStringLiteral(side) || ts.isTemplateExpression(side));
      return choose(node, whole(text(node.operatorToken)), flipped && !concatenates ? [whole(flipped)] : []);
    }
    if (
      ts.isCallExpression(node) &&
      ts.isPropertyAccessExpression(node.expression) &&
      SWAPPED[node.expression.name.text]
    ) {
      const object = rewrite(node.expression.expression);
      const args = node.arguments.map(rewrite).join(',');
      const name = node.expression.name.text;
      return choose(node, `${object}.${name}(${args})`, [`${object}.${SWAPPED[name]}(${args})`]);
    }
    return through(node);
  };

  const body = source.statements
    .map((statement) => source.text.slice(statement.getFullStart(), statement.getStart(source)) + rewrite(statement))
    .join('');
  return { text: body, mutants };
}
