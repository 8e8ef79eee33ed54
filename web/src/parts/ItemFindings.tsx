import { Button } from "@mantine/core";
import { useQuery } from "@tanstack/react-query";
import { type ReactNode, useState } from "react";
import { Link } from "react-router";
import { answer, api, type Exemption, type Field, type ItemRow } from "../api/client";
import { ofProperty, useChange } from "../api/queries";
import css from "./CloseUp.module.css";
import { ExemptForm } from "./ExemptForm";
import { FIXES, WRITTEN } from "./fixes";
import { atStake, count, day, of } from "./number";
import { season } from "./season";
import { useLabels } from "./useLabels";

interface Props {
  propertyId: number;
  item: ItemRow;
}

/** What is wrong with an item, what it need not pass, and what the clicks at stake rest on. */
export function ItemFindings({ propertyId, item }: Props) {
  const labelOf = useLabels(propertyId);
  const [exempting, setExempting] = useState<string>();
  return (
    <section>
      <h3>{item.findings.length === 0 ? "No findings" : of(item.findings.length, "finding")}</h3>
      <ul className={css.list}>
        {item.findings.map((finding) => {
          const key = `${finding.field} ${finding.check}`;
          return (
            <li key={key}>
              <b>{labelOf(finding.field, finding.check)}</b>
              <br />
              <span className={css.soft}>
                {finding.evidence}
                {finding.limit && <> (limit: {finding.limit})</>}
              </span>
              <Marked item={item} finding={finding} />
              {finding.stake.high >= 0.5 && (
                <>
                  <br />
                  <span className={css.stake}>{atStake(finding.stake)}</span>
                </>
              )}
              {exempting === key ? (
                <ExemptForm
                  propertyId={propertyId}
                  selection={{ ids: [item.id] }}
                  field={finding.field}
                  check={finding.check}
                  onDone={() => setExempting(undefined)}
                />
              ) : (
                <span className={css.ways}>
                  <Fix propertyId={propertyId} item={item} finding={finding} />
                  <button type="button" className={css.small} onClick={() => setExempting(key)}>
                    Let it stand
                  </button>
                </span>
              )}
            </li>
          );
        })}
      </ul>
      <Exempt propertyId={propertyId} item={item} labelOf={labelOf} />
      <RestsOn propertyId={propertyId} itemId={item.id} />
      {item.depth < 0 && item.address.includes("://") && <p className={css.soft}>No link leads to it.</p>}
    </section>
  );
}

type Finding = ItemRow["findings"][number];

/** The text with that marked of which the evidence speaks. */
function Marked({ item, finding }: { item: ItemRow; finding: Finding }) {
  const cell = finding.field === "title" ? item.title : finding.field === "description" ? item.description : item.tags;
  if (finding.marks.length === 0 || !cell) return null;
  const text = cell.draft ?? cell.captured;
  const pieces: ReactNode[] = [];
  let at = 0;
  for (const { from, to } of finding.marks) {
    pieces.push(text.slice(at, from), <mark key={from}>{text.slice(from, to)}</mark>);
    at = to;
  }
  return (
    <p className={css.marked}>
      {pieces}
      {text.slice(at)}
    </p>
  );
}

/** Leads to the tool of Rewrite that fixes a finding, with this item in it. */
function Fix({ propertyId, item, finding }: Props & { finding: Finding }) {
  const name = FIXES[finding.fix];
  if (!name || !WRITTEN.has(finding.field)) return null;
  const search = new URLSearchParams({ q: item.address, tool: finding.fix, on: finding.field });
  return (
    <Link className={css.small} to={`/p/${propertyId}/rewrite?${search}`}>
      {name}
    </Link>
  );
}

type ExemptProps = Props & { labelOf: (field: string, check: string) => string };

/** The checks that the item need not pass. */
function Exempt({ propertyId, item, labelOf }: ExemptProps) {
  const exempt = useQuery({
    queryKey: ofProperty(propertyId, "exemptions", item.id),
    queryFn: () => answer(api.GET("/api/items/{id}/exemptions", { params: { path: { id: item.id } } })),
  });
  const end = useChange(propertyId, (each: Exemption) =>
    answer(
      api.POST("/api/properties/{propertyId}/exemptions/end", {
        params: { path: { propertyId } },
        body: { selection: { ids: [item.id] }, field: each.field as Field, check: each.checkCode },
      }),
    ),
  );
  const held = (exempt.data ?? []).filter((each) => !each.cameBack);
  if (held.length === 0) return null;
  return (
    <>
      <h3>Let stand</h3>
      <ul className={css.list}>
        {held.map((each) => (
          <li key={`${each.field} ${each.checkCode}`}>
            <b>{labelOf(each.field, each.checkCode)}</b>
            <br />
            <span className={css.soft}>
              {each.reason}
              {each.untilDay && <> (until {day(each.untilDay)})</>}
            </span>
            <br />
            <Button size="compact-xs" variant="subtle" loading={end.isPending} onClick={() => end.mutate(each)}>
              Hold it to the check again
            </Button>
          </li>
        ))}
      </ul>
    </>
  );
}

/** What the clicks at stake with an item rest on. */
function RestsOn({ propertyId, itemId }: { propertyId: number; itemId: number }) {
  const demand = useQuery({
    queryKey: ofProperty(propertyId, "item demand", itemId),
    queryFn: () =>
      answer(
        api.GET("/api/properties/{propertyId}/items/{itemId}/demand", { params: { path: { propertyId, itemId } } }),
      ),
  });
  const [of] = demand.data ?? [];
  if (!of) return null;
  return (
    <p className={css.soft}>
      {count(Math.round(of.impressions))} impressions a month, at positions that let {count(Math.round(of.expected))}{" "}
      clicks be expected; {count(Math.round(of.clicks))} came.
      {season(of.season) && ` All in an average month of the year; the reported months bring ${season(of.season)}.`}
      {of.ranks.map((rank) => (
        <span key={rank.keyword}>
          {" "}
          For “{rank.keyword}” ({count(Math.round(rank.searches))} searches) it stands at {rank.position.toFixed(1)}.
        </span>
      ))}
    </p>
  );
}
