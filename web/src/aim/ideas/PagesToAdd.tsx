import { TableLinks } from "../../parts/FileLink";
import { count, of } from "../../parts/number";
import { PlainTable } from "../../parts/PlainTable";
import { QueryProblem } from "../../parts/QueryProblem";
import css from "../Aim.module.css";
import { Scrolled } from "../Scrolled";
import { useAimSummary } from "../useAimSummary";

const MOST = 200;
const MOST_PHRASES = 6;

/** Pages that keywords without an item could get: one for a topic, with texts that fit. */
export function PagesToAdd({ propertyId }: { propertyId: number }) {
  const summary = useAimSummary(propertyId);
  if (summary.error) return <QueryProblem query={summary} className={css.line} />;
  const pages = summary.data?.pages ?? [];
  return (
    <>
      <div className={css.line}>
        <h2>{summary.data ? of(pages.length, "page") : "–"} to add</h2>
        <span className={css.soft}>One for each topic that no item serves, the most searched first.</span>
        <TableLinks csv={`/api/properties/${propertyId}/pages-to-add.csv`} />
      </div>
      <Scrolled label="Pages to add">
        {summary.data && pages.length === 0 && (
          <p className={css.soft}>
            Every keyword has an item. Topics that no item serves are listed here, each with a page to add.
          </p>
        )}
        {pages.length > 0 && (
          <PlainTable head={["search volume", "title and description", "address", "keywords"]}>
            <tbody>
              {pages.slice(0, MOST).map((page) => (
                <tr key={`${page.topic} ${page.slug}`}>
                  <td>{count(page.volume)}</td>
                  <td>
                    <b>{page.title}</b>
                    {page.description}
                  </td>
                  <td>
                    <code>
                      {page.section || "/"}
                      {page.slug}/
                    </code>
                  </td>
                  <td className={css.phrases}>
                    {page.keywords
                      .slice(0, MOST_PHRASES)
                      .map((keyword) => keyword.phrase)
                      .join(", ")}
                    {page.keywords.length > MOST_PHRASES && ` and ${page.keywords.length - MOST_PHRASES} more`}
                  </td>
                </tr>
              ))}
            </tbody>
          </PlainTable>
        )}
        {pages.length > MOST && <p className={css.soft}>and {count(pages.length - MOST)} more in the file.</p>}
      </Scrolled>
    </>
  );
}
