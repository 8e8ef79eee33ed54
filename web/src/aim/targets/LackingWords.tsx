import { useQuery } from "@tanstack/react-query";
import { useState } from "react";
import { answer, api, type ItemRow } from "../../api/client";
import { ofProperty } from "../../api/queries";
import { of } from "../../parts/number";
import { QueryProblem } from "../../parts/QueryProblem";
import { WordsOfOthers } from "../topics/WordsOfOthers";
import css from "./ItemPhrases.module.css";

/** The words that the pages of its topic and its rivals use and an item does not. */
export function LackingWords({ propertyId, item }: { propertyId: number; item: ItemRow }) {
  const [open, setOpen] = useState(false);
  const words = useQuery({
    queryKey: ofProperty(propertyId, "lacking", item.id),
    queryFn: () => answer(api.GET("/api/items/{id}/lacking", { params: { path: { id: item.id } } })),
    enabled: open,
  });
  return (
    <section>
      <details onToggle={(event) => setOpen(event.currentTarget.open)}>
        <summary className={css.summary}>Words that others use and it does not</summary>
        {words.error && <QueryProblem query={words} className={css.soft} />}
        {words.data && (
          <>
            <WordsOfOthers
              words={words.data}
              pages={(n) => `The ${of(n, "other page")} that fit its topic`}
              nothing={
                item.aim?.keyword
                  ? "No other page of the property fits its topic."
                  : "It has no keyword, so its neighbours are not known."
              }
            />
            {words.data.rivals === 0 && item.aim?.keyword && (
              <p className={css.soft}>
                No list of results is known for “{item.aim.keyword}”. Import one under Gather, and the words of its
                rivals stand here.
              </p>
            )}
          </>
        )}
      </details>
    </section>
  );
}
