import { useQuery } from "@tanstack/react-query";
import { Link } from "react-router";
import { answer, api, type ItemKeyword, type ItemRow } from "../../api/client";
import { ofProperty } from "../../api/queries";
import { count } from "../../parts/number";
import { QueryProblem } from "../../parts/QueryProblem";
import { searchOf } from "../../parts/searchOf";
import css from "./ItemKeywords.module.css";

const SERVICE = {
  AT_ITS_START: "at its start",
  EXACTLY: "as it is searched",
  IN_OTHER_ORDER: "all its words, otherwise ordered",
  PARTLY: "lacks ",
  NOT_AT_ALL: "none of its words",
} as const;

const TEXTS = ["title", "description", "h1"] as const;
const NAMES = { title: "title", description: "description", h1: "H1" };

/** The keywords of an item, and how well its title, description and H1 serve each. */
export function ItemKeywords({ propertyId, item }: { propertyId: number; item: ItemRow }) {
  const keywords = useQuery({
    queryKey: ofProperty(propertyId, "item-keywords", item.id),
    queryFn: () => answer(api.GET("/api/items/{id}/keywords", { params: { path: { id: item.id } } })),
  });
  return (
    <section className={css.keywords}>
      <h3>Its keywords</h3>
      {keywords.error && <QueryProblem query={keywords} className={css.soft} />}
      {keywords.data?.length === 0 && <p className={css.soft}>{item.aim?.reason ?? "It has no keyword yet."}</p>}
      {keywords.data?.map((keyword) => (
        <div key={keyword.keywordId} className={keyword.role === "primary" ? css.primary : css.secondary}>
          <p>
            <Link to={`/p/${propertyId}/aim?${searchOf({ q: keyword.phrase })}`}>{keyword.phrase}</Link>
            <span className={css.soft}>
              {" "}
              {keyword.volume !== null && `${count(keyword.volume)} searches a month`}
              {keyword.role === "secondary" && ", secondary"}
              {keyword.byHand && ", decided by hand"}
            </span>
          </p>
          <dl>
            {TEXTS.map((text) => (
              <Serving key={text} name={NAMES[text]} serving={keyword[text]} />
            ))}
          </dl>
        </div>
      ))}
    </section>
  );
}

function Serving({ name, serving }: { name: string; serving: ItemKeyword["title"] }) {
  const served = serving.service === "AT_ITS_START" || serving.service === "EXACTLY";
  return (
    <>
      <dt>{name}</dt>
      <dd className={served ? undefined : css.soft}>
        {SERVICE[serving.service]}
        {serving.service === "PARTLY" && <span className={css.missing}>{serving.missing.join(" ")}</span>}
      </dd>
    </>
  );
}
