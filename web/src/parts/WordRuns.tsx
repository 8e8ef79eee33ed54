import type { WordRun } from "../api/client";
import css from "./WordRuns.module.css";

/** A text word by word: what went is struck, what came stands out. */
export function WordRuns({ runs }: { runs: WordRun[] }) {
  return (
    <span className={css.runs}>
      {runs.map((run, i) =>
        run.fate === "SAME" ? (
          <span key={i}>{run.text}</span>
        ) : run.fate === "WENT" ? (
          <del key={i}>{run.text}</del>
        ) : (
          <ins key={i}>{run.text}</ins>
        ),
      )}
    </span>
  );
}
