import { Fragment } from "react";

/** A path or address that goes over to the next line behind a slash. */
export function Breakable({ path }: { path: string }) {
  return path.split("/").map((part, i) => (
    <Fragment key={i}>
      {i > 0 && (
        <>
          /<wbr />
        </>
      )}
      {part}
    </Fragment>
  ));
}
