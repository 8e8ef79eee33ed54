import { Button } from "@mantine/core";
import { useQuery } from "@tanstack/react-query";
import { Link } from "react-router";
import { answer, api, type KeywordRow } from "../../api/client";
import { ofProperty, useChange } from "../../api/queries";
import { count, pathOf, percent } from "../../parts/number";
import { QueryProblem } from "../../parts/QueryProblem";
import { SidePanel } from "../../parts/SidePanel";
import { searchOf } from "../../parts/searchOf";
import { tell } from "../../parts/tell";
import { countryName } from "./countryName";
import css from "./KeywordCloseUp.module.css";
import { Trend } from "./Trend";

/** All that is known of one keyword, its home, and the items that could be. */
export function KeywordCloseUp({
  propertyId,
  row,
  onClose,
}: {
  propertyId: number;
  row: KeywordRow;
  onClose: () => void;
}) {
  const homes = useQuery({
    queryKey: ofProperty(propertyId, "homes", row.id),
    queryFn: ({ signal }) =>
      answer(
        api.GET("/api/properties/{propertyId}/keywords/{id}/homes", {
          params: { path: { propertyId, id: row.id } },
          signal,
        }),
      ),
  });
  const figures = useQuery({
    queryKey: ofProperty(propertyId, "figures", row.id),
    queryFn: ({ signal }) =>
      answer(
        api.GET("/api/properties/{propertyId}/keywords/{id}/figures", {
          params: { path: { propertyId, id: row.id } },
          signal,
        }),
      ),
  });
  const aim = useChange(propertyId, (itemId: number) =>
    answer(
      api.POST("/api/properties/{propertyId}/targets", {
        params: { path: { propertyId } },
        body: { selection: { ids: [itemId] }, keywordId: row.id },
      }),
    ),
  );
  return (
    <SidePanel label={`Keyword ${row.phrase}`} title={row.phrase} onClose={onClose}>
      {row.monthly.length > 2 && (
        <figure>
          <Trend row={row} width={332} height={72} />
          <figcaption>
            Searches in the last {row.monthly.length} months
            {row.country && `, ${row.country.split(", ").map(countryName).join(", ")}`}.{" "}
            {row.peaks ? `Peak: ${row.peaks}.` : "No month stands out."}
          </figcaption>
        </figure>
      )}
      <dl>
        <dt>Search volume</dt>
        <dd>
          {row.volume === null ? "not known" : count(row.volume)}
          {row.broad !== null && `; ${count(row.broad)} with all phrases that contain it`}
        </dd>
        {figures.data && figures.data.length > 1 && (
          <>
            <dt>By country</dt>
            <dd>
              {figures.data.map((each) => (
                <div key={each.country}>
                  {each.country ? countryName(each.country) : "not named"}{" "}
                  {each.volume === null ? "not known" : count(each.volume)}
                </div>
              ))}
            </dd>
          </>
        )}
        <dt>In 13 weeks</dt>
        <dd>
          {count(row.impressions)} impressions, {count(row.clicks)} clicks
          {row.position >= 1 && `, at position ${row.position.toFixed(1)}`}
          {row.impressions > 0 && (
            <>
              {" "}
              (
              <Link to={`/p/${propertyId}/aim?${searchOf({ side: "demand", like: row.phrase })}`}>
                by query and week
              </Link>
              )
            </>
          )}
        </dd>
        <dt>Intent</dt>
        <dd>
          {row.intent}: {row.intentReason}
        </dd>
        <dt>Topic</dt>
        <dd>
          {row.topic}
          {row.topicByHand && ", set by hand"}
        </dd>
        {row.place && (
          <>
            <dt>Place</dt>
            <dd>{row.place}</dd>
          </>
        )}
      </dl>
      <h3>Items that fit it</h3>
      {homes.error && <QueryProblem query={homes} className={css.soft} />}
      {homes.data?.length === 0 && (
        <p className={css.soft}>No item contains its words. It is an idea for a new page.</p>
      )}
      <ol className={css.homes} aria-busy={homes.isPending}>
        {homes.data?.map((home) => {
          const lives = home.itemId === row.itemId;
          return (
            <li key={home.itemId} className={lives ? css.lives : undefined}>
              <span className={css.address} title={home.address}>
                {pathOf(home.address)}
              </span>
              <span className={css.score}>fits {percent(home.score)}</span>
              <span className={css.why}>{home.reason}</span>
              {lives ? (
                <span className={css.here}>
                  its item, {row.role}
                  {row.byHand && ", set by hand"}
                </span>
              ) : (
                <Button
                  size="compact-xs"
                  variant="default"
                  loading={aim.isPending && aim.variables === home.itemId}
                  onClick={() =>
                    aim.mutate(home.itemId, {
                      onSuccess: () => tell(`“${row.phrase}” now lives at ${pathOf(home.address)}, and stays there.`),
                    })
                  }
                >
                  Make this its item
                </Button>
              )}
            </li>
          );
        })}
      </ol>
    </SidePanel>
  );
}
