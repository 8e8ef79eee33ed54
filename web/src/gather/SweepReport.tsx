import { Table } from "@mantine/core";
import { useQuery } from "@tanstack/react-query";
import { useState } from "react";
import { answer, api, type Sweep } from "../api/client";
import { ofProperty } from "../api/queries";
import { IconDownload } from "../parts/icons";
import { count } from "../parts/number";
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
      <Table>
        <Table.Thead>
          <Table.Tr>
            <Table.Th>What became of it</Table.Th>
            <Table.Th>Status</Table.Th>
            <Table.Th className={css.right}>Addresses</Table.Th>
            <Table.Th>For example</Table.Th>
          </Table.Tr>
        </Table.Thead>
        <Table.Tbody>
          {outcomes.data?.map((line) => (
            <Table.Tr key={`${line.outcome} ${line.status} ${line.example}`}>
              <Table.Td>
                <button type="button" className={css.link} onClick={() => setOutcome(line.outcome)}>
                  {WORDS[line.outcome] ?? line.outcome}
                </button>
              </Table.Td>
              <Table.Td>{line.status || ""}</Table.Td>
              <Table.Td className={css.right}>{count(line.count)}</Table.Td>
              <Table.Td>
                <span className={css.sample}>{line.example}</span>
                <span className={stage.soft}>{line.detail}</span>
              </Table.Td>
            </Table.Tr>
          ))}
        </Table.Tbody>
      </Table>
      <a className={css.link} href={`/api/sweeps/${sweep.id}/visits.csv`} download>
        <IconDownload size={15} aria-hidden /> Every address as CSV
      </a>
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
