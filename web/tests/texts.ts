/** Reads the pages’ own source: which words stand in it that belong into a catalogue, and which texts it asks for. */
import { readdirSync, readFileSync } from "node:fs";
import { join, relative } from "node:path";
import ts from "typescript";

export const SRC = join(__dirname, "../src");
/** Attributes and properties whose words are no text: how it looks, what it does, an example that is read back. */
const CODE = new Set([
  "className",
  "d",
  "preserveAspectRatio",
  "gridTemplateColumns",
  "boxShadow",
  "font",
  "transform",
  "strokeDasharray",
  "example",
  "points",
  "background",
  "viewBox",
  "style",
  "key",
]);
/** Calls whose words are keys, selectors, patterns or classes. */
const CALLS = /(^|\.)(clsx|says|querySelector|querySelectorAll|closest|matches|matchMedia|includes|startsWith|split|RegExp|replace|cn)$/;
const NAMES = /^(?:[A-Z_]+|field|cell|look|style|className|input|button|head|item|row|box|tone|shade|base|line)$/;
/** Two words with a blank between, or a word in a sentence’s own marks. */
const SENTENCE = /\p{L}{2,}[,;:.’”]* +[“(]?\p{L}{2,}|^\p{Lu}\p{Ll}{2,}(?: |$)|\p{L}{2,}[.?!…]$/u;
const LOOK = /^(?:(?:[a-z!]+:)*-?!?[a-z]+(?:-\S+)?(?:\s+|$))+$/;

export type Place = { file: string; line: number; words: string };
type Words = ts.StringLiteral | ts.NoSubstitutionTemplateLiteral | ts.TemplateExpression;

const isWords = (n: ts.Node): n is Words => ts.isStringLiteral(n) || ts.isNoSubstitutionTemplateLiteral(n) || ts.isTemplateExpression(n);
const wordsOf = (n: Words) => (ts.isTemplateExpression(n) ? [n.head.text, ...n.templateSpans.map((s) => s.literal.text)].join("{}") : n.text);

export function sources(): ts.SourceFile[] {
  const files = readdirSync(SRC, { recursive: true, encoding: "utf8" }).filter((f) => /\.tsx?$/.test(f) && !f.startsWith("words/"));
  return files.sort().map((f) => ts.createSourceFile(f, readFileSync(join(SRC, f), "utf8"), ts.ScriptTarget.ES2022, true, ts.ScriptKind.TSX));
}

const named = (n: ts.Node): string | null => {
  if (ts.isJsxAttribute(n) || ts.isPropertyAssignment(n)) return n.name.getText().replace(/["']/g, "");
  return null;
};

/** Whether words stand where a program reads them, and no person. */
function forCode(n: ts.Node): boolean {
  for (let at: ts.Node = n, up = n.parent; up; at = up, up = up.parent) {
    if (ts.isTypeNode(up) || ts.isImportDeclaration(up) || ts.isExportDeclaration(up) || ts.isCaseClause(up) || ts.isTaggedTemplateExpression(up)) return true;
    if (ts.isPropertyAssignment(up) && up.name === at) return true;
    if (ts.isBinaryExpression(up) && /^[=!]==?$|^in$/.test(up.operatorToken.getText())) return true;
    const name = named(up);
    if (name !== null && CODE.has(name)) return true;
    if (ts.isCallExpression(up) && at !== up.expression) return CALLS.test(up.expression.getText());
    if (ts.isJsxElement(up) || ts.isFunctionLike(up) || ts.isBlock(up)) return false;
  }
  return false;
}

/** Words of a source that stand in no catalogue. */
export function escaped(source: ts.SourceFile): Place[] {
  const found: Place[] = [];
  const note = (n: ts.Node, words: string) =>
    found.push({ file: relative(SRC, join(SRC, source.fileName)), line: source.getLineAndCharacterOfPosition(n.getStart()).line + 1, words });
  const walk = (n: ts.Node) => {
    if (ts.isJsxText(n)) {
      if (/\p{L}{3}/u.test(n.text)) note(n, n.text.trim());
      return;
    }
    if (isWords(n)) {
      const words = wordsOf(n);
      if (SENTENCE.test(words.trim()) && !LOOK.test(words) && !forCode(n)) note(n, words);
    }
    ts.forEachChild(n, walk);
  };
  walk(source);
  return found;
}

/** The keys that a source asks its catalogue for, and which catalogue that is. */
export function asked(source: ts.SourceFile): { field: string; keys: string[] } {
  const keys: string[] = [];
  let field = "";
  const walk = (n: ts.Node) => {
    if (ts.isImportDeclaration(n) && ts.isStringLiteral(n.moduleSpecifier))
      field = /(?:^|\/)words\/(\w+)$/.exec(n.moduleSpecifier.text)?.[1] && n.getText().includes("{ says }") ? n.moduleSpecifier.text.split("/").at(-1)! : field;
    if (ts.isCallExpression(n) && n.expression.getText() === "says") {
      const first = n.arguments[0];
      if (first && isWords(first)) keys.push(wordsOf(first));
    }
    ts.forEachChild(n, walk);
  };
  walk(source);
  return { field, keys };
}
