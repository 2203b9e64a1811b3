/** Types of all that the pages can say, from their catalogues: `node texts.mjs` writes generated/texts.d.ts to the output. */
import { readdirSync, readFileSync } from "node:fs";
import { FluentResource } from "@fluent/bundle";

const WORDS = new URL("./src/words/", import.meta.url);
const NUMBER = "number";
const BOTH = "string | number";

/** What a text asks for: name and type. A choice between yes and no takes a boolean, a function a number. */
export function asked(value, found = new Map()) {
  const note = (name, type) => {
    const had = found.get(name);
    if (had && had !== type && had !== BOTH && type !== BOTH) throw new Error(`$${name} is put in as ${had} and as ${type}`);
    if (!had || had === BOTH) found.set(name, type);
  };
  for (const e of typeof value === "string" || value == null ? [] : value) {
    if (typeof e === "string") continue;
    if (e.type === "var") note(e.name, BOTH);
    if (e.type === "func") for (const a of e.args) if (a.type === "var") note(a.name, NUMBER);
    if (e.type === "select") {
      const keys = e.variants.map((v) => v.key.value);
      if (e.selector.type === "var") note(e.selector.name, keys.includes("yes") ? "boolean" : keys.some((k) => ["one", "few", "many", 1, 0].includes(k)) ? NUMBER : BOTH);
      for (const v of e.variants) asked(v.value, found);
    }
  }
  return found;
}

export const fields = () =>
  readdirSync(WORDS)
    .filter((name) => name.endsWith(".en.ftl"))
    .map((name) => name.slice(0, -".en.ftl".length))
    .sort();
export const source = (field) => readFileSync(new URL(`${field}.en.ftl`, WORDS), "utf8");

function written() {
  const lines = ["/** Made by ./bothy api from src/words: every text of the pages with what is put into it. */", "export interface Texts {"];
  for (const field of fields()) {
    lines.push(`  ${field}: {`);
    for (const { id, value } of new FluentResource(source(field)).body) {
      const put = [...asked(value)].map(([name, type]) => `${name}: ${type}`);
      lines.push(`    "${id}": ${put.length ? `{ ${put.join("; ")} }` : "null"};`);
    }
    lines.push("  };");
  }
  return `${lines.join("\n")}\n}\n`;
}

if (process.argv[1] && import.meta.url.endsWith(process.argv[1].split("/").at(-1))) process.stdout.write(written());
