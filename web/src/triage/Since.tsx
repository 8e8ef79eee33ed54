import { NativeSelect } from "@mantine/core";
import { useQuery } from "@tanstack/react-query";
import { useState } from "react";
import { Link } from "react-router";
import { answer, api } from "../api/client";
import { ofProperty } from "../api/queries";
import { count, day } from "../parts/number";
import css from "./Triage.module.css";

/** What became of findings since an earlier sweep. */
export function Since({ propertyId }: { propertyId: number }) {
  const life = useQuery({
    queryKey: ofProperty(propertyId, "life"),
    queryFn: () => answer(api.GET("/api/properties/{propertyId}/findings/life", { params: { path: { propertyId } } })),
  });
  const [chosen, setChosen] = useState<number>();
  if (life.error) return <p role="alert">What became of findings: {life.error.message}</p>;
  const views = life.data ?? [];
  // The sweep before the last one tells most: since the last, only drafts can have changed anything.
  const view = views.find((each) => each.sweepId === chosen) ?? views[1] ?? views[0];
  if (!view) return null;
  const to = (what: string) => `?${new URLSearchParams({ check: "any", life: `${what} ${view.moment}` })}`;
  return (
    <div className={css.since}>
      <NativeSelect
        size="xs"
        aria-label="Since the sweep of"
        value={view.sweepId}
        onChange={(event) => setChosen(Number(event.currentTarget.value))}
        data={views.map((each) => ({ value: `${each.sweepId}`, label: `Since ${day(each.swept)}` }))}
      />
      <Part n={view.fresh} what="new" to={to("new")} />
      <Part n={view.back} what="back again" to={to("back")} />
      <Part n={view.old} what="as before" to={to("old")} />
      <Part n={view.fixed} what="fixed" />
      <Part n={view.drafted} what="drafted" />
      <Part n={view.delivered} what="delivered" />
    </div>
  );
}

function Part({ n, what, to }: { n: number; what: string; to?: string }) {
  const said = (
    <>
      <b>{count(n)}</b> {what}
    </>
  );
  return to && n > 0 ? <Link to={to}>{said}</Link> : <span>{said}</span>;
}
