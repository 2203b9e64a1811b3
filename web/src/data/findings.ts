/** Which findings concern an item. */

import { says } from "../words/data";
import type { Finding } from "./client";

/** Whether a finding is about an item, or also concerns it. */
export function concerns(f: Finding, id: string): boolean {
  return f.subject === id || (f.related ?? []).includes(id);
}

/** Still to be worked off: not accepted, or a danger, which can only be answered. */
export function isOpen(f: Finding): boolean {
  return !f.accepted || f.severity === "danger";
}

const SEVERITIES: Record<string, string> = {
  danger: says("severity-danger"),
  fault: says("problem"),
  advice: says("severity-advice"),
  question: says("severity-question"),
  note: says("severity-note"),
};

/** How a severity is called. “Fault” is kept for electrical faults. */
export const severityWord = (severity: string): string => SEVERITIES[severity] ?? severity;
