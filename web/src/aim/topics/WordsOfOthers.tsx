import type { RelatedWords } from "../../api/client";
import { of } from "../../parts/number";
import css from "./WordsOfOthers.module.css";

interface Props {
  words: RelatedWords;
  /** The heading over the words of so many pages. */
  pages: (n: number) => string;
  nothing: string;
}

/** Words that others use, each as dark as it is common among them. */
export function WordsOfOthers({ words, pages, nothing }: Props) {
  if (words.pages + words.queries + words.rivals === 0) return <p className={css.none}>{nothing}</p>;
  return (
    <div className={css.words}>
      <WordLine title={pages(words.pages)} of={words.pages} thing="page" words={words.ofPages} />
      <WordLine
        title={`Words of the ${of(words.queries, "query", "queries")} they were shown for`}
        of={words.queries}
        thing="query"
        things="queries"
        words={words.ofQueries}
      />
      <WordLine
        title={`Words of ${of(words.rivals, "rival")} in the results`}
        of={words.rivals}
        thing="rival"
        words={words.ofRivals}
      />
    </div>
  );
}

function WordLine({
  title,
  of: total,
  thing,
  things,
  words,
}: {
  title: string;
  of: number;
  thing: string;
  things?: string;
  words: RelatedWords["ofPages"];
}) {
  if (total === 0) return null;
  return (
    <section>
      <h3>{title}</h3>
      {words.length === 0 ? (
        <p className={css.none}>None stands out.</p>
      ) : (
        <ul>
          {words.map((word) => (
            <li key={word.text} title={`in ${of(word.texts, thing, things)} of ${total}`}>
              {word.text} <b>{word.texts}</b>
            </li>
          ))}
        </ul>
      )}
    </section>
  );
}
