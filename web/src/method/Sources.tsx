/** Sources of a figure or a finding: a method opens its section, a standard is named. */
import { Fragment } from "react";
import { Link } from "react-router";
import type { Schemas } from "../data/client";
import { useTerm } from "../shell/person";
import { says } from "../words/method";

export type Source = Schemas["SourceOut"];

/** The address of a section of the method. */
export function sectionPath(id: string): string {
  const [field, section] = id.split(".");
  return `/method/${field}#${section}`;
}

export function Sources({ of }: { of: Source[] }) {
  const term = useTerm();
  return (
    <>
      {of.map((s, i) => (
        <Fragment key={`${s.kind}${s.text}`}>
          {i > 0 && "; "}
          {s.method ? (
            <Link
              className="text-inherit underline decoration-dotted underline-offset-2 hover:decoration-solid"
              to={sectionPath(s.method)}
              title={says("open-how-calculated")}
            >
              {term(s.text)}
            </Link>
          ) : (
            term(s.text)
          )}
        </Fragment>
      ))}
    </>
  );
}
