import { useQuery } from "@tanstack/react-query";
import { useState } from "react";
import { answer, api, type Sweep } from "../api/client";
import { ofProperty } from "../api/queries";
import { FileLink } from "../parts/FileLink";
import { count } from "../parts/number";
import { PlainTable } from "../parts/PlainTable";
import stage from "../parts/stage.module.css";
import css from "./Gather.module.css";

const WORDS: Record<string, string> = {
  captured: "captured",
  redirect: "redirects",
  "redirect-loop": "redirects in a circle",
  "error-status": "answers with an error",
  "not-html": "no HTML",
  blocked: "blocked by robots.txt",
  nofollow: "links ask not to be followed",
  "out-of-scope": "left out: not within its scope",
  trap: "left out: addresses without end",
  passed: "looked at for its links only",
  unreachable: "could not be reached",
  refused: "refused: a private address",
  "too-deep": "too many links from the start",
  "over-limit": "left out: over the limit of pages",
  unreadable: "could not be read",
};

/** By status, and by what was left out and why. */
export function SweepReport({ sweep }: { sweep: Sweep }) {
  const [outcome, setOutcome] = useState<string>();
  const outcomes = useQuery({
    queryKey: ofProperty(sweep.propertyId, "outcomes", sweep.id),
    queryFn: () => answer(api.GET("/api/sweeps/{id}/outcomes", { params: { path: { id: sweep.id } } })),
  });
  const visits = useQuery({
    queryKey: ofProperty(sweep.propertyId, "visits", sweep.id, outcome),
    queryFn: () =>
      answer(
        api.GET("/api/sweeps/{id}/visits", { params: { path: { id: sweep.id }, query: { outcome, limit: 200 } } }),
      ),
    enabled: outcome !== undefined,
  });
  return (
    <div className={stage.block}>
      <PlainTable dense head={["What became of it", "Status", "Addresses", "For example"]} right={[2]}>
        <tbody>
          {outcomes.data?.map((line) => (
            <tr key={`${line.outcome} ${line.status} ${line.example}`}>
              <td>
                <button type="button" className={css.link} onClick={() => setOutcome(line.outcome)}>
                  {WORDS[line.outcome] ?? line.outcome}
                </button>
              </td>
              <td>{line.status || ""}</td>
              <td className={css.right}>{count(line.count)}</td>
              <td>
                <span className={css.sample}>{line.example}</span>
                <span className={stage.soft}>{line.detail}</span>
              </td>
            </tr>
          ))}
        </tbody>
      </PlainTable>
      <FileLink href={`/api/sweeps/${sweep.id}/visits.csv`} label="Every address as CSV" />
      {outcome && visits.data && (
        <div>
          <h3>{WORDS[outcome] ?? outcome}</h3>
          <ul className={css.visits}>
            {visits.data.map((visit) => (
              <li key={visit.id}>
                {visit.address}
                {visit.redirectTo && <> → {visit.redirectTo}</>}
                <br />
                <span className={stage.soft}>
                  {[visit.detail, visit.foundOn && `found on ${visit.foundOn}`].filter(Boolean).join("; ")}
                </span>
              </li>
            ))}
          </ul>
          {visits.data.length === 200 && <p className={stage.soft}>The first 200; the CSV has all.</p>}
        </div>
      )}
    </div>
  );
}
