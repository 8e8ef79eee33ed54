import type { Looks } from "../api/client";
import css from "./ResultPreview.module.css";

type Line = Looks["title"]["desktop"][number];

/** A search result as it will look, cut where it will be cut, the keyword's words underlined. */
export function ResultPreview({
  looks,
  address,
  device,
  wide,
  below,
}: {
  looks: Looks;
  address: string;
  device: "desktop" | "phone";
  /** Whether it shows the longer lines of listings and videos. */
  wide?: boolean;
  /** What stands below the description, such as a rating. */
  below?: string;
}) {
  const title = looks.title[device];
  const description = looks.description[device];
  return (
    <figure className={`${css.result} ${css[device]} ${wide ? css.wide : ""}`} aria-label={`The result on a ${device}`}>
      <p className={css.address}>{crumbs(address)}</p>
      <p className={css.title}>{title.length > 0 ? <Lines lines={title} /> : <i>no title</i>}</p>
      <p className={css.description}>
        {description.length > 0 ? (
          <Lines lines={description} />
        ) : (
          <i>no description: the search engine takes words of the page</i>
        )}
      </p>
      {below && <p className={css.below}>{below}</p>}
    </figure>
  );
}

function Lines({ lines }: { lines: Line[] }) {
  return lines.map((line, i) => (
    <span key={i} className={css.line}>
      {line.pieces.map((piece, p) => (piece.marked ? <mark key={p}>{piece.text}</mark> : piece.text))}
    </span>
  ));
}

function crumbs(address: string) {
  return address
    .replace(/^https?:\/\//, "")
    .split("/")
    .filter(Boolean)
    .join(" › ");
}
