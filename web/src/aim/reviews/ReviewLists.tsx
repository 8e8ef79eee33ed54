import { NativeSelect } from "@mantine/core";
import { Link, useSearchParams } from "react-router";
import { answer, api, type Review } from "../../api/client";
import { useChange } from "../../api/queries";
import { monthInWords, monthsAhead } from "../../parts/months";
import { count, pathOf } from "../../parts/number";
import { PlainTable } from "../../parts/PlainTable";
import { QueryProblem } from "../../parts/QueryProblem";
import { searchOf } from "../../parts/searchOf";
import { useReviews } from "../../parts/useReviews";
import css from "../Aim.module.css";
import { Scrolled } from "../Scrolled";

/** Keywords, tags and items to look at again, by list; what is due comes first. */
export function ReviewLists({ propertyId }: { propertyId: number }) {
  const reviews = useReviews(propertyId);
  const [search, setSearch] = useSearchParams();
  const list = search.get("list") ?? "";
  const all = reviews.data ?? [];
  const shown = all.filter((review) => list === "" || review.list === list);
  const due = shown.filter((review) => review.due);
  const later = shown.filter((review) => !review.due);
  const names = [...new Set(all.map((review) => review.list))].sort();
  if (reviews.error) return <QueryProblem query={reviews} className={css.line} />;
  return (
    <>
      <div className={css.line}>
        <h2>{reviews.data ? count(shown.length) : "–"} to look at again</h2>
        {names.length > 0 && (
          <NativeSelect
            size="xs"
            aria-label="List"
            value={list}
            onChange={(event) =>
              setSearch({ side: "reviews", ...(event.currentTarget.value && { list: event.currentTarget.value }) })
            }
            data={[
              { value: "", label: "every list" },
              ...names.map((name) => ({
                value: name,
                label: `${name} (${count(all.filter((review) => review.list === name).length)})`,
              })),
            ]}
          />
        )}
      </div>
      <Scrolled label="Review lists">
        {reviews.data && all.length === 0 && (
          <p className={css.soft}>
            No review lists yet. Put the cursor on a keyword or tag and press L, or choose some and put them on a list,
            with a month if you want to be reminded. In Triage, the menu of a cause does the same.
          </p>
        )}
        {due.length > 0 && <ReviewTable propertyId={propertyId} title="Due" reviews={due} />}
        {later.length > 0 && (
          <ReviewTable propertyId={propertyId} title={due.length > 0 ? "Later" : ""} reviews={later} />
        )}
      </Scrolled>
    </>
  );
}

/** Where what is to be looked at stands. */
function viewOf({ kind, phrase, place }: Review) {
  // What no check narrows is seen whole at the desk only.
  if (kind === "ITEMS") return `${new URLSearchParams(place).has("check") ? "triage" : "rewrite"}?${place}`;
  return `${kind === "TAG" ? "rewrite" : "aim"}?${searchOf({ q: phrase })}`;
}

function ReviewTable({ propertyId, title, reviews }: { propertyId: number; title: string; reviews: Review[] }) {
  const path = { params: { path: { propertyId } } };
  const move = useChange(propertyId, ({ id, month }: { id: number; month: string }) =>
    answer(api.POST("/api/properties/{propertyId}/reviews/month", { ...path, body: { ids: [id], month } })),
  );
  const remove = useChange(propertyId, (id: number) =>
    answer(api.POST("/api/properties/{propertyId}/reviews/remove", { ...path, body: [id] })),
  );
  return (
    <>
      {title && <h3 className={css.part}>{title}</h3>}
      <PlainTable dense head={["search volume", "what", "its item", "list", "look again in", ""]}>
        <tbody>
          {reviews.map((review) => (
            <tr key={review.id}>
              <td>{review.volume === null ? "" : count(review.volume)}</td>
              <td>
                <Link to={`/p/${propertyId}/${viewOf(review)}`}>{review.phrase}</Link>
                {review.kind !== "KEYWORD" && <span className={css.soft}> {review.kind.toLowerCase()}</span>}
              </td>
              <td>{review.address === null ? "" : pathOf(review.address)}</td>
              <td>{review.list}</td>
              <td>
                <NativeSelect
                  size="xs"
                  w={170}
                  aria-label={`Month for ${review.phrase}`}
                  value={review.dueMonth}
                  onChange={(event) => move.mutate({ id: review.id, month: event.currentTarget.value })}
                  data={[
                    { value: "", label: "no month" },
                    ...[...new Set([review.dueMonth, ...monthsAhead()])]
                      .filter(Boolean)
                      .map((month) => ({ value: month, label: monthInWords(month) })),
                  ]}
                />
              </td>
              <td>
                <button
                  type="button"
                  className={css.quiet}
                  aria-label={`Remove ${review.phrase} from the list`}
                  onClick={() => remove.mutate(review.id)}
                >
                  Remove
                </button>
              </td>
            </tr>
          ))}
        </tbody>
      </PlainTable>
    </>
  );
}
