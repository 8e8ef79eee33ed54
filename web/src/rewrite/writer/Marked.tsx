import { Fragment } from "react";
import css from "./Writer.module.css";

/** A text in which some words are marked, each with what is said of it. */
export function Marked({ text, marks }: { text: string; marks: { words: string; says: string }[] }) {
  const places = marks
    .flatMap(({ words, says }) => {
      const at = words ? text.indexOf(words) : -1;
      return at < 0 ? [] : [{ at, end: at + words.length, says }];
    })
    .sort((a, b) => a.at - b.at || b.end - a.end)
    .filter((place, i, all) => i === 0 || place.at >= all[i - 1].end);
  let from = 0;
  return (
    <>
      {places.map(({ at, end, says }) => {
        const before = text.slice(from, at);
        from = end;
        return (
          <Fragment key={at}>
            {before}
            <mark className={css.mark} title={says}>
              {text.slice(at, end)}
            </mark>
          </Fragment>
        );
      })}
      {text.slice(from)}
    </>
  );
}
