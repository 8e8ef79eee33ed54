import css from "./FileLink.module.css";
import { IconDownload } from "./icons";

/** A table as it stands, to download as CSV or XLSX. */
export function TableLinks({ csv }: { csv: string }) {
  return (
    <span className={css.links}>
      <FileLink href={csv} label="CSV" />
      <a className={css.link} href={csv.replace(/\.csv(?=\?|$)/, ".xlsx")} download>
        XLSX
      </a>
    </span>
  );
}

/** A file to download. */
export function FileLink({ href, label }: { href: string; label: string }) {
  return (
    <a className={css.link} href={href} download>
      <IconDownload size={15} /> {label}
    </a>
  );
}
