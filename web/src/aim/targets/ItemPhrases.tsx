import { useQuery } from "@tanstack/react-query";
import { useState } from "react";
import { answer, api, type ItemRow, type PhraseCount } from "../../api/client";
import { ofProperty } from "../../api/queries";
import { QueryProblem } from "../../parts/QueryProblem";
import css from "./ItemPhrases.module.css";

const PLACES = [
  { place: "TITLE", name: "title" },
  { place: "HEADING", name: "headings" },
  { place: "COPY", name: "copy" },
  { place: "LINK", name: "links to it" },
] as const;
const LENGTHS = ["One word", "Two words", "Three words"];
const FEW = 8;

/** Which phrases an item is made of, how often they stand in it, and where; those of its keyword are marked. */
export function ItemPhrases({ propertyId, item }: { propertyId: number; item: ItemRow }) {
  const [open, setOpen] = useState(false);
  const phrases = useQuery({
    queryKey: ofProperty(propertyId, "phrases", item.id),
    queryFn: () => answer(api.GET("/api/items/{id}/phrases", { params: { path: { id: item.id } } })),
    enabled: open,
  });
  return (
    <section>
      <details onToggle={(event) => setOpen(event.currentTarget.open)}>
        <summary className={css.summary}>Its phrases</summary>
        {phrases.error && <QueryProblem query={phrases} className={css.soft} />}
        {phrases.data?.length === 0 && <p className={css.soft}>Nothing is written on it.</p>}
        {phrases.data && phrases.data.length > 0 && (
          <>
            <p className={css.soft}>Its keywords in plum; underlined, the anchor texts of links to it.</p>
            <p className={css.legend}>
              {PLACES.map(({ name }, i) => (
                <span key={name}>
                  <Strip of={[i]} label={name} /> {name}
                </span>
              ))}
            </p>
            {LENGTHS.map((name, i) => (
              <Length key={name} name={name} counts={phrases.data.filter((count) => count.words === i + 1)} />
            ))}
          </>
        )}
      </details>
    </section>
  );
}

function Length({ name, counts }: { name: string; counts: PhraseCount[] }) {
  const [all, setAll] = useState(false);
  if (counts.length === 0) return null;
  const most = counts[0].count;
  return (
    <>
      <h3 className={css.length}>{name}</h3>
      <ol className={css.list}>
        {(all ? counts : counts.slice(0, FEW)).map((count) => {
          const at = PLACES.flatMap(({ place }, i) => (count.places.includes(place) ? [i] : []));
          return (
            <li key={count.text}>
              <span className={count.target ? css.target : undefined}>
                {count.linked ? <u className={css.linked}>{count.text}</u> : count.text}
              </span>
              <Strip of={at} label={at.map((i) => PLACES[i].name).join(", ")} />
              <span className={css.bar}>
                <i style={{ width: `${(100 * count.count) / most}%` }} />
              </span>
              <span className={css.count} title={`${(100 * count.share).toFixed(1)}% of its words`}>
                {count.count}
              </span>
            </li>
          );
        })}
      </ol>
      {counts.length > FEW && !all && (
        <button type="button" className={css.more} onClick={() => setAll(true)}>
          {counts.length - FEW} more
        </button>
      )}
    </>
  );
}

/** Four cells, one for each place; those where the phrase stands are filled. */
function Strip({ of, label }: { of: number[]; label: string }) {
  return (
    <svg width={27} height={9} role="img" aria-label={label} className={css.strip}>
      <title>{label}</title>
      {PLACES.map(({ place }, i) => (
        <rect key={place} x={i * 7 + 0.5} y={1.5} width={5} height={6} className={of.includes(i) ? css.on : css.off} />
      ))}
    </svg>
  );
}
