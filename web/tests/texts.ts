/** Reads the pages’ own source: which words stand in it that belong into a catalogue, and which texts it asks for. */
import { readdirSync, readFileSync } from "node:fs";
import { join } from "node:path";
import ts from "typescript";

export const SRC = join(__dirname, "../src");
/** Attributes and properties whose words are no text: how it looks, what it does, an example that is read back. */
const CODE = new Set(["className", "d", "key", "example", "style", "transform", "preserveAspectRatio", "background", "aria-keyshortcuts"]);
/** Calls whose words are keys, selectors or patterns. */
const CALLS = /(?:^|\.)(?:says|freshId|querySelector|querySelectorAll|closest|matchMedia|includes|startsWith|split|replace|RegExp)$/;
/** Attributes and properties whose words are always read by people. */
const READ = new Set(["word", "label", "title", "hint", "placeholder", "aria-label", "alt", "empty"]);
/** A name of its own, and units that are words. */
const KEPT =
  /^(?:Bothy|bothy\.kept\.|fl oz|(?:k?W|mm²|m\/s|mph|oz|grains) of (?:heat|opening|wind|water(?: per ft²)?)|Esc|1:1 (?:SVG|PDF)|MPPT|PWM|aria-label|4 h, 30 %, 3 x 5 min|W\/\(m²K\)|kWh|kWh\/m² d|min\)?|PDF,?)$/;
/** Two words with a blank between, or one that begins or ends as a sentence does. */
const SENTENCE = /\p{L}{2,}[,;:.’”]* +[“(]?\p{L}{2,}|^\p{Lu}\p{Ll}{2,}(?: |$)|\p{L}{2,}[.?!…]$/u;
const STYLE = /^(?:[\w:!./[\]()%#,-]|\{\})+(?:\s+(?:[\w:!./[\]()%#,-]|\{\})+)*$/;
const isStyle = (words: string) => STYLE.test(words) && words.split(/\s+/).filter((w) => /-/.test(w)).length * 3 >= words.split(/\s+/).length;

export type Place = { line: number; words: string };
type Words = ts.StringLiteral | ts.NoSubstitutionTemplateLiteral | ts.TemplateExpression;

const isWords = (n: ts.Node): n is Words => ts.isStringLiteral(n) || ts.isNoSubstitutionTemplateLiteral(n) || ts.isTemplateExpression(n);
const wordsOf = (n: Words) => (ts.isTemplateExpression(n) ? [n.head.text, ...n.templateSpans.map((s) => s.literal.text)].join("{}") : n.text);
const parsed = (name: string, program: string) =>
  ts.createSourceFile(name, program, ts.ScriptTarget.ES2022, true, name.endsWith("x") ? ts.ScriptKind.TSX : ts.ScriptKind.TS);

/** Every source of the pages but the catalogues’ own. */
export const sources = (): ts.SourceFile[] =>
  readdirSync(SRC, { recursive: true, encoding: "utf8" })
    .filter((f) => /\.tsx?$/.test(f) && !f.startsWith("words/"))
    .sort()
    .map((f) => parsed(f, readFileSync(join(SRC, f), "utf8")));

/** Whether words stand where a program reads them, and no person. */
function forCode(n: ts.Node): boolean {
  for (let at: ts.Node = n, up = n.parent; up; at = up, up = up.parent) {
    if (ts.isTypeNode(up) || ts.isImportDeclaration(up) || ts.isExportDeclaration(up) || ts.isCaseClause(up) || ts.isTaggedTemplateExpression(up)) return true;
    if (ts.isPropertyAssignment(up) && up.name === at) return true;
    if (ts.isBinaryExpression(up) && /^[=!]==?$|^in$/.test(up.operatorToken.getText())) return true;
    if ((ts.isJsxAttribute(up) || ts.isPropertyAssignment(up)) && CODE.has(up.name.getText().replace(/["']/g, ""))) return true;
    if (ts.isCallExpression(up) && at !== up.expression && CALLS.test(up.expression.getText())) return true;
    if (ts.isJsxElement(up) || ts.isFunctionLike(up) || ts.isBlock(up)) return false;
  }
  return false;
}

/** Words of a source that stand in no catalogue. */
export function escaped(source: ts.SourceFile): Place[] {
  const found: Place[] = [];
  const note = (n: ts.Node, words: string) => {
    if (!KEPT.test(words)) found.push({ line: source.getLineAndCharacterOfPosition(n.getStart()).line + 1, words });
  };
  const walk = (n: ts.Node) => {
    if (ts.isJsxText(n) && /\p{L}{3}/u.test(n.text)) note(n, n.text.trim());
    if (isWords(n)) {
      const words = wordsOf(n).trim();
      const read =
        (ts.isJsxAttribute(n.parent) || ts.isPropertyAssignment(n.parent)) && READ.has(n.parent.name.getText().replace(/["']/g, "")) && /\p{L}{3}/u.test(words);
      if (read || (SENTENCE.test(words) && !isStyle(words) && !forCode(n))) note(n, words);
    }
    ts.forEachChild(n, walk);
  };
  walk(source);
  return found;
}

export const escapedIn = (program: string): string[] => escaped(parsed("page.tsx", program)).map((p) => p.words);

/** The keys that a source asks its catalogue for, and which catalogue that is. */
export function asked(source: ts.SourceFile): { field: string; keys: string[] } {
  const keys: string[] = [];
  let field = "";
  const walk = (n: ts.Node) => {
    if (ts.isImportDeclaration(n) && ts.isStringLiteral(n.moduleSpecifier))
      field = /\/words\/(\w+)$/.exec(n.getText().includes("{ says }") ? n.moduleSpecifier.text : "")?.[1] ?? field;
    if (ts.isCallExpression(n) && n.expression.getText() === "says") {
      const key = n.arguments[0];
      if (!key || !ts.isStringLiteral(key)) throw new Error(`${source.fileName}: a text is asked for by its whole key, not ${key?.getText()}`);
      keys.push(key.text);
    }
    ts.forEachChild(n, walk);
  };
  walk(source);
  return { field, keys };
}
