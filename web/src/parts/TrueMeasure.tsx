import type { CSSProperties } from "react";
import type { LimitCheck } from "../api/client";
import css from "./TrueMeasure.module.css";

interface Props {
  text: string;
  fit: LimitCheck;
  /** The size that it is drawn at, in px; the notches move with it. */
  size: number;
  /** Whether another item has the same text. */
  twin?: boolean;
}

/**
 * A text in the face of the result page, drawn so that the place where it is cut stands at a notch: a hairline for
 * desktop, a dotted one for mobile. What nobody sees is dimmed and hatched.
 */
export function TrueMeasure({ text, fit, size, twin }: Props) {
  const scale = size / fit.sizePx;
  const style = {
    "--size": `${size}px`,
    "--notch": `${(fit.desktopLimit / fit.desktopLines) * scale}px`,
    "--phone": `${fit.phoneLimit * scale}px`,
  } as CSSProperties;
  if (fit.desktopLines > 1) {
    return (
      <span className={css.lines} style={style}>
        <span className={twin ? css.twin : undefined}>
          <CutLines text={text} fit={fit} />
        </span>
      </span>
    );
  }
  return (
    <span className={css.line} style={style}>
      <span className={twin ? `${css.text} ${css.twin}` : css.text}>{text}</span>
      <span className={css.notch} aria-hidden="true" />
      {fit.phoneLimit !== fit.desktopLimit && <span className={css.phone} aria-hidden="true" />}
      {fit.px > fit.desktopLimit && (
        <span
          className={css.over}
          style={{ width: Math.ceil((fit.px - fit.desktopLimit) * scale) }}
          aria-hidden="true"
        />
      )}
    </span>
  );
}

/** Where a text runs over several lines, the notches stand in it, at the letters where it is cut. */
export function CutLines({ text, fit }: { text: string; fit: LimitCheck }) {
  const end = fit.desktopFitting;
  return (
    <>
      <Notched text={text.slice(0, end)} at={fit.phoneFitting} />
      {end < text.length && (
        <>
          <i className={css.cut} />
          <span className={css.unseen}>
            <Notched text={text.slice(end)} at={fit.phoneFitting - end} />
          </span>
        </>
      )}
    </>
  );
}

function Notched({ text, at }: { text: string; at: number }) {
  if (at <= 0 || at >= text.length) return text;
  return (
    <>
      {text.slice(0, at)}
      <i className={css.cutOnPhone} />
      {text.slice(at)}
    </>
  );
}

/** How large a text is drawn in a table, in px: what runs over several lines is a little smaller. */
export const sizeInTable = (fit: LimitCheck) => (fit.desktopLines > 1 ? 12 : 13);
