import css from "./FileLink.module.css";
import { IconDownload } from "./icons";

/** A file to download: a table as it stands, or what was delivered. */
export function FileLink({ href, label = "CSV" }: { href: string; label?: string }) {
  return (
    <a className={css.link} href={href} download>
      <IconDownload size={15} aria-hidden /> {label}
    </a>
  );
}
