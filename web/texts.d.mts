import type { FluentResource } from "@fluent/bundle";

/** What a text asks for: name and type. */
export function asked(value: FluentResource["body"][number]["value"], found?: Map<string, string>): Map<string, string>;
/** The catalogues, by name. */
export function fields(): string[];
/** One of them as it is written. */
export function source(field: string): string;
