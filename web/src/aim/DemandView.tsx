import { Button, TextInput } from "@mantine/core";
import { useQuery } from "@tanstack/react-query";
import { useState } from "react";
import { answer, api } from "../api/client";
import { ofProperty, useChange } from "../api/queries";
import { count, day, of } from "../parts/number";
import stage from "../parts/stage.module.css";
import css from "./Aim.module.css";
import { ClickCurve } from "./ClickCurve";
import { useAimSummary } from "./useAimSummary";

/** What search engines report of the property, and the click curve that was fitted to it. */
export function DemandView({ propertyId }: { propertyId: number }) {
  const summary = useAimSummary(propertyId);
  const data = summary.data;
  if (summary.error) return <p className={css.line}>{summary.error.message}</p>;
  return (
    <div className={css.demand}>
      <FetchDemand propertyId={propertyId} />
      {data && data.rows === 0 && (
        <p className={stage.soft}>
          No demand is known yet. Clicks, impressions and positions by item, query and week are fetched from a reporting
          service, or imported from a file under Gather. Until then the click curve is a default.
        </p>
      )}
      {data && data.rows > 0 && (
        <section className={stage.block}>
          <h2>
            {count(data.rows)} rows of demand, the last of {day(data.to)}
          </h2>
          <p>
            What is worked out looks at the thirteen weeks from {day(data.from)} to {day(data.to)} and at the thirteen
            before.
            {data.missingDays > 0 &&
              ` ${of(data.missingDays, "day")} of them ${data.missingDays === 1 ? "is" : "are"} in no row.`}
          </p>
          <Odd n={data.elsewhere} what="of addresses that are no items; they are kept and counted apart" />
          <Odd n={data.withoutPosition} what="without a position of 1 or more; they are counted but not placed" />
          <Odd
            n={data.tooManyClicks}
            what="with more clicks than impressions; the curve counts as many as were shown"
          />
        </section>
      )}
      {data && data.points.length > 0 && (
        <section className={stage.block}>
          <h2>The click curve</h2>
          <p className={stage.soft}>
            How many of those who are shown a result click it, by its position: {data.curve}. Queries for the brand are
            left out.
          </p>
          <ClickCurve points={data.points} />
        </section>
      )}
    </div>
  );
}

function Odd({ n, what }: { n: number; what: string }) {
  return n === 0 ? null : (
    <p className={stage.soft}>
      {of(n, "row")} {what}.
    </p>
  );
}

function FetchDemand({ propertyId }: { propertyId: number }) {
  const source = useQuery({
    queryKey: ofProperty(propertyId, "demand-source"),
    queryFn: () => answer(api.GET("/api/properties/{propertyId}/demand/source", { params: { path: { propertyId } } })),
  });
  const [typed, setTyped] = useState<string>();
  const address = typed ?? source.data?.address ?? "";
  const fetching = useChange(propertyId, () =>
    answer(
      api.POST("/api/properties/{propertyId}/demand/fetch", { params: { path: { propertyId } }, body: { address } }),
    ),
  );
  return (
    <form
      className={css.fetch}
      onSubmit={(event) => {
        event.preventDefault();
        fetching.mutate();
      }}
    >
      <TextInput
        label="Fetch demand from a reporting service"
        placeholder="https://reports.example/demand"
        value={address}
        error={fetching.error?.message}
        onChange={(event) => setTyped(event.currentTarget.value)}
      />
      <Button type="submit" disabled={address.trim() === ""} loading={fetching.isPending}>
        Fetch
      </Button>
    </form>
  );
}
